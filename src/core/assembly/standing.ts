/** The engine as it stands: what is on and how, what was read and is known, and what an act makes of it. */
import type { Act, FactName, Grade, PartAct } from './acts'
import { READING_STATES } from './readings'
import type { ReadingName } from './partRow'
import type { EngineParts, Part } from './parts'

export interface PartOn {
  readonly grade: Grade
  /** Its joint is at its last stage. */
  readonly isAtLast: boolean
}

export interface Standing {
  readonly on: ReadonlyMap<string, PartOn>
  /** Since it was last cut. */
  readonly washed: ReadonlySet<string>
  /** Crushed under a joint at its last stage. */
  readonly crushed: ReadonlySet<string>
  /** Optional parts that have been on are asked for from then on. */
  readonly everOn: ReadonlySet<string>
  readonly readings: ReadonlyMap<ReadingName, Grade>
  readonly facts: ReadonlySet<FactName>
  /** As it was received: it counts as for good until its first part comes off. */
  readonly isAsFound?: true
}

/** A bare block on its stand. */
export function bareEngine(): Standing {
  return {
    on: new Map([['block', { grade: 'trial', isAtLast: false }]]),
    washed: new Set(),
    crushed: new Set(),
    everOn: new Set(['block']),
    readings: new Map(),
    facts: new Set(),
  }
}

/** An engine as it was received: whole, as its maker or the last builder left it. */
export function engineAsFound(parts: EngineParts): Standing {
  const ids = parts.all.filter(({ kind, isOptional }) => !isOptional && kind !== 'primed').map(({ id }) => id)
  return {
    ...bareEngine(),
    on: new Map(ids.map((id) => [id, { grade: 'final', isAtLast: true }])),
    everOn: new Set(ids),
    facts: new Set(['clearance', 'valveToValve', 'marks', 'temporaryOut']),
    isAsFound: true,
  }
}

/** Opened, it says nothing any more of what was proven through it. */
const OPENS_DRIVE: ReadonlySet<string> = new Set(['cam', 'cams', 'camDrive', 'lowerWheel', 'chain', 'belt', 'tensioner'])
const MOVES_VALVES: ReadonlySet<string> = new Set(['head', 'valves', 'cams', 'rockers', 'followers'])
const OILED: ReadonlySet<string> = new Set(['pump', 'filter', 'oil', 'crank', 'shellsUpper', 'mainCaps', 'rodCap', 'camBearings', 'plugs'])

/** What the engine is after an act that was done. */
export function after(parts: EngineParts, standing: Standing, act: Act): Standing {
  if (act.act === 'fact') return { ...standing, facts: new Set([...standing.facts, act.fact]) }
  if (act.act === 'read') {
    return { ...standing, readings: new Map([...standing.readings, [act.reading, gradeOfReading(parts, standing, act.reading)]]) }
  }
  if (act.act === 'turn') return act.kind === 'cam' ? standing : without(standing, ['parked'])
  return afterPartAct(parts, standing, act)
}

function afterPartAct(parts: EngineParts, standing: Standing, act: PartAct): Standing {
  const part = parts.byId.get(act.part)
  if (!part) return afterChange(standing, act.part)
  if (act.act === 'wash') return { ...standing, washed: new Set([...standing.washed, part.id]) }
  const touched = touch(standing, part, act.act)
  const now = touched.on.get(part.id)
  switch (act.act) {
    case 'on':
      return { ...withPart(touched, part.id, { grade: act.grade, isAtLast: false }), everOn: new Set([...touched.everOn, part.id]) }
    case 'settle':
      return withPart(touched, part.id, { isAtLast: false, ...now, grade: 'final' })
    case 'torque':
      return crush(parts, withPart(touched, part.id, { grade: 'trial', ...now, isAtLast: true }), part)
    case 'loosen':
      return withPart(touched, part.id, { grade: 'trial', ...now, isAtLast: false })
    case 'change':
      return changed(touched, part.id)
    case 'off':
      return takenApart({ ...touched, on: omit(touched.on, part.id), crushed: less(touched.crushed, part.id) })
  }
}

/** The first part that comes off an engine as found: nothing of it is for good any more. */
function takenApart({ isAsFound, ...standing }: Standing): Standing {
  if (!isAsFound) return standing
  return { ...standing, on: new Map([...standing.on].map(([id, on]) => [id, { ...on, grade: 'trial' }])) }
}

/** A reading is final where all it is taken through is on for good. */
export function gradeOfReading(parts: EngineParts, { on }: Standing, reading: ReadingName): Grade {
  const through = (READING_STATES[reading].on ?? []).flatMap((ref) => parts.ofKind(ref.kind))
  const present = through.filter(({ id }) => on.has(id))
  return present.every(({ id }) => on.get(id)?.grade === 'final') ? 'final' : 'trial'
}

/** What is no longer true once a part was touched. */
function touch(standing: Standing, part: Part, act: PartAct['act']): Standing {
  if (act === 'settle') return standing
  const opened = act === 'off' || act === 'loosen' || act === 'change'
  const gone: FactName[] = [
    ...(part.isNear ? (['twoTurns'] as const) : []),
    ...(opened && part.movesClearance ? (['clearance'] as const) : []),
    ...(opened && part.kind === 'springs' ? (['clearance'] as const) : []),
    ...(opened && OPENS_DRIVE.has(part.kind) ? (['marks'] as const) : []),
    ...(opened && MOVES_VALVES.has(part.kind) ? (['valveToValve'] as const) : []),
    ...(opened && (part.kind === 'head' || part.kind === 'barrel') ? (['heldDown'] as const) : []),
    ...(opened && part.kind === 'chainHung' ? (['tied'] as const) : []),
    ...(opened && part.kind === 'crank' ? (['parked'] as const) : []),
  ]
  const kept = without(standing, gone)
  const dry = opened && OILED.has(part.kind) ? { ...kept, on: omit(kept.on, 'primed') } : kept
  return opened ? unread(dry, part.kind, act === 'change') : dry
}

/** Readings that were taken through a part that was opened, or that a change of it moves. */
function unread(standing: Standing, what: string, isChanged: boolean): Standing {
  const stale = [...standing.readings.keys()].filter((reading) => {
    const { staleBy = [], movedBy = [], on = [] } = READING_STATES[reading]
    const moves = movedBy.includes(what) || on.some(({ kind }) => kind === what)
    return staleBy.some((kind) => kind === what) || (isChanged && moves)
  })
  return { ...standing, readings: omitAll(standing.readings, stale) }
}

/** The deck or the lash: no parts, and yet valves stand elsewhere. */
function afterChange(standing: Standing, what: string): Standing {
  const kept = unread(without(standing, ['clearance', 'twoTurns']), what, true)
  return { ...kept, washed: what === 'deck' ? less(kept.washed, 'block') : kept.washed }
}

/** Changed where it stands, it is on trial until somebody says otherwise, and is washed once more. */
function changed(standing: Standing, id: string): Standing {
  const now = standing.on.get(id)
  const washed = less(standing.washed, id)
  return { ...(now ? withPart(standing, id, { grade: 'trial', isAtLast: false }) : standing), washed }
}

/** A head at its last stage crushes what lies under it. */
function crush(parts: EngineParts, standing: Standing, part: Part): Standing {
  if (part.kind !== 'head') return standing
  const under = [...parts.ofKind('gasket', part), ...parts.ofKind('baseGasket', part)].filter(({ id }) => standing.on.has(id))
  return { ...standing, crushed: new Set([...standing.crushed, ...under.map(({ id }) => id)]) }
}

function withPart(standing: Standing, id: string, on: PartOn): Standing {
  return { ...standing, on: new Map([...standing.on, [id, on]]) }
}

function without(standing: Standing, facts: readonly FactName[]): Standing {
  const gone = facts.filter((fact) => standing.facts.has(fact))
  return gone.length === 0 ? standing : { ...standing, facts: new Set([...standing.facts].filter((fact) => !gone.includes(fact))) }
}

function omit<Key, Value>(map: ReadonlyMap<Key, Value>, key: Key): ReadonlyMap<Key, Value> {
  return omitAll(map, [key])
}

function omitAll<Key, Value>(map: ReadonlyMap<Key, Value>, keys: readonly Key[]): ReadonlyMap<Key, Value> {
  return keys.some((key) => map.has(key)) ? new Map([...map].filter(([key]) => !keys.includes(key))) : map
}

function less<Value>(set: ReadonlySet<Value>, value: Value): ReadonlySet<Value> {
  return set.has(value) ? new Set([...set].filter((one) => one !== value)) : set
}
