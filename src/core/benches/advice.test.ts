import { applyChanges, withChanges, withPlannedAfter, withChosenAfter } from '../build/changes'
import { evaluate } from '../evaluation/evaluate'
import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build, Limit, Spec } from '@/core/build'
import {
  find,
  petrelDocument,
  readingOf,
  soundBuild,
  ternDocument,
  valueOf,
  verdictOf,
  withReading,
  withSpecOf,
  without,
} from '../../../tests/support/builds'
import { expectNear } from '../../../tests/support/expectNear'
import type { Advice, AdvisingBench, CharacteristicId } from '../bench/bench'
import { bearings } from './bearings'
import { bores, matchPistons } from './bores'
import { compression } from './compression'
import { judgedAdvice } from '../evaluation/judgeAdvice'
import { rings } from './rings'
import { rods } from './rods'

/** What each bench advises, held to what it does: the engine after the change, by the bench's own derivation. */
const [tern, petrel] = [openBuild(ternDocument), openBuild(petrelDocument)]
const sound = soundBuild(0)
const MAKER = { source: 'test', reason: '' }
const limited = (build: Build, limits: Record<string, Partial<Limit>>) =>
  withSpecOf(build, (spec): Spec => ({
    ...spec,
    limits: { ...spec.limits, ...Object.fromEntries(Object.entries(limits).map(([key, limit]) => [key, { ...MAKER, ...limit }])) },
  }))
const adviceOf = (bench: AdvisingBench, build: Build) => bench.advise(build, bench.derive(build))
const byId = (bench: AdvisingBench, build: Build, id: string): Advice | undefined =>
  adviceOf(bench, build).find((advice) => advice.id === id)
/** A reading moved by so much, on the gauge it was read with. */
const afterOf = (build: Build, advice: Advice) => applyChanges(build, advice.changes!)
const shift = (build: Build, station: string, by: number) => {
  const { characteristic, place, value, upper, gauge, unit } = readingOf(build, station)
  return withReading(build, characteristic, place, value + by, gauge, { unit, ...(upper !== undefined && { upper: upper + by }) })
}

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

describe('bores', () => {
  // Two skirts the wrong way round: piston 1 is 0.03 large and piston 4 as much small.
  const swapped = shift(shift(sound, 'bores.skirt/c1', 0.03), 'bores.skirt/c4', -0.03)
  const tight = limited(swapped, {
    'bores.clearance': { lower: 0.08, upper: 0.115, target: 0.097 },
    'bores.clearanceSpread': { upper: 0.02 },
  })

  it('swaps the two that suit each other’s bores, and says the spread it leaves', () => {
    const swap = byId(bores, tight, 'swapPistons')!
    expect(swap.change).toMatchObject({ code: 'swapPistons' })
    const after = afterOf(tight, swap)
    expect(after.spec.choice.pistonInBore).toHaveLength(5)
    const [clearance, spread] = swap.headlines
    const found = [1, 2, 3, 4, 5].map((cylinder) => valueOf(bores, after, `bores.clearance.${cylinder}`))
    expectNear(clearance!.low.value, Math.min(...found), 1e-12)
    expectNear(clearance!.high.value, Math.max(...found), 1e-12)
    expectNear(spread!.low.value, Math.max(...found) - Math.min(...found), 1e-12)
    expect(spread!.low.value).toBeLessThan(valueOf(bores, tight, 'bores.clearanceSpread'))
    expect(swap.costs.map(({ code }) => code)).toEqual(['marks', 'noParts'])
  })

  it('asks for a look at pockets and hand where pins are offset or pistons change banks', () => {
    const offset = withSpecOf(tight, (spec): Spec => ({
      ...spec,
      paper: { ...spec.paper, pinOffset: { value: 0.5, unit: 'mm', source: 'sheet' } },
    }))
    expect(byId(bores, offset, 'swapPistons')!.costs.map(({ code }) => code)).toEqual(['marks', 'checkPockets', 'noParts'])
    // Of a V8 numbered across, 1 stands left and 2 right.
    const across = limited(shift(shift(soundBuild(1), 'bores.skirt/c1', 0.03), 'bores.skirt/c2', -0.03), {
      'bores.clearanceSpread': { upper: 0.02 },
      'bores.clearance': { lower: 0.13, upper: 0.17, target: 0.15 },
    })
    const costs = byId(bores, across, 'swapPistons')?.costs ?? []
    expect(costs.map(({ code }) => code)).toEqual(['marks', 'acrossBanks', 'checkPockets', 'noParts'])
  })

  it('hones no bore that is loose, and advises nothing while one skirt is not read', () => {
    const loose = limited(sound, { 'bores.clearance': { lower: 0.01, upper: 0.02, target: 0.015 } })
    expect(adviceOf(bores, loose).some(({ id }) => id === 'hone')).toBe(false)
    expect(
      adviceOf(
        bores,
        without(tight, ({ characteristic, place }) => characteristic === 'bores.skirt' && place.cylinder === 5),
      ),
    ).toEqual([])
  })
})

describe('bearings', () => {
  it('plans halves for mains that are out, and the planned findings are what it says', () => {
    const advice = byId(bearings, petrel, 'shells.main')!
    const after = afterOf(petrel, advice)
    const planned = bearings.derive(after).filter(({ output, figure }) => output === 'bearings.mainPlanned' && figure)
    const values = planned.map(({ figure }) => figure!.value.value)
    expect(advice.headlines).toHaveLength(1)
    expectNear(advice.headlines[0]!.low.value, Math.min(...values), 1e-12)
    expectNear(advice.headlines[0]!.high.value, Math.max(...values), 1e-12)
    expect(advice.costs).toEqual([{ code: 'fromShelf' }])
    expect(advice.change).toMatchObject({ code: 'shells', kind: 'main', lands: true })
    expect(byId(bearings, petrel, 'shells.rod')).toMatchObject({ change: { code: 'shells', kind: 'rod', lands: true } })
  })

  it('says what is to be bought when the shelf is short, by name and number', () => {
    const few = withSpecOf(petrel, (spec): Spec => ({
      ...spec,
      stock: {
        ...spec.stock,
        shells: spec.stock.shells.map((shell) => (shell.fits === 'main' ? { ...shell, halves: shell.wallMm === 0 ? 10 : 0 } : shell)),
      },
    }))
    const costs = byId(bearings, few, 'shells.main')!.costs
    const used = new Map<string, number>()
    const { change } = byId(bearings, few, 'shells.main')!
    if (change.code !== 'shells') throw new Error('no shells')
    for (const { upper, lower } of change.pairs) for (const half of [upper, lower]) used.set(half, (used.get(half) ?? 0) + 1)
    const stock = new Map(few.spec.stock.shells.filter(({ fits }) => fits === 'main').map(({ name, halves }) => [name, halves]))
    const short = [...used].flatMap(([name, count]) =>
      count > stock.get(name)! ? [{ code: 'buyHalves', name, halves: count - stock.get(name)! }] : [],
    )
    expect(costs).toEqual(expect.arrayContaining(short))
    expect(costs.length).toBe(short.length)
  })

  it('plans nothing again while a plan waits to be fitted, nor where nothing is out', () => {
    const planned = afterOf(petrel, byId(bearings, petrel, 'shells.main')!)
    expect(byId(bearings, planned, 'shells.main')).toBeUndefined()
    expect(byId(bearings, soundBuild(0), 'shells.main')).toBeUndefined()
  })

  it('counts the coating as wall: a coated standard half stands with an undersize one, an X half does not', () => {
    const half = (id: string, wallMm: number, coatingMm?: number) => ({
      id,
      name: id,
      fits: 'main' as const,
      wallMm,
      ...(coatingMm && { coatingMm }),
      halves: 10,
      source: 'test',
    })
    const on = (...shells: ReturnType<typeof half>[]) => withSpecOf(petrel, (spec): Spec => ({ ...spec, stock: { ...spec.stock, shells } }))
    const pairsOf = (build: Build) => {
      const change = byId(bearings, build, 'shells.main')?.change
      return new Set(change?.code === 'shells' ? change.pairs.map(({ upper, lower }) => [upper, lower].sort().join('+')) : [])
    }
    // 0.0127 coated (half a thou) beside 0.0127 thicker: alike. X (−0.0127) beside coated standard: a whole thou apart.
    expect(pairsOf(on(half('x', -0.0127), half('coated', 0, 0.0127)))).not.toContain('coated+x')
    const limit = petrel.spec.limits['bearings.mainClearance']!
    const tightEngine = [1, 2, 3, 4, 5].reduce(
      (build, main) =>
        shift(
          build,
          `bearings.mainClearance/m${main}/vertical`,
          (limit.lower! + limit.upper!) / 2 + 0.0127 - valueOf(bearings, build, `bearings.mainClearance.m${main}`),
        ),
      on(half('std', 0), half('coated', 0, 0.0127)),
    )
    // Half a thou over the middle: a standard and a coated half bring it there.
    const nudged = limited(tightEngine, {
      'bearings.mainClearance': {
        lower: (limit.lower! + limit.upper!) / 2 - 0.002,
        upper: (limit.lower! + limit.upper!) / 2 + 0.002,
        target: (limit.lower! + limit.upper!) / 2,
      },
    })
    expect(pairsOf(nudged)).toEqual(new Set(['coated+std']))
    const after = afterOf(nudged, byId(bearings, nudged, 'shells.main')!)
    expectNear(valueOf(bearings, after, 'bearings.mainPlanned.m2'), (limit.lower! + limit.upper!) / 2, 1e-9)
  })
})

describe('rings', () => {
  const FINE = 'feeler-fine.1'
  const gapped = (build: Build, characteristic: CharacteristicId, cylinder: number, goes: number, spot = 'top') =>
    withReading(build, characteristic, { cylinder, spot }, goes, FINE, { upper: goes + 0.01 })
  const shallow = withSpecOf(sound, (spec): Spec => ({ ...spec, methods: { ...spec.methods, ringDepths: 1 } }))

  it('files a tight ring to its target: by what is missing, and the engine after it is there', () => {
    const tight = gapped(shallow, 'rings.secondGap', 3, 0.5)
    const file = byId(rings, tight, 'file.rings.secondGap.3')!
    expect(file.change).toMatchObject({ code: 'file', ring: 'second', cylinder: 3, mm: expect.closeTo(0.6 - 0.505, 9), toMm: 0.6 })
    expectNear(valueOf(rings, afterOf(tight, file), 'rings.secondGap.3'), 0.6, 1e-9)
    expectNear(valueOf(rings, afterOf(tight, file), 'rings.secondGap.2'), valueOf(rings, tight, 'rings.secondGap.2'), 1e-12)
  })

  it('never files to a target below the maker’s least', () => {
    const tight = limited(gapped(shallow, 'rings.topGap', 3, 0.5), { 'rings.topGap': { lower: 0.54, target: 0.53 } })
    expect(byId(rings, tight, 'file.rings.topGap.3')!.change).toMatchObject({ toMm: 0.54, mm: expect.closeTo(0.035, 9) })
  })

  it('files each rail by its own, and only the tight ones', () => {
    const least = 0.38
    const one = limited(gapped(gapped(shallow, 'rings.upperRailGap', 2, 0.3), 'rings.lowerRailGap', 2, 0.6), {
      'rings.railGap': { lower: least },
    })
    const file = byId(rings, one, 'file.rings.railGap.2')!
    expect(file.change).toMatchObject({ code: 'file', ring: 'upperRail', mm: expect.closeTo(least - 0.305, 9) })
    expect(file.changes).toEqual([{ what: 'ringGap', ring: 'upperRail', cylinder: 2, by: expect.closeTo(least - 0.305, 9) }])
    const both = limited(gapped(gapped(shallow, 'rings.upperRailGap', 2, 0.3), 'rings.lowerRailGap', 2, 0.32), {
      'rings.railGap': { lower: least },
    })
    const rails = byId(rings, both, 'file.rings.railGap.2')!
    expect(rails.changes).toEqual([
      { what: 'ringGap', ring: 'upperRail', cylinder: 2, by: expect.closeTo(0.075, 9) },
      { what: 'ringGap', ring: 'lowerRail', cylinder: 2, by: expect.closeTo(0.055, 9) },
    ])
    expectNear(valueOf(rings, afterOf(both, rails), 'rings.railGap.2'), least, 1e-9)
  })

  it('files nothing that is within, nor at its limit, nor in doubt only because depths are still to be read', () => {
    expect(adviceOf(rings, shallow)).toEqual([])
    const open = without(
      gapped(sound, 'rings.topGap', 3, 0.54),
      ({ characteristic, place }) => characteristic === 'rings.topGap' && place.cylinder === 3 && place.spot !== 'top',
    )
    expect(find(rings, open, 'rings.topGap.3').conformity!.verdict).toBe('inDoubt')
    expect(byId(rings, open, 'file.rings.topGap.3')).toBeUndefined()
    // In doubt because the leaf that goes is below the least and the one that does not above it: filed.
    const doubtful = gapped(shallow, 'rings.topGap', 3, 0.535)
    expect(find(rings, doubtful, 'rings.topGap.3').conformity!.verdict).toBe('inDoubt')
    expect(byId(rings, doubtful, 'file.rings.topGap.3')!.change).toMatchObject({ mm: expect.closeTo(0.02, 9) })
  })

  it('moves a ring that is too wide to a smaller bore only where a limit says too wide, and says what each gap becomes', () => {
    const wide = gapped(shallow, 'rings.topGap', 1, 0.7)
    expect(byId(rings, wide, 'swapRings.rings.topGap')).toBeUndefined()
    const over = limited(wide, { 'rings.topGap': { lower: 0.54, upper: 0.65, target: 0.56 } })
    // Bore 4 is 0.05 smaller and its own ring as much tighter: number 1's ring, 0.157 too wide, belongs there.
    const smaller = gapped(
      ['top-thrust', 'top-pin'].reduce((build, spot) => shift(build, `bores.bore/c4/${spot}`, -0.05), over),
      'rings.topGap',
      4,
      0.4,
    )
    const moved = byId(rings, smaller, 'swapRings.rings.topGap')!
    if (moved.change.code !== 'swapRings') throw new Error('no swap')
    expect(moved.change.after[3]).toBe(1)
    const bore = (cylinder: number) =>
      ['thrust', 'pin'].reduce((sum, axis) => sum + readingOf(smaller, `bores.bore/c${cylinder}/top-${axis}`).value / 2, 0)
    for (const [index, from] of moved.change.after.entries()) {
      expectNear(
        valueOf(rings, afterOf(smaller, moved), `rings.topGap.${index + 1}`),
        valueOf(rings, smaller, `rings.topGap.${from}`) + Math.PI * (bore(index + 1) - bore(from)),
        1e-5,
      )
    }
  })
})

describe('rods', () => {
  const heavy = shift(sound, 'rods.pistonMass/c2', 9)

  it('takes off the lightest plus the limit, cylinder by cylinder', () => {
    const lighten = byId(rods, heavy, 'lighten')!
    const limit = heavy.spec.limits['rods.reciprocatingSpread']!.upper!
    if (lighten.change.code !== 'lighten') throw new Error('no lighten')
    const before = applyChanges(
      heavy,
      lighten.changes!.filter((change) => 'choose' in change),
    )
    const masses = [1, 2, 3, 4, 5].map((cylinder) => valueOf(rods, before, `rods.reciprocating.${cylinder}`))
    const allowed = Math.min(...masses) + limit
    expect([...lighten.change.byCylinder]).toEqual(
      masses.flatMap((mass, index) => (mass > allowed ? [[index + 1, expect.closeTo(mass - allowed, 9)]] : [])),
    )
    expectNear(valueOf(rods, afterOf(heavy, lighten), 'rods.reciprocatingSpread'), limit, 1e-9)
  })

  it('pairs sets with rods only where that evens the masses, says from what to what, and that bores change', () => {
    // A heavy set on a heavy rod, a light one on a light.
    const crossed = shift(
      shift(shift(shift(sound, 'rods.pistonMass/c2', 4), 'rods.rodSmall/c2', 4), 'rods.pistonMass/c4', -4),
      'rods.rodSmall/c4',
      -4,
    )
    const pair = byId(rods, crossed, 'pairMasses')!
    if (pair.change.code !== 'pairMasses') throw new Error('no pair')
    expectNear(pair.change.fromG, valueOf(rods, crossed, 'rods.reciprocatingSpread'), 1e-9)
    expectNear(pair.change.toG, valueOf(rods, afterOf(crossed, pair), 'rods.reciprocatingSpread'), 1e-9)
    expect(pair.change.toG).toBeLessThan(pair.change.fromG - 4)
    expect(pair.costs.map(({ code }) => code)).toEqual(['marks', 'otherBores'])
    // One set heavy on rods all alike: no pairing helps, grams come off.
    const alike = [1, 2, 3, 4, 5].reduce(
      (build, cylinder) => shift(build, `rods.rodSmall/c${cylinder}`, 250 - readingOf(build, `rods.rodSmall/c${cylinder}`).value),
      heavy,
    )
    expect(adviceOf(rods, alike).map(({ id }) => id)).toEqual(['lighten'])
    expect(byId(rods, alike, 'lighten')!.costs).toEqual([{ code: 'noParts' }])
  })

  it('advises nothing while a part is not weighed', () => {
    expect(
      adviceOf(
        rods,
        without(heavy, ({ characteristic, place }) => characteristic === 'rods.pinMass' && place.cylinder === 5),
      ),
    ).toEqual([])
  })
})

describe('compression', () => {
  it('opens the chambers that are too small to the largest within its limit, and leaves one beyond it alone', () => {
    const end = (build: Build, cylinder: number, cm3: number) =>
      shift(shift(build, `compression.chamberEnd/c${cylinder}/r1`, -cm3), `compression.chamberEnd/c${cylinder}/r2`, -cm3)
    const small = end(sound, 2, -0.6)
    const open = byId(compression, small, 'openChambers')!
    if (open.change.code !== 'openChambers') throw new Error('no chambers')
    const volumes = [1, 2, 3, 4, 5].map((cylinder) => valueOf(compression, small, `compression.chamberVolume.${cylinder}`))
    expectNear(open.change.byCylinder.get(2)!, Math.max(...volumes) - volumes[1]!, 1e-9)
    for (const [cylinder] of open.change.byCylinder)
      expectNear(valueOf(compression, afterOf(small, open), `compression.chamberVolume.${cylinder}`), Math.max(...volumes), 1e-9)
    expect(open.costs).toEqual([
      { code: 'grinding', cylinders: open.change.byCylinder.size, cm3: expect.closeTo(Math.max(...open.change.byCylinder.values()), 12) },
      { code: 'noParts' },
    ])
    const large = end(small, 4, 2)
    const eased = byId(compression, large, 'openChambers')
    const without4 = volumes.filter((_, index) => index !== 3)
    if (eased?.change.code === 'openChambers')
      expectNear(valueOf(compression, afterOf(large, eased), 'compression.chamberVolume.2'), Math.max(...without4), 1e-9)
    expect(eased?.change.code === 'openChambers' && [...eased.change.byCylinder.keys()].includes(4)).toBe(false)
  })

  it('shows two gaskets besides the fitted one, each with what the valves pay', () => {
    const ids = adviceOf(compression, tern).filter(({ id }) => id.startsWith('gasket.'))
    expect(ids).toHaveLength(2)
    const fitted = tern.spec.stock.gaskets.find(({ id }) => id === tern.spec.choice.gasket)!
    for (const { id, costs, change } of ids) {
      expect(id).not.toBe(`gasket.${fitted.id}`)
      const gasket = tern.spec.stock.gaskets.find((one) => change.code === 'setup' && one.id === change.gasket.id)!
      const thinner = fitted.thicknessMm - gasket.thicknessMm
      expect(costs).toEqual([...(thinner > 0 ? [{ code: 'valvesCloser', mm: expect.closeTo(thinner, 12) }] : []), { code: 'spreadStays' }])
    }
  })

  it('advises nothing before every cylinder is measured', () => {
    expect(
      adviceOf(
        compression,
        without(tern, ({ characteristic, place }) => characteristic === 'compression.deck' && place.cylinder === 2),
      ),
    ).toEqual([])
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
    // What it promises is the worst of the planned clearances, limits and doubt counted.
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
