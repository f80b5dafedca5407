/** The laws of assembly as one question: may this be done now, or what is missing (common practice). */
import { group } from 'd3-array'
import { CHANGED_BESIDE, type Act, type Grade, type PartAct } from './acts'
import { camInHead } from './engine'
import { missingName, type Missing } from './missing'
import type { ReadingName } from './partRow'
import { isAskedFor, type EngineParts, type Need, type Part } from './parts'
import { READING_STATES } from './readings'
import type { Standing } from './standing'
import { drawsDown, mayTurn } from './turning'

/** What is missing before an act, each once; nothing: it may be done. */
export function mayDo(parts: EngineParts, standing: Standing, act: Act): readonly Missing[] {
  const missing = missingFor(parts, standing, act)
  return missing.length < 2 ? missing : [...group(missing, missingName).values()].map(([first]) => first!)
}

function missingFor(parts: EngineParts, standing: Standing, act: Act): readonly Missing[] {
  switch (act.act) {
    case 'fact':
      // Two turns are turns.
      return act.fact === 'twoTurns' ? mayTurn(parts, standing, 'crank') : []
    case 'turn':
      return mayTurn(parts, standing, act.kind)
    case 'read':
      return mayRead(parts, standing, act.reading)
    default:
      return mayHandle(parts, standing, act)
  }
}

function mayHandle(parts: EngineParts, standing: Standing, act: PartAct): readonly Missing[] {
  const part = parts.byId.get(act.part)
  if (!part) return act.act === 'change' && CHANGED_BESIDE.some((one) => one === act.part) ? [] : [{ is: 'unknownPart', part: act.part }]
  const isOn = standing.on.has(part.id)
  if (act.act === 'on') return mayPutOn(parts, standing, part, act.grade)
  if (act.act === 'change') return []
  if (act.act === 'wash') return mayWash(standing, part)
  if (!isOn) return [{ is: 'notOn', part: part.id }]
  switch (act.act) {
    case 'settle':
      return [...forGood(parts, standing, part), ...(standing.crushed.has(part.id) ? [{ is: 'crushed', part: part.id } as const] : [])]
    case 'off':
      return [...closedBy(standing, part), ...restingOn(standing, part)]
    case 'loosen':
      return closedBy(standing, part)
    case 'torque':
      return [...closedBy(standing, part), ...drawsDown(parts, standing, part)]
  }
}

/** Law 1. The block stands there from the first; it goes on for good once it is washed. */
function mayPutOn(parts: EngineParts, standing: Standing, part: Part, grade: Grade): readonly Missing[] {
  const final = grade === 'final' ? forGood(parts, standing, part) : []
  if (part.kind === 'block') return final
  return [
    ...(standing.on.has(part.id) ? [{ is: 'inTheWay', part: part.id } as const] : []),
    ...part.sitsOn.flatMap((need) => lacking(parts, standing, need)),
    ...closedBy(standing, part),
    ...final,
    ...drawsDown(parts, standing, part),
    ...overTheTable(parts, standing, part),
  ]
}

/**
 * For good: all it sits on and closes is on for good, what it closes is at its last stage, what it hides is read, and it is washed since it
 * was last cut (laws 1, 3, 5).
 */
function forGood(parts: EngineParts, standing: Standing, part: Part): readonly Missing[] {
  const under = [...part.sitsOn, ...part.forGood]
  const closed = part.closes.map((id) => ({ part: id, last: parts.byId.get(id)?.hasJoint ?? false }))
  return [
    ...(part.isMachined && !standing.washed.has(part.id) ? [{ is: 'unwashed', part: part.id } as const] : []),
    ...[...under, ...closed].flatMap((need) => lackingForGood(parts, standing, need)),
    ...(part.readFirst ?? []).flatMap((reading) =>
      standing.readings.get(reading) === 'final' ? [] : [{ is: 'unread', reading } as const],
    ),
  ]
}

function lacking(parts: EngineParts, standing: Standing, { part, last }: Need): readonly Missing[] {
  const now = standing.on.get(part)
  if (!now) return isAskedFor(parts, standing, part) ? [{ is: 'notOn', part }] : []
  return last && !now.isAtLast ? [{ is: 'notAtLast', part }] : []
}

function lackingForGood(parts: EngineParts, standing: Standing, need: Need): readonly Missing[] {
  const { part } = need
  return standing.on.get(part)?.grade === 'trial' ? [{ is: 'onTrial', part }] : lacking(parts, standing, need)
}

/** Parts that are on and close its place. */
function closedBy(standing: Standing, part: Part): readonly Missing[] {
  return inTheWay(standing, part.closedBy)
}

/** Parts that are on and sit on it (law 2); oil that was seen is no part, and goes by itself. */
function restingOn(standing: Standing, { carries }: Part): readonly Missing[] {
  return inTheWay(
    standing,
    carries.filter((id) => id !== 'primed'),
  )
}

/** A part is washed off the engine; the block bare, but for the cam bearings, whose oilways are washed with it. */
function mayWash(standing: Standing, part: Part): readonly Missing[] {
  return inTheWay(standing, part.kind === 'block' ? part.carries.filter((id) => id !== 'camBearings') : [part.id])
}

function inTheWay({ on }: Standing, ids: readonly string[]): readonly Missing[] {
  return ids.flatMap((part) => (on.has(part) ? [{ is: 'inTheWay', part } as const] : []))
}

/** A head that is set on with its cams in: they stand clear of the table, and the pistons out of the way of open valves. */
function overTheTable(parts: EngineParts, { on, facts }: Standing, part: Part): readonly Missing[] {
  const hasCams = part.kind === 'head' && parts.ofKind('cams', part).some(({ id }) => on.has(id))
  return hasCams ? (['parked', 'standingClear'] as const).flatMap((fact) => (facts.has(fact) ? [] : [{ is: 'unproven', fact }])) : []
}

/** Law 3. */
function mayRead(parts: EngineParts, standing: Standing, reading: ReadingName): readonly Missing[] {
  const { on = [], off = [], uncovered = [], oneOf = [], firstUnderCams } = READING_STATES[reading]
  const lacks = on.flatMap(({ kind, last, some }) => {
    const own = parts.ofKind(kind).map(({ id }) => lacking(parts, standing, { part: id, last: last ?? false }))
    return some && own.some((missing) => missing.length === 0) ? [] : own.flat()
  })
  const kept = off.flatMap((kind) => parts.ofKind(kind).map(({ id }) => id))
  const covers = uncovered.flatMap((kind) => parts.ofKind(kind).flatMap(({ closedBy: covering }) => covering))
  const isRead = oneOf.length === 0 || oneOf.some((one) => standing.readings.has(one))
  const isLookedAt = !firstUnderCams || !camInHead(parts.engine) || standing.readings.has(firstUnderCams)
  return [
    ...lacks,
    ...inTheWay(standing, [...kept, ...covers]),
    ...(isRead ? [] : [{ is: 'unread', reading: oneOf[0]! } as const]),
    ...(isLookedAt ? [] : [{ is: 'unread', reading: firstUnderCams } as const]),
  ]
}
