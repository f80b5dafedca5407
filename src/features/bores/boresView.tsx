'use client'
import dynamic from 'next/dynamic'
import { memo } from 'react'
import { definition } from '@/core/benches/bores/definition'
import type { BenchView } from '../benchView'

const CylinderChart = dynamic(() => import('@/ui/CylinderChart').then((module) => module.CylinderChart), { ssr: false })

export const boresView: BenchView = {
  Picture: memo(({ findings, build, system }) => (
    <CylinderChart
      title="Mean bore by cylinder" findings={findings.filter((finding) => finding.output === 'boreDiameter')} shown={definition.outputs.boreDiameter}
      cylinders={build.spec.layout.cylinders} system={system}
    />
  )),
  Tools: memo(() => null),
}
