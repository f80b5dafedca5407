/** What may be turned on an engine before metal is cut: each knob with today's value, and what turning it changes. */
import type { Build } from '../../document/build'
import type { EngineChange } from '../../document/types'
import { bankCount } from '../../geometry/crank'
import { boreKnob, chamberKnob, cutKnob, gasketKnob, heightKnob, layersKnob, shimKnob } from './chamberKnobs'
import { boostKnob, fuelKnob, redlineKnob, wantedRatioKnob } from './dutyKnobs'
import { ringKnob, shellKnob } from './fitKnobs'
import { alike, inThou, paperKnob, type Knob, type Part } from './knob'
import { headKnob, lobeKnob, phasingKnob, pocketKnob } from './valveKnobs'

export { PARTS, type Knob, type Part } from './knob'

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
