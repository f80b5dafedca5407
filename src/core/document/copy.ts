import { v7 as uuidV7 } from 'uuid'
import type { BuildDocument, Entry, Pull, Spec } from './types'

/**
 * The document with entries of its own: whatever pointed at an entry, another entry or something the spec notes beside a choice
 * or planned work, points at its copy. The order of ids is kept.
 */
export function withNewEntryIds(document: BuildDocument): BuildDocument {
  const ids = document.entries.map(({ id }) => id).sort()
  const fresh = new Map(ids.map((id) => [id, uuidV7()]))
  const copyOf = (id: string) => fresh.get(id) ?? id
  return {
    ...document,
    spec: specPointingAt(document.spec, copyOf),
    entries: document.entries.map((entry) => entryPointingAt(entry, copyOf)),
  }
}

function entryPointingAt(entry: Entry, copyOf: (id: string) => string): Entry {
  if (entry.kind === 'pull') return pullPointingAt(entry, copyOf)
  return {
    ...entry,
    id: copyOf(entry.id),
    ...(entry.kind === 'part' && { part: copyOf(entry.part) }),
    ...(entry.kind === 'damage' && { damage: copyOf(entry.damage) }),
    ...('target' in entry && { target: copyOf(entry.target) }),
    ...('settles' in entry && entry.settles && { settles: entry.settles.map(copyOf) }),
    ...('supersedes' in entry && entry.supersedes && { supersedes: copyOf(entry.supersedes) }),
  }
}

function pullPointingAt(pull: Pull, copyOf: (id: string) => string): Pull {
  const { id, run, follows, instead } = pull
  return {
    ...pull,
    id: copyOf(id),
    run: copyOf(run),
    ...(follows && { follows: copyOf(follows) }),
    ...(instead && { instead: instead.map(copyOf) }),
  }
}

function specPointingAt(spec: Spec, copyOf: (id: string) => string): Spec {
  const { chosenAfter, formerGaskets, shells } = spec.choice
  return {
    ...spec,
    choice: {
      ...spec.choice,
      ...(chosenAfter && { chosenAfter: mapped(chosenAfter, copyOf) }),
      ...(formerGaskets && { formerGaskets: formerGaskets.map((former) => ({ ...former, until: copyOf(former.until) })) }),
      ...(shells && { shells: mapped(shells, (pair) => ({ ...pair, plannedOn: copyOf(pair.plannedOn) })) }),
    },
    ...(spec.planned && { planned: spec.planned.map((one) => ({ ...one, ...(one.after && { after: copyOf(one.after) }) })) }),
  }
}

function mapped<Value>(record: Readonly<Record<string, Value>>, change: (value: Value) => Value): Record<string, Value> {
  return Object.fromEntries(Object.entries(record).map(([key, value]) => [key, change(value)]))
}

/** The spec of a build for another engine of its kind: paper and limits, nothing that was chosen or planned for the parts of this one. */
export function specForAnother(spec: Spec): Spec {
  const { planned: _, ...kept } = spec
  const { chosenAfter: __, formerGaskets: ___, pistonInBore: ____, shells: _____, ...choice } = spec.choice
  return { ...kept, putAway: false, choice }
}
