/**
 * The headline numbers of an engine as straight arithmetic: what a search turns a quarter of a million times. What it finds is
 * confirmed by the full evaluation; a test holds the two together.
 */
import type { Build } from '../document/build'
import { chainRetardDeg } from '../geometry/valvetrain'
import { phasedGapMm, type Phased } from '../geometry/valvetrain/closest'
import { camKind, valvesOf, type CamKind } from '../geometry/valvetrain'
import { isKnown } from '../bench/finding'
import { benchOf, type LimitId, type Output } from '../bench/bench'
import { benchById } from '../benches'
import { bareRatio, numbersOf, type RatioNumbers } from '../benches/compression/chain'
import { cylinderStates } from '../benches/compression'
import { camOf } from '../benches/clearance/drop'
import { alongValve, phasing, valveAngle } from '../benches/clearance/sweep'
import { pocketCm3PerMm } from '../shared/pocketWork'
import { knobsOf } from './knobs'

/** What is searched over, and judged: alike in the kernel and in the evaluation. */
export const SEARCHED = ['ratio', 'ratioSpread', 'quench', 'deck', 'intake', 'exhaust'] as const
export type Searched = (typeof SEARCHED)[number]

export const SEARCHED_LIMITS: Readonly<Record<Searched, LimitId>> = {
  ratio: 'compression.compressionRatio',
  ratioSpread: 'compression.ratioSpread',
  quench: 'compression.quench',
  deck: 'compression.deckClearance',
  intake: 'clearance.intake',
  exhaust: 'clearance.exhaust',
}

/** How a bound of what is searched is written. */
export function shownAs(figure: Searched): Pick<Output, 'label' | 'kind' | 'units' | 'digits'> {
  const id = SEARCHED_LIMITS[figure]
  return benchById(benchOf(id)).definition.limits[id]!
}

/** Least and greatest of each over cylinders or valves; what is not known today is missing. */
export type Figures = { [Name in Searched]: { low: number; high: number } | undefined }

/** Knobs the kernel turns by itself; for any other the engine is taken apart again, and the kernel is that of what comes of it. */
const KERNEL_KNOBS = [
  'deckCut',
  'headCut',
  'baseShim',
  'compressionHeight',
  'chamber',
  'pistonVolume',
  'advance.intake',
  'advance.exhaust',
  'intakeLash',
  'exhaustLash',
  'pocket.intake',
  'pocket.exhaust',
] as const
type KernelKnob = (typeof KERNEL_KNOBS)[number]

export function isKernelKnob(id: string): id is KernelKnob {
  return (KERNEL_KNOBS as readonly string[]).includes(id)
}

type Turned = Readonly<Partial<Record<KernelKnob, number>>>

const MM_PER_CM = 10

interface Valves {
  readonly kind: CamKind
  readonly along: number
  readonly curve: readonly Phased[]
  /** Of each that is known, closest as it stands today. */
  readonly closestMm: readonly number[]
}

/** The headline numbers with knobs so set, by their ids; those not named stand as today. */
export function kernelOf(build: Build): (settings: Turned) => Figures {
  const cylinders = cylinderStates(build).flatMap(({ inputs }) => (inputs ? [numbersOf(inputs)] : []))
  const today = Object.fromEntries(knobsOf(build).map(({ knob, today: value }) => [knob.id, value]))
  const valves = (['intake', 'exhaust'] as const).flatMap((kind) => valvesHere(build, kind) ?? [])
  const openAreaCm2 = build.spec.paper.chamberOpenArea?.value ?? 0
  const perMm = { intake: pocketCm3PerMm(build, 'intake') ?? 0, exhaust: pocketCm3PerMm(build, 'exhaust') ?? 0 }
  const retardPerMm = retardPerMmOf(build)
  const isShared = !('advance.exhaust' in today)
  return (settings) => {
    const by = (id: KernelKnob) => (settings[id] === undefined || today[id] === undefined ? 0 : settings[id] - today[id])
    const higherMm = by('deckCut') + by('compressionHeight') - by('baseShim')
    const volumeCm3 = by('chamber') - (openAreaCm2 * by('headCut')) / MM_PER_CM
    const pistonCm3 = by('pistonVolume') + by('pocket.intake') * perMm.intake + by('pocket.exhaust') * perMm.exhaust
    const nearerMm = higherMm + by('headCut')
    const laterDeg = retardPerMm * (by('deckCut') + by('headCut'))
    const advanceDeg = {
      intake: by('advance.intake') - laterDeg,
      exhaust: (isShared ? by('advance.intake') : by('advance.exhaust')) - laterDeg,
    }
    return {
      ...ofCylinders(cylinders, { higherMm, volumeCm3, pistonCm3 }),
      intake: ofValves(valves, 'intake', nearerMm, by('pocket.intake') + by('intakeLash'), advanceDeg.intake),
      exhaust: ofValves(valves, 'exhaust', nearerMm, by('pocket.exhaust') + by('exhaustLash'), advanceDeg.exhaust),
    }
  }
}

/** Crank degrees that cams in the head come later for each millimetre cut off head or deck, as their bench has it. */
function retardPerMmOf({ spec: { layout, drive, paper } }: Build): number {
  const radiusMm = paper.camPitchRadius?.value
  if (layout.valveDrive === 'pushrod' || drive?.kind === 'gears' || radiusMm === undefined) return 0
  return chainRetardDeg(1, radiusMm)
}

interface Shift {
  readonly higherMm: number
  readonly volumeCm3: number
  readonly pistonCm3: number
}

function ofCylinders(cylinders: readonly RatioNumbers[], { higherMm, volumeCm3, pistonCm3 }: Shift) {
  if (cylinders.length === 0) return { ratio: undefined, ratioSpread: undefined, quench: undefined, deck: undefined }
  const ratio = { low: Infinity, high: -Infinity }
  const quench = { low: Infinity, high: -Infinity }
  const deck = { low: Infinity, high: -Infinity }
  for (const one of cylinders) {
    const deckMm = one.deckMm - higherMm
    const is = bareRatio({ ...one, deckMm, chamberCm3: one.chamberCm3 + volumeCm3, pistonCm3: one.pistonCm3 + pistonCm3 })
    ratio.low = Math.min(ratio.low, is)
    ratio.high = Math.max(ratio.high, is)
    deck.low = Math.min(deck.low, deckMm)
    deck.high = Math.max(deck.high, deckMm)
    quench.low = Math.min(quench.low, deckMm + one.gasketThicknessMm)
    quench.high = Math.max(quench.high, deckMm + one.gasketThicknessMm)
  }
  const spread = ratio.high - ratio.low
  return { ratio, quench, deck, ratioSpread: cylinders.length > 1 ? { low: spread, high: spread } : undefined }
}

/** Valves of a kind with one lean and one phasing for all: of two banks the one whose valves come nearer. */
function valvesHere(build: Build, kind: CamKind): Valves[] | undefined {
  const angle = valveAngle(build, kind)
  if (!isKnown(angle)) return undefined
  const found = benchById('clearance')
    .derive(build)
    .flatMap(({ output, valve, figure }) => (output === 'clearance.closest' && valve && figure ? [{ valve, mm: figure.value.value }] : []))
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

function ofValves(valves: readonly Valves[], kind: CamKind, nearerMm: number, moreMm: number, advanceDeg: number): Figures['intake'] {
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
