import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import { withEntries, withSpec, type Build, type DamageEntry, type Entry, type PartEntry } from '@/core/document'
import { soundBuild, stamp } from '../../../tests/support/builds'
import { doing, NOW_MS, standingOf, stepIn, waitsOf } from '../../../tests/support/walks'
import { STEP_NAMES, stepsForPart, walkOf } from '../walk'
import {
  agreedRepairs,
  requiredRatings,
  CONVERSIONS,
  damagesOf,
  daysLate,
  misfitsOf,
  PART_KINDS,
  partsOf,
  spentOn,
  weakestParts as weakestOf,
  type Part,
  type PartKindId,
} from '.'

const bare = (which: number): Build => {
  const { id, spec, gauges } = soundBuild(which)
  return openBuild({ id, spec, gauges: [...gauges.values()], entries: [] })
}
const five = bare(0)
const v8 = bare(1)

const want = (what: PartKindId, name: string, more: Partial<PartEntry> = {}): PartEntry => {
  const own = stamp()
  return { kind: 'part', ...own, part: own.id, did: 'wanted', what, name, ...more }
}
const then = ({ part }: PartEntry, did: PartEntry['did'], more: Partial<PartEntry> = {}): Entry => ({
  kind: 'part',
  ...stamp(),
  part,
  did,
  ...more,
})
const fit = (...checks: string[]) => checks.map((check) => ({ check, fits: true }))
const weakestParts = (build: Build) => weakestOf(partsOf(build), requiredRatings(build))
const onlyPart = (build: Build): Part => partsOf(build)[0]!

describe('a part', () => {
  const gasket = want('gasket', 'Gasket 1.25', { price: 140 })

  it('is wanted, ordered, in once all is looked at, and no longer waited for', () => {
    const states = [
      [gasket],
      [gasket, then(gasket, 'ordered', { promised: '2026-03-10', from: 'post' })],
      [gasket, then(gasket, 'ordered'), then(gasket, 'arrived', { fits: fit('boreOpening') })],
      [gasket, then(gasket, 'arrived', { fits: fit('boreOpening') }), then(gasket, 'lookedOver', { fits: fit('dowelHoles') })],
    ].map((entries) => onlyPart(withEntries(five, entries)).state)
    expect(states).toEqual(['wanted', 'ordered', 'arrived', 'in'])
  })

  it('that does not fit is in and fails, goes back with its reason, and is looked at again when another comes', () => {
    const wrong = [
      gasket,
      then(gasket, 'arrived', { fits: [...fit('dowelHoles'), { check: 'boreOpening', fits: false, note: '83 on 84' }] }),
    ]
    expect(onlyPart(withEntries(five, wrong))).toMatchObject({ state: 'failed' })
    const back = [...wrong, then(gasket, 'sentBack', { reason: 'opening too small' })]
    expect(onlyPart(withEntries(five, back))).toMatchObject({ state: 'back', reason: 'opening too small' })
    // What it was promised for is over with it, until the next is promised.
    const promised = [gasket, then(gasket, 'ordered', { promised: '2026-03-10' }), ...back.slice(1)]
    expect(onlyPart(withEntries(five, promised))).toMatchObject({ state: 'back', formerly: ['2026-03-10'] })
    expect(onlyPart(withEntries(five, promised)).promised).toBeUndefined()
    expect(onlyPart(withEntries(five, promised.slice(0, -1))).promised).toBeUndefined()
    const next = [...promised, then(gasket, 'changed', { promised: '2026-03-20' })]
    expect(onlyPart(withEntries(five, next))).toMatchObject({ state: 'back', promised: '2026-03-20', formerly: ['2026-03-10'] })
    expect(daysLate({ state: 'back', promised: '2026-03-20' }, '2026-03-22')).toBe(2)
    expect(daysLate({ state: 'failed', promised: '2026-03-20' }, '2026-03-22')).toBe(2)
    const another = [...back, then(gasket, 'arrived')]
    expect(onlyPart(withEntries(five, another))).toMatchObject({
      state: 'arrived',
      fits: [{ check: 'boreOpening' }, { check: 'dowelHoles' }],
    })
  })

  it('keeps the days it was promised for before, and is late from the day after', () => {
    const part = onlyPart(
      withEntries(five, [gasket, then(gasket, 'ordered', { promised: '2026-03-10' }), then(gasket, 'ordered', { promised: '2026-03-12' })]),
    )
    expect(part).toMatchObject({ promised: '2026-03-12', formerly: ['2026-03-10'] })
    expect(['2026-03-11', '2026-03-12', '2026-03-13', '2026-04-12'].map((day) => daysLate(part, day))).toEqual([0, 0, 1, 31])
    expect(daysLate({ state: 'arrived', promised: '2026-03-12' }, '2026-04-12')).toBe(0)
    expect(daysLate({ state: 'ordered' }, '2026-04-12')).toBe(0)
    expect(daysLate({ state: 'in', promised: '2026-03-12' }, '2026-04-12')).toBe(0)
  })

  it('is changed by what is said again, and gone where its want was taken back', () => {
    const changed = withEntries(five, [gasket, then(gasket, 'ordered'), then(gasket, 'changed', { name: 'Gasket 1.40', count: 2 })])
    expect(onlyPart(changed)).toMatchObject({ name: 'Gasket 1.40', count: 2, what: 'gasket', price: 140, state: 'ordered' })
    expect(partsOf(withEntries(changed, [{ kind: 'undo', ...stamp(), target: gasket.id }]))).toEqual([])
  })

  it('lies in a pot, in a fluid, since somebody laid it there', () => {
    const lifters = want('lifters', 'Lifters')
    const laid = then(lifters, 'laid', { pot: 'Pot 3', fluid: 'engine oil' })
    expect(onlyPart(withEntries(v8, [lifters, laid])).lies).toEqual({ pot: 'Pot 3', fluid: 'engine oil', since: laid.at, by: 'KV' })
  })

  it('counts into what was spent where it is the shop’s and not sent back', () => {
    const bought = want('rods', 'Rods', { price: 900 })
    const owners = want('pistons', 'Pistons', { owner: 'owner', price: 5000 })
    const unpriced = want('rings', 'Rings')
    expect(spentOn(partsOf(withEntries(five, [gasket, bought, owners, unpriced])))).toEqual({ spent: 1040, unpriced: 1 })
    expect(spentOn(partsOf(withEntries(five, [gasket, bought, then(bought, 'sentBack', { reason: 'bent' })])))).toEqual({
      spent: 140,
      unpriced: 0,
    })
  })
})

describe('steps that wait for a part', () => {
  const injectors = want('injectors', 'Injectors, 5')
  const ready = doing(five, 'lash.set', 'heads.twoTurns')

  it('say so until it is in and fits', () => {
    const waiting = (...more: Entry[]) => waitsOf(withEntries(ready, [injectors, ...more]), 'intake.on')
    expect(waiting()).toEqual(['#Injectors, 5'])
    expect(waiting(then(injectors, 'arrived'))).toEqual(['#Injectors, 5'])
    expect(waiting(then(injectors, 'arrived', { fits: fit('asOrdered') }))).toEqual([])
    expect(waiting(then(injectors, 'arrived', { fits: [{ check: 'asOrdered', fits: false }] }))).toEqual(['#Injectors, 5'])
    expect(waiting(then(injectors, 'dropped', { reason: 'old ones flow enough' }))).toEqual([])
    expect(standingOf(withEntries(ready, [injectors]), 'intake.on')).toBe('held')
    expect(stepIn(walkOf(withEntries(ready, [injectors]), NOW_MS), 'intake.on').waits[0]).toMatchObject({ part: { state: 'wanted' } })
  })

  it('are those it names in place of its kind’s, by name or by id', () => {
    const left = want('other', 'Left gasket', { needs: ['heads.gasket.left'] })
    const both = want('other', 'Dowels', { needs: ['heads.dowels'] })
    const build = withEntries(v8, [left, both])
    expect(waitsOf(build, 'heads.gasket.left')).toContain('#Left gasket')
    expect(waitsOf(build, 'heads.gasket.right')).not.toContain('#Left gasket')
    expect(waitsOf(build, 'heads.dowels.right')).toContain('#Dowels')
  })

  it('are steps there are, whatever the kind; a conversion brings kinds there are', () => {
    for (const what of PART_KINDS) expect(STEP_NAMES).toEqual(expect.arrayContaining([...stepsForPart(what)]))
    for (const { brings } of Object.values(CONVERSIONS)) for (const [what] of brings) expect(PART_KINDS).toContain(what)
  })
})

describe('parts together', () => {
  const cam = want('cam', 'Cam', { material: 'steel' })
  const followers = want('lifters', 'Lifters')
  const gear = (material: string) => want('ignition', 'Distributor', { material })
  const misfits = (build: Build, ...entries: Entry[]) =>
    misfitsOf(partsOf(withEntries(build, entries)), build.spec.layout).map(({ is }) => is)

  it('want a gear that goes with the cam’s (common practice)', () => {
    expect(misfits(v8, cam, followers, gear('castIron'))).toEqual(['gear'])
    expect(misfits(v8, cam, followers, gear('bronze'))).toEqual([])
    expect(misfits(v8, want('cam', 'Cam', { material: 'castIron' }), followers, gear('castIron'))).toEqual([])
    expect(misfits(v8, want('cam', 'Cam', { material: 'castIron' }), followers, gear('hardenedSteel'))).toEqual(['gear'])
    expect(misfits(v8, want('cam', 'Cam'), followers, gear('bronze'))).toEqual(['material'])
    // Cams in the head drive no distributor by a gear on their shaft.
    expect(misfits(five, cam, followers, gear('castIron'))).toEqual([])
  })

  it('want new followers with a new cam', () => {
    expect(misfits(v8, cam)).toEqual(['followers'])
    expect(misfits(v8, cam, followers, then(followers, 'dropped', { reason: 'x' }))).toEqual(['followers'])
    expect(misfits(v8, followers)).toEqual([])
  })

  it('are as strong as the weakest of them', () => {
    const bolts = want('rodBolts', 'Rod bolts', { rated: { rpm: 8000 } })
    const rods = want('rods', 'Rods', { rated: { rpm: 9500, powerKw: 400 } })
    const asking = withSpec(five, { ...five.spec, duty: { ...five.spec.duty, redlineRpm: 8200 }, job: { powerKw: 400 } })
    const weakest = weakestParts(withEntries(asking, [rods, bolts]))
    expect(weakest).toMatchObject([
      { rating: 'rpm', part: { name: 'Rod bolts' }, stands: 8000, asked: 8200, isShort: true },
      { rating: 'powerKw', part: { name: 'Rods' }, stands: 400, asked: 400, isShort: false },
    ])
    expect(weakestParts(withEntries(asking, [rods, bolts, then(bolts, 'sentBack', { reason: 'too weak' })]))[0]).toMatchObject({
      part: { name: 'Rods' },
      isShort: false,
    })
  })

  it('know the lift this engine has, where it was read', () => {
    const springs = want('springs', 'Springs', { rated: { liftMm: 9 } })
    const [read] = weakestParts(withEntries(soundBuild(0), [springs]))
    expect(read!.asked).toBeGreaterThan(9)
    expect(read!.isShort).toBe(true)
    expect(weakestParts(withEntries(five, [want('springs', 'S', { rated: { liftMm: 9 } })]))[0]!.rating).toBe('liftMm')
  })
})

describe('a damaged part', () => {
  const own = stamp()
  const seen: DamageEntry = {
    kind: 'damage',
    ...own,
    damage: own.id,
    did: 'seen',
    text: 'Journal 3 scored',
    cause: 'a pump that ran dry',
    options: [
      { text: 'Polish', days: 1, price: 60 },
      { text: 'Grind undersize', days: 6, price: 340, stales: 'crankGround' },
    ],
  }
  const next = (did: DamageEntry['did'], more: Partial<DamageEntry> = {}): Entry => ({
    kind: 'damage',
    ...stamp(),
    damage: own.id,
    did,
    ...more,
  })

  it('has its options, what the owner was told and answered, and what that costs', () => {
    const [damage] = damagesOf(withEntries(five, [seen, next('told'), next('answered', { option: 1, reply: 'Do it properly' })]))
    expect(damage).toMatchObject({
      text: 'Journal 3 scored',
      told: { by: 'KV' },
      answer: { reply: 'Do it properly', option: { stales: 'crankGround' } },
    })
    expect(agreedRepairs([damage!])).toEqual({ price: 340, days: 6 })
    expect(agreedRepairs(damagesOf(withEntries(five, [seen])))).toEqual({ price: 0, days: 0 })
  })

  it('is the answer that came last, and none where the one that saw it was taken back', () => {
    const twice = withEntries(five, [seen, next('answered', { option: 1 }), next('answered', { option: 0 })])
    expect(agreedRepairs(damagesOf(twice)).price).toBe(60)
    expect(damagesOf(withEntries(twice, [{ kind: 'undo', ...stamp(), target: seen.id }]))).toEqual([])
  })
})
