/**
 * Names of what is measured, found, limited and looked at. Each carries its bench, so that the end float of a cam cannot be taken
 * for that of a crank; characteristics, outputs and limits are name spaces of their own.
 */

/** What each bench declares, by the name of the bench: put in from its own folder (`declare module`, beside its definition). */
export interface Definitions {}

export type BenchId = keyof Definitions

/** `rings.topGap`: what a file or a person may name. The types below are those that there are. */
export type Id = `${string}.${string}`

type NamesOf<Part extends string> = {
  [Bench in BenchId]: Definitions[Bench] extends { readonly [P in Part]: infer Names } ? Extract<keyof Names, Id> : never
}[BenchId]

/** What is measured. */
export type CharacteristicId = NamesOf<'characteristics'>
/** What is found. */
export type OutputId = NamesOf<'outputs'>
/** What something found is judged by. */
export type LimitId = NamesOf<'limits'>

/** The bench a name belongs to. */
export function benchOf(id: Id): BenchId {
  return id.slice(0, id.indexOf('.')) as BenchId
}

/** What stands under its names, in order. */
export function namedEntries<Name extends Id, Value>(record: Readonly<Partial<Record<Name, Value>>>): [Name, Value][] {
  return Object.entries(record) as [Name, Value][]
}
