import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { benchById, BENCHES, benchProgress, GROWTH, isBenchId, openBuild, type BenchId } from '@/core/benches'
import type { Build } from '@/core/build'
import { serveBuild } from '@/features/bench/servedBuild'
import { shareDone, type Stage } from '@/features/bench/stages'
import { BenchPageOf } from '@/features/benchPages'
import { loadBuild } from '../../../loadBuild'

type Props = { params: Promise<{ id: string; bench: string }>; searchParams: Promise<{ at?: string }> }

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { id, bench } = await params
  return isBenchId(bench) ? { title: `${benchById(bench).definition.title}, ${(await loadBuild(id)).document.spec.name}` } : {}
}

export default async function Page({ params, searchParams }: Props) {
  const { bench } = await params
  if (!isBenchId(bench)) notFound()
  const { document, revision, lastSeq } = await loadBuild((await params).id)
  const build = openBuild(document)
  return (
    <BenchPageOf
      benchId={bench}
      served={serveBuild(build, lastSeq)}
      revision={revision}
      growth={GROWTH}
      stages={stagesOf(build, bench)}
      startAt={(await searchParams).at}
    />
  )
}

/** The rule of stages as it stands: job, paper, every bench in the order of work, book. */
function stagesOf(build: Build, here: BenchId): Stage[] {
  const home = `/builds/${build.id}`
  return [
    { href: home, words: 'Job', done: 1, here: false },
    { href: `${home}/paper`, words: 'Paper', done: 1, here: false },
    ...BENCHES.map((bench): Stage => ({
      href: `${home}/${bench.id}`,
      words: bench.definition.stage,
      bench: bench.id,
      done: shareDone(benchProgress(bench, build)),
      here: bench.id === here,
    })),
    { href: `${home}/book`, words: 'Book', here: false },
  ]
}
