/** The order an engine of its kind is usually put together in (common practice), each step proved by the laws as it is planned. */
import type { Act, Grade } from './acts'
import { camInBlock, camInHead, hasPan, hasSeparateBarrels, isSideValve, isSplit, isTwoStroke } from './engine'
import type { PartKind, ReadingName } from './partRow'
import type { EngineParts, Seat } from './parts'
import { pathTo } from './path'
import { bareEngine, type Standing } from './standing'

/** Those in which an engine is put together or apart; before them it is received, after them it is run. */
export const ASSEMBLY_STAGES = [
  'measure',
  'trial',
  'cam',
  'clearance',
  'wash',
  'bottomEnd',
  'pistons',
  'topEnd',
  'lash',
  'intake',
  'oil',
  'fire',
] as const
export type AssemblyStage = (typeof ASSEMBLY_STAGES)[number]

interface Goal {
  readonly stage: AssemblyStage
  readonly goal: Act
  readonly grade: Grade
}

export interface OrderStep {
  readonly stage: AssemblyStage
  /** What the step is for; the last of its acts. */
  readonly goal: Act
  readonly acts: readonly Act[]
}

/** Every step from a bare block to first fire, and where it leaves the engine. */
export function usualOrder(parts: EngineParts): { readonly steps: readonly OrderStep[]; readonly standing: Standing } {
  let standing = bareEngine()
  const steps: OrderStep[] = []
  const reach = ({ stage, goal, grade }: Goal) => {
    if ('part' in goal && goal.act === 'on' && standing.on.get(goal.part)?.grade === grade) return
    const path = pathTo(parts, standing, goal, grade)
    standing = path.standing
    steps.push({ stage, goal, acts: path.acts })
  }
  // Split cases are not joined for a trial: sealer, bearings and end float are of their one joining.
  if (!isSplit(parts.engine)) trialGoals(parts).forEach(reach)
  // What is on for a trial comes apart, the last first.
  for (const id of [...standing.on.keys()].toReversed()) {
    if (id !== 'block' && standing.on.has(id)) reach({ stage: 'wash', goal: { act: 'off', part: id }, grade: 'trial' })
  }
  finalGoals(parts).forEach(reach)
  return { steps, standing }
}

/** Goals of one stage, from kinds of parts, readings and facts in their order. */
function goalsIn(parts: EngineParts, stage: AssemblyStage, grade: Grade) {
  const one = (goal: Act): Goal => ({ stage, goal, grade })
  const named = (kinds: readonly PartKind[], seat?: Seat) =>
    kinds.flatMap((kind) => parts.ofKind(kind, seat)).filter(({ isOptional }) => !isOptional)
  return {
    on: (kinds: readonly PartKind[], seat?: Seat) => named(kinds, seat).map(({ id }) => one({ act: 'on', part: id, grade })),
    torqued: (kinds: readonly PartKind[], seat?: Seat) =>
      named(kinds, seat).flatMap(({ id, hasJoint }) => [
        one({ act: 'on', part: id, grade }),
        ...(hasJoint ? [one({ act: 'torque', part: id })] : []),
      ]),
    wash: () => parts.all.filter(({ isMachined }) => isMachined).map(({ id }) => one({ act: 'wash', part: id })),
    off: (kinds: readonly PartKind[]) => named(kinds).map(({ id }) => one({ act: 'off', part: id })),
    read: (...readings: readonly ReadingName[]) => readings.map((reading) => one({ act: 'read', reading })),
    said: (...facts: readonly Extract<Act, { act: 'fact' }>['fact'][]) => facts.map((fact) => one({ act: 'fact', fact })),
    turn: (kind: Extract<Act, { act: 'turn' }>['kind']) => [one({ act: 'turn', kind })],
  }
}

/** Mock-up: the crank, one piston a bank without rings, the cam, a head; all of it comes apart again. */
function trialGoals(parts: EngineParts): readonly Goal[] {
  const { engine } = parts
  const measure = goalsIn(parts, 'measure', 'trial')
  const trial = goalsIn(parts, 'trial', 'trial')
  const cam = goalsIn(parts, 'cam', 'trial')
  const clear = goalsIn(parts, 'clearance', 'trial')
  const hasCaps = parts.ofKind('mainCaps').length > 0
  const first = firstOfBanks(parts)
  const headOn = [...clear.read('chamber'), ...clear.on(['springs', 'gasket', 'head'])]
  return [
    ...(hasCaps ? [...measure.torqued(['mainCaps']), ...measure.read('bores'), ...measure.off(['mainCaps'])] : []),
    ...trial.on(['bearings', 'shellsUpper']),
    ...(hasCaps ? [...trial.torqued(['mainCaps']), ...trial.read('mainClearance'), ...trial.off(['mainCaps'])] : []),
    ...trial.on(['tappets', 'cam', 'crank']),
    ...trial.torqued(['mainCaps']),
    ...(hasPan(engine) ? trial.read('endFloat') : []),
    ...first.flatMap((seat) => [...trial.on(['piston'], seat), ...trial.on(['rodCap'], seat)]),
    ...trial.on(hasSeparateBarrels(engine) ? ['barrel'] : []),
    ...trial.turn('crank'),
    ...trial.read('deck', 'tdcBareDeck'),
    ...(camInBlock(engine) ? [...cam.on(['lifters']), ...cam.torqued(['camDrive']), ...cam.said('marks'), ...cam.read('events')] : []),
    ...(isTwoStroke(engine) ? [] : headOn),
    ...(isTwoStroke(engine) || isSideValve(engine) ? [] : clear.read('valveDrop')),
    ...(camInHead(engine) ? headTimed(parts) : clear.torqued(['rockers'])),
    ...(isTwoStroke(engine) ? [] : [...clear.turn('crank'), ...clear.read('clearance'), ...clear.said('clearance')]),
  ]
}

/** Cams of a head go in over it, and are timed there. */
function headTimed(parts: EngineParts): readonly Goal[] {
  const cam = goalsIn(parts, 'cam', 'trial')
  const clear = goalsIn(parts, 'clearance', 'trial')
  return [
    ...clear.torqued(['head']),
    ...cam.said('parked'),
    ...cam.torqued(['cams', 'rockers']),
    ...cam.read('lash'),
    ...cam.on(['camDrive', 'chain', 'belt', 'tensioner']),
    ...cam.said('marks'),
    ...cam.read('events'),
  ]
}

/** The first cylinder of each bank. */
function firstOfBanks(parts: EngineParts): readonly Seat[] {
  return parts.ofKind('gasket').map((gasket) => parts.ofKind('piston', gasket)[0]!)
}

function finalGoals(parts: EngineParts): readonly Goal[] {
  const { engine } = parts
  const wash = goalsIn(parts, 'wash', 'final')
  const bottom = goalsIn(parts, 'bottomEnd', 'final')
  const inTheBlock = [...bottom.torqued(['camDrive']), ...bottom.said('marks'), ...bottom.read('tdcBareDeck', 'reDegree')]
  return [
    ...wash.wash(),
    ...bottom.on(['plugs', 'camBearings', 'tappets', 'cam', 'bearings', 'shellsUpper', 'crank']),
    ...bottom.torqued(['mainCaps', ...(isSplit(engine) ? (['rod', 'rodCap', 'caseOther'] as const) : [])]),
    ...bottom.turn('crank'),
    ...(hasPan(engine) ? bottom.read('endFloat') : []),
    ...pinByPin(parts),
    ...(camInBlock(engine) ? inTheBlock : []),
    ...bottom.torqued(['pump', 'pickup', 'rearSeal']),
    ...(camInHead(engine) ? [] : closedBelow(parts)),
    ...topEnd(parts),
    ...(camInHead(engine) ? closedBelow(parts) : []),
    ...filledAndFired(parts),
  ]
}

/** Piston, cap, a turn; then the next. Rods that share a pin go on it together. */
function pinByPin(parts: EngineParts): readonly Goal[] {
  const { on, torqued, turn } = goalsIn(parts, 'pistons', 'final')
  return parts.engine.layout.pins.flatMap(({ cylinders }) => {
    const seats = cylinders.map((cylinder) => ({ cylinder }))
    const pistons = seats.flatMap((seat) => [...on(['rings', 'pin', 'piston'], seat), ...on(['baseGasket', 'barrel'], seat)])
    return isSplit(parts.engine)
      ? pistons
      : [
          ...pistons,
          ...seats.flatMap((seat) => on(['rodCap'], seat)),
          ...seats.flatMap((seat) => torqued(['rodCap'], seat)),
          ...turn('crank'),
        ]
  })
}

/** In front and below: the damper centres the cover before its last stage; the pan closes all. */
function closedBelow(parts: EngineParts): readonly Goal[] {
  const { on, torqued, read } = goalsIn(parts, 'bottomEnd', 'final')
  return [
    ...on(['frontCover']),
    ...torqued(['damper', 'frontCover', 'sideCover']),
    ...(hasPan(parts.engine) ? read('pickupToPan') : []),
    ...torqued(['pan']),
  ]
}

function topEnd(parts: EngineParts): readonly Goal[] {
  const { engine } = parts
  const top = goalsIn(parts, 'topEnd', 'final')
  const lash = goalsIn(parts, 'lash', 'final')
  const timed = [...top.on(['camDrive', 'chain', 'belt']), ...top.torqued(['camDrive', 'tensioner']), ...top.said('marks')]
  return [
    ...top.on(['lifters', 'guides', 'lowerWheel', 'chainHung']),
    ...parts.ofKind('head').flatMap((head) => [...top.on(['valves', 'springs', 'gasket'], head), ...top.torqued(['head'], head)]),
    ...(camInHead(engine) ? top.said('parked') : []),
    ...top.on(['followers']),
    ...top.torqued(['cams', 'rockers']),
    ...(camInHead(engine) ? timed : []),
    ...(isTwoStroke(engine) ? [] : [...lash.said('clearance'), ...lash.said('twoTurns')]),
    ...(camInHead(engine) ? lash.read('tdcPlugHole', 'reDegree') : []),
    ...(isTwoStroke(engine) ? [] : lash.read('lash')),
    ...lash.torqued(['chestCover', 'beltCover']),
  ]
}

/** From the intake to its own power: oil seen before the covers and the ignition drive, the flywheel once it is off its stand. */
function filledAndFired(parts: EngineParts): readonly Goal[] {
  const intake = goalsIn(parts, 'intake', 'final')
  const oil = goalsIn(parts, 'oil', 'final')
  const fire = goalsIn(parts, 'fire', 'final')
  return [
    ...intake.torqued(['intake', 'waterPump']),
    ...oil.on(['filter', 'oil', 'primed']),
    ...intake.torqued(['cover', 'ignitionDrive', 'sparkPlugs', 'exhaust', 'fuelFeed']),
    ...fire.torqued(['flywheel', 'starterMotor']),
    ...fire.on(['coolant']),
    ...fire.said('temporaryOut', 'twoTurns'),
    ...fire.turn('starter'),
    ...fire.said('leaks', 'list', 'people', 'second'),
    ...fire.turn('fire'),
  ]
}
