'use client'
import { memo, type MouseEvent } from 'react'
import styled from 'styled-components'
import type { Joint } from '@/core/document'
import { cylinderPlaces, type EngineLayout } from '@/core/geometry/crank'
import { bankOf, drawnSpacingMm, jointPitchMm, type Position } from '@/core/joints'
import { numerals } from '@/ui/GlobalStyle'

const Drawing = styled.svg`
  display: block;
  width: 100%;
  height: 100%;
  overflow: hidden;
  text {
    fill: var(--dye);
  }
  .turn {
    ${numerals} font-weight: 700;
  }
  .quiet {
    fill: var(--quiet);
  }
  g[data-pick] {
    cursor: pointer;
  }
`

/** How a fastener stands in what is being done. */
export type FastenerState = 'done' | 'here' | 'open' | 'leftOut' | 'wrong'

const FILL: Readonly<Record<FastenerState, string>> = {
  done: 'var(--dye)',
  here: 'var(--raised)',
  open: 'var(--ground)',
  leftOut: 'var(--ground)',
  wrong: 'var(--ground)',
}
const STROKE: Readonly<Record<FastenerState, string>> = {
  done: 'var(--dye)',
  here: 'var(--scribe)',
  open: 'var(--dye)',
  leftOut: 'var(--doubt)',
  wrong: 'var(--out)',
}
const INK: Readonly<Record<FastenerState, string>> = { ...STROKE, done: 'var(--ground)' }

const HERE = 1.32
/** Radius of a bore, of the spacing of bores: for the drawing. */
const BORE_SHARE = 0.44
/** A mark is as large as its neighbour lets it be, and no larger than so many go along the joint. */
const SHARE_OF_GAP = 0.44
const ALONG = 26

/** The joint to proportion, front to the left: each fastener with its turn in the order; the scribe line crosses the one that is next. */
export function JointDrawing({
  joint,
  layout,
  turns,
  stateOf,
  here,
  onPick,
  onPlace,
}: {
  joint: Joint
  layout: EngineLayout
  /** The number written on each fastener, by its place in the pattern. */
  turns: readonly string[]
  stateOf: (fastener: number) => FastenerState
  here?: number
  onPick?: (fastener: number) => void
  /** Where on the joint somebody pressed, mm. */
  onPlace?: (at: Position) => void
}) {
  const radius = radiusOf(joint, layout)
  const { left, top, width, height } = frameOf(joint, layout, radius)
  const scribe = here === undefined ? undefined : joint.fasteners[here - 1]
  return (
    <Drawing
      viewBox={`${left} ${top} ${width} ${height}`}
      role="group"
      aria-label={`${joint.name}, front to the left`}
      onClick={onPlace && ((event) => onPlace(placeOf(event)))}
      style={{ cursor: onPlace && 'crosshair' }}
    >
      <Outline joint={joint} layout={layout} radius={radius} />
      <Sealant joint={joint} radius={radius} />
      {scribe && (
        <path
          d={`M-9999 ${-scribe.yMm} H9999 M${scribe.xMm} -9999 V9999`}
          stroke="var(--scribe)"
          strokeWidth={1.3}
          vectorEffect="non-scaling-stroke"
        />
      )}
      {joint.fasteners.map(({ xMm, yMm, type }, index) => (
        <FastenerMark
          key={index}
          number={index + 1}
          x={xMm}
          y={-yMm}
          radius={radius}
          turn={turns[index] ?? ''}
          letter={joint.types.length > 1 ? type : ''}
          state={stateOf(index + 1)}
          onPick={onPick}
        />
      ))}
    </Drawing>
  )
}

/** Where a press was, on the joint itself. */
function placeOf({ currentTarget, clientX, clientY }: MouseEvent<SVGSVGElement>): Position {
  const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(currentTarget.getScreenCTM()!.inverse())
  return { xMm: x, yMm: -y }
}

/** Beads and dabs of sealant, and where nobody pries: under the marks. */
function Sealant({ joint: { fasteners, sealant }, radius }: { joint: Joint; radius: number }) {
  if (!sealant) return null
  // A pattern from a table may have fewer fasteners than the one the map was drawn on.
  const known = (numbers: readonly number[] = []) => numbers.filter((number) => fasteners[number - 1])
  const [bead, dabs, pryNot] = [sealant.bead, sealant.dabs, sealant.pryNot].map(known) as [number[], number[], number[]]
  const at = (fastener: number) => fasteners[fastener - 1]!
  const path = bead.map((fastener) => `${at(fastener).xMm} ${-at(fastener).yMm}`).join(' L')
  return (
    <g>
      {bead.length > 1 && (
        <path d={`M${path}`} fill="none" stroke="var(--doubt)" strokeOpacity={0.45} strokeWidth={radius * 0.5} strokeLinejoin="round" />
      )}
      {dabs.map((fastener) => (
        <circle
          key={fastener}
          cx={at(fastener).xMm - radius * 1.35}
          cy={-at(fastener).yMm + radius * 1.05}
          r={radius * 0.38}
          fill="var(--doubt)"
        />
      ))}
      {pryNot.map((fastener) => (
        <text
          key={fastener}
          fontSize={radius * 0.6}
          textAnchor="middle"
          x={at(fastener).xMm}
          y={-at(fastener).yMm + radius * 1.85}
          style={{ fill: 'var(--out)' }}
        >
          no prying
        </text>
      ))}
    </g>
  )
}

const FastenerMark = memo(
  ({
    number,
    x,
    y,
    radius,
    turn,
    letter,
    state,
    onPick,
  }: {
    number: number
    x: number
    y: number
    radius: number
    turn: string
    /** Its type, where the joint has several. */
    letter: string
    state: FastenerState
    onPick?: (fastener: number) => void
  }) => {
    const r = state === 'here' ? radius * HERE : radius
    return (
      <g
        transform={`translate(${x} ${y})`}
        data-fastener={number}
        data-state={state}
        data-pick={onPick ? '' : undefined}
        onClick={onPick && (() => onPick(number))}
      >
        <circle
          r={r}
          fill={FILL[state]}
          stroke={STROKE[state]}
          strokeWidth={state === 'here' ? 4 : 1.5}
          strokeDasharray={state === 'leftOut' ? '4 3' : undefined}
          vectorEffect="non-scaling-stroke"
        />
        <text className="turn" fontSize={r * 0.95} textAnchor="middle" dy="0.35em" style={{ fill: INK[state] }}>
          {turn}
        </text>
        {letter && (
          <text className="quiet" fontSize={radius * 0.75} x={r * 1.15} y={-r * 0.75}>
            {letter}
          </text>
        )}
      </g>
    )
  },
)

/** The part the fasteners hold, with its bores where it is a head. */
function Outline({ joint, layout, radius }: { joint: Joint; layout: EngineLayout; radius: number }) {
  const xs = joint.fasteners.map(({ xMm }) => xMm)
  const ys = joint.fasteners.map(({ yMm }) => -yMm)
  const edge = 1.8 * radius
  const box = {
    x: Math.min(...xs) - edge,
    y: Math.min(...ys) - edge,
    width: Math.max(...xs) - Math.min(...xs) + 2 * edge,
    height: Math.max(...ys) - Math.min(...ys) + 2 * edge,
  }
  const bank = bankOf(joint)
  const pitchMm = joint.kind === 'head' ? jointPitchMm(joint, layout) : undefined
  const bores = pitchMm === undefined ? [] : cylinderPlaces(layout).filter((place) => bank === undefined || place.bank === bank)
  return (
    <>
      <rect {...box} rx={edge / 3} fill="var(--raised)" stroke="var(--dye)" strokeWidth={1.4} vectorEffect="non-scaling-stroke" />
      <text
        fontSize={radius * 0.7}
        textAnchor="middle"
        transform={`translate(${box.x - radius * 0.7} ${box.y + box.height / 2}) rotate(-90)`}
      >
        FRONT
      </text>
      {bores.map(({ cylinder, row }) => (
        <g key={cylinder} transform={`translate(${row * pitchMm!} 0)`}>
          <circle r={pitchMm! * BORE_SHARE} fill="none" stroke="var(--edge)" strokeWidth={1} vectorEffect="non-scaling-stroke" />
          <text className="quiet" fontSize={radius * 0.95} textAnchor="middle" dy="0.35em">
            {cylinder}
          </text>
        </g>
      ))}
    </>
  )
}

/** How large a fastener is drawn, mm on the joint. */
function radiusOf({ fasteners, kind }: Joint, layout: EngineLayout): number {
  const distances = fasteners.flatMap((a, index) => fasteners.slice(index + 1).map((b) => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)))
  const nearest = Math.min(Infinity, ...distances)
  const extent = Math.max(kind === 'head' ? drawnSpacingMm(layout) * 2 : 0, 100, ...distances)
  return Math.min(SHARE_OF_GAP * nearest, extent / ALONG)
}

function frameOf({ fasteners, kind }: Joint, layout: EngineLayout, radius: number) {
  const xs = fasteners.map(({ xMm }) => xMm)
  const ys = fasteners.map(({ yMm }) => -yMm)
  const room = radius * 3.2
  const reach = kind === 'head' ? drawnSpacingMm(layout) * BORE_SHARE : 0
  const [left, right] = [Math.min(...xs) - room, Math.max(...xs) + room]
  const [top, bottom] = [Math.min(...ys, -reach) - room, Math.max(...ys, reach) + room]
  return { left, top, width: right - left, height: bottom - top }
}
