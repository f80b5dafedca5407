import type { Metadata } from 'next'
import { serveWalk } from '@/features/walk/servedWalk'
import { WalkPage } from '@/features/walk/WalkPage'
import { loadBuild } from '../../../loadBuild'

export const metadata: Metadata = { title: 'Walk' }

type Props = { params: Promise<{ id: string }>; searchParams: Promise<{ at?: string }> }

export default async function Page({ params, searchParams }: Props) {
  const { document, revision, lastSeq } = await loadBuild((await params).id)
  const { at } = await searchParams
  // Sent to another step it is another page, with that step in hand.
  return <WalkPage key={at} served={serveWalk(document, { revision, lastSeq }, Date.now())} startAt={at} />
}
