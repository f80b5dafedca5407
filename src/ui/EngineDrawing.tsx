'use client'
import { memo } from 'react'
import styled from 'styled-components'
import { bankCount, cylinderPlaces, cylindersPerBank, mainNumbers, type EngineLayout } from '@/core/geometry/crank'
import type { Standing, StationMark } from '@/wording'
import { caption, numerals } from './GlobalStyle'
import { VerdictShape } from './VerdictMark'

const Drawing = styled.svg`
  display: block;
  width: 100%;
  height: 100%;
  overflow: hidden;
  text {
    fill: var(--dye);
    font-family: inherit;
  }
  .number {
    font-weight: 700;
  }
  .side {
    ${caption} text-transform: none;
    letter-spacing: 0;
    font-weight: 400;
    fill: var(--quiet);
  }
  .front {
    font-weight: 700;
    letter-spacing: 0.14em;
  }
  .size {
    ${numerals} fill: var(--quiet);
  }
  .mark {
    cursor: pointer;
    outline: none;
  }
  .mark:hover .halo {
    stroke: var(--scribe);
  }
`

/** Unit of the drawing is the bore radius = 50, so strokes and letters keep their size whatever the engine. */
const R = 50
/** In a list the engine is small, and its marks are to be seen across the room. */
const BARE_MARK_R = 20

/** Between neighbours, in bore radii: bores never touch, and where nobody knows the spacing they stand a little apart. */
const LEAST_PITCH = 2.08
const DRAWN_PITCH = 2.2

interface DrawingProps {
  readonly layout: EngineLayout
  readonly boreMm: number
  readonly marks?: readonly StationMark[]
  readonly current?: string
  readonly onPick?: (id: string) => void
  /** Centre distance in words, drawn as a dimension. */
  readonly sizeWords?: string
  /** Small, without lettering but the front: for a list. */
  readonly bare?: boolean
}

/** Where the block, its bores and its mains stand in the drawing. */
function planOf(layout: EngineLayout, boreMm: number, bare: boolean) {
  const { boreSpacingMm } = layout
  const pitch = Math.max(LEAST_PITCH, boreSpacingMm === undefined ? DRAWN_PITCH : boreSpacingMm / (boreMm / 2)) * R
  const rows = cylindersPerBank(layout)
  const bankGap = bankCount(layout) === 2 ? R * 2.7 : 0
  const margin = bare ? { left: 54, right: 6, top: 6, bottom: 6 } : { left: 96, right: 34, top: 40, bottom: 44 }
  const blockWidth = (rows - 1) * pitch + R * 2.7
  const blockHeight = R * 2.75 + bankGap
  const places = cylinderPlaces(layout).map(({ cylinder, bank, row }) => ({
    cylinder,
    cx: margin.left + R * 1.35 + row * pitch,
    cy: margin.top + R * 1.37 + (bank === 'left' ? bankGap : 0),
  }))
  // Mains stand between the throws, evenly from the front of the block to its rear.
  const mainPlace = (main: number) => ({
    cx: margin.left + R * 0.16 + ((main - 1) / (layout.mains - 1)) * (blockWidth - R * 0.32),
    cy: margin.top + blockHeight / 2,
  })
  const at = (mark: StationMark) => {
    const own = places.find(({ cylinder }) => cylinder === mark.cylinder) ?? places[0]!
    const place = mark.main === undefined ? own : mainPlace(mark.main)
    return { x: place.cx + mark.x * R, y: place.cy - mark.y * R }
  }
  const size = { width: blockWidth + margin.left + margin.right, height: blockHeight + margin.top + margin.bottom }
  return { ...size, pitch, rows, margin, blockWidth, blockHeight, places, mainPlace, at }
}

type EnginePlan = ReturnType<typeof planOf>

/**
 * Plan view of the engine to proportion, front to the left, seen from above: the engine's right side is then at the top.
 * Stations take the shape of their verdict; the scribe line crosses the current one and runs to the edges.
 */
export function EngineDrawing({ layout, boreMm, marks = [], current, onPick, sizeWords, bare = false }: DrawingProps) {
  const plan = planOf(layout, boreMm, bare)
  const here = marks.find((mark) => mark.id === current)
  const scribe = here && plan.at(here)
  return (
    <Drawing
      viewBox={`0 0 ${plan.width} ${plan.height}`}
      role="group"
      aria-label={`Plan of the engine, front to the left, ${layout.cylinders} ${layout.cylinders === 1 ? 'cylinder' : 'cylinders'}`}
    >
      <Block plan={plan} />
      {layout.kind === 'flat' && <FlatCase plan={plan} />}
      {!bare && bankCount(layout) === 2 && <EndView plan={plan} layout={layout} />}
      {!bare && <Sides plan={plan} layout={layout} />}
      <Bores plan={plan} here={here?.cylinder} />
      {marks.some((mark) => mark.main !== undefined) && <MainNumbers plan={plan} layout={layout} />}
      {sizeWords && plan.rows > 1 && <Pitch plan={plan} words={sizeWords} />}
      {scribe && <path d={`M-9999 ${scribe.y} H9999 M${scribe.x} -9999 V9999`} stroke="var(--scribe)" strokeWidth={1.3} />}
      {marks.map((mark) => (
        <Mark
          key={mark.id}
          id={mark.id}
          label={mark.label}
          standing={mark.standing}
          {...plan.at(mark)}
          isHere={mark.id === current}
          r={bare ? BARE_MARK_R : undefined}
          onPick={onPick}
        />
      ))}
    </Drawing>
  )
}

/** The block, and where its front is. */
function Block({ plan: { margin, blockWidth, blockHeight } }: { plan: EnginePlan }) {
  return (
    <>
      <rect
        x={margin.left}
        y={margin.top}
        width={blockWidth}
        height={blockHeight}
        fill="var(--raised)"
        stroke="var(--dye)"
        strokeWidth={1.4}
      />
      <path d={`M${margin.left} ${margin.top + 6} h-18 v${blockHeight - 12} h18`} fill="none" stroke="var(--dye)" strokeWidth={1.2} />
      <text
        className="front"
        fontSize={13}
        textAnchor="middle"
        transform={`translate(${margin.left - 30} ${margin.top + blockHeight / 2}) rotate(-90)`}
      >
        FRONT
      </text>
    </>
  )
}

/** Of a flat engine: the case with the crank between its cylinders, each bore turned up as it is seen from its own side. */
function FlatCase({ plan: { margin, blockWidth, blockHeight, places } }: { plan: EnginePlan }) {
  const middle = margin.top + blockHeight / 2
  const half = R * CASE_HALF
  return (
    <g stroke="var(--edge)" fill="none" strokeWidth={1.2}>
      <rect x={margin.left} y={middle - half} width={blockWidth} height={2 * half} fill="var(--dye-wash)" />
      {places.map(({ cylinder, cx, cy }) => {
        const [from, to] = cy < middle ? [cy, middle - half] : [middle + half, cy]
        return <path key={cylinder} d={`M${cx - R} ${from} V${to} M${cx + R} ${from} V${to}`} />
      })}
    </g>
  )
}
const CASE_HALF = 0.22

/** Two banks as they lean, seen from the front. */
function EndView({ plan: { margin, blockHeight }, layout: { kind, bankAngleDeg } }: { plan: EnginePlan; layout: EngineLayout }) {
  const [x, y] = [END_VIEW.x, margin.top + blockHeight / 2]
  const lean = ((bankAngleDeg / 2) * Math.PI) / 180
  const [dx, dy] = [Math.sin(lean) * END_VIEW.length, Math.cos(lean) * END_VIEW.length]
  return (
    <g>
      <path
        d={`M${x - dx} ${y - dy} L${x} ${y} L${x + dx} ${y - dy}`}
        fill="none"
        stroke="var(--dye)"
        strokeWidth={7}
        strokeOpacity={0.35}
        strokeLinejoin="round"
      />
      <circle cx={x} cy={y} r={5} fill="var(--raised)" stroke="var(--dye)" strokeWidth={1.4} />
      <text className="size" fontSize={12} x={x} y={y + 22} textAnchor="middle">
        {kind === 'flat' ? 'flat' : `${Number(bankAngleDeg.toFixed(1))}°`}
      </text>
    </g>
  )
}
const END_VIEW = { x: 29, length: 25 }

/** What breathes on either side of the engine. */
function Sides({ plan: { margin, blockHeight }, layout }: { plan: EnginePlan; layout: EngineLayout }) {
  const words = (side: 'left' | 'right') => `${side} side, ${layout.intakeSide === side ? 'intake' : 'exhaust'}`
  return (
    <>
      <text className="side" fontSize={13} x={margin.left + 4} y={margin.top - 10}>
        {words('right')}
      </text>
      <text className="side" fontSize={13} x={margin.left + 4} y={margin.top + blockHeight + 18}>
        {words('left')}
      </text>
    </>
  )
}

function Bores({ plan, here }: { plan: EnginePlan; here: number | undefined }) {
  return plan.places.map(({ cylinder, cx, cy }) => (
    <g key={cylinder}>
      <circle cx={cx} cy={cy} r={R} fill={here === cylinder ? 'var(--dye-wash)' : 'var(--ground)'} stroke="var(--dye)" strokeWidth={1.4} />
      <text className="number" fontSize={15} x={cx + R * 0.98} y={cy - R * 0.92} textAnchor="middle">
        {cylinder}
      </text>
    </g>
  ))
}

function MainNumbers({ plan, layout }: { plan: EnginePlan; layout: EngineLayout }) {
  const y = plan.margin.top + plan.blockHeight - 5
  return mainNumbers(layout).map((main) => (
    <text key={main} className="side" fontSize={12} x={plan.mainPlace(main).cx} y={y} textAnchor="middle">
      {main}
    </text>
  ))
}

/** A mark of plain values, so that a reading draws only the marks it changes. */
const Mark = memo(
  ({
    id,
    label,
    standing,
    x,
    y,
    isHere,
    r = isHere ? 4.6 : 5.4,
    onPick,
  }: {
    id: string
    label: string
    standing: Standing
    x: number
    y: number
    isHere: boolean
    r?: number
    onPick?: (id: string) => void
  }) => (
    <g className="mark" transform={`translate(${x} ${y})`} onClick={() => onPick?.(id)} data-station={id}>
      <title>{label}</title>
      <circle r={13} fill="transparent" />
      {isHere && <circle className="halo" r={9.5} fill="var(--raised)" stroke="var(--scribe)" strokeWidth={2.4} />}
      <VerdictShape standing={standing} r={r} />
    </g>
  ),
)

/** Centre distance of the last two cylinders, as a drawing dimensions it. */
function Pitch({ plan: { margin, rows, pitch, blockHeight }, words }: { plan: EnginePlan; words: string }) {
  const from = margin.left + R * 1.35 + (rows - 2) * pitch
  const y = margin.top + blockHeight + 14
  return (
    <g stroke="var(--edge)" fill="none">
      <path d={`M${from} ${y - 8} v16 M${from + pitch} ${y - 8} v16 M${from} ${y + 4} h${pitch}`} />
      <text className="size" stroke="none" fontSize={12} x={from + pitch / 2} y={y + 20} textAnchor="middle">
        {words}
      </text>
    </g>
  )
}
