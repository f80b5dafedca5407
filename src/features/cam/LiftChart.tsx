'use client'
// The parts the other charts use already: another kind of chart would be another tenth of the page to fetch.
import { ReferenceArea, ReferenceLine, Scatter, ScatterChart, XAxis, YAxis } from 'recharts'
import { camKind, type Cam } from '@/core/geometry/valvetrain'
import type { Build, UnitSystem } from '@/core/document'
import { UNITS } from '@/core/units'
import { ChartBox } from '@/ui/ChartBox'
import { ACROSS_LOOK, CHART_LOOK, UP_LOOK } from '@/ui/chartLook'
import { graduations } from '@/ui/graduations'
import type { CamMarks } from './camMarks'
import { LIFT_UNIT, liftLines, type LeftOver, type LiftLines } from './liftLines'

const GRADUATIONS = 4
const ACROSS = [-270, -180, -90, 0, 90, 180, 270]
const MARGIN = { top: 10, right: 14, bottom: 0, left: 0 }
const AXIS_PX = 46
const HEADROOM = 1.06

/** Lift of the lobes against the crank: card dashed, fit through what was read, and below it what the fit leaves. */
export function LiftChart({ build, marks, system }: { build: Build; marks: readonly CamMarks[]; system: UnitSystem }) {
  const lines = liftLines(build, system)
  const title = `Lobe lift, ${UNITS[LIFT_UNIT[system]].symbol}, against crank degrees after overlap TDC`
  const drawn = lines.filter(({ card, fit, read }) => card.length + fit.length + read.length > 0)
  if (drawn.length === 0)
    return (
      <ChartBox>
        <figcaption>{title}</figcaption>
        <p>Nothing to draw yet: lobe lift, duration and centreline off the card, or a full curve.</p>
      </ChartBox>
    )
  const left = lines.flatMap((line) => line.left)
  const saidSlips = left.flatMap(({ slipRow }) => slipRow ?? [])
  const words = saidSlips.length > 0 ? `; rows to be read again: ${saidSlips.join(', ')}` : ''
  return (
    <ChartBox>
      <figcaption>{title}</figcaption>
      <div role="img" aria-label={`${title}; card dashed${words}`}>
        <Lifts lines={drawn} marks={marks} height={left.length > 0 ? 176 : 250} />
        {left.length > 0 && <Residuals left={left} system={system} />}
      </div>
    </ChartBox>
  )
}

const strokeOf = (cam: Cam) => (camKind(cam) === 'intake' ? 'var(--dye)' : 'var(--ink)')
const nothing = () => <g />

function Lifts({ lines, marks: cams, height }: { lines: readonly LiftLines[]; marks: readonly CamMarks[]; height: number }) {
  const most = Math.max(...lines.flatMap(({ card, fit, read }) => [...card, ...fit, ...read].map(({ lift }) => lift)))
  const up = graduations(0, most, GRADUATIONS)
  const marks = up.marks.filter((mark) => mark <= most)
  return (
    <ScatterChart {...CHART_LOOK} style={{ width: '100%', height }} margin={MARGIN}>
      <Across />
      <YAxis
        {...UP_LOOK}
        dataKey="lift"
        domain={[0, most * HEADROOM]}
        ticks={marks}
        interval={0}
        width={AXIS_PX}
        tickFormatter={(value: number) => value.toFixed(up.decimals)}
      />
      {cams.flatMap(({ cam, centreDeg }) =>
        centreDeg === undefined ? [] : [<ReferenceLine key={cam} x={centreDeg} stroke="var(--scribe)" strokeWidth={1.25} />],
      )}
      {lines.flatMap(({ cam, card, fit, read }) => [
        <Scatter
          key={`${cam}/card`}
          data={[...card]}
          line={{ stroke: strokeOf(cam), strokeWidth: 1.25, strokeDasharray: '4 3' }}
          shape={nothing}
          isAnimationActive={false}
        />,
        <Scatter
          key={`${cam}/fit`}
          data={[...fit]}
          line={{ stroke: strokeOf(cam), strokeWidth: 1.75 }}
          shape={nothing}
          isAnimationActive={false}
        />,
        <Scatter
          key={`${cam}/read`}
          data={[...read]}
          shape={({ cx = 0, cy = 0 }: Place) => <circle cx={cx} cy={cy} r={1.7} fill={strokeOf(cam)} />}
          isAnimationActive={false}
        />,
      ])}
    </ScatterChart>
  )
}

function Across() {
  return (
    <XAxis
      {...ACROSS_LOOK}
      dataKey="degree"
      domain={[-280, 280]}
      allowDataOverflow
      ticks={ACROSS}
      interval={0}
      tickFormatter={(degree: number) => (degree === 0 ? '0 TDC' : String(Math.abs(degree)))}
    />
  )
}

interface Place {
  readonly cx?: number
  readonly cy?: number
  readonly payload?: LeftOver
}

/** A slip stands far outside the others: it is drawn at the edge and named. */
function Residuals({ left, system }: { left: readonly LeftOver[]; system: UnitSystem }) {
  const inside = left.filter(({ slipRow }) => slipRow === undefined)
  const most = graduations(0, Math.max(...inside.map(({ lift }) => Math.abs(lift))), 1).marks.at(-1)!
  const shown = left.map((one) => ({ ...one, lift: Math.max(-most, Math.min(most, one.lift)) }))
  const decimals = system === 'metric' ? 2 : 4
  return (
    <ScatterChart {...CHART_LOOK} style={{ width: '100%', height: 74 }} margin={MARGIN}>
      <Across />
      <YAxis
        {...UP_LOOK}
        dataKey="lift"
        domain={[-most, most]}
        ticks={[-most, 0, most]}
        interval={0}
        width={AXIS_PX}
        tickFormatter={(value: number) => value.toFixed(value === 0 ? 0 : decimals)}
      />
      <ReferenceArea y1={-most} y2={most} fill="var(--dye-wash)" fillOpacity={1} />
      <Scatter data={shown} shape={(place: Place) => <LeftMark place={place} />} isAnimationActive={false} />
    </ScatterChart>
  )
}

function LeftMark({ place: { cx = 0, cy = 0, payload } }: { place: Place }) {
  if (payload?.slipRow === undefined) return <circle cx={cx} cy={cy} r={1.7} fill="var(--dye)" />
  return (
    <g>
      <circle cx={cx} cy={cy} r={3} fill="var(--out)" />
      <text x={cx + 6} y={cy + 4} style={{ fill: 'var(--out)', fontWeight: 600 }}>
        row {payload.slipRow}: read again
      </text>
    </g>
  )
}
