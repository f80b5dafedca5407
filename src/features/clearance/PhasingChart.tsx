'use client'
import { ReferenceArea, ReferenceLine, Scatter, ScatterChart, XAxis, YAxis } from 'recharts'
import type { Finding } from '@/core/bench/bench'
import { camOf } from '@/core/benches/clearance/drop'
import { phasing } from '@/core/benches/clearance/sweep'
import type { Build, UnitSystem } from '@/core/document'
import { camKind, camsOf, isHighProfile, type Cam, type CamKind } from '@/core/geometry/valvetrain'
import { fromCanonical, UNITS } from '@/core/units'
import { ChartBox } from '@/ui/ChartBox'
import { ACROSS_LOOK, CHART_LOOK, UP_LOOK } from '@/ui/chartLook'
import { graduations } from '@/ui/graduations'
import { capital, subjectWords } from '@/wording'
import type { PictureProps } from '@/features/benchFrame/benchView'
import { GAP_UNIT } from './gapLines'

const ACROSS = [-10, -5, 0, 5, 10]
const REACH = 10
const GRADUATIONS = 4
const USUAL_WINDOW_DEG = 4
const nothing = () => <g />
const STROKES = { intake: 'var(--dye)', exhaust: 'var(--ink)' } as const

interface PhasedLine {
  readonly cam: Cam
  readonly points: readonly { readonly advance: number; readonly gap: number }[]
}

/** The nearest valve of each cam against how it is set: what may be tried on the dyno. */
export function PhasingChart({ findings, build, system }: PictureProps) {
  const unit = GAP_UNIT[system]
  const lines = phasedLines(findings, build, system)
  const title = `Nearest valve, ${UNITS[unit].symbol}, against cam advance, crank degrees`
  if (lines.length === 0)
    return (
      <ChartBox>
        <figcaption>{title}</figcaption>
        <p>Nothing to draw yet: a valve has to be read first.</p>
      </ChartBox>
    )
  const gaps = lines.flatMap(({ points }) => points.map(({ gap }) => gap))
  const limits = (['intake', 'exhaust'] as const).flatMap((kind) => {
    const lower = build.spec.limits[`clearance.${kind}`]?.lower
    return lower === undefined ? [] : [{ kind, at: fromCanonical(lower, unit) }]
  })
  const spans = [...gaps, ...limits.map(({ at }) => at)]
  const up = graduations(Math.min(...spans), Math.max(...spans), GRADUATIONS)
  return (
    <ChartBox>
      <figcaption>{title}</figcaption>
      <div role="img" aria-label={`${title}: ${lines.map((line) => lineWords(line)).join('; ')}`}>
        <Phased lines={lines} limits={limits} up={up} windowDeg={build.spec.limits['clearance.roomToMove']?.lower ?? USUAL_WINDOW_DEG} />
      </div>
      <p>Intake in blue, exhaust in black; each limit dotted in the colour of its cam. Pale: what may be tried.</p>
    </ChartBox>
  )
}

/** Of each cam the nearest valve that is known, over phasing. */
function phasedLines(findings: readonly Finding[], build: Build, system: UnitSystem): readonly PhasedLine[] {
  return camsOf(build.spec.layout)
    .filter((cam) => !isHighProfile(cam))
    .flatMap((cam): PhasedLine[] => {
      const curve = phasing(build, cam)
      const hereMm = nearestOf(findings, build, cam)
      if (!curve || hereMm === undefined) return []
      const zeroMm = curve.find(({ advanceDeg }) => advanceDeg === 0)!.gapMm
      const points = curve
        .filter(({ advanceDeg }) => Math.abs(advanceDeg) <= REACH)
        .map(({ advanceDeg, gapMm }) => ({ advance: advanceDeg, gap: fromCanonical(hereMm + gapMm - zeroMm, GAP_UNIT[system]) }))
      return [{ cam, points }]
    })
}

function nearestOf(findings: readonly Finding[], build: Build, cam: Cam): number | undefined {
  const known = findings.flatMap(({ output, valve, figure }) =>
    output === 'clearance.closest' && valve !== undefined && figure && camOf(build, valve) === cam ? [figure.value.value] : [],
  )
  return known.length > 0 ? Math.min(...known) : undefined
}

function lineWords({ cam, points }: PhasedLine): string {
  const at = (advance: number) => points.find((point) => point.advance === advance)!.gap.toFixed(2)
  return `${capital(subjectWords({ cam }))} ${at(-4)} four degrees later, ${at(0)} as it stands, ${at(4)} four degrees earlier`
}

interface PhasedProps {
  readonly lines: readonly PhasedLine[]
  readonly limits: readonly { readonly kind: CamKind; readonly at: number }[]
  readonly up: ReturnType<typeof graduations>
  readonly windowDeg: number
}

function Phased({ lines, limits, up, windowDeg }: PhasedProps) {
  return (
    <ScatterChart {...CHART_LOOK} style={{ width: '100%', height: 190 }} margin={{ top: 8, right: 12, bottom: 0, left: 0 }}>
      <XAxis
        {...ACROSS_LOOK}
        dataKey="advance"
        domain={[-REACH, REACH]}
        allowDataOverflow
        ticks={ACROSS}
        interval={0}
        tickFormatter={(deg: number) => (deg > 0 ? `+${deg}°` : `${deg}°`)}
      />
      <YAxis
        {...UP_LOOK}
        dataKey="gap"
        domain={[up.marks[0]!, up.marks.at(-1)!]}
        allowDataOverflow
        ticks={[...up.marks]}
        interval={0}
        width={46}
        tickFormatter={(value: number) => value.toFixed(up.decimals)}
      />
      <ReferenceArea x1={-windowDeg} x2={windowDeg} fill="var(--dye-wash)" fillOpacity={1} ifOverflow="hidden" />
      <ReferenceLine x={0} stroke="var(--quiet)" strokeWidth={1} />
      {limits.map(({ kind, at }) => (
        <ReferenceLine key={kind} y={at} stroke={STROKES[kind]} strokeWidth={0.75} strokeDasharray="2 3" />
      ))}
      {lines.map(({ cam, points }) => (
        <Scatter
          key={cam}
          data={[...points]}
          line={{ stroke: STROKES[camKind(cam)], strokeWidth: 1.75 }}
          shape={nothing}
          isAnimationActive={false}
        />
      ))}
    </ScatterChart>
  )
}
