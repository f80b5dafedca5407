'use client'
import dynamic from 'next/dynamic'
import { memo } from 'react'
import { definition } from '@/core/benches/compression/definition'
import type { BenchView } from '../benchView'
import { CompressionTools } from './CompressionTools'

const CylinderChart = dynamic(() => import('@/ui/CylinderChart').then((module) => module.CylinderChart), { ssr: false })

export const compressionView: BenchView = {
  Picture: memo(({ findings, build, system }) => (
    <CylinderChart
      title="Compression ratio by cylinder" findings={findings.filter((finding) => finding.output === 'compressionRatio')} shown={definition.outputs.compressionRatio}
      cylinders={build.spec.layout.cylinders} system={system}
    />
  )),
  Tools: memo(CompressionTools),
}
