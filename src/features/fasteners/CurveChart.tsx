'use client'
// The parts the other charts use already: another kind of chart would be another tenth of the page to fetch.
import { ReferenceArea, ReferenceLine, Scatter, ScatterChart, XAxis, YAxis } from 'recharts'
import type { Finding } from '@/core/bench/bench'
import { isKnown } from '@/core/bench/finding'
import { boltsTried, cyclesOf, pullsOf, wantedStretch } from '@/core/benches/fasteners/rodBolts'
import type { Build, UnitSystem } from '@/core/document'
import { fromCanonical, UNITS } from '@/core/units'
import { ChartBox } from '@/ui/ChartBox'
import { ACROSS_LOOK, CHART_LOOK, UP_LOOK } from '@/ui/chartLook'
import { graduations } from '@/ui/graduations'
import { shortSubjectWords, standingOf, subjectWords } from '@/wording'

const GRADUATIONS = 4

interface Point {
  readonly torque: number
  readonly stretch: number
}

interface Line {
  readonly bolt: number
  readonly cycle: number
  readonly isOdd: boolean
  readonly points: readonly Point[]
}

const UNIT = { torque: { metric: 'Nm', inch: 'lbfft' }, stretch: { metric: 'mm', inch: 'thou' } } as const

/** Stretch against torque, a line a bolt; the one that leaves its line stands out, by its name. */
export function CurveChart({ findings, build, system }: { findings: readonly Finding[]; build: Build; system: UnitSystem }) {
  const lines = linesOf(build, findings, system)
  const wanted = wantedStretch(build, 1)
  const title = `Stretch, ${UNITS[UNIT.stretch[system]].symbol}, against torque, ${UNITS[UNIT.torque[system]].symbol}`
  if (lines.length === 0)
    return (
      <ChartBox>
        <figcaption>{title}</figcaption>
        <p>Nothing to draw yet: a bolt’s line appears with its second pull.</p>
      </ChartBox>
    )
  const odd = [...new Set(lines.filter(({ isOdd }) => isOdd).map(({ bolt }) => bolt))]
  const saidOdd =
    odd.length > 0 ? `${odd.map((bolt) => subjectWords({ bolt })).join('; ')}: off its straight line` : 'none off its straight line'
  return (
    <ChartBox>
      <figcaption>{title}</figcaption>
      <div role="img" aria-label={`${title}, ${new Set(lines.map(({ bolt }) => bolt)).size} bolts; ${saidOdd}`}>
        <Lines
          lines={lines}
          wanted={isKnown(wanted) ? fromCanonical(wanted.figure.value.value, UNIT.stretch[system]) : undefined}
          band={bandOf(findings, system)}
        />
      </div>
    </ChartBox>
  )
}

/** The stretch that is allowed, as its limit has it. */
function bandOf(findings: readonly Finding[], system: UnitSystem): readonly [number, number] | undefined {
  const { lower, upper } = findings.find(({ output }) => output === 'fasteners.stretch')?.limit ?? {}
  const shown = (mm: number) => fromCanonical(mm, UNIT.stretch[system])
  return lower === undefined || upper === undefined ? undefined : [shown(lower), shown(upper)]
}

function linesOf(build: Build, findings: readonly Finding[], system: UnitSystem): readonly Line[] {
  return boltsTried(build).flatMap((bolt) => {
    const bend = findings.find((finding) => finding.output === 'fasteners.bend' && finding.bolt === bolt)
    const standing = bend && standingOf(bend)
    return Array.from({ length: cyclesOf(build, bolt) }, (_, index) => index + 1).flatMap((cycle): Line[] => {
      const points = pullsOf(build, bolt, cycle).map(({ torqueNm, stretchMm }) => ({
        torque: fromCanonical(torqueNm, UNIT.torque[system]),
        stretch: fromCanonical(stretchMm.value.value, UNIT.stretch[system]),
      }))
      return points.length > 1 ? [{ bolt, cycle, points, isOdd: standing === 'over' || standing === 'under' }] : []
    })
  })
}

function Lines({
  lines,
  wanted,
  band,
}: {
  lines: readonly Line[]
  wanted: number | undefined
  band: readonly [number, number] | undefined
}) {
  const points = lines.flatMap((line) => line.points)
  const across = graduations(Math.min(...points.map(({ torque }) => torque)), Math.max(...points.map(({ torque }) => torque)), GRADUATIONS)
  const up = graduations(0, Math.max(wanted ?? 0, ...points.map(({ stretch }) => stretch)), GRADUATIONS)
  // The odd ones last, on top.
  const inOrder = lines.toSorted((a, b) => Number(a.isOdd) - Number(b.isOdd))
  return (
    <ScatterChart {...CHART_LOOK} style={{ width: '100%', height: 190 }} margin={{ top: 12, right: 34, bottom: 4, left: 0 }}>
      <XAxis {...ACROSS_LOOK} dataKey="torque" domain={[across.marks[0]!, across.marks.at(-1)!]} ticks={[...across.marks]} />
      <YAxis
        {...UP_LOOK}
        dataKey="stretch"
        domain={[0, up.marks.at(-1)!]}
        ticks={[...up.marks]}
        interval={0}
        width={52}
        tickFormatter={(value: number) => value.toFixed(up.decimals)}
      />
      {band && <ReferenceArea y1={band[0]} y2={band[1]} fill="var(--dye-wash)" fillOpacity={1} ifOverflow="hidden" />}
      {wanted !== undefined && (
        <ReferenceLine y={wanted} stroke="var(--dye)" strokeWidth={1.25} label={{ value: 'wanted', position: 'insideTopLeft' }} />
      )}
      {inOrder.map(({ bolt, cycle, points: own, isOdd }) => (
        <Scatter
          key={`${bolt}/${cycle}`}
          data={own}
          line={{ stroke: isOdd ? 'var(--out)' : 'var(--dye)', strokeWidth: isOdd ? 2.2 : 1, strokeOpacity: isOdd ? 1 : 0.55 }}
          shape={isOdd ? (place: Place) => <OddPoint place={place} isLast={place.payload === own.at(-1)} bolt={bolt} /> : () => <g />}
          isAnimationActive={false}
        />
      ))}
    </ScatterChart>
  )
}

interface Place {
  readonly cx?: number
  readonly cy?: number
  readonly payload?: Point
}

function OddPoint({ place: { cx = 0, cy = 0 }, isLast, bolt }: { place: Place; isLast: boolean; bolt: number }) {
  return (
    <g>
      <circle cx={cx} cy={cy} r={2.6} fill="var(--out)" />
      {isLast && (
        <text x={cx + 8} y={cy + 4} style={{ fill: 'var(--out)', fontWeight: 600 }}>
          {shortSubjectWords({ bolt })}
        </text>
      )}
    </g>
  )
}
