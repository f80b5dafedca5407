import { isKnown } from '../../bench/finding'
import type { Kernel, Range } from '../../bench/kernel'
import type { Build } from '../../document/build'
import { camKind, chainRetardDeg, valvesOf, type CamKind } from '../../geometry/valvetrain'
import { phasedGapMm, type Phased } from '../../geometry/valvetrain/closest'
import { derive } from './derive'
import { camOf } from './drop'
import { alongValve, phasing, valveAngle } from './sweep'

/** How near valves come to pistons, by heads and pistons that come nearer, pockets that are deeper, and cams that stand elsewhere. */
export const kernel: Kernel = {
  figures: [
    { limit: 'clearance.intake', output: 'clearance.closest', wish: { aim: 'most', label: 'Most room over the intakes', isUsual: true } },
    { limit: 'clearance.exhaust', output: 'clearance.closest', wish: { aim: 'most', label: 'Most room over the exhausts' } },
  ],
  follows: [
    'deckCut',
    'headCut',
    'baseShim',
    'compressionHeight',
    'advance.intake',
    'advance.exhaust',
    'intakeLash',
    'exhaustLash',
    'pocket.intake',
    'pocket.exhaust',
    // Volumes move nothing nearer.
    'chamber',
    'pistonVolume',
  ],
  of: (build, has) => {
    const valves = (['intake', 'exhaust'] as const).flatMap((kind) => valvesHere(build, kind) ?? [])
    const retardPerMm = retardPerMmOf(build)
    const isShared = !has('advance.exhaust')
    return (by) => {
      const nearerMm = by('deckCut') + by('compressionHeight') - by('baseShim') + by('headCut')
      const laterDeg = retardPerMm * (by('deckCut') + by('headCut'))
      const [inlet, outlet] = [by('advance.intake'), isShared ? by('advance.intake') : by('advance.exhaust')]
      const intake = rangeOf(valves, 'intake', nearerMm, by('pocket.intake') + by('intakeLash'), inlet - laterDeg)
      const exhaust = rangeOf(valves, 'exhaust', nearerMm, by('pocket.exhaust') + by('exhaustLash'), outlet - laterDeg)
      return { ...(intake && { 'clearance.intake': intake }), ...(exhaust && { 'clearance.exhaust': exhaust }) }
    }
  },
}

interface Valves {
  readonly kind: CamKind
  readonly along: number
  readonly curve: readonly Phased[]
  /** Of each that is known, closest as it stands today. */
  readonly closestMm: readonly number[]
}

/** Crank degrees that cams in the head come later for each millimetre cut off head or deck, as their bench has it. */
function retardPerMmOf({ spec: { layout, drive, paper } }: Build): number {
  const radiusMm = paper.camPitchRadius?.value
  if (layout.valveDrive === 'pushrod' || drive?.kind === 'gears' || radiusMm === undefined) return 0
  return chainRetardDeg(1, radiusMm)
}

/** Valves of a kind with one lean and one phasing for all: of two banks the one whose valves come nearer. */
function valvesHere(build: Build, kind: CamKind): Valves[] | undefined {
  const angle = valveAngle(build, kind)
  if (!isKnown(angle)) return undefined
  const found = derive(build).flatMap(({ output, valve, figure }) =>
    output === 'clearance.closest' && valve && figure ? [{ valve, mm: figure.value.value }] : [],
  )
  const byCam = new Map<string, { curve: readonly Phased[]; closestMm: number[] }>()
  for (const valve of valvesOf(build.spec.layout)) {
    const cam = camOf(build, valve)
    const curve = phasing(build, cam)
    const known = found.find((one) => one.valve === valve)
    if (camKind(cam) !== kind || !curve || !known) continue
    const of = byCam.get(cam) ?? { curve, closestMm: [] }
    of.closestMm.push(known.mm)
    byCam.set(cam, of)
  }
  return [...byCam.values()].map((of) => ({ kind, along: alongValve(build, angle.figure.value.value), ...of }))
}

function rangeOf(valves: readonly Valves[], kind: CamKind, nearerMm: number, moreMm: number, advanceDeg: number): Range | undefined {
  let [low, high] = [Infinity, -Infinity]
  for (const one of valves) {
    if (one.kind !== kind) continue
    const shift = moreMm - nearerMm * one.along + phasedGapMm(one.curve, advanceDeg) - phasedGapMm(one.curve, 0)
    for (const mm of one.closestMm) {
      low = Math.min(low, mm + shift)
      high = Math.max(high, mm + shift)
    }
  }
  return low === Infinity ? undefined : { low, high }
}
