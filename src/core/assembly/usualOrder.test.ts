import { describe, expect, it } from 'vitest'
import { ENGINES } from '../../../tests/support/layouts'
import type { Act } from './acts'
import { partsOf, usualOrder } from '.'

/** `torque head1`, `on pan`, `try pan` where it is for a trial, `read lash`, `turn crank`. */
function words(act: Act): string {
  if (act.act === 'on') return `${act.grade === 'trial' ? 'try' : 'on'} ${act.part}`
  return Object.values(act).join(' ')
}
const orderOf = (engine: keyof typeof ENGINES) => usualOrder(partsOf(ENGINES[engine]!)).steps.flatMap(({ acts }) => acts.map(words))

/** Each of these is done, in this order; between two of them much else may be. */
function expectInOrder(order: readonly string[], ...acts: readonly string[]): void {
  expect(acts.filter((act) => !order.includes(act))).toEqual([])
  const at = acts.map((act) => order.lastIndexOf(act))
  expect(acts.map((_, index) => acts[at.indexOf(at.toSorted((a, b) => a - b)[index]!)])).toEqual(acts)
}

// Each of these stood the other way round in the walk of before.
describe('the usual order', () => {
  const v8 = orderOf('V8, pushrods')
  const twinCam = orderOf('inline four, shims under')
  const single = orderOf('single, split cases, cam in the head')

  it('caps the rods of a pin before the next pistons go in, and all before cover, damper and pan', () => {
    expectInOrder(v8, 'on piston1', 'on rodCap1', 'torque rodCap1', 'on piston7', 'on rodCap7', 'on frontCover', 'on damper', 'on pan')
    const { pins } = ENGINES['V8, pushrods']!.layout
    for (const [index, { cylinders }] of pins.entries()) {
      const caps = cylinders.map((cylinder) => `torque rodCap${cylinder}`)
      for (const next of pins[index + 1]?.cylinders ?? []) for (const cap of caps) expectInOrder(v8, cap, `on piston${next}`)
      expectInOrder(v8, `on piston${cylinders.at(-1)}`, `on rodCap${cylinders[0]}`)
    }
  })

  it('centres the front cover by the damper before its last stage, and reads the pickup before the pan', () => {
    expectInOrder(v8, 'on frontCover', 'torque damper', 'torque frontCover', 'read pickupToPan', 'on pan', 'torque pan')
  })

  it('puts the flywheel on after the pistons and the heads, off the stand', () => {
    expectInOrder(v8, 'on piston8', 'torque head2', 'torque flywheel', 'on starterMotor')
    expectInOrder(twinCam, 'on piston4', 'torque head', 'torque flywheel')
  })

  it('tries a cam in the head only over its head, light springs first, with no cam for the drop', () => {
    const trial = twinCam.slice(0, twinCam.indexOf('wash block'))
    expectInOrder(
      trial,
      'try springs',
      'try head',
      'read valveDrop',
      'torque head',
      'try cams',
      'try chain',
      'read events',
      'read clearance',
    )
  })

  it('closes the front cover over the chain it covers, and times the engine before', () => {
    expectInOrder(twinCam, 'on chain', 'torque tensioner', 'fact marks', 'read reDegree', 'on frontCover', 'torque pan')
    expectInOrder(v8, 'torque camDrive', 'fact marks', 'read reDegree', 'on frontCover')
  })

  it('primes through the hole of the ignition drive before the drive is in it, and covers the rockers once oil is seen', () => {
    expectInOrder(v8, 'on filter', 'on oil', 'on primed', 'on cover1', 'on ignitionDrive', 'fact twoTurns', 'turn starter', 'turn fire')
  })

  it('takes a trial apart and washes all of it before anything goes on for good', () => {
    const wash = v8.indexOf('wash block')
    expect(v8.slice(0, wash).filter((act) => act.startsWith('on '))).toEqual([])
    expect(v8.slice(wash).filter((act) => act.startsWith('try '))).toEqual([])
    expectInOrder(
      v8,
      'read bores',
      'try shellsUpper',
      'read mainClearance',
      'try crank',
      'read deck',
      'read valveDrop',
      'off crank',
      'wash block',
    )
  })

  it('joins split cases over their crank once, and hangs the chain before the barrel', () => {
    expect(single.filter((act) => act.startsWith('try '))).toEqual([])
    expectInOrder(
      single,
      'on bearings',
      'on crank',
      'torque caseOther',
      'on rings',
      'on pin',
      'on baseGasket',
      'on chainHung',
      'on barrel',
      'on gasket',
    )
    expectInOrder(single, 'torque head', 'fact parked', 'torque cams', 'on chain', 'on tensioner', 'fact clearance', 'fact twoTurns')
    const flat = orderOf('flat four, pushrods')
    expectInOrder(flat, 'on crank', 'on rod3', 'torque rodCap3', 'torque caseOther', 'on piston3', 'on barrel3', 'torque head1')
  })

  it('of a side-valve single has the lifters in before the cam, and the dipper’s cap before the side cover', () => {
    expectInOrder(orderOf('single, side valves'), 'on tappets', 'on cam', 'torque rodCap', 'torque sideCover', 'on oil', 'turn fire')
  })

  it('of a single with split cases is this', () => {
    expect(single.join(', ')).toBe(
      [
        'wash block, wash crank, wash caseOther, wash piston, wash barrel, wash head',
        'settle block, on plugs, on bearings, on crank, on caseOther, torque caseOther, turn crank',
        'read ringGap, on rings, on pin, on piston, on baseGasket, on lowerWheel, on chainHung, on barrel',
        'on pump, torque pump, on guides, on valves, on springs, on gasket, on head, torque head',
        'fact parked, on followers, on cams, torque cams, on chain, on tensioner, torque tensioner, fact marks',
        'fact clearance, fact twoTurns, read tdcPlugHole, read reDegree, read lash',
        'on intake, torque intake, on filter, on oil, on primed, on cover, torque cover, on sparkPlugs, torque sparkPlugs',
        'on exhaust, torque exhaust, on fuelFeed, fact temporaryOut, fact twoTurns, turn starter',
        'fact leaks, fact list, fact people, fact second, turn fire',
      ].join(', '),
    )
  })

  it('tries a V4 by one piston a bank, and takes it apart the last first', () => {
    const v4 = orderOf('V4, pushrods')
    expect(v4.slice(0, v4.indexOf('wash block')).join(', ')).toBe(
      [
        'try mainCaps, torque mainCaps, read bores, off mainCaps',
        'try shellsUpper, try mainCaps, torque mainCaps, read mainClearance, off mainCaps',
        'try camBearings, try cam, try crank, try mainCaps, torque mainCaps, read endFloat',
        'try rod1, try pin1, try piston1, try rodCap1, try rod2, try pin2, try piston2, try rodCap2',
        'turn crank, read deck, read tdcBareDeck',
        'try lifters1, try lifters2, try camDrive, torque camDrive, fact marks, read events',
        'try valves1, read chamber, try springs1, try valves2, try springs2, try gasket1, try gasket2',
        'try head1, try head2, read valveDrop',
        'try pushrods1, fact parked, try rockers1, torque rockers1, try pushrods2, try rockers2, torque rockers2',
        'turn crank, read clearance, fact clearance',
        'off rockers2, off pushrods2, off rockers1, off pushrods1, off head2, off head1, off gasket2, off gasket1',
        'off springs2, off valves2, off springs1, off valves1, off camDrive, off lifters2, off lifters1',
        'off rodCap2, off piston2, off pin2, off rod2, off rodCap1, off piston1, off pin1, off rod1',
        'off mainCaps, off crank, off cam, off camBearings, off shellsUpper',
      ].join(', '),
    )
  })
})
