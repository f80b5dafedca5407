import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import { withEntries, type Build, type Joint, type Pull } from '@/core/document'
import { jointsOf, stepsOf, type RunWay } from '@/core/joints'
import { petrelDocument, soundBuild, stamp, ternDocument, withSpecOf, without } from '../../../tests/support/builds'
import { boltRecords, type BoltRecord } from './boltRecords'
import { isFound, ledgerOf, retiredIn, retiredLines, type RecordInBuild } from './ledger'

/** A bolt's history outlives the build: what is counted, what is done with, and what then keeps it from being planned again. */
const tern = openBuild(ternDocument)
const jointOf = (build: Build, id: string): Joint => jointsOf(build.spec).find((joint) => joint.id === id)!
const planned = (build: Build, id: string, change: (joint: Joint) => Joint): Build =>
  withSpecOf(build, (spec) => ({ ...spec, joints: jointsOf(spec).map((joint) => (joint.id === id ? change(joint) : joint)) }))

/** A whole run of a joint; `did` says what becomes of a pull, where it is not pulled. */
function run(build: Build, id: string, way: RunWay, did: (fastener: number, stage: number) => Pull['did'] = () => 'pulled'): Build {
  const begin = stamp()
  const common = { kind: 'pull' as const, joint: id, run: begin.id, device: 'd' }
  const pulls: Pull[] = [{ ...common, ...begin, did: 'begin', way }]
  const say = (more: Partial<Pull>) => pulls.push({ ...common, ...stamp(), follows: pulls.at(-1)!.id, ...more } as Pull)
  for (const { fastener, stage } of stepsOf(jointOf(build, id), way)) {
    const what = did(fastener, stage)
    if (what === 'broke') say({ did: 'broke', fastener, stage })
    say({ did: what === 'broke' ? 'pulled' : what, fastener, stage, ...(what === 'leftOut' && { reason: 'test' }) })
  }
  say({ did: 'end' })
  return withEntries(build, pulls)
}
const byMark = (build: Build, joint = 'Cylinder head') =>
  new Map(
    boltRecords(build)
      .filter((one) => one.joint === joint)
      .map((one) => [one.mark, one]),
  )
const marked = (build: Build, id = 'head', more: Partial<Joint> = {}) =>
  planned(build, id, (joint) => ({
    ...joint,
    toldApartBy: 'mark',
    fasteners: joint.fasteners.map((one, index) => ({ ...one, mark: `H${index + 1}` })),
    ...more,
  }))

describe('what is counted', () => {
  it('of the demo: ten marked rod bolts; the odd one grew and left its line, the first was torqued three times and once more', () => {
    const records = boltRecords(tern)
    expect(records.map(({ mark }) => mark)).toEqual(['T1a', 'T1b', 'T2a', 'T2b', 'T3a', 'T3b', 'T4a', 'T4b', 'T5a', 'T5b'])
    expect(records[0]).toMatchObject({ joint: 'Rod bolts', fastener: 1, thread: 'M9x1', cycles: 4, retired: [] })
    expect(records[7]).toMatchObject({ fastener: 8, cycles: 2, retired: ['grew', 'yielded'] })
    expect(records[7]!.growthMm).toBeGreaterThan(0.015)
  })

  it('a tightening and a re-torque are a cycle each, going over it once more and loosening are none, one left out has none', () => {
    const head = marked(tern)
    const tight = run(head, 'head', 'tighten', (fastener) => (fastener === 5 ? 'leftOut' : 'pulled'))
    expect([byMark(tight).get('H1')!.cycles, byMark(tight).get('H5')!.cycles]).toEqual([1, 0])
    const again = run(run(run(tight, 'head', 'verify'), 'head', 'loosen'), 'head', 'retorque')
    expect([byMark(again).get('H1')!.cycles, byMark(again).get('H5')!.cycles]).toEqual([2, 1])
  })

  it('a rod bolt run to its stretch in a run is counted there, not once more for its tight length', () => {
    const bare = without(marked(soundBuild(0), 'rods'), ({ characteristic }) => characteristic === 'fasteners.lengthAt')
    const cyclesOf = (build: Build) => byMark(build, 'Rod bolts').get('H3')!.cycles
    expect(cyclesOf(bare)).toBe(1)
    expect(
      cyclesOf(
        run(
          planned(bare, 'rods', (joint) => ({ ...joint, groups: [{ ...joint.groups[0]!, stages: [{ pull: 'torque', nm: 50 }] }] })),
          'rods',
          'tighten',
        ),
      ),
    ).toBe(1)
  })

  it('nothing while nobody has said how they are told apart, nor of one without a mark', () => {
    expect(boltRecords(openBuild(petrelDocument))).toEqual([])
    const some = planned(marked(tern), 'head', (joint) => ({
      ...joint,
      fasteners: joint.fasteners.map((one, index) => (index < 3 ? one : { ...one, mark: undefined })),
    }))
    expect([...byMark(some).keys()]).toEqual(['H1', 'H2', 'H3'])
    const byPlace = planned(tern, 'head', (joint) => ({ ...joint, toldApartBy: 'position' }))
    expect([...byMark(byPlace).values()].map(({ mark, byPlace: isPlace }) => [mark, isPlace]).slice(0, 2)).toEqual([
      ['head 1', true],
      ['head 2', true],
    ])
  })
})

describe('what is done with', () => {
  it('one that broke, unless it is known by its place: another one stands there now', () => {
    const broke = (fastener: number, stage: number) => (fastener === 4 && stage === 2 ? ('broke' as const) : ('pulled' as const))
    expect(byMark(run(marked(tern), 'head', 'tighten', broke)).get('H4')!.retired).toEqual(['broke'])
    const byPlace = planned(tern, 'head', (joint) => ({ ...joint, toldApartBy: 'position' }))
    expect(byMark(run(byPlace, 'head', 'tighten', broke)).get('head 4')!.retired).toEqual([])
  })

  it('one that is used once only, or torqued to yield, once it was torqued', () => {
    const once = marked(tern, 'head', { types: [{ letter: 'A', thread: 'M10x1.25', onceOnly: true }] })
    expect(byMark(once).get('H1')!.retired).toEqual([])
    expect(byMark(run(once, 'head', 'tighten')).get('H1')!.retired).toEqual(['spent'])
    const toYield = planned(marked(tern), 'head', (joint) => ({ ...joint, groups: [{ ...joint.groups[0]!, method: 'toYield' }] }))
    expect(byMark(run(toYield, 'head', 'tighten')).get('H2')!.retired).toEqual(['spent'])
  })
})

describe('over several builds', () => {
  const record = (mark: string, build: string, more: Partial<BoltRecord> = {}): RecordInBuild => ({
    mark,
    joint: 'Rod bolts',
    fastener: 1,
    cycles: 2,
    retired: [],
    buildId: build,
    build,
    ...more,
  })

  it('cycles and growth add up, under one mark however it is written', () => {
    const [line, ...others] = ledgerOf([
      record('A7', 'one', { growthMm: 0.004 }),
      record(' a7', 'two', { cycles: 3, growthMm: 0.003 }),
      record('A7', 'three'),
    ])
    expect(others).toEqual([])
    expect(line).toMatchObject({ mark: 'A7', cycles: 7, retired: [], records: [{ build: 'one' }, { build: 'two' }, { build: 'three' }] })
    expect(line!.growthMm).toBeCloseTo(0.007, 12)
    expect(ledgerOf([record('A8', 'one')])[0]).not.toHaveProperty('growthMm')
  })

  it('is found by a part of its mark, thread, joint or build, in any case', () => {
    const [line] = ledgerOf([record('A7', 'Tern', { thread: 'M9x1' }), record('a7', 'Petrel')])
    expect(['a7', 'm9', 'PETREL', line!.records[0]!.joint.toUpperCase(), ' tern '].map((text) => isFound(line!, text))).toEqual(
      Array.from({ length: 5 }, () => true),
    )
    expect(isFound(line!, 'A8')).toBe(false)
    expect(isFound(line!, '')).toBe(true)
  })

  it('a place is one build’s: the same place of another is another bolt', () => {
    const lines = ledgerOf([record('rods 1', 'one', { byPlace: true }), record('rods 1', 'two', { byPlace: true })])
    expect(lines.map(({ records }) => records.length)).toEqual([1, 1])
  })

  it('lines of bolts that are done with are those of the ledger, with every record of each', () => {
    const records = [
      record('A7', 'one', { retired: ['grew'] }),
      record(' a7', 'two'),
      record('A8', 'one'),
      record('rods 1', 'one', { byPlace: true, retired: ['spent'] }),
      record('rods 1', 'two', { byPlace: true }),
    ]
    const lines = retiredLines(records)
    expect(lines).toEqual(ledgerOf(records).filter(({ retired }) => retired.length > 0))
    expect(lines.map(({ mark, records: own }) => [mark, own.length])).toEqual([
      ['A7', 2],
      ['rods 1', 1],
    ])
  })

  it('one retired elsewhere keeps a run from beginning until somebody says why it is used again', () => {
    const ledger = ledgerOf([
      record('h2', 'Tern', { retired: ['grew'] }),
      record('H1', 'Tern'),
      record('head 3', 'other', { byPlace: true, retired: ['spent'] }),
    ])
    const joint = jointOf(marked(tern), 'head')
    expect(retiredIn(joint, 'here', ledger)).toEqual([{ code: 'retired', fastener: 2, mark: 'H2', why: 'grew', build: 'Tern' }])
    const said = { ...joint, fasteners: joint.fasteners.map((one) => (one.mark === 'H2' ? { ...one, usedAgain: 'mock-up only' } : one)) }
    expect(retiredIn(said, 'here', ledger)).toEqual([])
    const byPlace = { ...joint, toldApartBy: 'position' as const, name: 'Rod bolts' }
    const placed = ledgerOf([record('head 1', 'here', { byPlace: true, retired: ['spent'] })])
    expect(retiredIn(byPlace, 'here', placed).map(({ fastener }) => fastener)).toEqual([1])
    expect(retiredIn(byPlace, 'another', placed)).toEqual([])
  })
})
