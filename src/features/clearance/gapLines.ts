import type { Finding } from '@/core/bench/bench'
import { isKnown } from '@/core/bench/finding'
import { judgedLash, lashWhenRead } from '@/core/benches/clearance/lash'
import { camOf, isBound, valveDrop } from '@/core/benches/clearance/drop'
import { nearestOfValve } from '@/core/benches/clearance/ownLobe'
import { dialDegrees, travelStation, withLash } from '@/core/benches/clearance/dial'
import type { Build, UnitSystem } from '@/core/document'
import { figureAt } from '@/core/document/figures'
import { gapMm, type ValveSweep } from '@/core/geometry/valvetrain/closest'
import { camKind, cylinderOfValve, valvePlaces, type CamKind } from '@/core/geometry/valvetrain'
import { expand } from '@/core/metrology'
import { fromCanonical } from '@/core/units'

export const GAP_UNIT = { metric: 'mm', inch: 'in' } as const
const STEP_DEG = 1
export const REACH_DEG = 45

export interface GapPoint {
  readonly deg: number
  readonly gap: number
}

/** The gap of one valve over the crank as it runs, in the unit it is shown in. */
export interface GapLine {
  readonly valve: string
  readonly kind: CamKind
  readonly points: readonly GapPoint[]
  /** As it is left at redline; nothing where that is not known. */
  readonly atSpeed: readonly GapPoint[]
  /** What a dial showed there, with the lash that runs, and its uncertainty. */
  readonly read: readonly (GapPoint & { readonly uncertainty: number })[]
  readonly closest: GapPoint
}

/** A valve through the cycle as it runs; undefined while its drop, its lobe or its lash is not known. */
export function runningSweep(build: Build, valve: string): ValveSweep | undefined {
  const cam = camOf(build, valve)
  const [drop, lobe, lash] = [valveDrop(build, valve), nearestOfValve(build, valve), judgedLash(build, cam)]
  if (isBound(drop) || !isKnown(drop) || 'missing' in lobe || !isKnown(lash)) return undefined
  const sweep = withLash(lobe.sweep, lash.figure.value.value)
  return { ...sweep, over: { ...sweep.over, dropAtTdcMm: drop.figure.value.value } }
}

/** The gaps of a valve and of the first of the other kind in its cylinder. */
export function gapLines(build: Build, findings: readonly Finding[], valve: string, system: UnitSystem): readonly GapLine[] {
  const cylinder = cylinderOfValve(valve)
  const kind = camKind(camOf(build, valve))
  const other = valvePlaces(build.spec.layout).find((place) => place.cylinder === cylinder && place.kind !== kind)
  return [valve, ...(other ? [other.valve] : [])].flatMap((one) => lineOf(build, findings, one, system) ?? [])
}

function lineOf(build: Build, findings: readonly Finding[], valve: string, system: UnitSystem): GapLine | undefined {
  const sweep = runningSweep(build, valve)
  if (!sweep) return undefined
  const shown = (mm: number) => fromCanonical(mm, GAP_UNIT[system])
  const found = (output: string) => findings.find((one) => one.output === output && one.valve === valve)
  const closest = found('clearance.closest')
  const [still, fast] = [closest, found('clearance.atRedline')].map((one) => one?.figure?.value.value)
  const takenMm = still !== undefined && fast !== undefined ? still - fast : undefined
  const at = closest?.remarks.find((remark) => remark.code === 'closestAt')
  const degrees = Array.from({ length: (2 * REACH_DEG) / STEP_DEG + 1 }, (_, index) => index * STEP_DEG - REACH_DEG)
  const points = degrees.map((deg) => ({ deg, gap: shown(gapMm(sweep, deg)) }))
  return {
    valve,
    kind: camKind(camOf(build, valve)),
    points,
    atSpeed: takenMm === undefined ? [] : points.map(({ deg, gap }) => ({ deg, gap: gap - shown(takenMm) })),
    read: readPoints(build, valve, shown),
    closest: { deg: at?.code === 'closestAt' ? at.deg : 0, gap: shown(still ?? 0) },
  }
}

/** Dial readings with the lash that runs in place of the one they were read at. */
function readPoints(build: Build, valve: string, shown: (mm: number) => number): GapLine['read'] {
  const [runs, then] = [judgedLash(build, camOf(build, valve)), lashWhenRead(build)]
  const moreMm = isKnown(runs) && isKnown(then) ? runs.figure.value.value - then.figure.value.value : 0
  return dialDegrees(build, valve).flatMap((deg) => {
    const figure = figureAt(build, travelStation(valve, deg))
    return figure ? [{ deg, gap: shown(figure.value.value + moreMm), uncertainty: shown(expand(figure.value).U) }] : []
  })
}
