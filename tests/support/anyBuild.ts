/** Any build in any state: engines, and changes of everything that a build holds. */
import fc from 'fast-check'
import { openBuild } from '@/core/benches'
import {
  withEntries,
  withSpec,
  type Build,
  type Entry,
  type LimitId,
  type PaperKey,
  type Reading,
  type Spec,
  type Work,
} from '@/core/document'
import { withConsidered } from '@/core/document/work'
import { evaluate } from '@/core/evaluation/evaluate'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { petrelDocument, stamp, ternDocument, TODAY } from './builds'

const single = demoDocument({ ...DEMO_BUILDS[2]!, read: () => true }, TODAY)
/** Small engines oftener: a slip of what is remembered shows in one cylinder as in eight. */
export const anyEngine = fc.oneof(
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
export const CHANGES: Readonly<Record<string, (build: Build, which: number, by: number) => Build>> = {
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
export const anyChange = fc.record({
  kind: fc.constantFrom(...Object.keys(CHANGES)),
  which: fc.integer({ min: 0, max: 9999 }),
  by: fc.double({ min: -0.2, max: 0.2, noNaN: true }),
})

/** All that a finding says, but for how its sums open. */
export const said = (build: Build) => JSON.stringify(evaluate(build), (key, value) => (key === 'origin' ? undefined : value))
/** The same build, as if it were opened for the first time. */
export const fresh = (build: Build): Build => ({
  ...openBuild({ id: build.id, spec: build.spec, gauges: [...build.gauges.values()], entries: [...build.entries] }),
  considered: build.considered,
})
