'use client'
import styled from 'styled-components'
import { gapMm, type ValveSweep } from '@/core/geometry/valvetrain/closest'
import { sectionOf, type Section, type SectionPoint } from '@/core/geometry/valvetrain/section'
import { camOf } from '@/core/benches/clearance/drop'
import type { Build, UnitSystem } from '@/core/document'
import { camKind } from '@/core/geometry/valvetrain'
import { pistonDropMm } from '@/core/geometry/crank'
import { formatQuantity, fromCanonical } from '@/core/units'
import { capital, subjectWords } from '@/wording'
import { atAngleWords } from '@/wording/benches/clearance'

const Svg = styled.svg`
  width: 100%;
  height: 100%;
  min-height: 0;
  overflow: hidden;
  .metal {
    fill: url(#hatch);
    stroke: var(--dye);
    stroke-width: 0.5;
  }
  .wall {
    fill: url(#hatch);
    stroke: none;
  }
  .bore {
    stroke: var(--dye);
    stroke-width: 0.6;
  }
  .valve {
    fill: var(--raised);
    stroke: var(--ink);
    stroke-width: 0.6;
  }
  .axis {
    stroke: var(--quiet);
    stroke-width: 0.25;
    stroke-dasharray: 3 1 0.8 1;
  }
  .gap {
    stroke: var(--scribe);
    stroke-width: 0.7;
  }
  .touch {
    stroke: var(--out);
    stroke-width: 1;
  }
  text {
    font-family: var(--sans);
    font-size: 3.6px;
    fill: var(--quiet);
  }
  .name {
    font-weight: 650;
    font-size: 4.2px;
    fill: var(--ink);
  }
  .figure {
    font-family: var(--mono);
    font-weight: 700;
    font-size: 5.2px;
    fill: var(--scribe);
  }
`

/** Sizes where the paper has none: the section is then to proportion but for them, and says so. */
const USUAL = { boreMm: 85, headShare: 0.4, roomMm: 3.5, marginMm: 1.3 }
const UP_MM = 44
const DOWN_MM = 30
const WALL_MM = 7
/** Metal goes on past the edges of the picture, whatever its shape. */
const BEYOND_MM = 200
const HALF = 2
/** Where the figure of the gap stands: so much of the half bore out, and above the deck. */
const LABEL_OUT = 0.68
const LABEL_Y = -8
const DECIMALS = { metric: 2, inch: 3 } as const
const UNIT = { metric: 'mm', inch: 'in' } as const

interface SectionProps {
  readonly build: Build
  readonly valve: string
  readonly sweep: ValveSweep
  readonly deg: number
  readonly system: UnitSystem
}

/** Piston, pocket and valve cut along the valve's axis, to proportion, at a crank angle. */
export function SectionPicture({ build, valve, sweep, deg, system }: SectionProps) {
  const { paper } = build.spec
  const kind = camKind(camOf(build, valve))
  const boreMm = paper.bore?.value ?? USUAL.boreMm
  const headMm = paper[`${kind}ValveHead`]?.value ?? boreMm * USUAL.headShare
  const gap = gapMm(sweep, deg)
  const section = sectionOf(
    {
      ...sweep.over,
      boreMm,
      headMm,
      pocketMm: paper[`${kind}Pocket`]?.value ?? headMm + USUAL.roomMm,
      marginMm: paper[`${kind}Margin`]?.value ?? USUAL.marginMm,
      leans: kind === 'intake' ? 1 : -1,
    },
    pistonDropMm(sweep.crank, deg),
    sweep.liftMm(deg),
  )
  const half = boreMm / HALF
  const width = boreMm + HALF * WALL_MM
  const far = formatQuantity(gap, UNIT[system], DECIMALS[system])
  const words = `${capital(subjectWords({ valve }))}, ${atAngleWords(deg)}: ${far} to the piston`
  const side = kind === 'intake' ? 1 : -1
  return (
    <Svg
      viewBox={`${-width / HALF} ${-UP_MM} ${width} ${UP_MM + DOWN_MM}`}
      role="img"
      aria-label={words}
      preserveAspectRatio="xMidYMid meet"
    >
      <Hatch />
      <Walls half={half} />
      <path className="metal" d={`${pathOf(section.crown)} L ${half} ${BEYOND_MM} L ${-half} ${BEYOND_MM} Z`} />
      <path className="valve" d={`${pathOf(section.valve)} Z`} />
      <path className="axis" d={pathOf(section.axis)} />
      <Gap
        between={section.gap}
        isOpen={gap > 0}
        figure={fromCanonical(gap, UNIT[system]).toFixed(DECIMALS[system])}
        labelX={side * half * LABEL_OUT}
      />
      <text className="name" x={-half + 3} y={-UP_MM + 6}>
        {capital(subjectWords({ valve }))}
      </text>
      <text x={-half + 3} y={-UP_MM + 11}>
        {atAngleWords(deg)}
      </text>
    </Svg>
  )
}

/** Both walls of the bore, hatched. */
function Walls({ half }: { half: number }) {
  return (
    <>
      {[-half - WALL_MM, half].map((x) => (
        <rect key={x} className="wall" x={x} y={-BEYOND_MM} width={WALL_MM} height={HALF * BEYOND_MM} />
      ))}
      {[-half, half].map((x) => (
        <line key={x} className="bore" x1={x} x2={x} y1={-BEYOND_MM} y2={BEYOND_MM} />
      ))}
    </>
  )
}

/** The gap dimensioned as on a shop drawing: along the valve, with a leader to its figure. */
function Gap({
  between: [face, floor],
  isOpen,
  figure,
  labelX,
}: {
  between: Section['gap']
  isOpen: boolean
  figure: string
  labelX: number
}) {
  const middle = { x: (face.x + floor.x) / HALF, y: (face.y + floor.y) / HALF }
  return (
    <>
      <path className={isOpen ? 'gap' : 'touch'} d={pathOf([face, floor])} />
      {[face, floor].map(({ x, y }) => (
        <circle key={`${x}/${y}`} cx={x} cy={-y} r={0.9} fill="var(--scribe)" />
      ))}
      <path className="axis" d={`M ${middle.x} ${-middle.y} L ${labelX} ${LABEL_Y + 2}`} />
      <text className="figure" x={labelX} y={LABEL_Y} textAnchor="middle">
        {figure}
      </text>
    </>
  )
}

/** Upwards in the engine is upwards on the page. */
function pathOf(points: readonly SectionPoint[]): string {
  return points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'} ${x.toFixed(2)} ${(-y).toFixed(2)}`).join(' ')
}

function Hatch() {
  return (
    <pattern id="hatch" width={3} height={3} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <rect width={3} height={3} fill="var(--ground)" />
      <line x1={0} y1={0} x2={0} y2={3} stroke="var(--edge)" strokeWidth={0.35} />
    </pattern>
  )
}
