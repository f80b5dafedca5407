import { describe, expect, it } from 'vitest'
import { withEntries, type Build } from '@/core/document'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { find, stamp, TODAY, verdictOf as verdict, withReading as read, withSpecOf as spec } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { bearings, journalsOf, selectShells, withShells } from '.'
import { openBuild } from '..'

const [tern, petrel] = DEMO_BUILDS.map((demo) => openBuild(demoDocument(demo, TODAY))) as [Build, Build]

describe('crank and bearings', () => {
  it('lands Petrel’s mains and rods from the shelf, no X with an undersize', () => {
    for (const kind of ['main', 'rod'] as const) {
      const before = bearings
        .derive(petrel)
        .filter(({ output, conformity }) => output === `bearings.${kind}Clearance` && conformity?.verdict !== 'within')
      expect(before.length).toBeGreaterThan(0)
      const selection = selectShells(petrel, kind)!
      expect(selection.lands).toBe(true)
      expect(selection.toBuy).toEqual([])
      for (const { upper, lower } of selection.choices) expect(Math.abs(upper.wallMm - lower.wallMm)).toBeLessThan(0.013)
      const planned = bearings.derive(withShells(petrel, selection)).filter(({ output }) => output === `bearings.${kind}Planned`)
      expect(planned.map(({ conformity }) => conformity!.verdict)).toEqual(planned.map(() => 'within'))
    }
  })

  it('moves the clearance by half a thou a half, and no more once the journal is measured again', () => {
    const selection = selectShells(petrel, 'main')!
    const choice = selection.choices.find(({ upper, lower }) => upper.wallMm !== 0 || lower.wallMm !== 0)!
    expectNear(choice.clearanceMm, choice.before.value.value - choice.upper.wallMm - choice.lower.wallMm, 1e-12)
    const planned = withShells(petrel, selection)
    const main = choice.journal.number
    const again = read(planned, 'bearings.mainClearance', { main, spot: 'vertical' }, choice.clearanceMm, 'bore-inch.1')
    expect(bearings.derive(again).map(({ id }) => id)).not.toContain(`bearings.mainPlanned.m${main}`)
    // Chosen again, the shells that now stand there count: the same pair comes out, the clearance as it is.
    const selected = selectShells(again, 'main')!.choices.find(({ journal }) => journal.number === main)!
    expectNear(
      selected.clearanceMm + selected.upper.wallMm + selected.lower.wallMm,
      choice.clearanceMm + choice.upper.wallMm + choice.lower.wallMm,
      1e-9,
    )
    expect(withShells(again, selectShells(again, 'main')!).spec.choice.shells![`main.${main}`]).toMatchObject({
      instead: { upper: choice.upper.id, lower: choice.lower.id },
    })
  })

  it('says what to buy when the shelf does not land it', () => {
    const bare = spec(petrel, (now) => ({
      ...now,
      stock: { ...now.stock, shells: now.stock.shells.map((shell) => (shell.wallMm === 0 ? shell : { ...shell, halves: 0 })) },
    }))
    const selection = selectShells(bare, 'main')!
    expect(selection.lands).toBe(true)
    expect(selection.toBuy.length).toBeGreaterThan(0)
    expect(bearings.advise(bare, bearings.derive(bare))[0]!.costs[0]).toMatchObject({ code: 'buyHalves' })
  })

  it('carries the micrometer and the zero, and neither bias, zeroed on the micrometer; both biases by two gauges apart', () => {
    const apart = (build: Build) =>
      journalsOf(build, 'main').reduce(
        (all, { number }) => read(all, 'bearings.mainInside', { main: number, spot: 'vertical' }, 58.064, 'bore-metric.1'),
        spec(build, (now) => ({ ...now, methods: { ...now.methods, bearings: 'separate' } })),
      )
    const direct = find(bearings, tern, 'bearings.mainClearance.m3').figure!.value
    const separate = find(bearings, apart(tern), 'bearings.mainClearance.m3').figure!.value
    expectNear(separate.value, 0.064, 0.004)
    const biases = (value: typeof direct) =>
      value.components.filter(({ source, u }) => source.id.endsWith('/bias') && Math.abs(u) > 1e-12).length
    expect([biases(direct), biases(separate)]).toEqual([0, 2])
    // Step 0.002 and s 0.0015 of the bore gauge twice (shown, zero), step 0.002 and s 0.001 of the micrometer on the journal, s
    // once more in its jaws.
    expectNear(
      Math.hypot(...direct.components.filter(({ source }) => source.id !== 'temperature:shop').map(({ u }) => u)),
      Math.sqrt(3 * (0.002 ** 2 / 12) + 2 * 0.0015 ** 2 + 2 * 0.001 ** 2),
      1e-9,
    )
  })

  it('counts end float only with the thrust lined up and the mains at final torque', () => {
    expect(find(bearings, tern, 'bearings.endFloat').figure).toBeDefined()
    const loose = withEntries(tern, [
      { kind: 'check', ...stamp(), characteristic: 'bearings.mainsTorqued', place: {}, passed: false, text: 'cap 3 off again' },
    ])
    expect(find(bearings, loose, 'bearings.endFloat').figure).toBeUndefined()
    expect(find(bearings, loose, 'bearings.endFloat').missing).toEqual([{ kind: 'check', label: 'Mains at final torque' }])
  })

  it('finds the cap that binds and the cap that stands over', () => {
    const limit = spec(tern, (now) => ({
      ...now,
      limits: { ...now.limits, 'bearings.spinRise': { upper: 3, source: 'shop', reason: '' } },
    }))
    const bound = read(limit, 'bearings.spin', { main: 4 }, 14, 'torque.1')
    expect(verdict(bearings, bound, 'bearings.spinRise.m4')).toBe('over')
    expect(verdict(bearings, bound, 'bearings.spinRise.m3')).toBe('within')
    const shifted = read(tern, 'bearings.mainClearance', { main: 2, spot: 'left60' }, 0.04, 'bore-metric.1')
    expect(find(bearings, shifted, 'bearings.mainClearance.m2').remarks).toContainEqual(
      expect.objectContaining({ code: 'narrowBeside', side: 'left' }),
    )
    expect(find(bearings, tern, 'bearings.mainClearance.m2').remarks).toEqual([])
  })

  it('opens up warm in an aluminium block', () => {
    expectNear(
      find(bearings, tern, 'bearings.mainWarm.m1').figure!.value.value -
        find(bearings, tern, 'bearings.mainClearance.m1').figure!.value.value,
      58 * 75 * 9.25e-6,
      0.005,
    )
  })

  it('has two rods to a gap on a V and one on an inline', () => {
    const sides = (build: Build) =>
      bearings
        .stations(build)
        .filter(({ characteristic }) => characteristic === 'bearings.rodSide')
        .map(({ place }) => place.cylinder)
    expect(sides(petrel)).toEqual([1, 3, 5, 7])
    expect(sides(tern)).toEqual([1, 2, 3, 4, 5])
  })
})
