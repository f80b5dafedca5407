'use client'
import { memo } from 'react'
import { bench } from '@/core/benches/clearance/clearance'
import { benchWords } from '@/wording'
import * as words from '@/wording/benches/clearance'
import type { BenchInFrame } from '../bench/BenchPage'
import type { BenchView } from '../bench/benchView'

const Nothing = memo(() => null)
const view: BenchView = { words: benchWords(words), Picture: Nothing, Tools: Nothing }

export function ClearanceBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={bench} view={view} {...props} />
}
