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
  if (!jointsOf(document.spec).some((one) => one.id === joint)) notFound()
  return <JointPage served={serveJoints(document, { revision, lastSeq, bolts: await retiredBolts() })} jointId={joint} />
}
