import type { Metadata } from 'next'
import { serveWalk } from '@/features/walk/servedWalk'
import { WalkPage } from '@/features/walk/WalkPage'
import { loadBuild } from '../../../loadBuild'

export const metadata: Metadata = { title: 'Walk' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { document, revision, lastSeq } = await loadBuild((await params).id)
  return <WalkPage served={serveWalk(document, { revision, lastSeq }, Date.now())} />
}
