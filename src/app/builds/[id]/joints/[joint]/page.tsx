import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { jointsOf } from '@/core/joints'
import { JointPage } from '@/features/joints/JointPage'
import { serveJoints } from '@/features/joints/servedJoints'
import { retiredBolts } from '../../../../../shop/boltLedger'
import { loadBuild } from '../../../../loadBuild'

export const metadata: Metadata = { title: 'Joint' }

export default async function Page({ params }: { params: Promise<{ id: string; joint: string }> }) {
  const { id, joint } = await params
  const { document, revision, lastSeq } = await loadBuild(id)
  const own = jointsOf(document.spec).find((one) => one.id === joint)
  if (!own) notFound()
  return <JointPage served={serveJoints(document, { revision, lastSeq, bolts: await retiredBolts(id, own) })} jointId={joint} />
}
