'use client'
import dynamic from 'next/dynamic'
import { memo } from 'react'
import { compression } from '@/core/benches/compression/compression'
import { definition } from '@/core/benches/compression/definition'
import type { BenchInFrame } from '../bench/BenchPage'
import type { BenchView } from '../bench/benchView'
import { CompressionTools } from './CompressionTools'

const SubjectChart = dynamic(() => import('@/ui/SubjectChart').then((module) => module.SubjectChart), { ssr: false })

const view: BenchView = {
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
  return <Frame bench={compression} view={view} {...props} />
}
