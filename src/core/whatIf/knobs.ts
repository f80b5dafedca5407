/** What may be turned on an engine before metal is cut: each knob with today's value, and what turning it changes. */
import type { Build } from '../document/build'
import type { EngineChange } from '../document/types'
import { bankCount } from '../geometry/crank'
import { KNOB_GROUPS, type Knob, type Part } from '../bench/knob'
import { KNOBS_OF } from '../benches/lists/knobs'
import { dutyKnobs } from './dutyKnobs'

export { PARTS, type Knob, type Part } from '../bench/knob'

const ALL: readonly Knob[] = [...dutyKnobs, ...Object.values(KNOBS_OF).flat()]
/** Every knob, in the order an engine is thought about, and within that in the order of work. */
const KNOBS = KNOB_GROUPS.flatMap((group) => ALL.filter((knob) => knob.group === group))

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
