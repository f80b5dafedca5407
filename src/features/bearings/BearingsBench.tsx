'use client'
import { memo } from 'react'
import { bench } from '@/core/benches/bearings/bearings'
import { definition } from '@/core/benches/bearings/definition'
import { benchWords } from '@/wording'
import * as words from '@/wording/benches/bearings'
import type { BenchInFrame } from '@/features/benchFrame/BenchPage'
import type { BenchView } from '@/features/benchFrame/benchView'
import { ShellTool } from './ShellTool'
import { lazyPart } from '@/ui/lazyPart'

const SubjectChart = lazyPart(() => import('@/ui/SubjectChart').then((module) => module.SubjectChart))

const HALF_HEIGHT = 150

const view: BenchView = {
  words: benchWords(words),
  Picture: memo(({ findings, system }) => {
    const of = (kind: 'main' | 'rod') => {
      const planned = findings.filter((finding) => finding.output === `bearings.${kind}Planned`)
      return {
        isPlanned: planned.length > 0,
        findings: planned.length > 0 ? planned : findings.filter((finding) => finding.output === `bearings.${kind}Clearance`),
      }
    }
    const [mains, rods] = [of('main'), of('rod')]
    return (
      <>
        <SubjectChart
          title={`Main clearance${mains.isPlanned ? ', planned shells' : ''}`}
          findings={mains.findings}
          shown={definition.outputs['bearings.mainClearance']}
          system={system}
          height={HALF_HEIGHT}
        />
        <SubjectChart
          title={`Rod clearance by cylinder${rods.isPlanned ? ', planned shells' : ''}`}
          findings={rods.findings}
          shown={definition.outputs['bearings.rodClearance']}
          system={system}
          height={HALF_HEIGHT}
        />
      </>
    )
  }),
  Tools: memo(ShellTool),
}

export function BearingsBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={bench} view={view} {...props} />
}
