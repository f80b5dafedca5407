'use client'
import { memo } from 'react'
import { bench } from '@/core/benches/fasteners/fasteners'
import { definition } from '@/core/benches/fasteners/definition'
import { methods } from '@/core/benches/fasteners/methods'
import { boltsTried } from '@/core/benches/fasteners/rodBolts'
import { MethodChoice } from '@/features/paper/MethodChoice'
import { Row } from '@/ui/Page'
import { benchWords } from '@/wording'
import * as words from '@/wording/benches/fasteners'
import { LinkButton } from '@/ui/Button'
import { lazyPart } from '@/ui/lazyPart'
import type { BenchInFrame } from '../bench/BenchPage'
import type { BenchView } from '../bench/benchView'

const SubjectChart = lazyPart(() => import('@/ui/SubjectChart').then((module) => module.SubjectChart))
const CurveChart = lazyPart(() => import('./CurveChart').then((module) => module.CurveChart))

const BESIDE_CURVES_PX = 130

const view: BenchView = {
  words: benchWords(words),
  Picture: memo(({ findings, build, system }) => {
    const hasCurves = boltsTried(build).length > 0
    return (
      <>
        {hasCurves && <CurveChart findings={findings} build={build} system={system} />}
        <SubjectChart
          title="Stretch by bolt"
          findings={findings.filter(({ output }) => output === 'fasteners.stretch')}
          shown={definition.outputs['fasteners.stretch']}
          system={system}
          height={hasCurves ? BESIDE_CURVES_PX : undefined}
        />
      </>
    )
  }),
  Tools: memo(({ build, edit }) => (
    <>
      <MethodChoice name="rodBolts" method={methods.rodBolts} edit={edit} />
      <Row>
        <LinkButton size="small" href={`/builds/${build.id}/joints/rods`}>
          Their sheet, and the run
        </LinkButton>
      </Row>
    </>
  )),
}

export function FastenersBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={bench} view={view} {...props} />
}
