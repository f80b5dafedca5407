/** A degree wheel, or a tape for a balancer, as lines at true scale, mm. */

/** How a wheel is numbered: once round, either way from TDC, or from every quarter. */
export const WHEEL_NUMBERINGS = ['0-360', '0-180-0', '0-90-0-90'] as const
export type WheelNumbering = (typeof WHEEL_NUMBERINGS)[number]
/** Which way its numbers grow, seen from where it is read. */
export const WHEEL_TURNS = ['clockwise', 'anticlockwise'] as const
export type WheelTurns = (typeof WHEEL_TURNS)[number]

export interface Graduation {
  readonly deg: number
  readonly from: { readonly xMm: number; readonly yMm: number }
  readonly to: { readonly xMm: number; readonly yMm: number }
  /** What stands at it. */
  readonly label?: string
}

const RAD_PER_DEG = Math.PI / 180
const LONG_MM = 9
const MIDDLE_MM = 6.5
const SHORT_MM = 4

function lengthMm(deg: number): number {
  if (deg % 10 === 0) return LONG_MM
  return deg % 5 === 0 ? MIDDLE_MM : SHORT_MM
}

/** What a wheel shows at so many degrees after TDC. */
export function wheelNumber(deg: number, numbering: WheelNumbering): number {
  const round = ((deg % 360) + 360) % 360
  if (numbering === '0-360') return round
  const either = round > 180 ? 360 - round : round
  return numbering === '0-180-0' || either <= 90 ? either : 180 - either
}

/** Every degree of a wheel about its middle, x to the right and y downwards on the paper, TDC on top. */
export function wheelGraduations(diameterMm: number, turns: WheelTurns, numbering: WheelNumbering): readonly Graduation[] {
  const radius = diameterMm / 2
  const way = turns === 'clockwise' ? 1 : -1
  const at = (deg: number, r: number) => ({ xMm: r * Math.sin(way * deg * RAD_PER_DEG), yMm: -r * Math.cos(deg * RAD_PER_DEG) })
  return Array.from({ length: 360 }, (_, deg): Graduation => ({
    deg,
    from: at(deg, radius),
    to: at(deg, radius - lengthMm(deg)),
    ...(deg % 10 === 0 && { label: labelOf(deg, numbering) }),
  }))
}

function labelOf(deg: number, numbering: WheelNumbering): string {
  if (deg === 0) return 'TDC'
  return deg === 180 ? 'BDC' : String(wheelNumber(deg, numbering))
}

/** So far either side of TDC a tape goes: no pointer reads further. */
export const TAPE_DEG = 60

/** Every degree of a tape that is laid round a balancer, TDC at zero; before it to the side it comes from. */
export function tapeGraduations(diameterMm: number, turns: WheelTurns): readonly Graduation[] {
  const mmPerDeg = (Math.PI * diameterMm) / 360
  const way = turns === 'clockwise' ? 1 : -1
  return Array.from({ length: 2 * TAPE_DEG + 1 }, (_, index): Graduation => {
    const deg = index - TAPE_DEG
    const xMm = way * deg * mmPerDeg
    return {
      deg,
      from: { xMm, yMm: 0 },
      to: { xMm, yMm: lengthMm(Math.abs(deg)) },
      ...(deg % 10 === 0 && { label: deg === 0 ? 'TDC' : String(Math.abs(deg)) }),
    }
  })
}
