'use client'
import { ReferenceArea, ReferenceLine, Scatter, ScatterChart, XAxis, YAxis } from 'recharts'
import type { UnitSystem } from '@/core/document'
import { fromCanonical, UNITS } from '@/core/units'
import { ChartBox } from '@/ui/ChartBox'
import { ACROSS_LOOK, CHART_LOOK, UP_LOOK } from '@/ui/chartLook'
import { graduations } from '@/ui/graduations'
import { GAP_UNIT, type GapLine } from './gapLines'

const ACROSS = [-40, -20, 0, 20, 40]
const REACH = 42
const GRADUATIONS = 5
const MARGIN = { top: 10, right: 14, bottom: 0, left: 0 }
const AXIS_PX = 44
/** So far above its closest approach a gap is of no more interest, mm. */
const WORTH_MM = 6
const nothing = () => <g />
const STROKES = { intake: 'var(--dye)', exhaust: 'var(--ink)' } as const

interface Place {
  readonly cx?: number
  readonly cy?: number
}

/** Gap along the valve against crank angle: as it stands and, dashed, at redline; rings are dial readings; below the limit it is pale. */
export function GapChart({
  lines,
  limitMm,
  deg,
  system,
}: {
  lines: readonly GapLine[]
  limitMm: number | undefined
  deg: number
  system: UnitSystem
}) {
  const unit = GAP_UNIT[system]
  const title = `Gap along the valve, ${UNITS[unit].symbol}, against crank degrees about overlap TDC`
  const most = Math.min(...lines.map(({ closest }) => closest.gap)) + fromCanonical(WORTH_MM, unit)
  const up = graduations(0, most, GRADUATIONS)
  const limit = limitMm === undefined ? undefined : fromCanonical(limitMm, unit)
  const words = lines.map(({ kind, closest }) => `${kind} closest ${closest.gap.toFixed(up.decimals + 1)} at ${closest.deg.toFixed(0)}°`)
  return (
    <ChartBox>
      <figcaption>{title}</figcaption>
      <div role="img" aria-label={`${title}: ${words.join('; ')}`}>
        <Gaps lines={lines} limit={limit} deg={deg} most={most} up={up} />
      </div>
      <p>
        {lines.map(({ kind }) => (kind === 'intake' ? 'Intake in blue' : 'exhaust in black')).join(', ')}; dashed at redline, an estimate.
      </p>
    </ChartBox>
  )
}

interface GapsProps {
  readonly lines: readonly GapLine[]
  readonly limit: number | undefined
  readonly deg: number
  readonly most: number
  readonly up: ReturnType<typeof graduations>
}

function Gaps({ lines, limit, deg, most, up }: GapsProps) {
  return (
    <ScatterChart {...CHART_LOOK} style={{ width: '100%', height: 236 }} margin={MARGIN}>
      <XAxis
        {...ACROSS_LOOK}
        dataKey="deg"
        domain={[-REACH, REACH]}
        allowDataOverflow
        ticks={ACROSS}
        interval={0}
        tickFormatter={(at: number) => (at === 0 ? 'TDC' : `${Math.abs(at)}°`)}
      />
      <YAxis
        {...UP_LOOK}
        dataKey="gap"
        domain={[0, most]}
        allowDataOverflow
        ticks={up.marks.filter((mark) => mark >= 0 && mark <= most)}
        interval={0}
        width={AXIS_PX}
        tickFormatter={(value: number) => value.toFixed(up.decimals)}
      />
      {limit !== undefined && (
        <ReferenceArea y1={0} y2={limit} fill="color-mix(in srgb, var(--out) 12%, transparent)" fillOpacity={1} ifOverflow="hidden" />
      )}
      {limit !== undefined && <ReferenceLine y={limit} stroke="var(--out)" strokeWidth={0.75} />}
      <ReferenceLine x={deg} stroke="var(--scribe)" strokeWidth={1.25} />
      {lines.flatMap((line) => seriesOf(line, most))}
    </ScatterChart>
  )
}

/** As it stands, at redline, and as a dial showed it. */
function seriesOf({ valve, kind, points, atSpeed, read }: GapLine, most: number) {
  return [
    <Scatter
      key={valve}
      data={points.filter(({ gap }) => gap <= most)}
      line={{ stroke: STROKES[kind], strokeWidth: 1.75 }}
      shape={nothing}
      isAnimationActive={false}
    />,
    <Scatter
      key={`${valve}/fast`}
      data={atSpeed.filter(({ gap }) => gap <= most && gap >= 0)}
      line={{ stroke: STROKES[kind], strokeWidth: 1, strokeDasharray: '4 3' }}
      shape={nothing}
      isAnimationActive={false}
    />,
    <Scatter
      key={`${valve}/read`}
      data={[...read]}
      shape={({ cx = 0, cy = 0 }: Place) => <circle cx={cx} cy={cy} r={4} fill="var(--raised)" stroke={STROKES[kind]} strokeWidth={1.5} />}
      isAnimationActive={false}
    />,
  ]
}
