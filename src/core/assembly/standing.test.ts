import { describe, expect, it } from 'vitest'
import { acts, SINGLE, TWIN_CAM, V8, WHOLE } from '../../../tests/support/engines'
import { FACTS } from './acts'
import { READINGS } from './partRow'
import { after } from './standing'
import { engineAsFound, type EngineParts, type Standing } from '.'

describe('what an act takes back', () => {
  const known = (parts: EngineParts): Standing => ({
    ...engineAsFound(parts),
    facts: new Set(FACTS),
    readings: new Map(READINGS.map((reading) => [reading, 'final'])),
  })
  const lostBy = (parts: EngineParts, said: string) => {
    const [before, then] = [known(parts), after(parts, known(parts), acts(said)[0]!)]
    return {
      facts: [...before.facts].filter((fact) => !then.facts.has(fact)),
      readings: [...before.readings.keys()].filter((reading) => !then.readings.has(reading)),
    }
  }

  it.each([
    [V8, 'loosen head1', ['clearance', 'valveToValve', 'heldDown', 'twoTurns']],
    [V8, 'torque head1', ['twoTurns']],
    [V8, 'settle head1', []],
    [V8, 'off exhaust', []],
    [V8, 'change piston3', ['clearance', 'twoTurns']],
    [V8, 'loosen camDrive', ['clearance', 'marks', 'twoTurns']],
    [V8, 'off crank', ['clearance', 'parked', 'twoTurns']],
    [V8, 'change springs1', ['clearance', 'twoTurns']],
    [V8, 'change lash', ['clearance', 'twoTurns']],
    [V8, 'off damper', ['twoTurns']],
    [V8, 'turn crank', ['parked']],
    [V8, 'turn fire', ['parked']],
    [TWIN_CAM, 'turn cam', []],
    [TWIN_CAM, 'off tensioner', ['marks', 'twoTurns']],
    [TWIN_CAM, 'off cams', ['clearance', 'valveToValve', 'marks', 'twoTurns']],
    [SINGLE, 'off barrel', ['clearance', 'heldDown', 'twoTurns']],
    [SINGLE, 'off chainHung', ['tied', 'twoTurns']],
  ] as const)('%#: %s', (parts, said, facts) => {
    expect(lostBy(parts, said).facts).toEqual(FACTS.filter((fact) => (facts as readonly string[]).includes(fact)))
  })

  it.each([
    ['loosen mainCaps', ['endFloat', 'deck']],
    ['change mainCaps', ['bores', 'mainClearance', 'endFloat', 'deck']],
    ['change block', ['bores', 'mainClearance', 'endFloat', 'ringGap', 'deck', 'valveDrop', 'clearance', 'intakeFit']],
    ['change deck', ['deck', 'valveDrop', 'clearance', 'sweep', 'intakeFit']],
    ['off rodCap3', ['rodSide']],
    ['change rings1', ['ringGap']],
    ['change lash', ['clearance', 'lash']],
    ['off pump', ['pickupToPan']],
    ['change pump', ['pumpApart', 'pickupToPan']],
    ['off damper', []],
    ['torque mainCaps', []],
  ] as const)('of readings: %s', (said, readings) => {
    expect(lostBy(V8, said).readings).toEqual(readings)
  })

  it('changed where it stands, a part is on trial, not at its last stage, and not washed', () => {
    const then = after(V8, { ...WHOLE, washed: new Set(['head1', 'head2', 'block']) }, acts('change head1')[0]!)
    expect([then.on.get('head1'), [...then.washed]]).toEqual([{ grade: 'trial', isAtLast: false }, ['head2', 'block']])
    expect([...after(V8, then, acts('change lash')[0]!).washed]).toEqual(['head2', 'block'])
    expect([...after(V8, then, acts('change deck')[0]!).washed]).toEqual(['head2'])
  })
})
