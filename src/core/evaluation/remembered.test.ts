/** What is remembered is never other than what a build opened for the first time would be found to be. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  withEntries,
  withSpec,
  type Build,
  type BuildDocument,
  type Entry,
  type LimitId,
  type PaperKey,
  type Reading,
  type Spec,
  type Work,
} from '@/core/build'
import { restsOn } from '@/core/build/remembered'
import { withConsidered } from '@/core/build/work'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { find, petrelDocument, stamp, ternDocument, TODAY, withReading, withSpecOf } from '../../../tests/support/builds'
import { openBuild } from '../benches'
import { bores } from '../benches/bores'
import { evaluate } from './evaluate'

const SEEDS = 1000
const single = demoDocument({ ...DEMO_BUILDS[2]!, read: () => true }, TODAY)
/** Small engines oftener: a slip of what is remembered shows in one cylinder as in eight. */
const engines = fc.oneof(
  { weight: 8, arbitrary: fc.constant(single) },
  { weight: 1, arbitrary: fc.constant(ternDocument) },
  { weight: 1, arbitrary: fc.constant(petrelDocument) },
)

const pick = <One>(all: readonly One[], which: number): One | undefined => (all.length === 0 ? undefined : all[which % all.length])
const withPart = <Part extends keyof Spec>(build: Build, part: Part, change: (old: Spec[Part]) => Spec[Part]) =>
  withSpec(build, { ...build.spec, [part]: change(build.spec[part]) })
const add = (build: Build, more: object) => withEntries(build, [{ ...stamp(), ...more } as Entry])
const readings = (build: Build) => build.entries.filter((one): one is Reading & Entry => one.kind === 'reading')
const METHODS = [
  { bore: 'measured' },
  { bore: 'paper' },
  { bearings: 'separate' },
  { ringDepths: 3 },
  { squish: 'none' },
  { rule: 'probable' },
  { deckPlaces: 2 },
  { chamberRepeats: 2 },
  { ringGrooves: true },
] as const

/** A change of anything a build holds: which one and by how much is a matter of two numbers. */
const CHANGES: Readonly<Record<string, (build: Build, which: number, by: number) => Build>> = {
  correct: (build, which, by) => {
    const reading = pick(readings(build), which)
    const strokes = which % 5 === 0 ? 3 : undefined
    return reading ? add(build, { ...reading, ...stamp(), value: Math.abs(reading.value + by), supersedes: reading.id, strokes }) : build
  },
  file: (build, which, by) => {
    const ring = pick(
      readings(build).filter(({ characteristic }) => characteristic === 'rings.topGap'),
      which,
    )
    return ring ? add(build, { ...ring, ...stamp(), value: ring.value + Math.abs(by), supersedes: ring.id, strokes: 5 }) : build
  },
  strike: (build, which) => add(build, { kind: 'strike', target: pick(readings(build), which)?.id, reason: 'x' }),
  strikeLatest: (build) => add(build, { kind: 'strike', target: readings(build).at(-1)?.id, reason: 'x' }),
  undo: (build, which) => add(build, { kind: 'undo', target: pick(build.entries, which)?.id }),
  undoLatest: (build) => add(build, { kind: 'undo', target: build.entries.at(-1)?.id }),
  move: (build, which) => {
    const reading = pick(readings(build), which)!
    return add(build, { kind: 'move', target: reading.id, place: { ...reading.place, cylinder: 1 }, reason: 'x' })
  },
  check: (build, which) =>
    add(build, {
      kind: 'check',
      characteristic: pick(['bearings.thrustAligned', 'bearings.mainsTorqued'], which),
      place: {},
      passed: which % 3 > 0,
    }),
  paper: (build, which, by) => {
    const key = pick(Object.keys(build.spec.paper) as PaperKey[], which)!
    return withPart(build, 'paper', (paper) => {
      const old = paper[key]
      return { ...paper, [key]: which % 4 === 0 || !old ? undefined : { ...old, value: old.value * (1 + by / 20) } }
    })
  },
  limit: (build, which, by) => {
    const name = pick(Object.keys(build.spec.limits) as LimitId[], which)!
    return withPart(build, 'limits', ({ [name]: limit, ...others }) =>
      which % 2 === 0 || !limit ? others : { ...others, [name]: { ...limit, upper: 1 + by } },
    )
  },
  method: (build, which) => withPart(build, 'methods', (old) => ({ ...old, ...pick(METHODS, which)! })),
  gasket: (build, which) => withPart(build, 'choice', (old) => ({ ...old, gasket: pick(build.spec.stock.gaskets, which)?.id })),
  pistons: (build, which) => {
    const marks = Array.from({ length: build.spec.layout.cylinders }, (_, index) => index + 1)
    return withPart(build, 'choice', (old) => ({
      ...old,
      pistonInBore: which % 2 === 0 ? [...marks.slice(1), marks[0]!] : undefined,
      chosenAfter: { ...old.chosenAfter, pistons: pick(build.entries, which)?.id },
    }))
  },
  materials: (build, which) =>
    withPart(build, 'materials', (old) => (which % 2 === 0 ? { ...old, bore: 'castAluminium' } : { ...old, crank: 'ductileIron' })),
  duty: (build, _, by) => withPart(build, 'duty', (old) => ({ ...old, boostKpa: Math.abs(by) * 500 })),
  gauge: (build, which, by) => {
    const gauge = pick([...build.gauges.values()], which)!
    return { ...build, gauges: new Map([...build.gauges, [gauge.id, { ...gauge, bias: by / 100, checkedOn: '2026-01-01' }]]) }
  },
  deckCut: (build, _, by) => withConsidered(build, [{ what: 'deckCut', by }]),
  headCut: (build, _, by) => withConsidered(build, [{ what: 'headCut', by }]),
  hone: (build, _, by) => withConsidered(build, [{ what: 'hone', cylinder: 1, by }]),
  fileWork: (build, _, by) => withConsidered(build, [{ what: 'ringGap', ring: 'top', cylinder: 1, by }]),
  lighten: (build, _, by) => withConsidered(build, [{ what: 'lighten', cylinder: 1, by }]),
  openChamber: (build, _, by) => withConsidered(build, [{ what: 'openChamber', cylinder: 1, by }]),
  plan: (build, which, by) => {
    const work: Work = pick<Work>(
      [
        { what: 'deckCut', by },
        { what: 'hone', cylinder: 1, by },
        { what: 'ringGap', ring: 'top', cylinder: 1, by },
        { what: 'headCut', by },
      ],
      which,
    )!
    return withSpec(build, {
      ...build.spec,
      planned: [...(build.spec.planned ?? []), { id: stamp().id, work, after: pick(build.entries, which)?.id }],
    })
  },
}
const anyChange = fc.record({
  kind: fc.constantFrom(...Object.keys(CHANGES)),
  which: fc.integer({ min: 0, max: 9999 }),
  by: fc.double({ min: -0.2, max: 0.2, noNaN: true }),
})

/** All that a finding says, but for how its sums open. */
const said = (build: Build) => JSON.stringify(evaluate(build), (key, value) => (key === 'origin' ? undefined : value))
/** The same build, as if it were opened for the first time. */
const fresh = (build: Build): Build => ({
  ...openBuild({ id: build.id, spec: build.spec, gauges: [...build.gauges.values()], entries: [...build.entries] }),
  considered: build.considered,
})

describe('an evaluation remembered', () => {
  it(`is that of the build opened for the first time, whatever was changed, in whatever order (${SEEDS} times)`, () => {
    const opened = new Map<BuildDocument, Build>()
    fc.assert(
      fc.property(engines, fc.array(anyChange, { minLength: 1, maxLength: 4 }), (document, changes) => {
        // One memory for all that is ever made of an engine: the longest one there could be.
        const start = opened.get(document) ?? openBuild(document)
        opened.set(document, start)
        let build = start
        for (const { kind, which, by } of changes) {
          build = CHANGES[kind]!(build, which, by)
          evaluate(build)
        }
        expect(said(build)).toBe(said(fresh(build)))
      }),
      { numRuns: SEEDS, seed: 2026 },
    )
  }, 240_000)

  it('gives back the very findings that nothing has touched', () => {
    const tern = openBuild(ternDocument)
    const before = new Map(evaluate(tern).map((finding) => [finding.id, finding]))
    const after = evaluate(withReading(tern, 'bores.skirt', { cylinder: 2 }, 82.91, 'mic-metric.1'))
    const others = after.filter((finding) => before.get(finding.id) !== finding).map(({ id }) => id)
    expect(others).toEqual(['bores.clearance.2', 'bores.clearanceSpread'])
    expect(evaluate(tern).every((finding) => before.get(finding.id) === finding)).toBe(true)
  })

  it('knows what each finding rests on: readings, paper, methods, limits and other quantities, itself or through them', () => {
    const tern = openBuild(ternDocument)
    evaluate(tern)
    const names = (id: string, source: string) =>
      restsOn(tern, id)
        .filter((use) => use.source === source)
        .map(({ key }) => key)
    expect(names('bores.clearance.2', 'reading').sort()).toEqual([
      ...['bottom', 'middle', 'top'].flatMap((depth) => [`bores.bore/c2/${depth}-pin`, `bores.bore/c2/${depth}-thrust`]),
      'bores.skirt/c2',
    ])
    expect(names('bores.clearance.2', 'quantity')).toContain('smallestBore/2')
    expect(names('bores.clearance.2', 'limits')).toEqual(['bores.clearance'])
    expect(names('bores.clearance.2', 'choice')).toEqual(['pistonInBore'])
    expect(names('compression.compressionRatio.1', 'paper')).toEqual(expect.arrayContaining(['stroke', 'rodLength', 'landHeight']))
    expect(names('compression.compressionRatio.1', 'methods')).toEqual(expect.arrayContaining(['bore', 'chamber', 'gasket', 'rule']))
    expect(restsOn(tern, 'never.derived')).toEqual([])
  })

  it('asks of the spec by name: a derivation that asks for all of it is told so', () => {
    const tern = openBuild(ternDocument)
    const { finding } = { finding: find(bores, tern, 'bores.clearance.2') }
    expect(finding.limit).toBe(tern.spec.limits['bores.clearance'])
    const unlimited = withSpecOf(tern, (spec) => ({ ...spec, limits: {} }))
    expect(find(bores, unlimited, 'bores.clearance.2').limit).toBeUndefined()
  })
})
