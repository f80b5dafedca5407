'use client'
import { memo } from 'react'
import { bores } from '@/core/benches/bores/bores'
import type { BenchInFrame } from '../bench/BenchPage'
import type { BenchView } from '../bench/benchView'
import { BoreSections } from './BoreSections'
import { MatchTool } from './MatchTool'

const view: BenchView = { Picture: memo(BoreSections), Tools: memo(MatchTool) }

export function BoresBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={bores} view={view} {...props} />
}
