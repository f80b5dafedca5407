'use client'
import { ReferenceArea, ReferenceLine, Scatter, ScatterChart, XAxis, YAxis } from 'recharts'
import type { Finding } from '@/core/bench/bench'
import type { UnitSystem } from '@/core/document'
import { expand } from '@/core/metrology'
import { differenceInUnit, fromCanonical, UNITS } from '@/core/units'
import { findingWords, shortSubjectWords, STANDING_WORDS, standingOf, type Shown, type Standing } from '@/wording'
import { ChartBox } from './ChartBox'
import { ACROSS_LOOK, CHART_LOOK, UP_LOOK } from './chartLook'
import { graduations } from './graduations'
import { VerdictShape } from './VerdictMark'

const GRADUATIONS = 5

interface Point {
  readonly subject: number
  readonly name: string
  readonly value: number
  readonly uncertainty: number
  readonly standing: Standing
  readonly words: string
}

interface ChartProps {
  readonly title: string
  readonly findings: readonly Finding[]
  readonly shown: Shown
  readonly system: UnitSystem
  readonly height?: number
}

/** Where along the chart a finding stands: cylinders, mains and bolts are counted. */
const subjectNumber = ({ cylinder, main, bolt }: Finding) => cylinder ?? main ?? bolt ?? 0

/** The points of a chart and the limit they are held against, in the unit they are shown in, with a scale that holds both. */
function chartOf({ findings, shown, system }: ChartProps) {
  const unit = shown.units[system]
  const subjects = findings.map(subjectNumber)
  const points = findings.flatMap((finding): Point[] =>
    finding.figure
      ? [
          {
            subject: subjectNumber(finding),
            name: shortSubjectWords(finding),
            value: fromCanonical(finding.figure.value.value, unit),
            uncertainty: differenceInUnit(expand(finding.figure.value).U, unit),
            standing: standingOf(finding),
            words: findingWords(finding, finding.figure.value, shown, system),
          },
        ]
      : [],
  )
  const limit = findings.find((finding) => finding.limit)?.limit
  const bounds = [limit?.lower, limit?.upper].flatMap((bound) => (bound === undefined ? [] : [fromCanonical(bound, unit)]))
  const target = limit?.target === undefined ? undefined : fromCanonical(limit.target, unit)
  const spans = [...points.flatMap(({ value, uncertainty }) => [value - uncertainty, value + uncertainty]), ...bounds]
  const [low, high] = spans.length > 0 ? [Math.min(...spans), Math.max(...spans)] : [0, 1]
  const room = (high - low || Math.abs(high) * 1e-3 || 1) * 0.12
  const names = new Map(findings.map((finding) => [subjectNumber(finding), shortSubjectWords(finding)]))
  return { subjects, names, points, bounds, target, ...graduations(low - room, high + room, GRADUATIONS) }
}

type Chart = ReturnType<typeof chartOf>

/**
 * A figure per cylinder or main as a mark with its uncertainty bar, on the band of its limit: which are alike, which are not, and
 * how surely.
 */
export function SubjectChart(props: ChartProps) {
  const { title, shown, system, height = 210 } = props
  const chart = chartOf(props)
  const { symbol } = UNITS[shown.units[system]]
  return (
    <ChartBox>
      <figcaption>
        {title}
        {symbol && `, ${symbol}`}
      </figcaption>
      {chart.points.length === 0 ? (
        <p>Nothing to draw yet: each appears here when all its readings are in.</p>
      ) : (
        <div role="img" aria-label={`${title}: ${chart.points.map(pointWords).join('; ')}`}>
          <Points chart={chart} height={height} />
        </div>
      )}
    </ChartBox>
  )
}

function Points({ chart: { subjects, names, points, bounds, target, marks, decimals }, height }: { chart: Chart; height: number }) {
  return (
    <ScatterChart {...CHART_LOOK} style={{ width: '100%', height }} margin={{ top: 14, right: 14, bottom: 4, left: 0 }}>
      <XAxis
        {...ACROSS_LOOK}
        dataKey="subject"
        domain={[0.5, Math.max(...subjects) + 0.5]}
        ticks={subjects}
        tickFormatter={(subject: number) => names.get(subject) ?? ''}
      />
      <YAxis
        {...UP_LOOK}
        dataKey="value"
        domain={[marks[0]!, marks.at(-1)!]}
        ticks={[...marks]}
        interval={0}
        width={56}
        tickFormatter={(value: number) => value.toFixed(decimals)}
      />
      {bounds.length === 2 && <ReferenceArea y1={bounds[0]} y2={bounds[1]} fill="var(--dye-wash)" fillOpacity={1} ifOverflow="hidden" />}
      {bounds.map((bound) => (
        <ReferenceLine key={bound} y={bound} stroke="var(--dye)" strokeWidth={0.75} />
      ))}
      {target !== undefined && <ReferenceLine y={target} stroke="var(--dye)" strokeWidth={1.25} />}
      {points.map(({ subject, value, uncertainty }) => (
        <ReferenceLine
          key={subject}
          segment={[
            { x: subject, y: value - uncertainty },
            { x: subject, y: value + uncertainty },
          ]}
          stroke="var(--ink)"
          strokeWidth={1.3}
        />
      ))}
      <Scatter data={points} isAnimationActive={false} shape={PointMark} />
    </ScatterChart>
  )
}

function PointMark({ cx = 0, cy = 0, payload }: { cx?: number; cy?: number; payload?: Point }) {
  return (
    <g transform={`translate(${cx} ${cy})`}>
      {payload && <title>{pointWords(payload)}</title>}
      <VerdictShape standing={payload?.standing ?? 'noLimit'} r={5.5} />
    </g>
  )
}

function pointWords({ name, words, standing }: Point): string {
  return `${name} ${words} ${STANDING_WORDS[standing]}`
}
