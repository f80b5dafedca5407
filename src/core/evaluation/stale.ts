import type { Build } from '../document/build'
import { restsOn, type Use } from '../document/remembered'
import { evaluate } from './evaluate'

/** What somebody relied on: a finding, and all that it rested on then. Plain data, kept beside a signature or a step that was ticked. */
export interface Confirmation {
  readonly findingId: string
  /** What each thing was then, by its kind and name: `reading bores.skirt/c2`, `paper bore`. */
  readonly restedOn: Readonly<Record<string, string>>
}

/** Something a finding rested on that is another one now, was not there then, or is not there now. */
export interface Difference {
  readonly source: Use['source']
  readonly key: string
  readonly change: 'changed' | 'added' | 'gone'
}

export interface Stale {
  readonly findingId: string
  /** Empty never; where the finding is asked for no more, all it rested on is gone. */
  readonly why: readonly Difference[]
}

/** Kinds that are inputs of an engine: what a person reads, writes down or chooses. The rest follows from them. */
const INPUTS: ReadonlySet<Use['source']> = new Set([
  'reading',
  'check',
  'gauge',
  'spec',
  'paper',
  'choice',
  'methods',
  'limits',
  'materials',
])

/** A finding as it is now, to be relied on. @throws if the build has no such finding. */
export function confirm(build: Build, findingId: string): Confirmation {
  if (!evaluate(build).some(({ id }) => id === findingId)) throw new Error(`confirm: this build finds no ${findingId}`)
  return { findingId, restedOn: inputsOf(build, findingId) }
}

/** The confirmations that rest on something that has changed since, and what it is. */
export function stale(build: Build, confirmations: readonly Confirmation[]): readonly Stale[] {
  const found = new Set(evaluate(build).map(({ id }) => id))
  return confirmations.flatMap(({ findingId, restedOn }): Stale[] => {
    const now = found.has(findingId) ? inputsOf(build, findingId) : {}
    const names = [...new Set([...Object.keys(restedOn), ...Object.keys(now)])]
    const why = names.flatMap((name) => differenceOf(name, restedOn[name], now[name]))
    return why.length > 0 ? [{ findingId, why }] : []
  })
}

function differenceOf(name: string, then: string | undefined, now: string | undefined): Difference[] {
  if (then === now) return []
  const [source, ...key] = name.split(' ')
  const gone = now === undefined ? 'gone' : 'changed'
  return [{ source: source as Use['source'], key: key.join(' '), change: then === undefined ? 'added' : gone }]
}

function inputsOf(build: Build, findingId: string): Record<string, string> {
  const inputs = restsOn(build, findingId).filter(({ source, value }) => INPUTS.has(source) && value !== undefined)
  return Object.fromEntries(inputs.map(({ source, key, value }) => [`${source} ${key}`, nameOf(value)]))
}

/** Readings, checks and gauge cards never change: they are known by their id. Anything else is known by what it says. */
function nameOf(value: unknown): string {
  const hasId = typeof value === 'object' && value !== null && 'id' in value && typeof value.id === 'string'
  return hasId ? (value.id as string) : JSON.stringify(value)
}
