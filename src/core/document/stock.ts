import type { Kind, UnitId } from '../units'
import type { BenchId, Definitions } from './ids'

/** What every part on the shelf has. */
export interface StockPart {
  id: string
  name: string
  source: string
}

/** A number that tells one part of a kind from another, canonical unit. */
export interface StockNumber {
  readonly label: string
  readonly hint?: string
  readonly kind: Kind
  readonly units: { readonly metric: UnitId; readonly inch: UnitId }
  /** Least and most there can be. */
  readonly low?: number
  readonly high?: number
  /** More than nothing. */
  readonly isPositive?: true
  /** Counted. */
  readonly isWhole?: true
  readonly optional?: true
  /** What it is taken for where it is not said. */
  readonly ifEmpty?: string
  /** The few there are to choose from. */
  readonly sizes?: readonly { readonly value: number; readonly label: string }[]
}

/** What a part is, of a few kinds. */
export interface StockWord {
  readonly label: string
  readonly hint?: string
  readonly optional?: true
  readonly options: readonly { readonly value: string; readonly label: string }[]
}

/** Parts of one kind that lie on the shelf or can be had. */
export interface StockDefinition {
  readonly title: string
  /** One of them: `gasket`. */
  readonly one: string
  readonly add: string
  readonly fields: Readonly<Record<string, StockNumber | StockWord>>
  /** One of them is on the engine: the choice that says which. */
  readonly chosenAs?: 'gasket'
  /** Any of them may be on the engine, together: the choice that lists which. */
  readonly laidInAs?: 'gasketLayers'
  /** The number that goes up and down as they come and go, and what it counts. */
  readonly counted?: { readonly field: string; readonly one: string }
}

type Declared = { [Bench in BenchId]: Definitions[Bench] extends { readonly stock: infer Own } ? Own : never }[BenchId]
type KeysOf<Records> = Records extends unknown ? keyof Records & string : never
type DefinitionOf<Records, Key extends string> = Records extends Readonly<Record<Key, infer Definition>> ? Definition : never

type ValueOf<Field> = Field extends { readonly options: readonly { readonly value: infer Value }[] } ? Value : number
type Optional<Fields> = { [Name in keyof Fields]: Fields[Name] extends { readonly optional: true } ? Name : never }[keyof Fields]
type FieldsOf<Fields> = { -readonly [Name in Exclude<keyof Fields, Optional<Fields>>]: ValueOf<Fields[Name]> } & {
  -readonly [Name in Optional<Fields>]?: ValueOf<Fields[Name]> | undefined
}

export type StockKind = KeysOf<Declared>

/** A part as its bench declares its kind. */
export type Part<Key extends StockKind> =
  DefinitionOf<Declared, Key> extends { readonly fields: infer Fields } ? StockPart & FieldsOf<Fields> : never

/** What lies on the shelf, kind by kind. */
export type Stock = { [Key in StockKind]: Part<Key>[] }
