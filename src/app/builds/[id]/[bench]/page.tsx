import type { Metadata } from 'next'
import { notFound, redirect } from 'next/navigation'
import { benchById, benchesOf, GROWTH, isBenchId } from '@/core/benches'
import { openStored } from '@/shop/openedBuilds'
import { serveBuild } from '@/features/entries/servedBuild'
import { stagesOf } from '@/features/benchFrame/stagesOf'
import { BenchPageOf } from '@/features/BenchPageOf'
import { loadBuild } from '../../../loadBuild'

type Props = { params: Promise<{ id: string; bench: string }>; searchParams: Promise<{ at?: string }> }

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { id, bench } = await params
  return isBenchId(bench) ? { title: `${benchById(bench).definition.title}, ${(await loadBuild(id)).document.spec.name}` } : {}
}

export default async function Page({ params, searchParams }: Props) {
  const { bench } = await params
  if (!isBenchId(bench)) notFound()
  const stored = await loadBuild((await params).id)
  const { document, revision, lastSeq } = stored
  const build = openStored(stored)
  // A bench that has nothing to ask of this engine is not there.
  if (!benchesOf(build.spec).some(({ id }) => id === bench)) redirect(`/builds/${document.id}`)
  return (
    <BenchPageOf
      benchId={bench}
      served={serveBuild(build, lastSeq)}
      revision={revision}
      growth={GROWTH}
      stages={stagesOf(build, bench, Date.now())}
      startAt={(await searchParams).at}
    />
  )
}
