import { describe, expect, it } from 'vitest'
import { freshLayout } from '../../document/fresh'
import { camsOf, onOneShaft } from './cams'
import { tensionerOnSlackSide, type DriveWheel } from './camDrive'
import { topsDeg, withinTurn } from '../crank/crankPins'
import { phasesDeg } from '../crank/firing'
import type { EngineLayout } from '../crank/layout'
import { camOfValve, cylinderOfValve, valvePlaces, valvesOf } from './valves'

const layout = (change: Partial<Parameters<typeof freshLayout>[0]>): EngineLayout =>
  freshLayout({ kind: 'inline', cylinders: 5, bankAngleDeg: 90, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder', ...change })

describe('valves by name', () => {
  it('of two kinds a cylinder, lettered from the front where there are several', () => {
    expect(valvesOf(layout({ cylinders: 2, valvesPerCylinder: 2 }))).toEqual(['intake1', 'exhaust1', 'intake2', 'exhaust2'])
    expect(valvesOf(layout({ cylinders: 1, kind: 'single', valvesPerCylinder: 5 }))).toEqual([
      'intake1a',
      'intake1b',
      'intake1c',
      'exhaust1a',
      'exhaust1b',
    ])
    expect(valvesOf(layout({ cylinders: 1, kind: 'single', valvesPerCylinder: 3 }))).toEqual(['intake1a', 'intake1b', 'exhaust1'])
    expect(valvesOf(layout({}))).toHaveLength(20)
  })

  it('belong to the cylinder they name, and nothing else is a valve', () => {
    for (const { valve, cylinder } of valvePlaces(layout({ kind: 'v', cylinders: 16 }))) expect(cylinderOfValve(valve)).toBe(cylinder)
    expect(['intake', 'exhaust0x', 'cam3', ''].map(cylinderOfValve)).toEqual([undefined, undefined, undefined, undefined])
  })

  it('are opened by the cam of their bank, or by the one shaft of the block', () => {
    const camsOver = (of: EngineLayout) => new Set(valvePlaces(of).map((one) => camOfValve(of, one)))
    expect([...camsOver(layout({ kind: 'v', cylinders: 8 }))].sort()).toEqual([
      'exhaust-left',
      'exhaust-right',
      'intake-left',
      'intake-right',
    ])
    expect([...camsOver(layout({ kind: 'v', cylinders: 8, valveDrive: 'pushrod', valvesPerCylinder: 2 }))]).toEqual(['intake', 'exhaust'])
  })
})

describe('cams of an engine that switches profiles', () => {
  const two: EngineLayout = { ...layout({}), lobesPerValve: 2 }
  it('have second lobes on the same shafts', () => {
    expect(camsOf(two)).toEqual(['intake', 'exhaust', 'intake-high', 'exhaust-high'])
    expect(onOneShaft(two, 'intake')).toEqual(['intake', 'intake-high'])
    expect(onOneShaft(layout({ valveDrive: 'rockerShaft' }), 'intake')).toEqual(['intake', 'exhaust'])
    expect(valvePlaces(two).map((one) => camOfValve(two, one))).not.toContain('intake-high')
  })
})

describe('phases of the cylinders', () => {
  it('of a five that fires 1-2-4-5-3 are 144° apart in that order', () => {
    expect([...phasesDeg(layout({}))]).toEqual([
      [1, 0],
      [2, 144],
      [4, 288],
      [5, 432],
      [3, 576],
    ])
  })

  it.each([
    ['cross-plane V8', layout({ kind: 'v', cylinders: 8 })],
    ['45° twin', layout({ kind: 'v', cylinders: 2, bankAngleDeg: 45 })],
    ['boxer six', layout({ kind: 'flat', cylinders: 6 })],
    ['odd-fire V6', layout({ kind: 'v', cylinders: 6, crank: 'shared' })],
  ])('stand at the tops of the crank: %s', (_, of) => {
    const tops = topsDeg(of)
    for (const [cylinder, phase] of phasesDeg(of)) expect(withinTurn(phase)).toBeCloseTo(tops.get(cylinder)!, 6)
    expect(new Set(phasesDeg(of).values()).size).toBe(of.cylinders)
  })

  it('count from number one, wherever it stands in the firing order', () => {
    const turned: EngineLayout = { ...layout({}), firingOrder: [4, 5, 3, 1, 2] }
    expect(phasesDeg(turned)).toEqual(phasesDeg(layout({})))
  })
})

describe('the tensioner of a chain or belt', () => {
  const wheel = (what: DriveWheel['what']): DriveWheel => ({ id: 'w1', what, name: what })
  it('belongs on the strand that leaves the crank: the one that comes to it is pulled', () => {
    const of = (...wheels: DriveWheel['what'][]) => tensionerOnSlackSide({ wheels: wheels.map(wheel) })
    expect(of('crank', 'tensioner', 'cam', 'cam')).toBe(true)
    expect(of('crank', 'cam', 'cam', 'tensioner')).toBe(false)
    expect(of('crank', 'cam')).toBeUndefined()
  })
})
