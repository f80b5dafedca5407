import { describe, expect, it } from 'vitest'
import { benchOf, withSpec, type Id, type Methods, type PaperDefinition, type PaperKey } from '@/core/document'
import { restsOn } from '@/core/document/remembered'
import { petrelDocument, ternDocument } from '../../../tests/support/builds'
import { BENCHES, benchById, GROWTH, isBenchId, METHODS, methodsOf, openBuild, PAPER, STOCK, startingLimits, withUsual } from '.'

/** What the build file, the door, CSV, paper page, gauge drawer, book and terminal are put together from. */
const builds = [ternDocument, petrelDocument].map(openBuild)
const ids = (of: (bench: (typeof BENCHES)[number]) => object | undefined) =>
  BENCHES.flatMap((bench) => Object.keys(of(bench) ?? {}).map((id) => [id, bench.id] as const))
const twice = (all: readonly (readonly [string, string])[]) => all.filter(([id], index) => all.findIndex(([other]) => other === id) < index)

describe('every name is one bench’s', () => {
  it('characteristics, limits and checks: a reading, a limit or a tick belongs to one bench alone', () => {
    expect(twice(ids(({ definition }) => definition.characteristics))).toEqual([])
    expect(twice(ids(({ definition }) => definition.limits))).toEqual([])
    expect(twice(ids(({ definition }) => definition.checks))).toEqual([])
    const characteristics = new Set(ids(({ definition }) => definition.characteristics).map(([id]) => id))
    expect(ids(({ definition }) => definition.checks).filter(([id]) => characteristics.has(id))).toEqual([])
  })

  it('and says whose it is: a name begins with its bench', () => {
    const parts = ['characteristics', 'outputs', 'limits', 'checks'] as const
    const strangers = parts.flatMap((part) =>
      ids(({ definition }) => definition[part]).filter(([id, bench]) => benchOf(id as Id) !== bench),
    )
    expect(strangers).toEqual([])
  })

  it('benches are found by their name, and by no other', () => {
    for (const bench of BENCHES) expect(benchById(bench.id)).toBe(bench)
    expect([isBenchId('rings'), isBenchId('ring'), isBenchId('')]).toEqual([true, false, false])
  })
})

describe('every name leads somewhere', () => {
  it.each(BENCHES.map((bench) => [bench.id, bench.definition] as const))('%s', (_, { characteristics, outputs, limits, paper }) => {
    for (const [id, { limit }] of Object.entries(outputs)) if (limit !== undefined) expect(Object.keys(limits), id).toContain(limit)
    for (const [id, { judgedBy }] of Object.entries(characteristics))
      if (judgedBy !== undefined) expect(Object.keys(outputs), id).toContain(judgedBy)
    for (const [id, { grows }] of Object.entries(characteristics))
      if (grows && 'sizeOnPaper' in grows) expect(Object.keys(paper), id).toContain(grows.sizeOnPaper)
    for (const [id, { kind, units, limit }] of Object.entries(outputs))
      if (limit) expect([kind, units], id).toEqual([limits[limit]!.kind, limits[limit]!.units])
  })

  it('presets, stations and findings use what their bench declares', () => {
    const limits = new Set(ids(({ definition }) => definition.limits).map(([id]) => id))
    for (const build of builds) {
      expect(Object.keys(startingLimits(build.spec)).filter((key) => !limits.has(key))).toEqual([])
      for (const bench of BENCHES) {
        const { characteristics, outputs } = bench.definition
        expect(bench.stations(build).filter(({ characteristic }) => !(characteristic in characteristics))).toEqual([])
        expect(bench.derive(build).filter(({ output }) => !(output in outputs))).toEqual([])
      }
    }
  })

  it('every number on paper a finding rests on or wants is declared by its bench: the bench can name it', () => {
    const asked = builds.flatMap((full) =>
      [full, withSpec(full, { ...full.spec, paper: {} })].flatMap((build) =>
        BENCHES.flatMap(({ derive, definition }) =>
          derive(build).flatMap((finding) => {
            const rested = restsOn(build, finding.id).flatMap(({ source, key }) => (source === 'paper' ? [String(key)] : []))
            const wanted = finding.missing.flatMap((missing) => (missing.kind === 'paper' ? [missing.key] : []))
            return [...rested, ...wanted].filter((key) => !(key in definition.paper)).map((key) => `${finding.output}: ${key}`)
          }),
        ),
      ),
    )
    expect([...new Set(asked)]).toEqual([])
  })

  it('what a bench says of the whole engine is of its own readings: what they wait for, what makes them stale, what proofs rest on', () => {
    for (const { id, definition, steps, staleBy, proofs = {} } of BENCHES) {
      const own = Object.keys(definition.characteristics)
      expect(
        Object.keys(steps).filter((name) => !own.includes(name)),
        id,
      ).toEqual([])
      const beginnings = [...Object.values(staleBy).flat(), ...Object.values(proofs).flatMap(({ readings }) => readings ?? [])]
      expect(
        beginnings.filter((beginning) => !own.some((name) => name.startsWith(beginning))),
        id,
      ).toEqual([])
    }
    const proven = BENCHES.flatMap(({ proofs = {} }) => Object.keys(proofs))
    expect(proven.toSorted()).toEqual(['clearanceProven', 'crankParked', 'tdcProven'])
  })

  it('a number that several benches rest on is the same to each of them', () => {
    for (const { definition } of BENCHES) {
      const paper: Readonly<Record<string, PaperDefinition>> = definition.paper
      for (const [key, own] of Object.entries(paper)) expect(PAPER[key as PaperKey]).toBe(own)
    }
  })

  it('have every way of measuring under one of them, where the paper page shows it', () => {
    const underBenches = BENCHES.flatMap(({ id }) => Object.keys(methodsOf(id)))
    expect(underBenches.toSorted()).toEqual(Object.keys(METHODS).toSorted())
    expect(new Set(underBenches).size).toBe(underBenches.length)
  })

  it('every way of measuring has its own name, and the usual one is among those there are', () => {
    for (const [key, { options, usual }] of Object.entries(METHODS))
      expect(
        options.map(({ value }) => value),
        key,
      ).toContain(usual)
    const { spec } = ternDocument
    const { squish: _, ...older } = { ...spec.methods, ringDepths: 3 as const }
    expect(withUsual({ ...spec, methods: older as Methods }).methods).toEqual({ ...older, squish: 'pad' })
  })

  it('every kind of part has its place on the shelf, also in a build that is older than the kind', () => {
    expect(Object.keys(STOCK).sort()).toEqual(['bolts', 'gaskets', 'layers', 'pistons', 'shells', 'shims'])
    for (const { fields, counted } of Object.values(STOCK))
      for (const name of counted ? [counted.field] : []) expect(Object.keys(fields)).toContain(name)
    const { spec } = ternDocument
    const { shells: _, ...older } = { ...spec.stock }
    expect(withUsual({ ...spec, stock: older as typeof spec.stock }).stock).toEqual({ ...older, shells: [] })
  })

  it('lengths that grow are brought to 20 °C, each by its own part', () => {
    expect(GROWTH).toMatchObject({
      'bores.bore': { as: 'bore' },
      'rods.pinBush': { as: 'bush' },
      'bearings.mainClearance': { outside: 'block', inside: 'crank', sizeOnPaper: 'mainJournal' },
    })
    expect(Object.keys(GROWTH).filter((id) => benchOf(id as Id) === 'compression' || benchOf(id as Id) === 'rings')).toEqual([])
  })
})
