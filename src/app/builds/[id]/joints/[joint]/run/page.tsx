import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { RUN_KINDS } from '@/core/document/entries/pull'
import { jointsOf } from '@/core/joints'
import { RunPage } from '@/features/joints/RunPage'
import { serveJoints } from '@/features/joints/servedJoints'
import { retiredBolts } from '../../../../../../shop/boltLedger'
import { loadBuild } from '../../../../../loadBuild'

type Props = { params: Promise<{ id: string; joint: string }>; searchParams: Promise<{ way?: string }> }

export const metadata: Metadata = { title: 'Run' }

export default async function Page({ params, searchParams }: Props) {
  const { id, joint } = await params
  const { document, revision, lastSeq } = await loadBuild(id)
  const own = jointsOf(document.spec).find((one) => one.id === joint)
  if (!own) notFound()
  const { way } = await searchParams
  return (
    <RunPage
      served={serveJoints(document, { revision, lastSeq, bolts: await retiredBolts(id, own) })}
      jointId={joint}
      way={RUN_KINDS.find((kind) => kind === way) ?? 'tighten'}
    />
  )
}
