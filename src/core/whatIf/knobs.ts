/** What may be turned on an engine before metal is cut: each knob with today's value, and what turning it changes. */
import type { Build } from '../build/build'
import { FUELS } from '../build/duty'
import { readingAt } from '../build/figures'
import type { PaperKey } from '../build/paper'
import type { EngineChange } from '../build/types'
import { allWorkOn } from '../build/work'
import type { Units } from '../bench/bench'
import { isKnown, type Derived } from '../bench/finding'
import { bankCount, camKind, camsOf, cylinderNumbers, onOneShaft, type Cam, type CamKind } from '../engine'
import { printed } from '../numerics/printed'
import { UNITS, type Kind, type UnitId } from '../quantity'
import { cardDuration, cardLobeLift } from '../quantities/camCard'
import { onCurve, peakLiftOf } from '../quantities/camMotion/curve'
import { lobeMotion } from '../quantities/camMotion/lobeMotion'
import { layersOf } from '../quantities/gasket'
import { shellSteps } from '../benches/bearings'
import { chamberVolume } from '../quantities/chamberVolume'
import { PAPER } from '../benches/paper'

/** Parts that may have to stay as they are: a knob that wants another one, or wants it worked on, is then held. */
export const PARTS = ['gasket', 'block', 'head', 'manifold', 'pistons', 'rods', 'crank', 'shells', 'cams', 'rings'] as const
export type Part = (typeof PARTS)[number]

export interface Knob {
  readonly id: string
  readonly label: string
  readonly kind: Kind
  readonly units: Units
  /** What it is turned by, canonical unit. */
  readonly step: Readonly<Record<'metric' | 'inch', number>>
  /** The part it wants another of, or works on; left out: nothing is bought or cut. */
  readonly part?: Part
  /** It brings heads nearer to the crank, or further: a manifold that lies between them fits no more. */
  readonly movesHeads?: true
  /** Today's value, canonical unit; undefined: this engine has no such knob. */
  readonly today: (build: Build) => number | undefined
  readonly low: (build: Build, today: number) => number
  readonly high: (build: Build, today: number) => number
  /** Values it can have, where they are few; left out: any, by its step. */
  readonly choices?: (build: Build) => readonly number[]
  readonly changes: (build: Build, value: number, today: number) => readonly EngineChange[]
}

const MM = { kind: 'length', units: { metric: 'mm', inch: 'thou' } } as const
const CC = { kind: 'volume', units: { metric: 'cm3', inch: 'cm3' } } as const
const DEG = { kind: 'angle', units: { metric: 'deg', inch: 'deg' } } as const
const MM_PER_THOU = UNITS.thou.factor
const inThou = (metric: number, thou: number) => ({ metric, inch: thou * MM_PER_THOU })
const alike = (step: number) => ({ metric: step, inch: step })
const WHAT_IF = 'what if'

const around = (reach: number) => ({
  low: (_: Build, today: number) => printed(today - reach),
  high: (_: Build, today: number) => printed(today + reach),
})
const upTo = (most: number) => ({ low: () => 0, high: (_: Build, today: number) => Math.max(most, today) })

/** A number on paper as a knob: it is there where the paper has it. */
function paperKnob(key: PaperKey, reach: number, step: Knob['step'], part?: Part): Knob {
  const { label, kind, units } = PAPER[key]
  return {
    id: key,
    label,
    kind,
    units,
    step,
    ...(part && { part }),
    today: ({ spec }) => spec.paper[key]?.value,
    low: (_, today) => Math.max(PAPER[key].low, printed(today - reach)),
    high: (_, today) => Math.min(PAPER[key].high, printed(today + reach)),
    changes: (build, value) => [onPaper(build, key, value)],
  }
}

function onPaper({ spec }: Build, key: PaperKey, value: number): EngineChange {
  const known = spec.paper[key]
  return {
    choose: 'paper',
    key,
    value: printed(value),
    unit: (known?.unit as UnitId | undefined) ?? PAPER[key].units.metric,
    source: WHAT_IF,
  }
}

/** The first of a kind: what its lobes do the others of the kind do. */
function firstCam({ spec }: Build, kind: CamKind): Cam | undefined {
  return camsOf(spec.layout).find((cam) => camKind(cam) === kind)
}

/** Larger valves, as long as their size on paper counts: between valves alone, and until one is measured across. */
function headKnob(valves: CamKind): Knob {
  const knob = paperKnob(`${valves}ValveHead`, 4, inThou(0.1, 5), 'head')
  const isIdle = (build: Build) =>
    build.spec.paper.valvesApart === undefined ||
    camsOf(build.spec.layout).some((cam) => camKind(cam) === valves && readingAt(build, 'clearance.headSize', { cam }))
  return { ...knob, today: (build) => (isIdle(build) ? undefined : knob.today(build)) }
}

const LOBE = {
  lift: { label: 'lobe lift', ...MM, step: inThou(0.1, 5), reach: 2, what: 'lobeLift', read: peakLiftOf, card: cardLobeLift },
  duration: { label: 'duration', ...DEG, step: alike(1), reach: 20, what: 'lobeDuration', read: readDuration, card: cardDuration },
} as const

function readDuration(build: Build, cam: Cam): Derived {
  return onCurve(build, cam, 'duration')
}

/** Other cams of a kind: what their lobes do at the check lift, from what was read on, or else from what their card says. */
function lobeKnob(valves: CamKind, what: keyof typeof LOBE): Knob {
  const { label, kind, units, step, reach, what: work, read, card } = LOBE[what]
  return {
    id: `${work}.${valves}`,
    label: `${valves === 'intake' ? 'Intake' : 'Exhaust'} ${label}`,
    kind,
    units,
    step,
    part: 'cams',
    today: (build) => {
      const cam = firstCam(build, valves)
      if (!cam || 'missing' in lobeMotion(build, cam)) return undefined
      const [known, stated] = [read(build, cam), card(build, cam)]
      if (isKnown(known)) return known.figure.value.value
      return isKnown(stated) ? stated.figure.value.value + allWorkOn(build, `${work}/${valves}`) : undefined
    },
    ...around(reach),
    changes: (_, value, today) => [{ what: work, valves, by: printed(value - today) }],
  }
}

/** A cut, or what is opened: work on top of what is planned. */
function cutKnob(id: 'deckCut' | 'headCut', label: string, part: Part): Knob {
  return {
    id,
    label,
    ...MM,
    step: inThou(0.05, 2),
    part,
    movesHeads: true,
    today: (build) => (id === 'headCut' && !build.spec.paper.chamberOpenArea ? undefined : allWorkOn(build, id)),
    ...upTo(0.6),
    changes: (_, value, today) => [{ what: id, by: printed(value - today) }],
  }
}

function pocketKnob(valves: CamKind): Knob {
  return {
    id: `pocket.${valves}`,
    label: `${valves === 'intake' ? 'Intake' : 'Exhaust'} pockets deeper`,
    ...MM,
    step: inThou(0.1, 5),
    part: 'pistons',
    today: (build) => (build.spec.methods.valveSurface === 'pocket' ? allWorkOn(build, `cutPocket/${valves}`) : undefined),
    ...upTo(1.5),
    changes: (_, value, today) => [{ what: 'cutPocket', valves, by: printed(value - today) }],
  }
}

/** Cams of a kind set earlier; lobes of one shaft turn together, and are one knob. */
function phasingKnob(kind: CamKind): Knob {
  const cams = ({ spec: { layout } }: Build) => camsOf(layout).filter((cam) => camKind(cam) === kind)
  return {
    id: `advance.${kind}`,
    label: `${kind === 'intake' ? 'Intake' : 'Exhaust'} cam earlier by`,
    ...DEG,
    step: alike(1),
    today: (build) => {
      const { layout } = build.spec
      const [first] = cams(build)
      const isFollower = first && kind === 'exhaust' && onOneShaft(layout, first).some((cam) => camKind(cam) === 'intake')
      return first && !isFollower ? allWorkOn(build, `turnCam/${first}`) : undefined
    },
    ...around(12),
    changes: (build, value, today) => {
      const by = printed(value - today)
      const turned = [...new Set(cams(build).flatMap((cam) => onOneShaft(build.spec.layout, cam)))]
      return [...turned.map((cam): EngineChange => ({ what: 'turnCam', cam, by })), ...(kind === 'intake' ? closingEarlier(build, by) : [])]
    },
  }
}

/** Where the ratio is counted from the intake's closing, what is noted of it goes with its cam. */
function closingEarlier(build: Build, byDeg: number): readonly EngineChange[] {
  const { intakeClosing, intakeRetard } = build.spec.paper
  return intakeClosing ? [onPaper(build, 'intakeRetard', (intakeRetard?.value ?? 0) - byDeg)] : []
}

const eachCylinder = (build: Build, change: (cylinder: number) => EngineChange) => cylinderNumbers(build.spec.layout).map(change)

const gasketKnob: Knob = {
  id: 'gasket',
  label: 'Gasket',
  ...MM,
  step: inThou(0.05, 1),
  part: 'gasket',
  movesHeads: true,
  today: ({ spec: { stock, choice } }) => stock.gaskets.find(({ id }) => id === choice.gasket)?.thicknessMm,
  low: (build) => Math.min(...build.spec.stock.gaskets.map(({ thicknessMm }) => thicknessMm)),
  high: (build) => Math.max(...build.spec.stock.gaskets.map(({ thicknessMm }) => thicknessMm)),
  choices: ({ spec: { stock } }) => [...new Set(stock.gaskets.map(({ thicknessMm }) => thicknessMm))].sort((a, b) => a - b),
  changes: ({ spec: { stock } }, value) => {
    const nearest = stock.gaskets.toSorted((a, b) => Math.abs(a.thicknessMm - value) - Math.abs(b.thicknessMm - value))[0]
    return nearest ? [{ choose: 'gasket', id: nearest.id }] : []
  },
}

/** What layers of the shelf can be laid in together, by what they come to. */
function layerings({ spec: { stock } }: Build): ReadonlyMap<number, readonly string[]> {
  const sums = new Map<number, readonly string[]>([[0, []]])
  for (const { id, thicknessMm } of stock.layers) {
    const before = [...sums]
    for (const [mm, ids] of before) {
      const sum = printed(mm + thicknessMm)
      if (ids.length < MOST_LAYERS && !sums.has(sum)) sums.set(sum, [...ids, id])
    }
  }
  return new Map([...sums].sort(([a], [b]) => a - b))
}
const MOST_LAYERS = 3

const layersKnob: Knob = {
  id: 'gasketLayers',
  label: 'Layers laid into the gasket',
  ...MM,
  step: inThou(0.01, 0.5),
  part: 'gasket',
  movesHeads: true,
  today: ({ spec }) =>
    spec.choice.gasket !== undefined && spec.stock.layers.length > 0
      ? printed(layersOf(spec).reduce((sum, { thicknessMm }) => sum + thicknessMm, 0))
      : undefined,
  low: () => 0,
  high: (build) => Math.max(...layerings(build).keys()),
  choices: (build) => [...layerings(build).keys()],
  changes: (build, value) => {
    const all = [...layerings(build)]
    const [, ids] = all.reduce((a, b) => (Math.abs(b[0] - value) < Math.abs(a[0] - value) ? b : a))
    return [{ choose: 'gasketLayers', ids }]
  },
}

/** Shells of all journals of a kind that were read, a grade tighter or looser: what pairs on the list come to. */
function shellKnob(kind: 'main' | 'rod'): Knob {
  return {
    id: `shells.${kind}`,
    label: `${kind === 'main' ? 'Main' : 'Rod'} shells looser by`,
    kind: 'length',
    units: { metric: 'um', inch: 'thou' },
    step: inThou(0.001, 0.1),
    part: 'shells',
    today: (build) => (shellSteps(build, kind).size > 1 ? 0 : undefined),
    low: (build) => Math.min(...shellSteps(build, kind).keys()),
    high: (build) => Math.max(...shellSteps(build, kind).keys()),
    choices: (build) => [...shellSteps(build, kind).keys()],
    changes: (build, value) => {
      const all = [...shellSteps(build, kind)]
      const [, pairs] = all.reduce((a, b) => (Math.abs(b[0] - value) < Math.abs(a[0] - value) ? b : a))
      return Object.entries(pairs).map(([journal, pair]) => ({ choose: 'shells', journal, pair }))
    },
  }
}

const chamberKnob: Knob = {
  id: 'chamber',
  label: 'Chambers larger by',
  ...CC,
  step: alike(0.2),
  part: 'head',
  today: (build) => (cylinderNumbers(build.spec.layout).some((cylinder) => isKnown(chamberVolume(build, cylinder))) ? 0 : undefined),
  low: () => 0,
  high: () => 6,
  changes: (build, value) => eachCylinder(build, (cylinder) => ({ what: 'openChamber', cylinder, by: value })),
}

const boreKnob: Knob = {
  id: 'bore',
  label: 'Bores honed by',
  ...MM,
  step: inThou(0.01, 0.5),
  part: 'block',
  today: () => 0,
  ...upTo(0.3),
  changes: (build, value) => eachCylinder(build, (cylinder) => ({ what: 'hone', cylinder, by: value })),
}

const ringKnob: Knob = {
  id: 'topGap',
  label: 'Top rings filed by',
  ...MM,
  step: inThou(0.02, 1),
  part: 'rings',
  today: () => 0,
  ...upTo(0.4),
  changes: (build, value) => eachCylinder(build, (cylinder) => ({ what: 'ringGap', ring: 'top', cylinder, by: value })),
}

/** Another rod, stroke or compression height: the number on paper, and how much higher pistons stand for it. */
function heightKnob(key: 'compressionHeight' | 'rodLength' | 'stroke', reach: number, part: Part, share: number): Knob {
  const knob = paperKnob(key, reach, inThou(0.05, 2), part)
  return {
    ...knob,
    changes: (build, value, today) => [onPaper(build, key, value), { what: 'raisePiston', by: printed((value - today) * share) }],
  }
}

const shimKnob: Knob = {
  id: 'baseShim',
  label: 'Base shim thicker by',
  ...MM,
  step: inThou(0.1, 4),
  part: 'gasket',
  movesHeads: true,
  // Barrels of their own: singles, flat engines and air-cooled twins.
  today: ({ spec: { layout } }) =>
    layout.kind === 'single' || layout.kind === 'flat' || (bankCount(layout) === 2 && layout.cylinders === 2) ? 0 : undefined,
  ...around(1),
  changes: (_, value) => [{ what: 'raisePiston', by: -value }],
}

const redlineKnob: Knob = {
  id: 'redline',
  label: 'Redline',
  kind: 'rotation',
  units: { metric: 'rpm', inch: 'rpm' },
  step: alike(100),
  today: ({ spec }) => spec.duty.redlineRpm,
  low: (_, today) => Math.max(1000, today - 3000),
  high: (_, today) => today + 3000,
  changes: (_, value) => [{ choose: 'duty', redlineRpm: value }],
}

const boostKnob: Knob = {
  id: 'boost',
  label: 'Boost',
  kind: 'pressure',
  units: { metric: 'bar', inch: 'psi' },
  step: alike(5),
  today: ({ spec }) => spec.duty.boostKpa,
  low: () => 0,
  high: (_, today) => Math.max(200, today + 100),
  changes: (_, value) => [{ choose: 'duty', boostKpa: value }],
}

/** By its place in the list. What ratio it stands no figure here knows: that is the tuner's. */
const fuelKnob: Knob = {
  id: 'fuel',
  label: 'Fuel',
  kind: 'ratio',
  units: { metric: 'one', inch: 'one' },
  step: alike(1),
  today: ({ spec }) => FUELS.indexOf(spec.duty.fuel),
  low: () => 0,
  high: () => FUELS.length - 1,
  choices: () => FUELS.map((_, index) => index),
  changes: (_, value) => [{ choose: 'duty', fuel: FUELS[Math.round(value)] ?? 'unsaid' }],
}

/** A limit somebody has set does not follow what is wanted on paper. */
const wantedRatioKnob: Knob = {
  ...paperKnob('compressionRatio', 3, alike(0.1)),
  label: 'Ratio wanted',
  today: ({ spec: { paper, limits } }) => (limits['compression.compressionRatio']?.follows ? paper.compressionRatio?.value : undefined),
}

/** Every knob, in the order an engine is thought about: height, volume, cams, valves, running. */
const KNOBS: readonly Knob[] = [
  gasketKnob,
  layersKnob,
  cutKnob('deckCut', 'Deck cut', 'block'),
  cutKnob('headCut', 'Head cut', 'head'),
  shimKnob,
  heightKnob('compressionHeight', 1, 'pistons', 1),
  heightKnob('rodLength', 3, 'rods', 1),
  heightKnob('stroke', 6, 'crank', 0.5),
  boreKnob,
  chamberKnob,
  paperKnob('pistonVolume', 6, alike(0.2), 'pistons'),
  phasingKnob('intake'),
  phasingKnob('exhaust'),
  paperKnob('rockerRatio', 0.3, alike(0.05), 'cams'),
  paperKnob('intakeLash', 0.4, inThou(0.05, 1)),
  paperKnob('exhaustLash', 0.4, inThou(0.05, 1)),
  lobeKnob('intake', 'lift'),
  lobeKnob('exhaust', 'lift'),
  lobeKnob('intake', 'duration'),
  lobeKnob('exhaust', 'duration'),
  headKnob('intake'),
  headKnob('exhaust'),
  pocketKnob('intake'),
  pocketKnob('exhaust'),
  ringKnob,
  shellKnob('main'),
  shellKnob('rod'),
  wantedRatioKnob,
  fuelKnob,
  boostKnob,
  redlineKnob,
  paperKnob('intakeTemperature', 40, alike(5)),
  paperKnob('ringTemperature', 100, alike(10)),
  paperKnob('bearingTemperature', 40, alike(5)),
  paperKnob('boltStretch', 0.05, inThou(0.002, 0.1)),
]

/** A knob of this engine, where it stands today, and between what it turns. */
export interface KnobHere {
  readonly knob: Knob
  /** Parts that it wants another of, works on, or makes fit no more. */
  readonly parts: readonly Part[]
  readonly today: number
  readonly low: number
  readonly high: number
}

export function knobsOf(build: Build): readonly KnobHere[] {
  return KNOBS.flatMap((knob) => {
    const today = knob.today(build)
    if (today === undefined) return []
    return [{ knob, parts: partsOf(build, knob), today, low: knob.low(build, today), high: knob.high(build, today) }]
  })
}

/** A manifold between two banks sits on both heads. */
function partsOf({ spec: { layout } }: Build, { part, movesHeads }: Knob): readonly Part[] {
  const isBetween = bankCount(layout) === 2 && layout.intakeSide === 'valley'
  return [...(part ? [part] : []), ...(movesHeads && isBetween ? (['manifold'] as const) : [])]
}

/** Where knobs are set, by their ids; one that is not named stands as today. */
export type Settings = Readonly<Record<string, number>>

/** What settings change of an engine, as data. */
export function changesOf(build: Build, settings: Settings): readonly EngineChange[] {
  return knobsOf(build).flatMap(({ knob, today }) => {
    const value = settings[knob.id]
    return value === undefined || value === today ? [] : knob.changes(build, value, today)
  })
}
