import type { Metadata } from 'next'
import { openRuns } from '@/core/joints'
import { openStored } from '@/shop/openedBuilds'
import { servedClocks } from '@/shop/servedClocks'
import { benchSummaries, marksOf, walkAtLastEntry } from '@/shop/summary'
import { BuildFront } from '@/features/build-front/BuildFront'
import { setAsideLines } from '@/features/book/beyondFindings'
import { loadBuild } from '../../loadBuild'

type Props = { params: Promise<{ id: string }> }

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await loadBuild((await params).id)).document.spec.name }
}

export default async function Page({ params }: Props) {
  const stored = await loadBuild((await params).id)
  const { document, revision } = stored
  const build = openStored(stored)
  return (
    <BuildFront
      id={document.id}
      initial={document.spec}
      revision={revision}
      benches={benchSummaries(build)}
      marks={marksOf(build)}
      openRuns={openRuns(document.spec, document.entries)}
      setAside={setAsideLines(build)}
      clocks={servedClocks(build, walkAtLastEntry(build))}
    />
  )
}
