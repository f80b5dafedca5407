import { bankCount, cylinderPlaces, type CrankPin, type CylinderPlace, type EngineLayout, type LayoutKind } from './layout'

const TURN_DEG = 360
const EVEN_V6_DEG = 120
const EVEN_V10_DEG = 72

/** Degrees brought into [0, 360). */
export function withinTurn(angleDeg: number): number {
  const turned = ((angleDeg % TURN_DEG) + TURN_DEG) % TURN_DEG
  // 1e-9 keeps a rounding below a whole turn from standing a turn away.
  return TURN_DEG - turned < 1e-9 ? 0 : turned
}

/** The bank the crank pin passes first: seen from the front and turning clockwise it comes up on the engine's right. */
export function firstBank({ rotation }: Pick<EngineLayout, 'rotation'>): CylinderPlace['bank'] {
  return rotation === 'clockwise' ? 'right' : 'left'
}

/**
 * Crank degrees after number one's top at which each piston is at the top: its bank's axis less its pin's angle, both in the
 * running direction, modulo 360. A pin offset moves every top alike and is left out.
 */
export function topsDeg(layout: EngineLayout): ReadonlyMap<number, number> {
  const first = firstBank(layout)
  const several = bankCount(layout) === 2
  const raw = new Map(
    cylinderPlaces(layout).map(({ cylinder, bank }) => {
      const pin = layout.pins.find(({ cylinders }) => cylinders.includes(cylinder))
      const follows = several && bank !== first
      return [cylinder, (follows ? layout.bankAngleDeg + (pin?.splitDeg ?? 0) : 0) - (pin?.angleDeg ?? 0)] as const
    }),
  )
  const one = raw.get(1) ?? 0
  return new Map([...raw].map(([cylinder, angle]) => [cylinder, withinTurn(angle - one)]))
}

/** Whether two rods share the journal of a pin: one pin, not split. */
export function sharedPins({ pins }: Pick<EngineLayout, 'pins'>): readonly CrankPin[] {
  return pins.filter(({ cylinders, splitDeg }) => cylinders.length > 1 && !splitDeg)
}

export type CrankStyle = 'together' | 'opposed' | 'quarter' | 'evenSplit' | 'balanced' | 'shared' | 'crossPlane' | 'flatPlane' | 'boxer'

/** The cranks met in a layout, the usual one first. */
export function crankStyles(kind: LayoutKind, cylinders: number): readonly CrankStyle[] {
  if (kind === 'inline' && cylinders === 2) return ['opposed', 'together', 'quarter']
  if (kind === 'v' && cylinders === 2) return ['shared', 'balanced']
  if (kind === 'v' && cylinders === 4) return ['shared', 'together']
  if (kind === 'v' && (cylinders === 6 || cylinders === 10)) return ['evenSplit', 'shared']
  if (kind === 'v' && cylinders === 8) return ['crossPlane', 'flatPlane']
  // A twelve of 180° has two rods a pin: on pins of their own opposite pairs would fire together.
  if (kind === 'flat') return cylinders === 12 ? ['shared', 'boxer'] : ['boxer', 'shared']
  return ['shared']
}

/** Tops of a row of cylinders on one bank, front to rear, for the usual cranks (common practice). */
const ROW_TOPS_DEG: Readonly<Record<number, readonly number[]>> = {
  1: [0],
  2: [0, 180],
  3: [0, 120, 240],
  4: [0, 180, 180, 0],
  5: [0, 144, 216, 288, 72],
  6: [0, 120, 240, 240, 120, 0],
  8: [0, 180, 90, 270, 270, 90, 180, 0],
}
/** A boxer six fires 1-6-2-4-3-5, numbered down each bank: its third pair is up before its second (common practice). */
const BOXER_SIX_TOPS_DEG = [0, 240, 120]
const CROSS_PLANE_PINS_DEG = [0, 90, 270, 180]

type Placed = Pick<EngineLayout, 'kind' | 'cylinders' | 'bankAngleDeg' | 'numbering' | 'numberOneAt' | 'leadingBank' | 'rotation'>

/** The pins of a usual crank: a start the builder confirms on the crank itself. */
export function usualPins(layout: Placed, style: CrankStyle = crankStyles(layout.kind, layout.cylinders)[0]!): readonly CrankPin[] {
  const places = cylinderPlaces({ ...layout, pins: [] } as unknown as EngineLayout)
  const rows = [...new Set(places.map(({ row }) => row))].sort((a, b) => a - b)
  const rowPins = rowPinAngles(layout, style, rows.length)
  const isBoxer = layout.kind === 'flat' && style === 'boxer'
  return rows.flatMap((row, index): CrankPin[] => {
    const inRow = places.filter((place) => place.row === row)
    const angleDeg = rowPins[index]!
    // Opposite pistons of a boxer reach their tops together: each has a pin of its own, half a turn from the other.
    if (isBoxer)
      return inRow.map(({ cylinder, bank }) => ({
        angleDeg: bank === firstBank(layout) ? angleDeg : withinTurn(angleDeg + 180),
        cylinders: [cylinder],
      }))
    const splitDeg = splitOf(layout, style)
    return [{ angleDeg, cylinders: inRow.map(({ cylinder }) => cylinder), ...(splitDeg !== 0 && inRow.length > 1 && { splitDeg }) }]
  })
}

/** The second pin of an inline twin, where it does not stand opposite the first. */
const TWIN_PIN_DEG: Readonly<Partial<Record<CrankStyle, number>>> = { together: 0, quarter: 90 }
const HALF_TURN_DEG = 180

function rowPinAngles(layout: Placed, style: CrankStyle, rows: number): readonly number[] {
  if (layout.kind === 'inline' && rows === 2) return [0, TWIN_PIN_DEG[style] ?? HALF_TURN_DEG]
  if (layout.kind === 'v' && style === 'together') return Array<number>(rows).fill(0)
  if ((layout.kind === 'v' || layout.kind === 'flat') && rows === 4 && style !== 'flatPlane') return CROSS_PLANE_PINS_DEG
  const isBoxerSix = layout.kind === 'flat' && rows === 3 && style === 'boxer'
  return ((isBoxerSix ? BOXER_SIX_TOPS_DEG : ROW_TOPS_DEG[rows]) ?? Array.from({ length: rows }, (_, row) => (row * TURN_DEG) / rows)).map(
    (top) => withinTurn(-top),
  )
}

/**
 * A V6 fires evenly where bank and split add to 120°, a V10 where they come to 72°. A V twin whose pins stand half a turn less
 * twice its bank angle apart shakes as little as one of 90° on a single pin (from memory).
 */
function splitOf({ kind, cylinders, bankAngleDeg }: Placed, style: CrankStyle): number {
  if (kind === 'v' && style === 'balanced') return HALF_TURN_DEG - 2 * bankAngleDeg
  if (kind !== 'v' || style !== 'evenSplit') return 0
  return (cylinders === 6 ? EVEN_V6_DEG : EVEN_V10_DEG) - bankAngleDeg
}
