'use client'
import { memo } from 'react'
import { bench } from '@/core/benches/fasteners/fasteners'
import { definition } from '@/core/benches/fasteners/definition'
import { benchWords } from '@/wording'
import * as words from '@/wording/benches/fasteners'
import { lazyPart } from '@/ui/lazyPart'
import type { BenchInFrame } from '../bench/BenchPage'
import type { BenchView } from '../bench/benchView'

const SubjectChart = lazyPart(() => import('@/ui/SubjectChart').then((module) => module.SubjectChart))

const view: BenchView = {
  words: benchWords(words),
  Picture: memo(({ findings, system }) => (
    <SubjectChart
      title="Stretch by bolt"
      findings={findings.filter(({ output }) => output === 'fasteners.stretch')}
      shown={definition.outputs['fasteners.stretch']}
      system={system}
    />
  )),
  Tools: memo(() => null),
}

export function FastenersBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={bench} view={view} {...props} />
}
