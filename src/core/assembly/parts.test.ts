import { describe, expect, it } from 'vitest'
import { done, last, SINGLE, TWIN_CAM, V8, WHOLE } from '../../../tests/support/engines'
import { ENGINES } from '../../../tests/support/layouts'
import { partsNamed } from './parts'
import { bareEngine, partsOf, type EngineParts } from '.'

describe('the parts of an engine', () => {
  it('follow from its layout, numbered where there are several', () => {
    const ids = (parts: EngineParts) => parts.all.map(({ id }) => id)
    expect(ids(V8)).toEqual(expect.arrayContaining(['camBearings', 'cam', 'head1', 'head2', 'lifters1', 'rodCap8', 'pan']))
    expect(ids(V8).filter((id) => /^(chain|cams|followers|caseOther|barrel|sideCover)/.test(id))).toEqual([])
    expect(ids(SINGLE)).toEqual(expect.arrayContaining(['caseOther', 'barrel', 'piston', 'chainHung', 'head', 'cams']))
    expect(ids(SINGLE).filter((id) => /^(mainCaps|rodCap|pan|frontCover|coolant|starterMotor)/.test(id))).toEqual([])
    expect(ids(partsOf(ENGINES['single, two-stroke']!)).filter((id) => /valves|cam|oil|primed|cover/i.test(id))).toEqual([])
  })

  it.each([
    [
      'single, split cases, pushrods',
      `block plugs cam bearings crank caseOther gearShafts primary rings pin piston barrel baseGasket camDrive pump pumpShaft sideCase studs
       gasket head valves springs lifters pushrods rockers intake cover ignitionDrive sparkPlugs oil filter primed exhaust fuelFeed`,
    ],
    [
      'single, side valves',
      `block cam crank rod rings pin piston rodCap camDrive sideCover chestCover studs gasket head valves springs tappets intake flywheel
       ignitionDrive sparkPlugs oil exhaust fuelFeed`,
    ],
    [
      'single, two-stroke',
      `block bearings crank caseOther gearShafts primary rings pin piston barrel baseGasket sideCase studs gasket head intake ignitionDrive
       sparkPlugs exhaust fuelFeed`,
    ],
    [
      'inline five, rocker shafts',
      `block plugs shellsUpper crank mainCaps rod rings pin piston rodCap guides lowerWheel chainHung chain tensioner pump pumpShaft pickup
       tray pan rearSeal frontCover studs gasket head valves springs cams rockers intake cover damper flywheel ignitionDrive sparkPlugs
       waterPump coolant oil filter primed exhaust fuelFeed starterMotor`,
    ],
    [
      'inline four, belt, hydraulic',
      `block plugs shellsUpper crank mainCaps rod rings pin piston rodCap lowerWheel belt beltCover tensioner pump pumpShaft pickup tray pan
       rearSeal frontCover studs gasket head valves springs followers cams intake cover damper flywheel ignitionDrive sparkPlugs waterPump
       coolant oil filter primed exhaust fuelFeed starterMotor`,
    ],
    [
      'flat four, pushrods',
      `block plugs cam shellsUpper crank caseOther gearShafts primary rod rings pin piston rodCap barrel baseGasket camDrive pump pumpShaft
       sideCase studs gasket head valves springs lifters pushrods rockers intake cover ignitionDrive sparkPlugs oil filter primed exhaust
       fuelFeed starterMotor`,
    ],
  ])('%s: has these, and no others', (name, kinds) => {
    const { all } = partsOf(ENGINES[name]!)
    expect([...new Set(all.map(({ kind }) => kind))]).toEqual(kinds.split(/\s+/))
  })

  it('are oiled by what is said of it, or as a four-stroke is', () => {
    const oiled = (oiling: 'wetSump' | 'drySump' | 'splash' | 'inFuel') =>
      partsOf({ layout: { ...TWIN_CAM.engine.layout, oiling } }).byId.has('filter')
    expect((['wetSump', 'drySump', 'splash', 'inFuel'] as const).map(oiled)).toEqual([true, true, false, false])
    expect(TWIN_CAM.byId.has('coolant')).toBe(true)
    expect(partsOf({ layout: { ...TWIN_CAM.engine.layout, cooling: 'air' } }).byId.has('coolant')).toBe(false)
  })

  it('are named one by one, by their kind all together, or by the number of the only one there is', () => {
    expect(partsNamed(V8, 'head2')).toEqual(['head2'])
    expect(partsNamed(V8, 'head')).toEqual(['head1', 'head2'])
    expect(partsNamed(SINGLE, 'piston1')).toEqual(['piston'])
    expect([
      partsNamed(SINGLE, 'piston2'),
      partsNamed(V8, 'head3'),
      partsNamed(V8, 'barrel'),
      partsNamed(V8, 'wing'),
      partsNamed(V8, ''),
    ]).toEqual([[], [], [], [], []])
  })

  it('of a bank are those of its own cylinders: the left one is the first', () => {
    const { layout } = V8.engine
    const left = V8.byId.get('head1')!.closes.filter((id) => id.startsWith('piston'))
    const odd = [1, 3, 5, 7].map((cylinder) => `piston${cylinder}`)
    const even = [2, 4, 6, 8].map((cylinder) => `piston${cylinder}`)
    const alternating = layout.leadingBank === 'left' ? odd : even
    expect(left).toEqual(layout.numbering === 'alternating' ? alternating : ['piston1', 'piston2', 'piston3', 'piston4'])
  })

  it('that only some engines have are asked for once they have been on', () => {
    expect(last(V8, WHOLE, 'off starterMotor', 'turn fire')).toEqual(['starterMotor'])
    const bottom = done(V8, bareEngine(), 'try shellsUpper', 'try crank', 'try mainCaps', 'torque mainCaps')
    const pinned = done(V8, bottom, 'try rod', 'try pin', 'try piston', 'try rodCap', 'try pump', 'try pickup')
    const covered = done(V8, pinned, 'try camBearings', 'try cam', 'try camDrive', 'try frontCover', 'try rearSeal')
    expect(last(V8, covered, 'try pan')).toEqual([])
    expect(last(V8, covered, 'try tray', 'off tray', 'try pan')).toEqual(['tray'])
  })
})

describe('ways of its owner', () => {
  const withWays = (parts: EngineParts, ways: NonNullable<EngineParts['engine']['ways']>) => partsOf({ ...parts.engine, ways })

  it('put the pump into the front cover, which then closes it', () => {
    const inCover = withWays(V8, { pump: 'inFrontCover' })
    expect(inCover.byId.get('pump')!.sitsOn).toEqual([])
    expect(inCover.byId.get('frontCover')!.closes).toContain('pump')
    expect(V8.byId.get('frontCover')!.closes).not.toContain('pump')
  })

  it('hang the chain through the cover instead of covering it', () => {
    const through = withWays(TWIN_CAM, { frontCover: 'beforeChain' }).byId.get('frontCover')!
    expect([through.sitsOn.map(({ part }) => part), through.closes]).toEqual([
      ['crank', 'guides', 'lowerWheel', 'chainHung'],
      ['guides', 'lowerWheel'],
    ])
    expect(TWIN_CAM.byId.get('frontCover')!.closes).toEqual(['guides', 'lowerWheel', 'chain', 'tensioner'])
  })

  it('want lifters before the heads, and the ignition drive before the oil is seen', () => {
    expect(withWays(V8, { lifters: 'beforeHeads' }).byId.get('head2')!.closes).toContain('lifters2')
    expect(V8.byId.get('head2')!.closes).not.toContain('lifters2')
    const byCrank = withWays(V8, { primedThrough: 'crank' })
    expect(byCrank.byId.get('ignitionDrive')!.sitsOn.map(({ part }) => part)).not.toContain('primed')
    expect(last(V8, WHOLE, 'off filter')).toEqual(['oil'])
    expect(V8.byId.get('ignitionDrive')!.sitsOn.map(({ part }) => part)).toContain('primed')
  })
})
