/** A knob: what may be turned on an engine before metal is cut, and what all knobs are made of. */
import type { Build } from '../document/build'
import type { PaperDefinition, PaperKey } from '../document/paper'
import type { EngineChange } from '../document/types'
import { cylinderNumbers } from '../geometry/crank'
import { printed } from '../numerics/printed'
import { UNITS, type Kind, type UnitId } from '../units'
import type { Units } from './bench'

/** Parts that may have to stay as they are: a knob that wants another one, or wants it worked on, is then held. */
export const PARTS = ['gasket', 'block', 'head', 'manifold', 'pistons', 'rods', 'crank', 'shells', 'cams', 'rings'] as const
export type Part = (typeof PARTS)[number]

/** Knobs in the order an engine is thought about. */
export const KNOB_GROUPS = ['height', 'volume', 'cams', 'valves', 'fits', 'running'] as const

export interface Knob {
  readonly id: string
  readonly group: (typeof KNOB_GROUPS)[number]
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

export const MM = { kind: 'length', units: { metric: 'mm', inch: 'thou' } } as const
export const CC = { kind: 'volume', units: { metric: 'cm3', inch: 'cm3' } } as const
export const DEG = { kind: 'angle', units: { metric: 'deg', inch: 'deg' } } as const
const MM_PER_THOU = UNITS.thou.factor
export const inThou = (metric: number, thou: number) => ({ metric, inch: thou * MM_PER_THOU })
export const alike = (step: number) => ({ metric: step, inch: step })
const WHAT_IF = 'what if'

export const around = (reach: number) => ({
  low: (_: Build, today: number) => printed(today - reach),
  high: (_: Build, today: number) => printed(today + reach),
})
export const upTo = (most: number) => ({ low: () => 0, high: (_: Build, today: number) => Math.max(most, today) })

type Definitions = Readonly<Partial<Record<PaperKey, PaperDefinition>>>

/** A number on the paper of a bench as a knob: it is there where the paper has it. */
export function paperKnob(
  paper: Definitions,
  key: PaperKey,
  { group, part, reach, step }: Pick<Knob, 'group' | 'part' | 'step'> & { readonly reach: number },
): Knob {
  const { label, kind, units, low, high } = paper[key]!
  return {
    id: key,
    group,
    label,
    kind,
    units,
    step,
    ...(part && { part }),
    today: ({ spec }) => spec.paper[key]?.value,
    low: (_, today) => Math.max(low, printed(today - reach)),
    high: (_, today) => Math.min(high, printed(today + reach)),
    changes: (build, value) => [onPaper(build, paper, key, value)],
  }
}

export function onPaper({ spec }: Build, paper: Definitions, key: PaperKey, value: number): EngineChange {
  const known = spec.paper[key]
  const unit = (known?.unit as UnitId | undefined) ?? paper[key]!.units.metric
  return { choose: 'paper', key, value: printed(value), unit, source: WHAT_IF }
}

export const eachCylinder = (build: Build, change: (cylinder: number) => EngineChange) => cylinderNumbers(build.spec.layout).map(change)

/** Of what there is to choose from, by what it comes to, the one nearest to a value. */
export function nearestOf<Choice>(choices: ReadonlyMap<number, Choice>, value: number): Choice {
  return [...choices].reduce((a, b) => (Math.abs(b[0] - value) < Math.abs(a[0] - value) ? b : a))[1]
}
