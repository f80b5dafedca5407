import { describe, expect, it } from 'vitest'
import { bareEngine, mayDo, missingName, nextAct, partsOf, replay, type Act, type EngineParts, type Standing } from '@/core/assembly'
import { FACTS, TURNS } from '@/core/assembly/acts'
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
    const act: Act = random.uniform() < 0.1 ? (others.next().value as Act) : nextAct(parts, standing(), goal)
    yield act.act === 'on' && random.uniform() < 0.1 ? { ...act, grade: 'trial' } : act
    if (act === FIRE) break
    if (act === STARTER) goal = FIRE
  }
  for (let count = 0; count < ACTS_AFTER; count++) yield others.next().value as Act
}

describe.each(Object.entries(ENGINES))('%s', (_, engine) => {
  const parts = partsOf(engine)
  const ids = new Set(parts.byId.keys())

  it('random paths: two models of the laws say the same, and nothing is reached that must not be', () => {
    const reached = new Set<string>()
    for (let seed = 1; seed <= PATHS; seed++) {
      let standing = bareEngine()
      const second = new SecondModel(engine, ids)
      for (const act of disturbedPath(parts, seed, () => standing)) {
        const missing = mayDo(parts, standing, act)
        const lacks = missing.map(missingName)
        const why = `${seed}: ${JSON.stringify(act)} lacks ${lacks.join(' ')}`
        if ('part' in act && ids.has(act.part)) {
          if (act.act === 'off') expect(second.mayTakeOff(act.part), why).toBe(missing.length === 0)
          if (act.act === 'loosen') expect(second.mayLoosen(act.part), why).toBe(missing.length === 0)
          if (act.act === 'on' && act.grade === 'trial') {
            const byParts = missing.filter(({ is }) => is !== 'unproven' && !(is === 'notAtLast' && act.part.startsWith('cams')))
            expect(second.mayTry(act.part), why).toBe(byParts.length === 0)
          }
          if (act.act === 'on' && act.grade === 'final' && missing.length === 0) expect(second.mayTry(act.part), why).toBe(true)
        }
        if (missing.length > 0) continue
        if (act.act === 'turn') {
          expectSafe(act.kind, second, parts, why)
          reached.add(act.kind)
        }
        standing = replay(parts, standing, [act]).standing
        second.did(act)
        if (act.act === 'on' && act.grade === 'final') expect(second.hollowUnder(act.part), why).toEqual([])
        expect(
          [...ids].filter((id) => second.isOn(id) !== standing.on.has(id)),
          why,
        ).toEqual([])
      }
    }
    expect([...reached]).toEqual(expect.arrayContaining(['starter', 'fire']))
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
