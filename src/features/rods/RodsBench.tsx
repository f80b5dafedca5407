'use client'
import { memo } from 'react'
import { bench } from '@/core/benches/rods/rods'
import { definition } from '@/core/benches/rods/definition'
import { benchWords } from '@/wording'
import * as words from '@/wording/benches/rods'
import type { BenchInFrame } from '@/features/benchFrame/BenchPage'
import type { BenchView } from '@/features/benchFrame/benchView'
import { PlanTool } from '@/features/benchFrame/PlanTool'
import { lazyPart } from '@/ui/lazyPart'

const SubjectChart = lazyPart(() => import('@/ui/SubjectChart').then((module) => module.SubjectChart))
const MassPanel = lazyPart(() => import('./MassPanel').then((module) => module.MassPanel))

const HALF_HEIGHT = 150

const view: BenchView = {
  words: benchWords(words),
  Picture: memo(({ findings, system }) => (
    <>
      <SubjectChart
        title="Reciprocating mass by cylinder"
        findings={findings.filter(({ output }) => output === 'rods.reciprocating')}
        shown={definition.outputs['rods.reciprocating']}
        system={system}
        height={HALF_HEIGHT}
      />
      <SubjectChart
        title="Measured deck against the stack, by cylinder"
        findings={findings.filter(({ output }) => output === 'rods.stackApart')}
        shown={definition.outputs['rods.stackApart']}
        system={system}
        height={HALF_HEIGHT}
      />
    </>
  )),
  Tools: memo((props) => <PlanTool words="Match masses" Panel={MassPanel} {...props} />),
}

export function RodsBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={bench} view={view} {...props} />
}
