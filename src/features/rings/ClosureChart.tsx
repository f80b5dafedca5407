'use client'
// The parts the other charts use already: another kind of chart would be another tenth of the page to fetch.
import { ReferenceArea, ReferenceLine, Scatter, ScatterChart, XAxis, YAxis } from 'recharts'
import styled from 'styled-components'
import type { Finding } from '@/core/bench/bench'
import { hotGapMm } from '@/core/benches/rings/formulas'
import { ringExpansion } from '@/core/benches/rings/heat'
import { boreOf } from '@/core/shared/boreDiameter'
import { isKnown } from '@/core/bench/finding'
import type { Build, UnitSystem } from '@/core/document'
import { fromCanonical, UNITS, type UnitId } from '@/core/units'
import { ChartBox } from '@/ui/ChartBox'
import { ACROSS_LOOK, CHART_LOOK, UP_LOOK } from '@/ui/chartLook'

const Box = styled(ChartBox)`
  figcaption {
    text-transform: none;
    letter-spacing: 0;
  }
`
/** Ring temperatures the lines are drawn through: 20 to 400 °C. */
const TEMPERATURES_DEGC = Array.from({ length: 20 }, (_, step) => 20 + step * 20)

interface Point {
  readonly ring: number
  readonly gap: number
}

function name(cylinder: number | undefined, index: number): string {
  return `cylinder ${cylinder}, ${index === 0 ? 'tightest' : 'widest'}`
}

/** Top gap against ring temperature for the tightest and the widest ring: where the line meets nothing, the ring butts. */
export function ClosureChart({ findings, build, system }: { findings: readonly Finding[]; build: Build; system: UnitSystem }) {
  const lengthUnit = system === 'metric' ? 'mm' : 'thou'
  const heatUnit = system === 'metric' ? 'degC' : 'degF'
  const gaps = findings
    .filter(({ output, figure }) => output === 'rings.topGap' && figure)
    .sort((a, b) => a.figure!.value.value - b.figure!.value.value)
  const wall = build.spec.paper.boreTemperature
  const running = build.spec.paper.ringTemperature
  if (gaps.length === 0)
    return (
      <Box>
        <figcaption>Top gap as the ring heats</figcaption>
        <p>Nothing to draw yet: a line appears with the first top ring gap.</p>
      </Box>
    )
  if (!wall || !running)
    return (
      <Box>
        <figcaption>Top gap as the ring heats</figcaption>
        <p>Wants the running temperatures of ring and cylinder wall on paper.</p>
      </Box>
    )
  const shown = [gaps[0]!, ...(gaps.length > 1 ? [gaps.at(-1)!] : [])]
  const lines = shown.map((finding, index) => lineOf(build, finding, index, wall.value, { lengthUnit, heatUnit }))
  const band = [running.value - (running.tolerance ?? 0), running.value + (running.tolerance ?? 0)].map((value) =>
    fromCanonical(value, heatUnit),
  )
  const names = shown.map((finding, index) => name(finding.cylinder, index))
  const runningWords = band.map((value) => value.toFixed(0)).join(' to ')
  return (
    <Box>
      <figcaption>
        Top gap, {UNITS[lengthUnit].symbol}, as the ring heats, {UNITS[heatUnit].symbol}; wall at{' '}
        {fromCanonical(wall.value, heatUnit).toFixed(0)}
      </figcaption>
      <div
        role="img"
        aria-label={`Top gap against ring temperature. ${names.join('; ')}; running at ${runningWords} ${UNITS[heatUnit].symbol}`}
      >
        <Lines lines={lines} band={band} system={system} />
      </div>
      <p>
        Full line: {name(shown[0]!.cylinder, 0)}.{shown[1] && ` Broken line: ${name(shown[1].cylinder, 1)}.`} Band: the ring running.
      </p>
    </Box>
  )
}

interface Line {
  readonly cylinder: number | undefined
  readonly points: readonly Point[]
  readonly colour: string
  readonly dash: string | undefined
}

/** The gap of a cylinder as its ring heats, by the bore it is computed with. */
function lineOf(
  build: Build,
  { cylinder, figure }: Finding,
  index: number,
  wallDegC: number,
  { lengthUnit, heatUnit }: { lengthUnit: UnitId; heatUnit: UnitId },
): Line {
  const { ring, bore } = ringExpansion(build)
  const diameter = boreOf(build, cylinder!)
  const points = !isKnown(diameter)
    ? []
    : TEMPERATURES_DEGC.map((ringTempC): Point => {
        const gapMm = hotGapMm({
          boreMm: diameter.figure.value.value,
          gapMm: figure!.value.value,
          ringPerK: ring.perK,
          borePerK: bore.perK,
          boreTempC: wallDegC,
          ringTempC,
        })
        return { ring: fromCanonical(ringTempC, heatUnit), gap: fromCanonical(gapMm, lengthUnit) }
      })
  return { cylinder, points, colour: index === 0 ? 'var(--scribe)' : 'var(--dye)', dash: index === 0 ? undefined : '5 4' }
}

function Lines({ lines, band, system }: { lines: readonly Line[]; band: readonly number[]; system: UnitSystem }) {
  return (
    <ScatterChart {...CHART_LOOK} style={{ width: '100%', height: 230 }} margin={{ top: 12, right: 14, bottom: 4, left: 0 }}>
      <XAxis
        {...ACROSS_LOOK}
        dataKey="ring"
        domain={['dataMin', 'dataMax']}
        tickCount={7}
        tickFormatter={(value: number) => value.toFixed(0)}
      />
      <YAxis {...UP_LOOK} dataKey="gap" width={52} tickFormatter={(value: number) => value.toFixed(system === 'metric' ? 2 : 0)} />
      <ReferenceArea x1={band[0]} x2={band[1]} fill="var(--dye-wash)" fillOpacity={1} />
      <ReferenceLine
        y={0}
        stroke="var(--out)"
        strokeWidth={1.5}
        label={{ value: 'butts', position: 'insideBottomRight', fill: 'var(--out)' }}
      />
      {lines.map(({ cylinder, points, colour, dash }) => (
        <Scatter
          key={cylinder}
          data={points}
          line={{ stroke: colour, strokeWidth: 2, strokeDasharray: dash }}
          shape={() => <g />}
          isAnimationActive={false}
        />
      ))}
    </ScatterChart>
  )
}
