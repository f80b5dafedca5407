import { describe, expect, it } from 'vitest'
import {
  bareEngine,
  mayDo,
  missingName,
  nextAct,
  partsOf,
  replay,
  usualOrder,
  type Act,
  type EngineParts,
  type Missing,
  type Standing,
} from '@/core/assembly'
import { FACTS, TURNS, type PartAct } from '@/core/assembly/acts'
import { READINGS } from '@/core/assembly/partRow'
import { randomStream, seedOf } from '@/core/numerics/random'
import { cases } from '../support/cases'
import { ENGINES } from '../support/layouts'
import { SecondModel } from '../support/secondModel'

/** What the clearance of valves rests on. */
const MOVES_CLEARANCE = new RegExp(
  `^(${[
    'cam|crank|rod|piston|baseGasket|barrel|tappets|lifters|camDrive|lowerWheel|chain|belt',
    'gasket|head|valves|springs|followers|cams|pushrods|rockers|deck|lash',
  ].join('|')})\\d*$`,
)

const PATHS = cases(4, 200)
const MOST_ACTS = 1200
const ACTS_AFTER = 60
const STARTER = { act: 'turn', kind: 'starter' } as const
const FIRE = { act: 'turn', kind: 'fire' } as const

/** Acts at random, mostly such as lead somewhere: towards an engine that is whole, and then apart again. */
function* randomActs(parts: EngineParts, seed: number): Generator<Act> {
  const random = randomStream(seedOf(seed))
  const one = <Of>(all: readonly Of[]): Of => all[Math.floor(random.uniform() * all.length)]!
  const anyPart = () => one([...parts.byId.keys(), 'deck', 'lash'])
  for (;;) {
    const by = random.uniform()
    if (by < 0.15) yield { act: 'on', part: anyPart(), grade: one(['trial', 'final'] as const) }
    else if (by < 0.75) yield { act: one(['off', 'loosen', 'change', 'torque', 'settle', 'wash'] as const), part: anyPart() }
    else if (by < 0.85) yield { act: 'read', reading: one(READINGS) }
    else if (by < 0.95) yield { act: 'turn', kind: one(TURNS) }
    else yield { act: 'fact', fact: one(FACTS) }
  }
}

/** On the way to first fire, planned again after every act, with others put between; some go on for a trial first. */
function* disturbedPath(parts: EngineParts, seed: number, standing: () => Standing): Generator<Act> {
  const random = randomStream(seedOf(seed + 1))
  const others = randomActs(parts, seed)
  for (let count = 0, goal: Act = STARTER; count < MOST_ACTS; count++) {
    const act: Act = random.uniform() < 0.04 ? (others.next().value as Act) : nextAct(parts, standing(), goal)
    yield act.act === 'on' && random.uniform() < 0.1 ? { ...act, grade: 'trial' } : act
    if (act === FIRE) break
    if (act === STARTER) goal = FIRE
  }
  for (let count = 0; count < ACTS_AFTER; count++) yield others.next().value as Act
}

/** Acts one after another, each asked of both models; those that may be done are done. Where it leaves the engine. */
function heldToBoth(parts: EngineParts, acts: (standing: () => Standing) => Iterable<Act>, name: string) {
  let standing = bareEngine()
  const second = new SecondModel(parts.engine, new Set(parts.byId.keys()))
  const turned = new Set<string>()
  const refused: string[] = []
  for (const act of acts(() => standing)) {
    const missing = mayDo(parts, standing, act)
    const why = `${name}: ${JSON.stringify(act)} lacks ${missing.map(missingName).join(' ')}`
    if ('part' in act && parts.byId.has(act.part)) expectAgreement(act, missing, second, why)
    if (missing.length > 0) {
      refused.push(why)
      continue
    }
    if (act.act === 'turn') {
      expectSafe(act.kind, second, parts, why)
      turned.add(act.kind)
    }
    standing = replay(parts, standing, [act]).standing
    second.did(act)
    if (act.act === 'on' && act.grade === 'final') expect(second.hollowUnder(act.part), why).toEqual([])
    expect(
      parts.all.filter(({ id }) => second.isOn(id) !== standing.on.has(id)).map(({ id }) => id),
      why,
    ).toEqual([])
  }
  return { turned, refused, standing }
}

function expectAgreement(act: PartAct, missing: readonly Missing[], second: SecondModel, why: string): void {
  const mayBeDone = missing.length === 0
  if (act.act === 'off') expect(second.mayTakeOff(act.part), why).toBe(mayBeDone)
  if (act.act === 'loosen') expect(second.mayLoosen(act.part), why).toBe(mayBeDone)
  if (act.act === 'on' && act.grade === 'final' && mayBeDone) expect(second.mayTry(act.part), why).toBe(true)
  if (act.act === 'on' && act.grade === 'trial') {
    // What is drawn down over pistons, and how far its head is torqued, is no matter of what sits on what.
    const byParts = missing.filter(({ is }) => is !== 'unproven' && !(is === 'notAtLast' && act.part.startsWith('cams')))
    expect(second.mayTry(act.part), why).toBe(byParts.length === 0)
  }
}

describe.each(Object.entries(ENGINES))('%s', (_, engine) => {
  const parts = partsOf(engine)

  it('random paths: two models of the laws say the same, and nothing is reached that must not be', () => {
    const reached = new Set<string>()
    for (let seed = 1; seed <= PATHS; seed++) {
      const { turned } = heldToBoth(parts, (standing) => disturbedPath(parts, seed, standing), `seed ${seed}`)
      for (const kind of turned) reached.add(kind)
    }
    expect([...reached]).toEqual(expect.arrayContaining(['starter', 'fire']))
  })

  it('the usual order: neither model refuses an act, all is on for good at the end, every joint at its last stage', () => {
    const acts = usualOrder(parts).steps.flatMap((step) => step.acts)
    const { turned, refused, standing } = heldToBoth(parts, () => acts, 'usual order')
    expect(refused).toEqual([])
    expect([...turned]).toEqual(expect.arrayContaining(['crank', 'starter', 'fire']))
    const asked = parts.all.filter(({ isOptional }) => !isOptional)
    expect(asked.filter(({ id }) => standing.on.get(id)?.grade !== 'final').map(({ id }) => id)).toEqual([])
    expect([...standing.on].filter(([id, { isAtLast }]) => parts.byId.get(id)!.hasJoint && !isAtLast).map(([id]) => id)).toEqual([])
  })
})

/** What must be so for anything to turn, from the history alone. */
function expectSafe(kind: (typeof TURNS)[number], second: SecondModel, parts: EngineParts, why: string): void {
  const has = (id: string) => parts.byId.has(id)
  const isThere = (id: string) => !has(id) || second.isOn(id)
  const banks = has('head') ? [''] : ['1', '2']
  const gear = ['head', 'valves', 'springs', 'followers', 'cams', 'lifters', 'pushrods', 'rockers']
  const isDriven = ['chain', 'belt', 'camDrive'].some((id) => has(id) && second.isOn(id))
  const driven = banks.filter(
    (bank) =>
      has(`valves${bank}`) &&
      isThere('cam') &&
      isThere('tappets') &&
      gear.every((one) => isThere(`${one}${bank}`)) &&
      second.isFinal(`springs${bank}`),
  )
  if (kind !== 'cam' && isDriven && driven.length > 0) expect(second.isKnown('clearance', MOVES_CLEARANCE), why).toBe(true)
  if (kind === 'starter' || kind === 'fire') {
    const turning = [...parts.all].filter(
      ({ id, kind: of }) => second.isOn(id) && /^(crank|piston|rodCap|cam|cams|head|flywheel|damper)$/.test(of),
    )
    expect(
      turning.filter(({ id }) => !second.isFinal(id)).map(({ id }) => id),
      why,
    ).toEqual([])
    for (const { id } of turning.filter(({ kind: of }) => /^(rodCap|cams|head|flywheel|damper)$/.test(of)))
      expect(second.isAtLast(id), why).toBe(true)
  }
  if (kind === 'fire') {
    const missing = parts.all.filter(({ id, isOptional }) => !isOptional && !second.isFinal(id))
    expect(
      missing.map(({ id }) => id),
      why,
    ).toEqual([])
  }
}
