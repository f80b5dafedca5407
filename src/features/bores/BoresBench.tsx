'use client'
import { memo } from 'react'
import { bench } from '@/core/benches/bores/bores'
import { benchWords } from '@/wording'
import * as words from '@/wording/benches/bores'
import type { BenchInFrame } from '@/features/benchFrame/BenchPage'
import type { BenchView } from '@/features/benchFrame/benchView'
import { PlanTool } from '@/features/benchFrame/PlanTool'
import { BoreSections } from './BoreSections'
import { lazyPart } from '@/ui/lazyPart'

const MatchPanel = lazyPart(() => import('./MatchPanel').then((module) => module.MatchPanel))

const view: BenchView = {
  words: benchWords(words),
  Picture: memo(BoreSections),
  Tools: memo((props) => <PlanTool words="Match pistons to bores" Panel={MatchPanel} {...props} />),
}

export function BoresBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={bench} view={view} {...props} />
}
