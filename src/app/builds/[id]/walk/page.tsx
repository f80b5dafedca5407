import type { Metadata } from 'next'
import { database } from '@/data/database'
import { serveWalk } from '@/features/walk/servedWalk'
import { WalkPage } from '@/features/walk/WalkPage'
import { openStored } from '@/shop/openedBuilds'
import { loadBuild } from '../../../loadBuild'

export const metadata: Metadata = { title: 'Walk' }

type Props = { params: Promise<{ id: string }>; searchParams: Promise<{ at?: string }> }

export default async function Page({ params, searchParams }: Props) {
  const { id } = await params
  const [stored, { photos }, { at }] = await Promise.all([loadBuild(id), database(), searchParams])
  const served = serveWalk(openStored(stored), { ...stored, photos: await photos.cards(id) }, Date.now())
  // Sent to another step it is another page, with that step in hand.
  return <WalkPage key={at} served={served} startAt={at} />
}
