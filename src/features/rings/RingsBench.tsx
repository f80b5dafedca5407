'use client'
import dynamic from 'next/dynamic'
import { memo } from 'react'
import { rings } from '@/core/benches/rings/rings'
import type { BenchInFrame } from '../bench/BenchPage'
import type { BenchView } from '../bench/benchView'
import { RingTools } from './RingTools'

const ClosureChart = dynamic(() => import('./ClosureChart').then((module) => module.ClosureChart), { ssr: false })

const view: BenchView = {
  Picture: memo(({ findings, build, system }) => <ClosureChart findings={findings} build={build} system={system} />),
  Tools: memo(RingTools),
}

export function RingsBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={rings} view={view} {...props} />
}
