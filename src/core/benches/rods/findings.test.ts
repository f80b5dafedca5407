import { describe, expect, it } from 'vitest'
import { withSpec, type Build } from '@/core/document'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { find, TODAY, withReading as read, withSpecOf as spec } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { openBuild } from '..'
import { matchMasses, rods } from '.'

const [tern, petrel] = DEMO_BUILDS.map((demo) => openBuild(demoDocument(demo, TODAY))) as [Build, Build]

describe('rods and balance', () => {
  it('says that cylinder 3’s deck is off alone, and that its rod is not to blame', () => {
    expect(find(rods, tern, 'rods.stackApart.3').remarks.map(({ code }) => code)).toContain('stackOwn')
    expectNear(find(rods, tern, 'rods.stackApart.3').figure!.value.value, 0.06, 0.03)
    expect(find(rods, tern, 'rods.stackApart.1').remarks).toEqual([])
  })

  it('blames what all share when all are off alike', () => {
    const wrong = spec(tern, (now) => ({ ...now, paper: { ...now.paper, blockHeight: { ...now.paper.blockHeight!, value: 220.3 } } }))
    expect(find(rods, wrong, 'rods.stackApart.1').remarks.map(({ code }) => code)).toEqual(['stackShared'])
  })

  it('weighs a bobweight for the pins of a 90° V only', () => {
    let build = petrel
    for (let cylinder = 1; cylinder <= 8; cylinder++) {
      for (const [name, grams] of [
        ['rods.pistonMass', 480],
        ['rods.pinMass', 118],
        ['rods.ringsMass', 46],
        ['rods.rodSmall', 180],
        ['rods.rodBig', 420],
        ['rods.shellsMass', 42],
      ] as const)
        build = read(build, name, { cylinder }, grams, 'scales.1', { unit: 'g' })
    }
    const weights = rods.derive(build).filter(({ output }) => output === 'rods.bobweight')
    expect(weights.map(({ cylinder }) => cylinder)).toEqual([1, 3, 5, 7])
    expectNear(weights[0]!.figure!.value.value, 1752, 1e-9)
    expect(rods.derive(tern).some(({ output }) => output === 'rods.bobweight')).toBe(false)
  })

  it('pairs heavy sets with light rods', () => {
    let build = tern
    for (const [cylinder, set, rod] of [
      [1, 340, 162],
      [2, 344, 160],
      [3, 342, 161],
      [4, 343, 158],
      [5, 341, 159],
    ] as const) {
      build = read(build, 'rods.pistonMass', { cylinder }, set, 'scales.1', { unit: 'g' })
      build = read(build, 'rods.rodSmall', { cylinder }, rod, 'scales.1', { unit: 'g' })
    }
    const { before, after, massG } = matchMasses(build)!
    const spread = (values: readonly number[]) => Math.max(...values) - Math.min(...values)
    expect(spread(massG(after))).toBeLessThan(spread(massG(before)))
    expectNear(
      massG(after).reduce((a, b) => a + b),
      massG(before).reduce((a, b) => a + b),
      1e-9,
    )
    const planned = withSpec(build, { ...build.spec, choice: { ...build.spec.choice, pistonInBore: [...after] } })
    expect(matchMasses(planned)!.before).toEqual(after)
    const masses = rods
      .derive(planned)
      .filter(({ output }) => output === 'rods.reciprocating')
      .map(({ figure }) => figure!.value.value)
    massG(after).forEach((mass, index) => expectNear(masses[index]!, mass, 1e-9))
    expect(rods.advise(build, rods.derive(build)).map(({ change }) => change.code)).toContain('pairMasses')
  })
})
