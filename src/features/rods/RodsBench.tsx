'use client'
import dynamic from 'next/dynamic'
import { memo } from 'react'
import { rods } from '@/core/benches/rods/rods'
import { definition } from '@/core/benches/rods/definition'
import type { BenchInFrame } from '../bench/BenchPage'
import type { BenchView } from '../bench/benchView'
import { PlanTool } from '../bench/PlanTool'

const SubjectChart = dynamic(() => import('@/ui/SubjectChart').then((module) => module.SubjectChart), { ssr: false })
const MassPanel = dynamic(() => import('./MassPanel').then((module) => module.MassPanel), { ssr: false })

const HALF_HEIGHT = 150

const view: BenchView = {
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
  return <Frame bench={rods} view={view} {...props} />
}
