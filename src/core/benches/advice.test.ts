import { applyChanges, withChanges, withPlannedAfter, withChosenAfter } from '../document/changes'
import { evaluate } from '../evaluation/evaluate'
import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build, Spec } from '@/core/document'
import {
  petrelDocument,
  readingOf,
  soundBuild,
  ternDocument,
  valueOf,
  verdictOf,
  withReading,
  withSpecOf,
} from '../../../tests/support/builds'
import { expectNear } from '../../../tests/support/expectNear'
import type { Advice, AdvisingBench } from '../bench/bench'
import { bearings } from './bearings'
import { bores, matchPistons } from './bores'
import { compression } from './compression'
import { judgedAdvice } from '../evaluation/judgeAdvice'
import { rings } from './rings'
import { rods } from './rods'

import { MAKER, adviceOf, afterOf, byId, limited, shift } from '../../../tests/support/advice'

/** What each bench advises, held to what it does: the engine after the change, by the bench's own derivation. */
const [tern, petrel] = [openBuild(ternDocument), openBuild(petrelDocument)]
const sound = soundBuild(0)

describe('an engine with nothing out', () => {
  it.each([
    ['bores', bores],
    ['bearings', bearings],
    ['rings', rings],
    ['rods', rods],
    ['compression', compression],
  ] as const)('%s advises nothing', (_, bench) => {
    const wideOpen = withSpecOf(sound, (spec): Spec => ({
      ...spec,
      limits: Object.fromEntries(
        Object.entries(spec.limits).map(([key, limit]) => [
          key,
          { ...limit, lower: limit.lower === undefined ? undefined : -1000, upper: limit.upper === undefined ? undefined : 1000 },
        ]),
      ),
    }))
    expect(adviceOf(bench, wideOpen)).toEqual([])
  })
})

describe('when there is something to advise, and in which words', () => {
  const headlinesAndCosts = (advice: Advice | undefined) => advice && [advice.headlines, advice.costs.map(({ code }) => code)]

  it('bearings: not for a rod that is within while a main is out, nor while one journal waits for its plan', () => {
    const onlyMains = withSpecOf(petrel, (spec): Spec => ({
      ...spec,
      limits: { ...spec.limits, 'bearings.rodClearance': { lower: 0, upper: 1, ...MAKER }, 'bearings.rodSpread': { upper: 1, ...MAKER } },
    }))
    expect(adviceOf(bearings, onlyMains).map(({ id }) => id)).toEqual(['shells.main'])
    const planned = afterOf(petrel, byId(bearings, petrel, 'shells.main')!)
    const [first, ...others] = Object.entries(planned.spec.choice.shells!)
    const oneWaits = withSpecOf(planned, (spec): Spec => ({ ...spec, choice: { ...spec.choice, shells: Object.fromEntries([first!]) } }))
    expect(others.length).toBe(4)
    expect(byId(bearings, oneWaits, 'shells.main')).toBeUndefined()
    // What it promises is the worst of the planned clearances, limits and uncertainty counted.
    const tight = limited(petrel, { 'bearings.mainClearance': { lower: 0.0635, upper: 0.0636, target: 0.0635 } })
    expect(byId(bearings, tight, 'shells.main')!.verdict).not.toBe('within')
    expect(byId(bearings, petrel, 'shells.main')!.verdict).not.toBe('notJudged')
  })

  it('bores: hones what is under, not what stands at its limit; costs the hone and what moves', () => {
    const at = (lower: number) =>
      limited(sound, { 'bores.clearance': { lower, upper: 1, target: 0.5 }, 'bores.clearanceSpread': { upper: 0.001 } })
    const match = matchPistons(at(0))!
    const exact = at(match.clearanceMm(match.after)[2]!)
    const hone = byId(bores, exact, 'hone')
    expect(hone?.change.code === 'hone' && [...hone.change.byCylinder.keys()].includes(3)).toBe(false)
    const tight = limited(shift(sound, 'bores.skirt/c2', 0.05), { 'bores.clearance': { lower: 0.08, upper: 0.12, target: 0.1 } })
    const [headlines, costs] = headlinesAndCosts(byId(bores, tight, 'hone'))!
    expect(headlines).toEqual([])
    expect(costs![0]).toBe('honing')
    expect(byId(bores, limited(tight, { 'bores.clearance': { lower: undefined, upper: 0.12 } as never }), 'hone')).toBeUndefined()
    const swap = byId(
      bores,
      limited(shift(shift(sound, 'bores.skirt/c1', 0.03), 'bores.skirt/c4', -0.03), {
        'bores.clearance': { lower: 0.08, upper: 0.115, target: 0.097 },
        'bores.clearanceSpread': { upper: 0.001 },
      }),
      'swapPistons',
    )!
    expect(swap.verdict).toBe('over')
  })

  it('rings: filing and swapping promise no figures and cost no parts', () => {
    const shallow = withSpecOf(sound, (spec): Spec => ({ ...spec, methods: { ...spec.methods, ringDepths: 1 } }))
    const tight = withReading(shallow, 'rings.secondGap', { cylinder: 3, spot: 'top' }, 0.5, 'feeler-fine.1', { upper: 0.51 })
    expect(headlinesAndCosts(byId(rings, tight, 'file.rings.secondGap.3'))).toEqual([[], ['noParts']])
    // No target and no least: nothing to file to.
    const free = withSpecOf(tight, (spec): Spec => ({ ...spec, limits: { ...spec.limits, 'rings.secondGap': { upper: 0.3, ...MAKER } } }))
    expect(adviceOf(rings, free).filter(({ change }) => change.code === 'file' && change.ring === 'second')).toEqual([])
    // Second rings over their limit are no reason to move top rings.
    const secondOver = limited(tight, {
      'rings.secondGap': { lower: 0.1, upper: 0.2 },
      'rings.topGap': { lower: 0.1, upper: 2, target: 0.5 },
    })
    expect(adviceOf(rings, secondOver).some(({ id }) => id === 'swapRings.rings.topGap')).toBe(false)
  })

  it('rods: masses by their own spread alone; within it, nothing', () => {
    const centreOnly = limited(sound, { 'rods.centreSpread': { upper: 0.0001 }, 'rods.reciprocatingSpread': { upper: 100 } })
    expect(adviceOf(rods, centreOnly)).toEqual([])
    const heavy = shift(sound, 'rods.pistonMass/c2', 9)
    const alike = [1, 2, 3, 4, 5].reduce(
      (build, cylinder) => shift(build, `rods.rodSmall/c${cylinder}`, 250 - readingOf(build, `rods.rodSmall/c${cylinder}`).value),
      heavy,
    )
    const lighten = byId(rods, alike, 'lighten')!
    expect(headlinesAndCosts(lighten)).toEqual([[], ['noParts']])
    expect(lighten.changes!.filter((change) => 'choose' in change)).toEqual([])
    // Where pairing helps, the grams are counted on top of it, and the moves are among the costs.
    const crossed = shift(
      shift(shift(shift(shift(sound, 'rods.pistonMass/c2', 4), 'rods.rodSmall/c2', 4), 'rods.pistonMass/c4', -4), 'rods.rodSmall/c4', -4),
      'rods.pistonMass/c1',
      12,
    )
    const both = adviceOf(rods, crossed)
    expect(both.map(({ id }) => id)).toEqual(['pairMasses', 'lighten'])
    expect(both[0]!.headlines).toEqual([])
    expect(both[1]!.costs.map(({ code }) => code)).toEqual(['noParts', 'marks'])
    expect(both[1]!.changes).toContainEqual(both[0]!.changes![0])
    const wide = limited(crossed, {
      'rods.reciprocatingSpread': { upper: both[0]!.change.code === 'pairMasses' ? both[0]!.change.toG + 0.5 : 0 },
    })
    expect(adviceOf(rods, wide).map(({ id }) => id)).toEqual(['pairMasses'])
  })
})

describe('what can be taken as it stands', () => {
  const changesOf = (bench: AdvisingBench, build: Build, id: string) => judgedAdvice(bench, build).find((one) => one.id === id)!.changes

  it('another gasket, pistons moved, shells planned: what is chosen, and nothing beside it', () => {
    const gasket = judgedAdvice(compression, tern).find(({ id }) => id.startsWith('gasket.'))!
    expect(gasket.changes).toEqual([{ choose: 'gasket', id: gasket.id.replace('gasket.', '') }])
    const shells = changesOf(bearings, petrel, 'shells.main')!
    expect(shells.map((change) => 'choose' in change && change.choose)).toEqual(Array.from({ length: 5 }, () => 'shells'))
  })

  it('metal: a hone, a file, grams, each by its place and amount', () => {
    const tight = limited(shift(sound, 'bores.skirt/c2', 0.05), { 'bores.clearance': { lower: 0.08, upper: 0.12, target: 0.1 } })
    const hone = judgedAdvice(bores, tight).find(({ change }) => change.code === 'hone')!
    if (hone.change.code !== 'hone') throw new Error('no hone')
    expect(hone.changes!.filter((change) => 'what' in change)).toEqual(
      [...hone.change.byCylinder].map(([cylinder, by]) => ({ what: 'hone', cylinder, by })),
    )
    const file = judgedAdvice(rings, tern).find(({ change }) => change.code === 'file')!
    if (file.change.code !== 'file') throw new Error('no file')
    expect(file.changes).toEqual([{ what: 'ringGap', ring: file.change.ring, cylinder: file.change.cylinder, by: file.change.mm }])
  })

  it('every way that changes anything can be taken: the build then finds what the advice was judged by', () => {
    for (const build of [tern, petrel]) {
      for (const bench of [bores, bearings, rings, rods, compression]) {
        for (const { id, changes } of judgedAdvice(bench, build)) {
          if (!changes) continue
          const last = build.entries.at(-1)!.id
          const held = withSpecOf(build, (spec) => withPlannedAfter(withChosenAfter(withChanges(spec, changes), build), build))
          expect(held.spec.planned?.every(({ after }) => after === last) ?? true, id).toBe(true)
          const value = (of: Build) => evaluate(of).map((finding) => [finding.id, finding.figure?.value.value])
          expect(value(held), id).toEqual(value(applyChanges(build, changes)))
        }
      }
    }
  })
})

describe('judged over every bench', () => {
  it('a plan for pistons says what it leaves as it was, and what it breaks elsewhere; the harmless come first', () => {
    const judged = [bores, bearings, rings, rods, compression].flatMap((bench) => [tern, petrel].map((build) => judgedAdvice(bench, build)))
    for (const list of judged) {
      const harm = list.map(({ breaks, leaves }) => (breaks.length > 0 ? 2 : Number(leaves.length > 0)))
      expect(harm).toEqual([...harm].sort((a, b) => a - b))
    }
  })

  it('a hone that opens the ring gaps over their limit says which, by how much', () => {
    // Honing 0.05 opens every gap of that bore by π · 0.05 = 0.157 mm.
    const tight = limited(shift(sound, 'bores.skirt/c2', 0.05), {
      'bores.clearance': { lower: 0.08, upper: 0.12, target: 0.1 },
      'bores.clearanceSpread': { upper: 1 },
      'rings.topGap': { lower: 0.54, upper: 0.62, target: 0.56 },
    })
    expect(verdictOf(bores, tight, 'bores.clearance.2')).toBe('under')
    const hone = judgedAdvice(bores, tight).find(({ change }) => change.code === 'hone')!
    if (hone.change.code !== 'hone') throw new Error('no hone')
    const [[honed, byMm]] = [...hone.change.byCylinder] as [[number, number]]
    const broken = hone.breaks.find(({ output, cylinder }) => output === 'rings.topGap' && cylinder === honed)!
    expectNear(broken.excess!, valueOf(rings, tight, `rings.topGap.${honed}`) + Math.PI * byMm - 0.62, 0.02)
    expect(broken.verdict).toBe('over')
  })
})
