import type { Build } from '../document/build'
import type { BenchId, CharacteristicId, Id, LimitId, OutputId } from '../document/ids'
import type { Grows } from '../document/growth'
import type { PaperDefinition, PaperKey } from '../document/paper'
import type { Place, Subject, SubjectAxis } from '../document/place'
import type { EngineChange, Limit, Spec } from '../document/types'
import type { EngineLayout } from '../geometry/crank'
import type { Conformity, Figure, Uncertain, Verdict } from '../metrology'
import type { Kind, UnitId, WheelMarks } from '../units'
import type { Change, Cost, Remark } from './vocabulary'

export { benchOf, type BenchId, type CharacteristicId, type Id, type LimitId, type OutputId } from '../document/ids'
export type { Change, Cost, Remark } from './vocabulary'

/** The one shape of every bench: what is measured where, and what follows from it. */
export interface Bench {
  readonly id: BenchId
  readonly definition: BenchDefinition
  /** Engines it has something to ask of; left out: every one. */
  readonly isFor?: (layout: EngineLayout) => boolean
  /** Where readings are wanted, in the order a person walks round the engine. */
  readonly stations: (build: Build) => readonly Station[]
  /** Everything that follows from the readings; pure, and quick enough for every keystroke. */
  readonly derive: (build: Build) => readonly Finding[]
}

/** A bench that also says what to do; its page need not fetch that, the advice worker does. */
export interface AdvisingBench extends Bench {
  /** The computed ways to put it right. */
  readonly advise: (build: Build, findings: readonly Finding[]) => readonly Advice[]
}

/** Starting limits of one bench for a fresh build, each with its source. */
export type Presets = (
  spec: Pick<Spec, 'layout' | 'duty' | 'paper' | 'units' | 'materials' | 'methods' | 'stock' | 'choice'>,
) => Readonly<Partial<Record<LimitId, Limit>>>

export interface Units {
  readonly metric: UnitId
  readonly inch: UnitId
}

export interface Characteristic {
  readonly label: string
  readonly kind: Kind
  /** Units a reading is shown and typed in. */
  readonly units: Units
  /** Gauges that can take it; the first is offered. */
  readonly gauges: readonly string[]
  /** Output of the same cylinder that judges it: its verdict is drawn at the station. */
  readonly judgedBy?: Id
  /** A step on the way to a value, such as a burette level: comparing it across cylinders says nothing. */
  readonly passing?: boolean
  /** A short word of safety where this is measured. */
  readonly caution?: string
  /** It is of the part that is chosen: another one is measured again. */
  readonly ofChosen?: 'gasket'
  /** A ring on the file: strokes may be said behind the gap, as `.53/.54 10s`. */
  readonly filed?: boolean
  /** The value itself may be negative. */
  readonly signed?: boolean
  /** An angle of a wheel: a turn more or less is the same reading. */
  readonly turns?: boolean
  /** Read in the running direction, to have the slack out: `back` behind a reading says that it was not. */
  readonly running?: boolean
  /** What it is read on, where that grows as much as a reading shows. */
  readonly grows?: Grows
  /** Words for a value above and below zero, e.g. "below deck" and "above deck". */
  readonly sense?: { readonly positive: string; readonly negative: string }
}

export interface Output {
  readonly label: string
  readonly kind: Kind
  readonly units: Units
  /** Most decimals worth showing, however small the uncertainty. */
  readonly digits: { readonly metric: number; readonly inch: number }
  /** Key of the limit it is judged by. */
  readonly limit?: Id
  /** Where exhaust valves are judged by another. */
  readonly exhaustLimit?: Id
  /** A model, not a measurement: said wherever it is shown. */
  readonly estimate?: boolean
  /** Of what may yet be tried, not of the engine as it stands: what is out speaks before it. */
  readonly prospective?: boolean
  /** Largest minus smallest of the parts: a part that is out speaks before it. */
  readonly spread?: boolean
  /** Its limit is of readings that are to agree: they are judged as they stand, and shown with the uncertainty of what they stand for. */
  readonly judgedAsRead?: boolean
  /** Parts that meet where it is out: no plan brings it there without a reason on record. */
  readonly partsMeet?: boolean
  /** A size: no value of it can be below zero. */
  readonly neverNegative?: boolean
}

export interface LimitDefinition {
  readonly label: string
  /** No lower bound goes below this unless somebody gives a reason and answers for it. */
  readonly floor?: number
  readonly kind: Kind
  readonly units: Units
  readonly digits: { readonly metric: number; readonly inch: number }
}

export interface BenchDefinition<Bench extends string = string> {
  readonly title: string
  /** Short name for the rule of stages. */
  readonly stage: string
  readonly characteristics: Readonly<Record<`${Bench}.${string}`, Characteristic>>
  readonly outputs: Readonly<Record<`${Bench}.${string}`, Output>>
  readonly limits: Readonly<Record<`${Bench}.${string}`, LimitDefinition>>
  /** Paper the bench rests on, in the order a builder fills it in. */
  readonly paper: Readonly<Record<string, PaperDefinition>>
  /** Things looked at, not measured. */
  readonly checks?: Readonly<Record<`${Bench}.${string}`, CheckDefinition>>
}

export interface CheckDefinition {
  readonly label: string
  /** Why it is looked at, or what follows from it. */
  readonly why: string
  /** Once for the engine, or once for each. */
  readonly each?: SubjectAxis
}

export interface Station {
  readonly id: string
  readonly characteristic: CharacteristicId
  readonly place: Place
  /** The place in words: "Cylinder 3, deck, rear edge". */
  readonly label: string
  /** Row of the sheet it belongs to, e.g. "Deck, rear". */
  readonly row: string
  /** Canonical range outside which a value is questioned. */
  readonly expected: { readonly low: number; readonly high: number }
  /** Where values here usually are, by the paper, and how far from it they usually stray: a value beyond is looked at for a slip. */
  readonly usual?: { readonly centre: number; readonly stray: number }
  /** Canonical nominal that `+2` is measured from. */
  readonly nominal?: number
  /** How the wheel it is read on is marked. */
  readonly wheelMarks?: WheelMarks
  /** Where it is drawn: a place in the plan of its cylinder, in bore radii from its axis (x to the rear, y to the right). */
  readonly drawnAt: { readonly x: number; readonly y: number }
}

export type Missing =
  | { readonly kind: 'reading'; readonly stationId: string }
  | { readonly kind: 'paper'; readonly key: PaperKey }
  | { readonly kind: 'choice'; readonly what: 'gasket' }
  | { readonly kind: 'duty'; readonly what: 'redline' }
  /** Of the fasteners of a joint: a number of their sheet. */
  | { readonly kind: 'joint'; readonly what: 'sections' | 'yield' | 'proof' | 'thread' }
  | { readonly kind: 'check'; readonly label: string }
  | {
      readonly kind: 'impossible'
      readonly reason:
        | 'crankDoesNotTurn'
        | 'noClearanceVolume'
        | 'gasketUnderBore'
        | 'crownOverBore'
        | 'absurdRatio'
        | 'otherGasket'
        | 'stretchNotReached'
        | 'noSuchLift'
        | 'stopTooNear'
        | 'stopOneSided'
    }

export interface Finding extends Subject {
  readonly id: string
  readonly output: OutputId
  /** Undefined: not measured, and `missing` says what is wanted. */
  readonly figure?: Figure
  readonly missing: readonly Missing[]
  readonly limit?: Limit
  readonly conformity?: Conformity
  readonly remarks: readonly Remark[]
}

/** A way to put something right: the change, what the headline figures become, what it costs elsewhere. */
export interface Advice {
  readonly id: string
  readonly change: Change
  readonly headlines: readonly Headline[]
  /** The worst verdict after the change; undefined where nothing changes yet. */
  readonly verdict?: Verdict | 'notJudged'
  readonly costs: readonly Cost[]
  /** The change as a build takes it, so that every bench can judge it; left out where nothing is changed. */
  readonly changes?: readonly EngineChange[]
}

/** A limit that a change breaks, or leaves broken: which finding of which bench. */
export interface Broken extends Subject {
  readonly output: OutputId
  /** How the output is named and shown: whoever shows it need not know its bench. */
  readonly shown: Pick<Output, 'label' | 'units' | 'digits'>
  readonly verdict: Verdict
  /** How far outside its bound, canonical unit. */
  readonly excess: number
}

/** An advice as judged over all benches, as plain data. */
export interface JudgedAdvice extends Advice {
  /** What was kept before and is not any more. */
  readonly breaks: readonly Broken[]
  /** What was out and still is, among what the change moves. */
  readonly leaves: readonly Broken[]
}

/** What a headline figure becomes after the change: one value, or the range over its subjects. */
export interface Headline {
  readonly output: OutputId
  readonly low: Uncertain
  readonly high: Uncertain
}
