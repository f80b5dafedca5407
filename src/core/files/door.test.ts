import { describe, expect, it } from 'vitest'
import { DEFAULT_GAUGES } from '@/core/benches/gauges'
import { openBuild } from '@/core/benches'
import type { Build, BuildDocument, Entry, Spec } from '@/core/document'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { freshLayout } from '../document/fresh'
import { axesBeyond } from '../document/place'
import { evaluate } from '../evaluation/evaluate'
import { jointsOf } from '../joints'
import { documentIssues, entryIssues, gaugeIssues, nowhereIn, specIssues } from './door'
import type { FileIssue } from '../document/fileIssue'
import { readBuildJson } from './buildFile'

const tern = demoDocument(DEMO_BUILDS[0]!, new Date('2026-03-01T12:00:00Z'))
const { spec } = tern
const { gauges } = openBuild(tern)
const single: Pick<Spec, 'layout'> = {
  layout: { ...spec.layout, kind: 'single', cylinders: 1, mains: 2, firingOrder: [1], pins: [{ angleDeg: 0, cylinders: [1] }] },
}
const uuid = (number: number) => `ffff0000-0000-7000-8000-${String(number).padStart(12, '0')}`

const deck = (more: object = {}): Entry =>
  ({
    kind: 'reading',
    id: uuid(1),
    at: '2026-03-02T10:00:00Z',
    by: 'KV',
    characteristic: 'compression.deck',
    place: { cylinder: 1, spot: 'front' },
    value: 0.05,
    unit: 'mm',
    asTyped: '0.05',
    gauge: 'dial-metric.1',
    ...more,
  }) as Entry
const bore = (more: object = {}) =>
  deck({ characteristic: 'bores.bore', place: { cylinder: 1, spot: 'top-thrust' }, value: 83, gauge: 'bore-metric.1', ...more })
const ring = (more: object = {}) =>
  deck({ characteristic: 'rings.topGap', place: { cylinder: 1, spot: 'top' }, value: 0.45, upper: 0.46, gauge: 'feeler-fine.1', ...more })
const where = (issues: readonly FileIssue[]) => issues.map(({ code, path }) => `${code} ${path.join('.')}`)
const ofEntry = (entry: Entry, of: Pick<Spec, 'layout'> = spec, cards: Build['gauges'] = gauges) => where(entryIssues(entry, of, cards))

describe('an entry at the door', () => {
  it.each([
    ['a deck reading below zero: above the deck', deck({ value: -0.3 }), []],
    ['a sound bore', bore(), []],
    ['a sound gap', ring(), []],
    ['a bore of −5', bore({ value: -5 }), ['outOfRange value']],
    ['a bore of 1e308', bore({ value: 1e308 }), ['outOfRange value']],
    ['a bore of exactly 5 m, as far as lengths go', bore({ value: 5000 }), []],
    ['a bore beyond 5 m', bore({ value: 5000.001 }), ['outOfRange value']],
    ['a deck of −1e308', deck({ value: -1e308 }), ['outOfRange value']],
    ['a length in °C', bore({ unit: 'degC' }), ['wrongUnit unit']],
    ['a length by the burette', bore({ gauge: 'burette.1' }), ['wrongGauge gauge']],
    ['a gauge nobody has', bore({ gauge: 'gone.1' }), ['unknownGauge gauge']],
    ['cylinder 6 of a five', bore({ place: { cylinder: 6, spot: 'top-thrust' } }), ['noSuchPlace place.cylinder']],
    ['cylinder 5 of a five', bore({ place: { cylinder: 5, spot: 'top-thrust' } }), []],
    [
      'a move to cylinder 6 of a five',
      deck({ kind: 'move', target: uuid(2), place: { cylinder: 6 }, reason: 'x' }),
      ['noSuchPlace place.cylinder'],
    ],
    ['a move to cylinder 5', deck({ kind: 'move', target: uuid(2), place: { cylinder: 5 }, reason: 'x' }), []],
    [
      'main 7 of six',
      deck({ kind: 'note', text: 'blue', place: { main: 7 }, characteristic: 'bearings.mainJournal' }),
      ['noSuchPlace place.main'],
    ],
    [
      'the right bank of an inline',
      deck({ characteristic: 'compression.gasketThickness', place: { bank: 'right' }, gauge: 'mic-metric.1' }),
      ['noSuchPlace place.bank'],
    ],
    ['a characteristic no bench knows', deck({ characteristic: 'sparkle' }), ['unknownCharacteristic characteristic']],
    [
      'a skip of what no bench knows',
      deck({ kind: 'skip', characteristic: 'sparkle', reason: '' }),
      ['unknownCharacteristic characteristic'],
    ],
    [
      'a check no bench asks for',
      deck({ kind: 'check', characteristic: 'compression.deck', passed: true, note: '' }),
      ['unknownCharacteristic characteristic'],
    ],
    ['a leaf that does not go below the one that does', ring({ upper: 0.44 }), ['intervalOrder upper']],
    ['both leaves the same', ring({ upper: 0.45 }), ['intervalOrder upper']],
    ['two faults at once, each with its place', bore({ value: -5, unit: 'degC' }), ['wrongUnit unit', 'outOfRange value']],
  ])('%s', (_, entry, issues) => expect(ofEntry(entry)).toEqual(issues))

  it.each([
    ['a sound card', {}, []],
    ['one of grams that says it is of lengths', { unit: 'g' as const }, ['wrongUnit gauges.2.unit']],
    ['one for what nobody here measures', { use: 'hygrometer' }, ['unknownCharacteristic gauges.2.use']],
    ['one named as objects name their own', { use: 'constructor' }, ['unknownCharacteristic gauges.2.use']],
  ])('a gauge: %s', (_, change, issues) => {
    const card = { ...DEFAULT_GAUGES[0]!, ...change }
    expect(gaugeIssues(card, ['gauges', 2]).map(({ code, path }) => `${code} ${path.join('.')}`)).toEqual(issues)
  })

  it('cylinder 16 of a single is refused, and says how many there are', () => {
    expect(entryIssues(bore({ place: { cylinder: 16, spot: 'top-thrust' } }), single, gauges, ['entries', 4])).toEqual([
      { code: 'noSuchPlace', path: ['entries', 4, 'place', 'cylinder'], what: 'cylinder', got: '16', most: 1 },
    ])
  })
})

const withEntries = (...entries: Entry[]): BuildDocument => ({ ...tern, entries })
const ofDocument = (document: BuildDocument) => where(documentIssues(document))

describe('entries that point at each other', () => {
  it.each([
    ['a correction of a reading that is there', [deck(), deck({ id: uuid(2), supersedes: uuid(1) })], []],
    ['a correction that arrived before what it corrects', [deck({ id: uuid(2), supersedes: uuid(1) }), deck()], []],
    ['a correction of nobody', [deck({ supersedes: uuid(9) })], ['unknownTarget entries.0.supersedes']],
    ['a settling that names nobody', [deck({ settles: [uuid(9)] })], ['unknownTarget entries.0.settles']],
    ['a correction of itself', [deck({ supersedes: uuid(1) })], ['circle entries.0']],
    [
      'two that correct each other',
      [deck({ supersedes: uuid(2) }), deck({ id: uuid(2), supersedes: uuid(1) })],
      ['circle entries.0', 'circle entries.1'],
    ],
    [
      'three in a ring, and one beside it that is sound',
      [
        deck({ supersedes: uuid(2) }),
        deck({ id: uuid(2), supersedes: uuid(3) }),
        deck({ id: uuid(3), supersedes: uuid(1) }),
        bore({ id: uuid(4) }),
      ],
      ['circle entries.0', 'circle entries.1', 'circle entries.2'],
    ],
    ['an undo of an undo', [deck(), undo(2, 1), undo(3, 2)], []],
    ['an undo of nothing', [undo(2, 1)], ['unknownTarget entries.0.target']],
    ['undos that undo each other', [undo(2, 3), undo(3, 2)], ['circle entries.0', 'circle entries.1']],
    ['one id twice', [deck(), deck()], ['doubleId entries.1.id']],
  ])('%s', (_, entries, issues) => expect(ofDocument(withEntries(...entries))).toEqual(issues))

  it.each<readonly [string, readonly Entry[], readonly number[]]>([
    ['a strike of an undo', [deck(), undo(2, 1), { ...undo(3, 2), kind: 'strike', reason: 'slip' } as Entry], [3]],
    ['an undo of a pull: a run takes itself back', [pull(1, { did: 'begin' }), undo(2, 1)], [2]],
    ['a pull after a reading', [pull(1, { did: 'begin' }), deck({ id: uuid(3) }), pull(2, { follows: uuid(3) })], [2]],
    [
      'a pull after one of another run',
      [pull(1, { did: 'begin' }), pull(3, { did: 'begin', run: uuid(3) }), pull(2, { follows: uuid(3) })],
      [2],
    ],
    [
      'a correction of a step',
      [
        { ...undo(1, 1), kind: 'step', target: undefined, step: 'job.agreed', did: 'done' } as never,
        deck({ id: uuid(2), supersedes: uuid(1) }),
      ],
      [2],
    ],
    ['nothing that points rightly', [deck(), deck({ id: uuid(2), supersedes: uuid(1) }), undo(3, 2)], []],
  ])('of an older door are set aside, and the file opens: %s', (_, entries, aside) => {
    const document = withEntries(...entries.map((entry) => JSON.parse(JSON.stringify(entry)) as Entry))
    const opened = readBuildJson(JSON.parse(JSON.stringify(document)))
    expect(opened).toEqual({ ok: true, document })
    const build = openBuild(document)
    expect(build.setAside.map(({ id }) => id)).toEqual(aside.map(uuid))
    expect([...build.entries, ...build.setAside]).toHaveLength(entries.length)
  })

  it('a change of what nobody knows is refused on the wire, and opens in a file of an older door', () => {
    const change = { ...undo(1, 1), kind: 'change', what: 'toString', text: 'x', target: undefined } as never as Entry
    expect(where(entryIssues(change, spec, gauges))).toEqual(['unknownName what'])
    expect(where(entryIssues({ ...change, what: 'honed' } as Entry, spec, gauges))).toEqual([])
    expect(ofDocument(withEntries(change))).toEqual([])
    const damage = {
      ...change,
      kind: 'damage',
      damage: uuid(1),
      did: 'seen',
      options: [{ text: 'x', days: 1, price: 1, stales: 'weather' }],
    }
    expect(where(entryIssues(damage as never as Entry, spec, gauges))).toEqual(['unknownName options.0.stales'])
    const known = { ...damage, options: [{ ...damage.options[0]!, stales: 'honed' }] }
    expect(where(entryIssues(known as never as Entry, spec, gauges))).toEqual([])
  })

  it.each(['constructor', 'toString', '__proto__'])('a method, a number on paper or a limit called %s is a fault of the file', (key) => {
    const named = (part: 'methods' | 'paper' | 'limits', value: unknown) =>
      specIssues({ ...spec, [part]: Object.fromEntries([...Object.entries(spec[part]), [key, value]]) } as Spec).map(({ code }) => code)
    expect(named('methods', 'x')).toEqual(['shape'])
    expect(named('paper', { value: 1, unit: 'mm' })).toEqual(['unknownPaper'])
    expect(named('limits', { low: 1 })).toEqual(['unknownLimit'])
  })

  it('ids in capitals are refused: one reading may not go by two names', () => {
    const capitals = readBuildJson(JSON.parse(JSON.stringify(withEntries(deck({ id: uuid(1).toUpperCase() }), deck({ id: uuid(2) })))))
    expect(capitals.ok ? [] : capitals.issues).toEqual([
      { code: 'shape', path: ['entries', 0, 'id'], detail: 'is an id in capitals: small letters are wanted' },
    ])
  })
})

describe('a part at the door', () => {
  const part = (id: number, more: object): Entry =>
    ({ kind: 'part', id: uuid(id), at: '2026-03-02T10:00:00Z', by: 'KV', part: uuid(1), did: 'wanted', ...more }) as Entry
  const gasket = part(1, { what: 'gasket', name: 'Gasket' })
  it.each<readonly [string, readonly Entry[], readonly string[]]>([
    ['is wanted, and in', [gasket, part(2, { did: 'arrived', fits: [{ check: 'dowelHoles', fits: true }] })], []],
    ['of a kind nobody knows', [part(1, { what: 'wings', name: 'Wings' })], ['unknownName entries.0.what']],
    [
      'looked at for what nobody looks at',
      [gasket, part(2, { did: 'arrived', fits: [{ check: 'colour', fits: true }] })],
      ['unknownName entries.1.fits'],
    ],
    ['of a material no gear is of', [part(1, { what: 'cam', name: 'Cam', material: 'wood' })], ['unknownName entries.0.material']],
    ['that was never wanted', [part(2, { did: 'arrived' })], ['unknownTarget entries.0.follows']],
    ['that says it wants what another wanted', [gasket, part(2, { what: 'gasket', name: 'Gasket' })], ['loosePart entries.1']],
    ['that arrives before it is wanted', [part(1, { did: 'arrived' })], ['loosePart entries.0']],
  ])('%s', (_, entries, issues) => expect(ofDocument(withEntries(...entries))).toEqual(issues))

  it.each([
    ['one without a kind or a name', part(1, { what: 'gasket' })],
    ['one sent back without a reason', part(2, { did: 'sentBack' })],
    ['a day that is none', part(1, { what: 'gasket', name: 'Gasket', promised: '2026-02-30' })],
  ])('%s is refused by its shape', (_, entry) => expect(readBuildJson(JSON.parse(JSON.stringify(withEntries(entry)))).ok).toBe(false))
})

function pull(id: number, more: object): Entry {
  const stamp = { id: uuid(id), at: '2026-03-02T10:00:00Z', by: 'KV', device: 'tablet' }
  return { kind: 'pull', ...stamp, joint: 'head', run: uuid(1), did: 'pulled', ...more } as Entry
}

describe('what a later description of the engine takes away', () => {
  const begin = pull(1, { did: 'begin' })
  it.each<readonly [string, readonly Entry[], Entry, string]>([
    ['a cylinder', [], bore({ place: { cylinder: 6, spot: 'top-thrust' } }), 'noSuchPlace place.cylinder'],
    ['a stud', [begin], pull(2, { follows: uuid(1), stage: 1, fastener: 13 }), 'noSuchFastener fastener'],
    ['a joint', [], pull(1, { did: 'begin', joint: 'girdle' }), 'unknownJoint joint'],
  ])('%s: refused where it is entered; a build that holds it opens, shows it and comes to the same', (_, before, entry, issue) => {
    expect(where(entryIssues(entry, tern.spec, gauges))).toEqual([issue])
    const document = withEntries(...before, entry)
    expect(readBuildJson(JSON.parse(JSON.stringify(document)))).toMatchObject({ ok: true })
    const build = openBuild(document)
    expect(nowhereIn(build)).toEqual([entry])
    const figures = (of: Entry[]) => evaluate(openBuild(withEntries(...of))).map(({ id, figure }) => [id, figure?.value.value])
    expect(figures([...before, entry])).toEqual(figures([...before]))
  })

  it('counts again once the engine has it', () => {
    const read = demoDocument({ ...DEMO_BUILDS[0]!, read: () => true }, new Date('2026-03-01T12:00:00Z'))
    const { layout } = read.spec
    const four: Spec = {
      ...read.spec,
      layout: freshLayout({ kind: 'inline', cylinders: 4, bankAngleDeg: 0, valvesPerCylinder: 4, valveDrive: layout.valveDrive }),
      joints: undefined,
      drive: undefined,
    }
    const asFour = readBuildJson(JSON.parse(JSON.stringify({ ...read, spec: four })))
    if (!asFour.ok) throw new Error(JSON.stringify(asFour.issues.slice(0, 3)))
    const nowhere = nowhereIn(openBuild(asFour.document))
    expect(nowhere.length).toBeGreaterThan(50)
    expect(nowhere.every((entry) => !('place' in entry) || axesBeyond(entry.place, four.layout).length > 0)).toBe(true)
    expect(nowhereIn(openBuild({ ...asFour.document, spec: read.spec }))).toEqual([])
    const clearances = (spec: Spec) =>
      evaluate(openBuild({ ...asFour.document, spec })).filter(({ output, figure }) => output === 'bores.clearance' && figure)
    expect([clearances(four).length, clearances(read.spec).length]).toEqual([4, 5])
  })
})

describe('a pull at the door', () => {
  const begin = pull(1, { did: 'begin' })
  // The Tern's head has twelve studs.
  it.each<readonly [string, readonly Entry[], readonly string[]]>([
    ['a run and its pulls', [begin, pull(2, { follows: uuid(1), stage: 1, fastener: 12 })], []],
    ['a pull that follows nothing', [begin, pull(2, {})], ['loosePull entries.1']],
    ['a beginning that follows something', [begin, pull(2, { did: 'begin', run: uuid(2), follows: uuid(1) })], ['loosePull entries.1']],
    ['a beginning of another’s run', [begin, pull(2, { did: 'begin' })], ['loosePull entries.1']],
    ['a pull after one that is not there', [begin, pull(2, { follows: uuid(9) })], ['unknownTarget entries.1.follows']],
    [
      'pulls that follow each other in a circle',
      [begin, pull(2, { follows: uuid(3) }), pull(3, { follows: uuid(2) })],
      ['circle entries.1', 'circle entries.2'],
    ],
  ])('%s', (_, entries, issues) => expect(ofDocument(withEntries(...entries))).toEqual(issues))
})

describe('a joint at the door', () => {
  const [joint] = jointsOf(spec)
  const planned = (more: object): Spec => ({ ...spec, joints: [{ ...joint!, ...more }] })
  it.each<readonly [string, Spec, readonly string[]]>([
    ['as usual', planned({}), []],
    ['two of one name', { ...spec, joints: [joint!, joint!] }, ['usedTwice spec.joints.1.id']],
    ['a fastener of a type it has not', planned({ types: [{ letter: 'B' }] }), ['unknownChoice spec.joints.0.fasteners.0.type']],
    [
      'a number beyond its fasteners',
      planned({ groups: [{ ...joint!.groups[0]!, order: [joint!.fasteners.length + 1] }] }),
      ['noSuchFastener spec.joints.0.groups'],
    ],
  ])('%s', (_, given, issues) => expect(where(specIssues(given))).toEqual(issues))
})

function undo(id: number, target: number): Entry {
  return { kind: 'undo', id: uuid(id), at: '2026-03-02T10:00:00Z', by: 'KV', target: uuid(target) }
}

const paper = (key: string, value: number, unit = 'mm'): Spec => ({
  ...spec,
  paper: { ...spec.paper, [key]: { value, unit, source: 'sheet' } },
})
const methods = (more: object): Spec => ({ ...spec, methods: { ...spec.methods, ...more } })
const limited = (id: string): Spec => ({ ...spec, limits: { ...spec.limits, [id]: { upper: 1, source: 'sheet', reason: '' } } })
const closest = (lower: number, more: object = {}): Spec => ({
  ...spec,
  limits: { ...spec.limits, 'clearance.intake': { lower, source: 'sheet', reason: '', ...more } },
})
const layout = (more: Partial<Spec['layout']>): Spec => ({ ...spec, layout: { ...spec.layout, ...more } })
const onShelf = (kind: string, ...parts: readonly object[]): Spec => ({ ...spec, choice: {}, stock: { ...spec.stock, [kind]: parts } })
const thin = { id: 'g', name: 'G', source: 's', thicknessMm: 0.4, boreMm: 84 }
const half = (halves: number) => ({ id: 'h', name: 'H', source: 's', fits: 'rod', wallMm: 0, halves })
const choice = (more: object): Spec => ({ ...spec, choice: { ...spec.choice, ...more } })

describe('a spec at the door', () => {
  it.each<readonly [string, Spec, readonly string[]]>([
    ['the demo’s own', spec, []],
    ['a bore of −5', paper('bore', -5), ['outOfRange spec.paper.bore.value']],
    ['the smallest bore there is', paper('bore', 20), []],
    ['just below it', paper('bore', 19.99), ['outOfRange spec.paper.bore.value']],
    ['a stroke of 0', paper('stroke', 0), ['outOfRange spec.paper.stroke.value']],
    ['a stroke of 1e308', paper('stroke', 1e308), ['outOfRange spec.paper.stroke.value', 'layout spec.paper.rodLength']],
    ['a way of measuring no bench leaves', methods({ sparkle: true }), ['shape spec.methods.sparkle']],
    ['rings at two depths', methods({ ringDepths: 2 }), ['shape spec.methods.ringDepths']],
    ['rings at three, said as a word', methods({ ringDepths: '3' }), ['shape spec.methods.ringDepths']],
    ['rings at three', methods({ ringDepths: 3 }), []],
    ['a rule nobody knows', methods({ rule: 'lenient' }), ['shape spec.methods.rule']],
    ['a number no bench rests on', paper('sparkle', 3), ['unknownPaper spec.paper.sparkle']],
    ['a limit of a name that was', limited('clearance'), ['unknownLimit spec.limits.clearance']],
    ['a limit of its bench', limited('bores.clearance'), []],
    ['a clearance below the least there should be', closest(1.4), ['belowFloor spec.limits.clearance.intake']],
    [
      'the same with a reason and nobody’s initials',
      closest(1.4, { reason: 'run so before' }),
      ['belowFloor spec.limits.clearance.intake'],
    ],
    ['the same answered for', closest(1.4, { reason: 'run so before', by: 'AB' }), []],
    ['a clearance of just the least', closest(1.5), []],
    ['a limit taken off that never was', { ...spec, unlimited: ['bores.sparkle'] }, ['unknownLimit spec.unlimited.0']],
    ['a bore in °C', paper('bore', 83, 'degC'), ['wrongUnit spec.paper.bore.unit']],
    [
      'a rod shorter than half the stroke',
      paper('rodLength', 50.1),
      ['outOfRange spec.paper.rodLength.value', 'layout spec.paper.rodLength'].slice(spec.paper.stroke!.value / 2 < 50.1 ? 2 : 1),
    ],
    [
      'rods of one row on a pin',
      layout({ pins: [{ angleDeg: 0, cylinders: [1, 2] }, ...[3, 4, 5].map((one) => ({ angleDeg: 0, cylinders: [one] }))] }),
      ['firingOrder spec.layout.pins'],
    ],
    [
      'a drive without valves',
      layout({ valvesPerCylinder: 0 }),
      expect.arrayContaining(['layout spec.layout.valveDrive', 'layout spec.layout.strokes']),
    ],
    ['a two-stroke five', layout({ strokes: 2 }), ['firingOrder spec.layout.firingOrder', 'layout spec.layout.strokes']],
    ['timing at a cylinder it has not', layout({ degreedAt: [6] }), ['layout spec.layout.degreedAt']],
    ['timing at two cylinders of one bank', layout({ degreedAt: [1, 5] }), ['layout spec.layout.degreedAt']],
    ['a firing order that leaves one out', layout({ firingOrder: [1, 2, 4, 5, 5] }), ['firingOrder spec.layout.firingOrder']],
    // Its drive turns cams of an inline engine.
    [
      'five cylinders in two banks',
      layout({ kind: 'v', bankAngleDeg: 90 }),
      ['layout spec.layout.cylinders', 'noSuchPlace spec.drive.wheels.2.cam', 'noSuchPlace spec.drive.wheels.3.cam'],
    ],
    ['a single of five', layout({ kind: 'single' }), ['layout spec.layout.cylinders']],
    ['a gasket that is not on the shelf', choice({ gasket: 'nope' }), ['unknownChoice spec.choice.gasket']],
    ['a piston used twice', choice({ pistonInBore: [1, 2, 3, 4, 4] }), ['usedTwice spec.choice.pistonInBore']],
    ['four pistons for five bores', choice({ pistonInBore: [1, 2, 3, 4] }), ['usedTwice spec.choice.pistonInBore']],
    ['piston 6 of five', choice({ pistonInBore: [1, 2, 3, 4, 6] }), ['usedTwice spec.choice.pistonInBore']],
    ['all five, in another order', choice({ pistonInBore: [5, 2, 3, 4, 1] }), []],
    [
      'two gaskets of one id, and the chosen one gone',
      {
        ...spec,
        choice: { ...spec.choice, gasket: 'chosen' },
        stock: { ...spec.stock, gaskets: [spec.stock.gaskets[0]!, spec.stock.gaskets[0]!] },
      },
      ['unknownChoice spec.choice.gasket', 'doubleId spec.stock.gaskets.1.id'],
    ],
    [
      'a gasket without its bore',
      onShelf('gaskets', { id: 'g', name: 'G', source: 's', thicknessMm: 1 }),
      ['shape spec.stock.gaskets.0.boreMm'],
    ],
    ['one of no thickness', onShelf('gaskets', { ...thin, thicknessMm: 0 }), ['shape spec.stock.gaskets.0.thicknessMm']],
    ['one of wood', onShelf('gaskets', { ...thin, kind: 'wood' }), ['shape spec.stock.gaskets.0.kind']],
    ['one that says more than there is', onShelf('gaskets', { ...thin, colour: 'red' }), ['shape spec.stock.gaskets.0']],
    ['one that says all', onShelf('gaskets', { ...thin, kind: 'copper', thicknessToleranceMm: 0 }), []],
    ['two hundred halves', onShelf('shells', half(200)), []],
    ['one half more', onShelf('shells', half(201)), ['shape spec.stock.shells.0.halves']],
    ['half a half', onShelf('shells', half(0.5)), ['shape spec.stock.shells.0.halves']],
    ['a kind of part no bench has', onShelf('camshafts', thin), ['shape spec.stock.camshafts']],
  ])('%s', (_, of, issues) => expect(where(specIssues(of))).toEqual(issues))

  it('a shell half that is not on the shelf is named with its journal and half', () => {
    const shells = { m1: { upper: 'here', lower: 'gone', plannedOn: uuid(1) } }
    const stocked = {
      ...choice({ shells }),
      stock: { ...spec.stock, shells: [{ id: 'here', name: 'Here', fits: 'main', wallMm: 0, halves: 2, source: 'maker' }] },
    } as Spec
    expect(specIssues(stocked)).toEqual([{ code: 'unknownChoice', path: ['spec', 'choice', 'shells', 'm1', 'lower'], id: 'gone' }])
  })

  it('a gauge card whose unit measures something else is refused', () => {
    const cards = tern.gauges.map((card, index) => (index === 1 ? { ...card, unit: 'degC' as const } : card))
    expect(ofDocument({ ...tern, gauges: cards })).toEqual(['wrongUnit gauges.1.unit'])
  })
})
