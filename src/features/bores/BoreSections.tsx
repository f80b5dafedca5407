'use client'
import styled from 'styled-components'
import type { Finding } from '@/core/bench/bench'
import { boreReadings, type BoreReading } from '@/core/shared/boreDiameter'
import { BORE_DEPTHS } from '@/core/shared/boreStations'
import type { Build, UnitSystem } from '@/core/document'
import { cylinderNumbers } from '@/core/geometry/crank'
import { span } from '@/core/numerics/span'
import { formatQuantity, UNITS } from '@/core/units'
import { caption, numerals } from '@/ui/GlobalStyle'
import { niceNumber } from '@/ui/graduations'
import { standingOf, type Standing } from '@/wording'

const Box = styled.figure`
  figcaption {
    ${caption} text-transform: none;
    letter-spacing: 0;
    margin-bottom: 6px;
  }
  svg {
    width: 100%;
    height: auto;
    max-height: 230px;
  }
  text {
    fill: var(--quiet);
  }
  text[data-number] {
    font-weight: 700;
    fill: var(--dye);
  }
  text {
    ${numerals}
  }
  p {
    font-size: 13px;
    color: var(--quiet);
  }
`
const COLUMN = 64
const HEIGHT = 170
/** Bores that fit beside each other at full size of lettering. */
const LETTERS_FIT = 4
const DEPTH_Y = { top: 34, middle: 85, bottom: 136 } as const
/** Half the width a bore is drawn at, whatever its size. */
const WALL = 17
/** Widest a wall may be drawn away from its nominal line. */
const REACH = 11
const COLOUR: Readonly<Partial<Record<Standing, string>>> = {
  over: 'var(--out)',
  under: 'var(--out)',
  inDoubt: 'var(--doubt)',
  within: 'var(--within)',
}

/** Every bore in section, its walls drawn out of true by a stated magnification: thrust axis full, pin axis broken. */
export function BoreSections({ findings, build, system }: { findings: readonly Finding[]; build: Build; system: UnitSystem }) {
  const numbers = cylinderNumbers(build.spec.layout)
  const read = new Map(numbers.map((cylinder) => [cylinder, boreReadings(build, cylinder)]))
  const all = [...read.values()].flat().map(({ figure }) => figure.value.value)
  const low = Math.min(...all)
  const high = Math.max(...all)
  if (all.length === 0)
    return (
      <Box>
        <figcaption>Bores in section</figcaption>Nothing to draw yet: the walls appear as they are read.
      </Box>
    )
  const nominalMm = build.spec.paper.bore?.value ?? (low + high) / 2
  const most = Math.max(Math.abs(high - nominalMm), Math.abs(low - nominalMm), 0.004)
  const unitsPerMm = (2 * WALL) / nominalMm
  // Half of a deviation stands on either wall; rounded down to a figure one can say.
  const times = niceNumber((2 * REACH) / most / unitsPerMm, 'down')
  const magnification = times * unitsPerMm
  // Letters keep their size on the screen, however many bores share the width.
  const letter = Math.max(1, numbers.length / LETTERS_FIT)
  const length = (mm: number) => (system === 'metric' ? formatQuantity(mm, 'mm', 3) : formatQuantity(mm, 'in', 4))
  return (
    <Box>
      <figcaption>
        Bores in section, deviations × {times} against {length(nominalMm)}
      </figcaption>
      <svg
        viewBox={`0 0 ${Math.max(5, numbers.length) * COLUMN} ${HEIGHT}`}
        role="img"
        aria-label={`Bores in section. ${numbers.map((cylinder) => words(cylinder, read.get(cylinder)!, length)).join('; ')}`}
      >
        {numbers.map((cylinder, index) => (
          <g key={cylinder} transform={`translate(${index * COLUMN + COLUMN / 2} 0)`}>
            <Section
              cylinder={cylinder}
              read={read.get(cylinder)!}
              nominalMm={nominalMm}
              magnification={magnification}
              letter={letter}
              system={system}
              verdict={(output) => standingIn(findings, output, cylinder)}
            />
          </g>
        ))}
      </svg>
      <p>
        Full line thrust axis, broken line pin axis, thin line nominal; below, the range of each bore in{' '}
        {system === 'metric' ? 'µm' : 'tenths'}.
      </p>
    </Box>
  )
}

function standingIn(findings: readonly Finding[], output: string, cylinder: number): Standing {
  const one = findings.find((finding) => finding.output === output && finding.cylinder === cylinder)
  return one ? standingOf(one) : 'notMeasured'
}

/** One bore: its number in the colour of its clearance, its walls, and its range in the colour of its taper. */
function Section({
  cylinder,
  read,
  nominalMm,
  magnification,
  letter,
  system,
  verdict,
}: {
  cylinder: number
  read: readonly BoreReading[]
  nominalMm: number
  magnification: number
  letter: number
  system: UnitSystem
  verdict: (output: string) => Standing
}) {
  const walls = { read, nominalMm, magnification }
  return (
    <>
      <text data-number="" textAnchor="middle" y={18} fontSize={14 * letter} style={{ fill: COLOUR[verdict('bores.clearance')] }}>
        {cylinder}
      </text>
      {[-1, 1].map((side) => (
        <path key={side} d={`M${side * WALL} ${DEPTH_Y.top - 10} V${DEPTH_Y.bottom + 10}`} stroke="var(--edge)" strokeWidth={0.6} />
      ))}
      <Walls {...walls} axis="pin" colour="var(--dye)" broken />
      <Walls {...walls} axis="thrust" colour="var(--scribe)" />
      <text textAnchor="middle" y={HEIGHT - 6} fontSize={12 * letter} style={{ fill: COLOUR[verdict('bores.taper')] }}>
        {spanWords(read, system)}
      </text>
    </>
  )
}

function Walls({
  read,
  axis,
  nominalMm,
  magnification,
  colour,
  broken = false,
}: {
  read: readonly BoreReading[]
  axis: BoreReading['axis']
  nominalMm: number
  magnification: number
  colour: string
  broken?: boolean
}) {
  const points = BORE_DEPTHS.flatMap((depth) => {
    const one = read.find((reading) => reading.depth === depth && reading.axis === axis)
    return one ? [{ y: DEPTH_Y[depth], off: ((one.figure.value.value - nominalMm) / 2) * magnification }] : []
  })
  return [-1, 1].map((side) => (
    <g key={side} stroke={colour} fill="none" strokeWidth={1.6} strokeDasharray={broken ? '4 3' : undefined}>
      <polyline points={points.map(({ y, off }) => `${side * (WALL + off)},${y}`).join(' ')} />
      {points.map(({ y, off }) => (
        <circle key={y} cx={side * (WALL + off)} cy={y} r={1.8} fill={colour} stroke="none" />
      ))}
    </g>
  ))
}

function spanWords(read: readonly BoreReading[], system: UnitSystem): string {
  const values = read.map(({ figure }) => figure.value.value)
  if (values.length < 2) return '–'
  return system === 'metric' ? (span(values) * 1000).toFixed(0) : ((span(values) / UNITS.in.factor) * 1e4).toFixed(0)
}

function words(cylinder: number, read: readonly BoreReading[], length: (mm: number) => string): string {
  const places = read.map(({ depth, axis, figure }) => `${depth} ${axis} ${length(figure.value.value)}`)
  return `${cylinder}: ${places.length === 0 ? 'not read' : places.join(', ')}`
}
