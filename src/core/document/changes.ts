/** Changes of an engine as data: applied to be judged, or held by its spec. */
import { v7 as uuidV7 } from 'uuid'
import { withSpec, type Build } from './build'
import type { EngineChange, Planned, Spec, Work } from './types'
import { withConsidered } from './work'

type Choice = Exclude<EngineChange, Work>

/**
 * The build after changes, to be judged before anything is done: what is chosen is chosen, work on metal is considered. The one
 * mechanism of advice, planner and what-if.
 */
export function applyChanges(build: Build, changes: readonly EngineChange[]): Build {
  const { choices, works } = parted(changes)
  const chosen = choices.length > 0 ? withSpec(build, withChosenAfter(withChoices(build.spec, choices), build)) : build
  return works.length > 0 ? withConsidered(chosen, works) : chosen
}

/** The spec that holds changes: parts chosen, and work planned; `despite`: why it is planned although it brings something too near. */
export function withChanges(spec: Spec, changes: readonly EngineChange[], despite?: Planned['despite']): Spec {
  const { choices, works } = parted(changes)
  const chosen = withChoices(spec, choices)
  return works.length > 0
    ? { ...chosen, planned: [...(spec.planned ?? []), ...works.map((work) => ({ id: uuidV7(), work, ...(despite && { despite }) }))] }
    : chosen
}

/**
 * The spec with a note beside every part that is chosen in place of another: what was measured up to now was measured with the old
 * one. Going back to the part before, with nothing measured since, brings back what was noted then: its readings are its own again.
 */
export function withChosenAfter(
  spec: Spec,
  { spec: before, entries }: { readonly spec: Spec; readonly entries: readonly { readonly id: string }[] },
): Spec {
  const last = entries.at(-1)?.id
  const parts = {
    gasket: spec.choice.gasket !== before.choice.gasket || !sameLayers(spec.choice, before.choice),
    pistons: JSON.stringify(spec.choice.pistonInBore) !== JSON.stringify(before.choice.pistonInBore),
  }
  const chosen = (Object.keys(parts) as (keyof typeof parts)[]).filter((part) => parts[part] && before.choice.chosenAfter?.[part] !== last)
  if (last === undefined || chosen.length === 0) return spec
  const formerGaskets = chosen.includes('gasket') ? formerAfter(before.choice, last) : spec.choice.formerGaskets
  return {
    ...spec,
    choice: {
      ...spec.choice,
      chosenAfter: { ...spec.choice.chosenAfter, ...Object.fromEntries(chosen.map((part) => [part, last])) },
      ...(formerGaskets && { formerGaskets }),
    },
  }
}

/** Gaskets that were fitted before, and up to which entry, now that another one is. */
function formerAfter({ gasket, gasketLayers, formerGaskets = [] }: Spec['choice'], last: string): Spec['choice']['formerGaskets'] {
  return gasket === undefined ? formerGaskets : [...formerGaskets, { gasket, ...(gasketLayers && { layers: gasketLayers }), until: last }]
}

function sameLayers({ gasketLayers: one = [] }: Spec['choice'], { gasketLayers: other = [] }: Spec['choice']): boolean {
  return one.length === other.length && one.every((id, index) => id === other[index])
}

/**
 * The spec with all work that is newly planned planned on the parts as they were read up to now. What was planned and dropped, and
 * comes back with an undo, is planned on them as they were read then.
 */
export function withPlannedAfter(
  spec: Spec,
  { spec: before, entries }: { readonly spec: Spec; readonly entries: readonly { readonly id: string }[] },
): Spec {
  const last = entries.at(-1)?.id
  const known = new Map(before.planned?.map((one) => [one.id, one]))
  if (!spec.planned) return spec
  return {
    ...spec,
    planned: spec.planned.map((one) => known.get(one.id) ?? { ...one, ...(last !== undefined && { after: one.after ?? last }) }),
  }
}

function parted(changes: readonly EngineChange[]): { readonly choices: readonly Choice[]; readonly works: readonly Work[] } {
  return {
    choices: changes.filter((change): change is Choice => 'choose' in change),
    works: changes.filter((change): change is Work => 'what' in change),
  }
}

function withChoices(spec: Spec, choices: readonly Choice[]): Spec {
  return choices.reduce((now, choice) => {
    if (choice.choose === 'duty') {
      const { choose: _, ...duty } = choice
      return { ...now, duty: { ...now.duty, ...duty } }
    }
    if (choice.choose !== 'paper') return { ...now, choice: { ...now.choice, ...chosenBy(now.choice, choice) } }
    const { key, value, unit, source } = choice
    return { ...now, paper: { ...now.paper, [key]: { value, unit, source } } }
  }, spec)
}

function chosenBy(now: Spec['choice'], change: Exclude<Choice, { choose: 'paper' | 'duty' }>): Partial<Spec['choice']> {
  switch (change.choose) {
    case 'gasket':
      return { gasket: change.id }
    case 'gasketLayers':
      return { gasketLayers: [...change.ids] }
    case 'piston':
      return { piston: change.id }
    case 'pistonInBore':
      return { pistonInBore: [...change.marks] }
    case 'shells':
      return { shells: { ...now.shells, [change.journal]: change.pair } }
  }
}
