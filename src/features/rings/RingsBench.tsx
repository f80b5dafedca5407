'use client'
import { memo } from 'react'
import { bench } from '@/core/benches/rings/rings'
import { benchWords } from '@/wording'
import * as words from '@/wording/benches/rings'
import type { BenchInFrame } from '@/features/benchFrame/BenchPage'
import type { BenchView } from '@/features/benchFrame/benchView'
import { RingTools } from './RingTools'
import { lazyPart } from '@/ui/lazyPart'

const ClosureChart = lazyPart(() => import('./ClosureChart').then((module) => module.ClosureChart))

const view: BenchView = {
  words: benchWords(words),
  Picture: memo(({ findings, build, system }) => <ClosureChart findings={findings} build={build} system={system} />),
  Tools: memo(RingTools),
}

export function RingsBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={bench} view={view} {...props} />
}
