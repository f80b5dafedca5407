/** A valve over its piston in section, to proportion: cut along the valve's axis, across the pin. Lengths in mm. */
import { valveGapMm, type ValveOverPiston } from './valveGap'

export interface SectionOf extends ValveOverPiston {
  readonly boreMm: number
  readonly headMm: number
  readonly pocketMm: number
  readonly marginMm: number
  /** Intake valves are drawn leaning to the right, exhaust valves to the left. */
  readonly leans: 1 | -1
}

/** `x` across the bore from its axis, `y` up from the crown at TDC. */
export interface SectionPoint {
  readonly x: number
  readonly y: number
}

export interface Section {
  /** The crown from wall to wall, its pocket in it. */
  readonly crown: readonly SectionPoint[]
  /** Round the valve: head, margin, the sweep under it, and the stem. */
  readonly valve: readonly SectionPoint[]
  /** From the valve's face to what it would touch, along its axis. */
  readonly gap: readonly [SectionPoint, SectionPoint]
  readonly axis: readonly [SectionPoint, SectionPoint]
}

const RAD_PER_DEG = Math.PI / 180
/** The shallow edge of a pocket is cut so deep. */
const SHALLOW_MM = 1.2
/** Valves stand so far off the middle of the bore, in bore radii. */
const OFF_MIDDLE = 0.12
const STEM_MM = 6
const STEM_LENGTH = 1.7

/** The section with the piston so far below its top and the valve so far off its seat. */
export function sectionOf(of: SectionOf, pistonDropMm: number, valveLiftMm: number): Section {
  const { boreMm, headMm, pocketMm, marginMm, angleDeg, surface, dropAtTdcMm, leans } = of
  const [sine, cosine] = [Math.sin(angleDeg * RAD_PER_DEG), Math.cos(angleDeg * RAD_PER_DEG)]
  /** Into the cylinder along the valve, and across it towards the side it leans to. */
  const along = { x: -leans * sine, y: -cosine }
  const across = { x: leans * cosine, y: -sine }
  const from = (at: SectionPoint, alongMm: number, acrossMm: number): SectionPoint => ({
    x: at.x + along.x * alongMm + across.x * acrossMm,
    y: at.y + along.y * alongMm + across.y * acrossMm,
  })
  // Where the middle of the head touches at TDC: the floor of a parallel pocket, or as high over a flat crown as its low edge lets it.
  const touch = {
    x: (-leans * OFF_MIDDLE * boreMm) / 2,
    y: surface === 'pocket' ? -(SHALLOW_MM + (pocketMm / 2) * sine) : (headMm / 2) * sine,
  }
  const face = from(touch, valveLiftMm - dropAtTdcMm, 0)
  const gapMm = valveGapMm(of, pistonDropMm, valveLiftMm)
  const down = (point: SectionPoint): SectionPoint => ({ x: point.x, y: point.y - pistonDropMm })
  const half = headMm / 2
  const stem = headMm * STEM_LENGTH
  return {
    crown: crownOf(boreMm, surface === 'pocket' ? pocketEdges(touch, pocketMm * leans, from) : []).map(down),
    valve: [
      from(face, 0, -half),
      from(face, 0, half),
      from(face, -marginMm, half),
      from(face, -marginMm - half * 0.25, half * 0.55),
      from(face, -marginMm - half * 0.6, STEM_MM * 0.7),
      from(face, -marginMm - half, STEM_MM / 2),
      from(face, -stem, STEM_MM / 2),
      from(face, -stem, -STEM_MM / 2),
      from(face, -marginMm - half, -STEM_MM / 2),
      from(face, -marginMm - half * 0.6, -STEM_MM * 0.7),
      from(face, -marginMm - half * 0.25, -half * 0.55),
      from(face, -marginMm, -half),
    ],
    gap: surface === 'pocket' ? [face, from(face, gapMm, 0)] : [from(face, 0, half), from(face, gapMm, half)],
    axis: [from(face, -stem - 4, 0), from(face, 14, 0)],
  }
}

type From = (at: SectionPoint, alongMm: number, acrossMm: number) => SectionPoint

/** Both edges of a pocket's floor from left to right, and above each where its wall, along the valve, comes out of the crown. */
function pocketEdges(middle: SectionPoint, acrossMm: number, from: From): readonly SectionPoint[] {
  const edges = [-acrossMm / 2, acrossMm / 2].map((mm) => from(middle, 0, mm))
  const out = edges.map((edge) => {
    const step = from(edge, -1, 0)
    const alongMm = edge.y / (edge.y - step.y)
    return { x: edge.x + (step.x - edge.x) * alongMm, y: 0 }
  })
  return [out[0]!, edges[0]!, edges[1]!, out[1]!]
}

function crownOf(boreMm: number, pocket: readonly SectionPoint[]): readonly SectionPoint[] {
  return [{ x: -boreMm / 2, y: 0 }, ...pocket, { x: boreMm / 2, y: 0 }]
}
