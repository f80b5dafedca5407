'use client'
import { memo } from 'react'
import { bench } from '@/core/benches/fasteners/fasteners'
import { definition } from '@/core/benches/fasteners/definition'
import { methods } from '@/core/benches/fasteners/methods'
import { boltsMeasured, boltsTried } from '@/core/benches/fasteners/rodBolts'
import type { Finding } from '@/core/bench/bench'
import type { Build, UnitSystem } from '@/core/document'
import { boltNumbers } from '@/core/geometry/crank'
import { MethodChoice } from '@/features/fields/MethodChoice'
import { benchWords } from '@/wording'
import * as words from '@/wording/benches/fasteners'
import { LinkButton } from '@/ui/Button'
import { lazyPart } from '@/ui/lazyPart'
import type { BenchInFrame } from '@/features/benchFrame/BenchPage'
import type { BenchView, ToolProps } from '@/features/benchFrame/benchView'
import { Row } from '@/ui/Layout'

const SubjectChart = lazyPart(() => import('@/ui/SubjectChart').then((module) => module.SubjectChart))
const CurveChart = lazyPart(() => import('./CurveChart').then((module) => module.CurveChart))

const BESIDE_CURVES_PX = 130

function Picture({ findings, build, system }: { findings: readonly Finding[]; build: Build; system: UnitSystem }) {
  if (boltsMeasured(build).length === 0) return <p>{nothingWords(build)}</p>
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
}

function nothingWords({ spec }: Build): string {
  return boltNumbers(spec.layout).length === 0
    ? 'The rods of this crank have no bolts. What its joints clamp stands at the right as soon as they have a figure and a lube.'
    : 'By torque alone nothing is measured here: choose below how the rod bolts are.'
}

/** How the rod bolts are measured, and the way to the sheets of the joints. */
function Tools({ build, edit }: ToolProps) {
  const hasBolts = boltNumbers(build.spec.layout).length > 0
  return (
    <>
      {hasBolts && <MethodChoice name="rodBolts" method={methods.rodBolts} edit={edit} />}
      <Row>
        <LinkButton size="small" href={`/builds/${build.id}/joints${hasBolts ? '/rods' : ''}`}>
          {hasBolts ? 'Their sheet, and the run' : 'Joints'}
        </LinkButton>
      </Row>
    </>
  )
}

const view: BenchView = { words: benchWords(words), Picture: memo(Picture), Tools: memo(Tools) }

export function FastenersBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={bench} view={view} {...props} />
}
