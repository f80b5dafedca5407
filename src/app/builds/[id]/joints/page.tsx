import type { Metadata } from 'next'
import { JointsPage } from '@/features/joints/JointsPage'
import { serveJoints } from '@/features/joints/servedJoints'
import { loadBuild } from '../../../loadBuild'

export const metadata: Metadata = { title: 'Joints' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { document, revision, lastSeq } = await loadBuild((await params).id)
  return <JointsPage served={serveJoints(document, { revision, lastSeq, bolts: { lines: [], waiting: 0 } })} />
}
