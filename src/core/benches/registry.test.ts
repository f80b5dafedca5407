import { describe, expect, it } from 'vitest'
import { benchOf, openBuild, PAPER, type Id } from '@/core/build'
import { petrelDocument, ternDocument } from '../../../tests/support/builds'
import { BENCHES, benchById, isBenchId, startingLimits } from '.'

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
    for (const key of paper) expect(Object.keys(PAPER)).toContain(key)
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
})
