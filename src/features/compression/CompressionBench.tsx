'use client'
import { memo } from 'react'
import { bench } from '@/core/benches/compression/compression'
import { definition } from '@/core/benches/compression/definition'
import { benchWords } from '@/wording'
import * as words from '@/wording/benches/compression'
import type { BenchInFrame } from '@/features/benchFrame/BenchPage'
import type { BenchView } from '@/features/benchFrame/benchView'
import { CompressionTools } from './CompressionTools'
import { lazyPart } from '@/ui/lazyPart'

const SubjectChart = lazyPart(() => import('@/ui/SubjectChart').then((module) => module.SubjectChart))

const view: BenchView = {
  words: benchWords(words),
  Picture: memo(({ findings, system }) => (
    <SubjectChart
      title="Compression ratio by cylinder"
      findings={findings.filter((finding) => finding.output === 'compression.compressionRatio')}
      shown={definition.outputs['compression.compressionRatio']}
      system={system}
    />
  )),
  Tools: memo(CompressionTools),
}

export function CompressionBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={bench} view={view} {...props} />
}
