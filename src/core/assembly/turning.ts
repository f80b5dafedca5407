/** Law 4: what turns, and what has to be so before it does (common practice). */
import type { FactName, TurnKind } from './acts'
import { primesThroughHole } from './aroundEngine'
import { camInHead } from './engine'
import type { Missing } from './missing'
import type { PartKind } from './partRow'
import { isAskedFor, type EngineParts, type Part } from './parts'
import type { Standing } from './standing'

/** What is missing before something is turned. */
export function mayTurn(parts: EngineParts, standing: Standing, kind: TurnKind): readonly Missing[] {
  switch (kind) {
    case 'crank':
      return crankByHand(parts, standing)
    case 'back':
      return [...crankByHand(parts, standing), ...ratchet(parts, standing)]
    case 'cam':
      return camAlone(parts, standing)
    case 'starter':
      return byStarter(parts, standing)
    case 'fire':
      return [...byStarter(parts, standing), ...underItsOwnPower(parts, standing)]
  }
}

const unproven = ({ facts }: Standing, ...asked: readonly FactName[]): readonly Missing[] =>
  asked.flatMap((fact) => (facts.has(fact) ? [] : [{ is: 'unproven', fact } as const]))

const allOf = (parts: EngineParts, ...kinds: readonly PartKind[]) => kinds.flatMap((kind) => parts.ofKind(kind))
const onOf = (parts: EngineParts, { on }: Standing, ...kinds: readonly PartKind[]) => allOf(parts, ...kinds).filter(({ id }) => on.has(id))
const notOn = ({ on }: Standing, some: readonly Part[]): readonly Missing[] =>
  some.flatMap(({ id }) => (on.has(id) ? [] : [{ is: 'notOn', part: id } as const]))
const inTheWay = (some: readonly Part[]): readonly Missing[] => some.map(({ id }) => ({ is: 'inTheWay', part: id }))

function crankByHand(parts: EngineParts, standing: Standing): readonly Missing[] {
  const caps = onOf(parts, standing, 'piston').flatMap((piston) => parts.ofKind('rodCap', piston))
  const runs = onOf(parts, standing, 'chain', 'belt').length > 0
  const hangs = onOf(parts, standing, 'chainHung').length > 0 && !runs
  return [
    ...notOn(standing, allOf(parts, 'crank', 'mainCaps', 'caseOther', 'sideCover')),
    ...notOn(standing, caps),
    ...(hasLooseBarrel(parts, standing) ? unproven(standing, 'heldDown') : []),
    ...(hangs ? unproven(standing, 'tied') : []),
    ...(runs ? notOn(standing, allOf(parts, 'tensioner')) : []),
    ...(isDriven(parts, standing) ? unproven(standing, 'marks') : []),
    ...(opensUnderRunningSprings(parts, standing) ? unproven(standing, 'clearance') : []),
  ]
}

/** A barrel lifts with its piston until its head is on. */
function hasLooseBarrel(parts: EngineParts, standing: Standing): boolean {
  return onOf(parts, standing, 'barrel').some((barrel) => parts.ofKind('head', barrel).some(({ id }) => !standing.on.has(id)))
}

/** Whether the crank turns cams now. */
function isDriven(parts: EngineParts, standing: Standing): boolean {
  return onOf(parts, standing, 'cams', 'cam').length > 0 && onOf(parts, standing, 'chain', 'belt', 'camDrive').length > 0
}

/**
 * Whether a valve under running springs stands open, or is opened by this turn, towards something it could meet. Cams in a head hold
 * valves open whether they are driven or not; where they are not, the map of crank against cam is what proves it.
 */
function opensUnderRunningSprings(parts: EngineParts, standing: Standing): boolean {
  const { on } = standing
  const gear: readonly PartKind[] = camInHead(parts.engine)
    ? ['head', 'valves', 'cams', 'followers', 'rockers']
    : ['head', 'valves', 'cam', 'tappets', 'lifters', 'pushrods', 'rockers']
  return parts.ofKind('springs').some((springs) => {
    const isRunning = on.get(springs.id)?.grade === 'final'
    const isWhole = gear.every((kind) => parts.ofKind(kind, springs).every(({ id }) => on.has(id)))
    return isRunning && isWhole && (camInHead(parts.engine) || isDriven(parts, standing))
  })
}

/** A ratchet tensioner lets the chain jump when it is turned back. */
function ratchet(parts: EngineParts, standing: Standing): readonly Missing[] {
  return parts.engine.drive?.neverBack ? inTheWay(onOf(parts, standing, 'tensioner')) : []
}

function camAlone(parts: EngineParts, standing: Standing): readonly Missing[] {
  const has = (kind: PartKind) => onOf(parts, standing, kind).length > 0
  const cams = onOf(parts, standing, 'cams', 'cam')
  if (cams.length === 0) return notOn(standing, allOf(parts, 'cams', 'cam'))
  const isOverPistons = has('head') && has('piston') && (camInHead(parts.engine) || has('rockers'))
  return [
    ...inTheWay(onOf(parts, standing, 'chain', 'belt', 'camDrive')),
    ...(isOverPistons && !isAtItsMarks(standing) ? unproven(standing, 'parked') : []),
    ...(camInHead(parts.engine) ? unproven(standing, 'valveToValve') : []),
  ]
}

/** All at their marks, with the gap there known. */
const isAtItsMarks = ({ facts }: Standing) => facts.has('marks') && facts.has('clearance')

/** Rocker shafts and cam caps open valves as they are drawn down, with nothing turned; cams in a head wait for its last stage. */
export function drawsDown(parts: EngineParts, standing: Standing, part: Part): readonly Missing[] {
  if (part.kind !== 'cams' && part.kind !== 'rockers') return []
  const heads = parts.ofKind('head', part).filter(({ id }) => standing.on.has(id))
  if (heads.length === 0) return []
  const snug = part.kind === 'cams' ? heads.filter(({ id }) => !standing.on.get(id)!.isAtLast) : []
  const isOverPistons = parts.ofKind('piston', part).some(({ id }) => standing.on.has(id))
  const isProven = standing.facts.has('clearance') || standing.facts.has('parked')
  return [
    ...snug.map(({ id }) => ({ is: 'notAtLast', part: id }) as const),
    ...(isOverPistons && !isProven ? unproven(standing, 'parked') : []),
  ]
}

/** Push, roller and kick alike: all that moves or stands near it is on for good and at its last stage. */
function byStarter(parts: EngineParts, standing: Standing): readonly Missing[] {
  const near = parts.all.filter(({ id, isNear }) => isNear && standing.on.has(id))
  return [
    ...crankByHand(parts, standing),
    ...near.flatMap((part) => unfinished(standing, part)),
    ...notOn(standing, [...parts.ofKind('oil'), ...(primesThroughHole(parts.engine) ? parts.ofKind('ignitionDrive') : [])]),
    ...unproven(standing, 'temporaryOut', 'twoTurns'),
  ]
}

/** Every part for good, oil seen, and the people that are asked for. */
function underItsOwnPower(parts: EngineParts, standing: Standing): readonly Missing[] {
  const asked = parts.all.filter(({ id }) => isAskedFor(parts, standing, id))
  return [...asked.flatMap((part) => unfinished(standing, part)), ...unproven(standing, 'leaks', 'list', 'people', 'second')]
}

function unfinished({ on }: Standing, { id, hasJoint }: Part): readonly Missing[] {
  const now = on.get(id)
  if (now?.grade !== 'final') return [{ is: now ? 'onTrial' : 'notOn', part: id }]
  return hasJoint && !now.isAtLast ? [{ is: 'notAtLast', part: id }] : []
}
