import type { DecisionRule } from '../metrology'
import type { BenchId, Definitions } from './ids'

export type MethodValue = string | number | boolean

/** One way among several of measuring or computing something, and why anybody would choose it. */
export interface MethodDefinition {
  readonly label: string
  readonly hint: string
  readonly options: readonly { readonly value: MethodValue; readonly label: string }[]
  /** What a build that says nothing of it is taken to do. */
  readonly usual: MethodValue
}

type Declared = { [Bench in BenchId]: Definitions[Bench] extends { readonly methods: infer Own } ? Own : never }[BenchId]
type KeysOf<Records> = Records extends unknown ? keyof Records & string : never
type ValueOf<Records, Key extends string> =
  Records extends Readonly<Record<Key, { readonly options: readonly { readonly value: infer Value }[] }>> ? Value : never

export type MethodKey = KeysOf<Declared>

/** The ways chosen: each bench's own, and the rule that all verdicts are spoken by. */
export type Methods = { [Key in MethodKey]: ValueOf<Declared, Key> } & { rule: DecisionRule }
