'use client'
import dynamic from 'next/dynamic'
import { memo } from 'react'
import { bores } from '@/core/benches/bores/bores'
import type { BenchInFrame } from '../bench/BenchPage'
import type { BenchView } from '../bench/benchView'
import { PlanTool } from '../bench/PlanTool'
import { BoreSections } from './BoreSections'

const MatchPanel = dynamic(() => import('./MatchPanel').then((module) => module.MatchPanel), { ssr: false })

const view: BenchView = {
  Picture: memo(BoreSections),
  Tools: memo((props) => <PlanTool words="Match pistons to bores" Panel={MatchPanel} {...props} />),
}

export function BoresBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={bores} view={view} {...props} />
}
