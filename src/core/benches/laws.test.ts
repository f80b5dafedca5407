/** Laws that hold at every bench, whatever was measured. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { withEntries, type Build, type BuildDocument, type Entry, type Reading } from '@/core/document'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { standardUncertainty } from '../metrology'
import { BENCHES, openBuild, PAPER, sheetsOf, standsOut, uncertaintyBudget, type Finding } from '.'
import { rowOf } from '../bench/sheets'

const TODAY = new Date('2026-03-01T12:00:00Z')
const DOCUMENTS = DEMO_BUILDS.map((demo) => demoDocument(demo, TODAY))
const [tern, petrel] = DOCUMENTS as [BuildDocument, BuildDocument]
const FULL = [
  ['Tern', tern],
  ['Petrel', petrel],
] as const

const findings = (build: Build): readonly Finding[] => BENCHES.flatMap((bench) => bench.derive(build))
const values = (build: Build) =>
  findings(build).map(({ id, output, figure, conformity }) => [output, id, figure?.value.value, conformity?.verdict])
const known = (build: Build) => new Set(findings(build).flatMap(({ id, output, figure }) => (figure ? [`${output} ${id}`] : [])))
/** Any few readings of a build. */
const someOf = (document: BuildDocument) => fc.uniqueArray(fc.nat(document.entries.length - 1), { minLength: 1, maxLength: 12 })

describe.each(FULL)('what follows from the readings of %s', (_, document) => {
  const build = openBuild(document)

  it('is the same every time it is asked', () => {
    expect(values(openBuild(structuredClone(document)))).toEqual(values(build))
  })

  it('is known from no fewer readings than all it rests on: taking some away never makes anything known', () => {
    const all = known(build)
    fc.assert(
      fc.property(someOf(document), (left) => {
        const fewer = known(openBuild({ ...document, entries: document.entries.filter((_entry, index) => !left.includes(index)) }))
        for (const id of fewer) expect(all).toContain(id)
      }),
      { numRuns: 15 },
    )
  })

  it('has an id of its own at its bench, an output its bench defines, and a limit with a source or none', () => {
    for (const bench of BENCHES) {
      const found = bench.derive(build)
      expect(new Set(found.map(({ id }) => id)).size).toBe(found.length)
      for (const { output, limit, figure, conformity, missing } of found) {
        expect(bench.definition.outputs[output]).toBeDefined()
        expect(conformity !== undefined).toBe(limit !== undefined && figure !== undefined)
        expect(figure === undefined).toBe(missing.length > 0)
        if (limit) expect(limit.source).not.toBe('')
      }
    }
  })

  it('names in its budget whole shares of its own uncertainty', () => {
    for (const { figure } of findings(build)) {
      if (!figure || standardUncertainty(figure.value) === 0) continue
      const shares = uncertaintyBudget(build, PAPER, figure.value).map(({ share }) => share)
      expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 6)
      expect(shares.toSorted((a, b) => b - a)).toEqual(shares)
    }
  })

  it('moves back with an undo, as if the reading had never been typed', () => {
    const readings = document.entries.filter((entry): entry is Reading => entry.kind === 'reading')
    fc.assert(
      fc.property(fc.nat(readings.length - 1), fc.double({ min: 0.98, max: 1.02, noNaN: true }), (index, factor) => {
        const old = readings[index]!
        const again: Entry = { ...old, id: 'ffffffff-0000-7000-8000-000000000001', value: old.value * factor, supersedes: old.id }
        const undo: Entry = { kind: 'undo', id: 'ffffffff-0000-7000-8000-000000000002', at: old.at, by: old.by, target: again.id }
        expect(values(withEntries(build, [again, undo]))).toEqual(values(build))
      }),
      { numRuns: 8 },
    )
  })

  it('is never surer with worse gauges', () => {
    const worse = openBuild({
      ...document,
      gauges: document.gauges.map((gauge) => ({
        ...gauge,
        repeatability: gauge.repeatability * 2,
        biasU: gauge.biasU * 2,
        scaleU: (gauge.scaleU ?? 0) * 2,
      })),
    })
    const before = findings(build)
    const after = new Map(findings(worse).map((finding) => [`${finding.output} ${finding.id}`, finding]))
    for (const { id, output, figure } of before) {
      if (figure)
        expect(standardUncertainty(after.get(`${output} ${id}`)!.figure!.value)).toBeGreaterThanOrEqual(
          standardUncertainty(figure.value) * (1 - 1e-9),
        )
    }
  })

  it('stands out only where it is out or in doubt, and what is measured out before what is in doubt', () => {
    for (const bench of BENCHES) {
      const out = standsOut(bench.definition, bench.derive(build))
      expect(out.every(({ conformity }) => conformity!.verdict !== 'within')).toBe(true)
      const measured = out.filter(({ output }) => !bench.definition.outputs[output]!.estimate).map(({ conformity }) => conformity!.verdict)
      const firstUncertainty = measured.indexOf('inDoubt')
      if (firstUncertainty !== -1) expect(new Set(measured.slice(firstUncertainty))).toEqual(new Set(['inDoubt']))
    }
  })
})

describe('the sheet of every bench', () => {
  it.each(DOCUMENTS.map((document) => [document.spec.name, openBuild(document)] as const))('of %s holds every place once', (_, build) => {
    for (const bench of BENCHES) {
      const stations = bench.stations(build)
      const ruled = sheetsOf(stations).flatMap(({ rows }) => rows.flatMap((row) => [...row.stations.values()].map(({ id }) => id)))
      expect(ruled.toSorted()).toEqual(stations.map(({ id }) => id).toSorted())
    }
  })

  it('counts as the row of a place its neighbours across, not its namesakes in another sheet', () => {
    const build = openBuild(petrel)
    const stations = BENCHES.find(({ id }) => id === 'bearings')!.stations(build)
    const main =
      stations.find(({ id }) => id === 'bearings.mainJournal/m2/front/vertical') ?? stations.find(({ place }) => place.main === 2)!
    const row = rowOf(main, stations)
    expect(row.map(({ place }) => place.main)).toEqual([1, 2, 3, 4, 5])
    expect(new Set(row.map(({ characteristic }) => characteristic))).toEqual(new Set([main.characteristic]))
    for (const station of stations) expect(rowOf(station, stations)).toContain(station)
  })
})
