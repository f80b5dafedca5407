import { v7 as uuidV7 } from 'uuid'
import { kindOf } from './entries/all'
import type { BuildDocument, Entry, Spec } from './types'

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
  const held = entry as Readonly<Record<string, unknown>>
  const copied = kindOf(entry).ids.flatMap((field) => {
    const ids = held[field] as string | readonly string[] | undefined
    return ids === undefined ? [] : [[field, typeof ids === 'string' ? copyOf(ids) : ids.map(copyOf)] as const]
  })
  return { ...entry, id: copyOf(entry.id), ...Object.fromEntries(copied) }
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
