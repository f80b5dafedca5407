import { readFileSync } from 'node:fs'
import path from 'node:path'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '@/demo/scenario'
import { demoDocument } from '@/demo/readings'
import { BENCHES, openBuild, withUsual } from '../benches'
import { partsOf } from '../parts'
import { BUILD_VERSION, withPresentName, type BuildDocument, type Entry } from '../document'
import { evaluate } from '../evaluation/evaluate'
import { migrateDocument, migrateSpec } from '../document/migrations'
import { firingIntervals, firingIssues, sharedPins } from '../geometry/crank'
import { jointsOf, tightRunOf } from '../joints'
import { readBuildFile, readBuildJson, writeBuildFile } from './buildFile'
import { NOT_SAID } from '../document/duty'

const TODAY = new Date('2026-03-01T12:00:00Z')
const tern = demoDocument(DEMO_BUILDS[0]!, TODAY)

const SAMPLES = path.resolve(import.meta.dirname, '../../../tests/reference/samples')
const sampleOf = (version: number) => readFileSync(path.join(SAMPLES, `build.v${version}.kalibros.json`), 'utf8')
/** Every name a sample uses, with the bench it belongs to now. */
const BENCH_OF: Readonly<Record<string, string>> = Object.fromEntries(
  BENCHES.flatMap(({ definition: { characteristics, limits, checks } }) =>
    Object.keys({ ...characteristics, ...limits, ...checks }).map((name) => [name.split('.')[1], name]),
  ),
)
const withBench = (entry: { characteristic: string }) => ({ ...entry, characteristic: BENCH_OF[entry.characteristic] })
const migrated = (version: number) => migrateDocument(JSON.parse(sampleOf(version))) as BuildDocument

/** The document with one thing changed by hand, as a person with an editor would. */
function edited(change: (json: any) => void) {
  const json = JSON.parse(writeBuildFile(tern))
  change(json)
  return readBuildJson(json)
}

/** Faces and finishes came with version 13. */
const LATER_AT_THE_BORES = new Set(['boreFinish', 'crosshatch', 'faceGap', 'faceFinish', 'newWashed'].map((name) => `bores.${name}`))

describe('build files', () => {
  it.each(DEMO_BUILDS.map((demo) => [demo.spec.name, demo] as const))('%s reads back as it was written', (_, demo) => {
    const document = demoDocument(demo, TODAY)
    expect(readBuildFile(writeBuildFile(document))).toEqual({ ok: true, document })
  })

  it('names a truncated file, a stranger’s file and a newer version', () => {
    const codeOf = (result: ReturnType<typeof readBuildFile>) => (result.ok ? 'ok' : result.issues[0]!.code)
    expect(codeOf(readBuildFile(writeBuildFile(tern).slice(0, 5000)))).toBe('notJson')
    expect(codeOf(readBuildFile('{"format":"something-else"}'))).toBe('notABuildFile')
    expect(codeOf(readBuildFile('[1,2]'))).toBe('notABuildFile')
    expect(
      codeOf(
        edited((json) => {
          json.version = 99
        }),
      ),
    ).toBe('newerVersion')
  })

  it('says what a rule of its own found wrong, in the words of that rule', () => {
    const issuesOf = (change: (json: any) => void) => {
      const read = edited(change)
      return read.ok ? [] : read.issues
    }
    const { at, by } = tern.entries[0]!
    const unreasoned = { id: '01920000-0000-7000-8000-0000000000aa', kind: 'step', at, by, step: 'final.pan', did: 'leftOut' }
    const path = ['entries', tern.entries.length]
    expect(issuesOf((json) => json.entries.push(unreasoned))).toEqual([{ code: 'shape', path, detail: 'this wants a reason' }])
    expect(
      issuesOf((json) => {
        json.spec.limits['compression.quench'] = { source: 'x', reason: '' }
      }).map((issue) => 'detail' in issue && issue.detail),
    ).toEqual(['a limit needs a lower or an upper bound'])
  })

  it.each([
    [
      'a value that is text',
      (json: any) => {
        json.entries[30].value = '0.05'
      },
      ['entries', 30, 'value'],
    ],
    [
      'a reading whose gauge is not in the file',
      (json: any) => {
        json.entries[20].gauge = 'gone'
      },
      ['entries', 20, 'gauge'],
    ],
    [
      'an id used twice',
      (json: any) => {
        json.entries[5].id = json.entries[4].id
      },
      ['entries', 5, 'id'],
    ],
    [
      'a cylinder that never fires',
      (json: any) => {
        json.spec.layout.firingOrder = [1, 2, 4, 5, 5]
      },
      ['spec', 'layout', 'firingOrder'],
    ],
    [
      'a limit upside down',
      (json: any) => {
        json.spec.limits['compression.quench'] = { lower: 2, upper: 1, source: 'x', reason: '' }
      },
      ['spec', 'limits', 'compression.quench'],
    ],
    [
      'a gasket chosen that is not in stock',
      (json: any) => {
        json.spec.choice.gasket = 'nope'
      },
      ['spec', 'choice', 'gasket'],
    ],
  ])('refuses %s and says where', (_, change, path) => {
    const result = edited(change)
    expect(result.ok ? [] : result.issues.map((issue) => issue.path)).toContainEqual(path)
  })

  it.each([1, 2])('brings a file of version %i to this version, every reading as it was, and opens it', (version) => {
    const old = JSON.parse(sampleOf(version))
    const result = readBuildFile(sampleOf(version))
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    const { document } = result
    expect(old.version).toBe(version)
    expect(document).toMatchObject({ version: BUILD_VERSION, id: old.id, gauges: old.gauges, entries: old.entries.map(withBench) })
    expect(document.spec).toMatchObject({
      paper: old.spec.paper,
      limits: Object.fromEntries(Object.entries(old.spec.limits).map(([name, limit]) => [BENCH_OF[name], limit])),
      layout: { ...old.spec.layout, mains: 5, mainBearings: 'plain', rodBearings: 'plain' },
      stock: { gaskets: old.spec.stock.gaskets },
    })
    expect(firingIssues(document.spec.layout)).toEqual([])
    expect(withUsual(migrateSpec(old.spec, version))).toEqual(document.spec)
    expect(migrateSpec(document.spec, BUILD_VERSION)).toEqual(document.spec)
  })

  it('reads a file of version 3 under the names of this one: every reading, check, note and limit, and what follows from them', () => {
    const old = JSON.parse(sampleOf(3))
    const result = readBuildFile(sampleOf(3))
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    const { entries, spec } = result.document
    expect(entries.map(({ id }) => id)).toEqual(old.entries.map(({ id }: Entry) => id))
    // As the program that wrote the file found them.
    const findings = JSON.parse(readFileSync(path.join(SAMPLES, 'build.v3.findings.json'), 'utf8'))
    const found = evaluate(openBuild(result.document)).filter(({ figure }) => figure)
    expect(Object.fromEntries(found.map(({ id, figure, conformity }) => [id, [figure!.value.value, conformity?.verdict ?? null]]))).toEqual(
      findings,
    )
    expect(Object.keys(spec.limits)).toHaveLength(Object.keys(old.spec.limits).length)
    expect(spec.unlimited).toEqual(['bearings.spinRise'])
    // Rod bolts, cams and valve clearance came later.
    const benches = BENCHES.filter(({ id }) => !['fasteners', 'cam', 'clearance'].includes(id))
    const isOld = (name: string) => !LATER_AT_THE_BORES.has(name)
    const measured = new Set(benches.flatMap(({ definition }) => Object.keys(definition.characteristics)).filter(isOld))
    const looked = new Set(benches.flatMap(({ definition }) => Object.keys(definition.checks ?? {})).filter(isOld))
    expect(new Set(entries.flatMap((entry) => (entry.kind === 'note' ? [entry.characteristic] : [])))).toEqual(measured)
    expect(new Set(entries.flatMap((entry) => (entry.kind === 'check' ? [entry.characteristic] : [])))).toEqual(looked)
    expect(readBuildFile(writeBuildFile(result.document))).toEqual(result)
  })

  it('reads a file of version 4 as it was; its joints are the usual ones, which nobody has planned', () => {
    const old = JSON.parse(sampleOf(4))
    const result = readBuildFile(sampleOf(4))
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    expect(result.document).toEqual({ ...old, version: BUILD_VERSION, spec: withUsual(old.spec) })
    expect(result.document.spec).not.toHaveProperty('joints')
    expect(jointsOf(result.document.spec).map(({ id }) => id)).toContain('head-left')
  })

  it('reads a file of version 5 as it was: nothing of it was read at a bolt', () => {
    const old = JSON.parse(sampleOf(5))
    const result = readBuildFile(sampleOf(5))
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    expect(result.document).toEqual({ ...old, version: BUILD_VERSION, spec: withUsual(old.spec) })
    expect(result.document.spec.methods.rodBolts).toBe('torque')
  })

  it('reads a file of version 6 as it was, its joints and the readings of its bolts with it', () => {
    const old = JSON.parse(sampleOf(6))
    const result = readBuildFile(sampleOf(6))
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    expect(result.document).toEqual({ ...old, version: BUILD_VERSION, spec: withUsual(old.spec) })
    expect(result.document.entries.filter(({ kind }) => kind === 'reading')).toHaveLength(
      old.entries.filter((one: Entry) => one.kind === 'reading').length,
    )
    expect(result.document.spec.joints).toEqual(old.spec.joints)
  })

  it('refuses a drive that turns a cam the engine has not, or has two wheels of one id', () => {
    const old = JSON.parse(sampleOf(7))
    const wheels = [
      { id: 'w1', what: 'crank', name: 'crank' },
      { id: 'w2', what: 'cam', name: 'cam', cam: 'intake-left' },
    ]
    const issuesOf = (of: readonly object[]) => {
      const drive = { kind: 'chain', neverBack: false, wheels: of }
      const result = readBuildFile(JSON.stringify({ ...old, version: BUILD_VERSION, spec: { ...old.spec, drive } }))
      return result.ok ? [] : result.issues
    }
    expect(issuesOf(wheels)).toEqual([
      { code: 'noSuchPlace', path: ['spec', 'drive', 'wheels', 1, 'cam'], what: 'cam', got: 'intake-left', most: 2 },
    ])
    expect(issuesOf([wheels[0]!, { ...wheels[1], cam: 'intake' }])).toEqual([])
    expect(issuesOf([wheels[0]!, { ...wheels[1], cam: 'intake', id: 'w1' }])).toMatchObject([
      { code: 'shape', path: ['spec', 'drive', 'wheels'] },
    ])
  })

  it('reads a file of version 7 as it was, with what was read at its cams', () => {
    const old = JSON.parse(sampleOf(7))
    const result = readBuildFile(sampleOf(7))
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    expect(result.document).toEqual({ ...old, version: BUILD_VERSION, spec: withUsual(old.spec) })
    expect(result.document.entries.filter((one) => one.kind === 'reading' && one.characteristic === 'cam.event')).toHaveLength(4)
  })

  it('reads a file of version 8 as it was: no valve was read over its piston, and the usual way is to', () => {
    const old = JSON.parse(sampleOf(8))
    const result = readBuildFile(sampleOf(8))
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    expect(result.document).toEqual({ ...old, version: BUILD_VERSION, spec: withUsual(old.spec) })
    expect([old.spec.methods.clearanceDrop, result.document.spec.methods.clearanceDrop]).toEqual([undefined, true])
  })

  it('reads a file of version 9 as it was: nothing laid into its gaskets, and nothing on that shelf', () => {
    const old = JSON.parse(sampleOf(9))
    const result = readBuildFile(sampleOf(9))
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    expect(result.document).toEqual({ ...old, version: BUILD_VERSION, spec: withUsual(old.spec) })
    expect([old.spec.stock.layers, result.document.spec.stock.layers]).toEqual([undefined, []])
    expect(result.document.spec.planned?.map(({ work, despite }) => [work.what, despite?.by])).toEqual([
      ['cutPocket', undefined],
      ['turnCam', 'KV'],
    ])
  })

  it('reads a file of version 10 as it was: its walk, and no part on any list', () => {
    const old = JSON.parse(sampleOf(10))
    const result = readBuildFile(sampleOf(10))
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    expect(result.document).toEqual({ ...old, version: BUILD_VERSION, spec: withUsual(old.spec) })
    expect(result.document.entries.filter(({ kind }) => kind === 'step' || kind === 'change')).toHaveLength(17)
    expect(partsOf(openBuild(result.document))).toEqual([])
  })

  it('of version 12: a bore spacing made from the bore is not known, and rods keep their pin under the numbers they have now', () => {
    const old = JSON.parse(sampleOf(12))
    expect(old.spec.layout.pins[0].cylinders).toEqual([1, 2])
    const result = readBuildFile(sampleOf(12))
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    const { layout, duty } = result.document.spec
    expect([layout.boreSpacingMm, duty.redlineRpm]).toEqual([undefined, 10_500])
    // Left bank 1 to 4, right bank 5 to 8: a pin carries one of each.
    expect(layout.pins.map(({ cylinders }) => cylinders)).toEqual([
      [1, 5],
      [2, 6],
      [3, 7],
      [4, 8],
    ])
    expect(layout.firingOrder).toEqual([1, 8, 6, 2, 7, 3, 4, 5])
    const typed = { ...old, spec: { ...old.spec, layout: { ...old.spec.layout, boreSpacingMm: 98 } } }
    expect((migrateDocument(typed) as BuildDocument).spec.layout.boreSpacingMm).toBe(98)
  })

  it('reads a file of version 11 as it was: its parts and damage, and a joint its run left tight', () => {
    const old = JSON.parse(sampleOf(11))
    const result = readBuildFile(sampleOf(11))
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    expect(result.document).toEqual({ ...old, version: BUILD_VERSION, spec: withUsual(old.spec) })
    const build = openBuild(result.document)
    expect(partsOf(build).map(({ name, promised }) => [name, promised])).toEqual([['Gaskets and seals', '2026-03-10']])
    const pulls = result.document.entries.filter((entry) => entry.kind === 'pull')
    expect(jointsOf(build.spec).flatMap((joint) => (tightRunOf(joint, pulls) ? [joint.id] : []))).toEqual(['head'])
  })

  it.each([
    ['ringTop', 'rings.topGap'],
    ['deck', 'compression.deck'],
    ['rings.topGap', 'rings.topGap'],
    ['never a name', 'never a name'],
  ])('an entry kept through an update: %s is %s now', (name, present) => {
    expect(withPresentName({ id: 'x', characteristic: name })).toEqual({ id: 'x', characteristic: present })
    expect(withPresentName({ id: 'x', target: name })).toEqual({ id: 'x', target: name })
    expect([withPresentName(null), withPresentName(name)]).toEqual([null, name])
  })

  it('keeps the words of an old duty, takes from them only what they say for sure, and lets presets follow paper', () => {
    const { spec } = migrated(2)
    expect(spec.duty).toMatchObject({
      use: 'sustained',
      useWords: 'lake racing, sustained full throttle',
      fuel: 'petrol',
      fuelWords: '110 octane leaded',
    })
    expect(spec.limits['bores.clearance']).toMatchObject({ follows: true })
    expect(spec.limits['compression.quench']).not.toHaveProperty('follows')
    const duty = (use: string, fuel: string) =>
      migrateSpec({ ...JSON.parse(sampleOf(2)).spec, duty: { use, fuel, boostKpa: 0, redlineRpm: 7000 } }, 2).duty
    expect(duty('road racing', 'E85')).toMatchObject({ use: 'competition', fuel: 'ethanolBlend' })
    expect(duty('commuter', 'pump')).toMatchObject({ use: 'street', fuel: 'petrol' })
    expect(duty('drag strip', 'methanol')).toMatchObject({ use: 'drag', fuel: 'methanol' })
    expect(duty('', '')).toMatchObject({ use: NOT_SAID, fuel: NOT_SAID })
  })

  it('gives an old layout the crank its firing order was written for', () => {
    expect(sharedPins(migrated(2).spec.layout).map(({ cylinders }) => cylinders)).toEqual([
      [1, 2],
      [3, 4],
      [5, 6],
      [7, 8],
    ])
    const layout = (change: object) =>
      migrateSpec({ ...JSON.parse(sampleOf(2)).spec, layout: { ...JSON.parse(sampleOf(2)).spec.layout, ...change } }, 2).layout
    // Flat-plane order on a V8: the flat-plane crank.
    const flat = layout({ firingOrder: [1, 8, 3, 6, 7, 2, 5, 4] })
    expect(firingIssues(flat)).toEqual([])
    // Uneven intervals are kept, each rod on a pin of its own: nothing was known of shared ones.
    const odd = layout({ cylinders: 2, bankAngleDeg: 45, firingOrder: [1, 2], firingIntervalsDeg: [405, 315] })
    expect([...firingIntervals(odd)].sort()).toEqual([315, 405])
    expect(odd).not.toHaveProperty('firingIntervalsDeg')
  })

  it('applies migration steps in order and leaves the input alone', () => {
    const old = Object.freeze({ version: 1, a: 1 })
    const steps = { 1: (d: any) => ({ ...d, b: d.a + 1 }), 2: (d: any) => ({ ...d, c: d.b + 1 }) }
    expect(migrateDocument(old, steps)).toEqual({ version: 3, a: 1, b: 2, c: 3 })
    expect(old).toEqual({ version: 1, a: 1 })
  })
})
