import { describe, expect, it } from 'vitest'
import { done, FIRE, lacks, last, SINGLE, TWIN_CAM, V8, WHOLE } from '../../../tests/support/engines'
import { bareEngine, engineAsFound, pathTo } from '.'

describe('turning by hand', () => {
  const crank = done(V8, bareEngine(), 'try shellsUpper', 'try crank', 'try mainCaps', 'torque mainCaps')

  it('wants the crank held and a cap on every rod that is on', () => {
    expect(last(V8, bareEngine(), 'turn crank')).toEqual(['crank', 'mainCaps'])
    expect(last(V8, crank, 'turn crank')).toEqual([])
    const pinned = done(V8, crank, 'try rod2', 'try pin2', 'try piston2')
    expect(lacks(V8, pinned, 'turn crank', 'try rodCap2', 'turn crank')).toEqual([['rodCap2'], [], []])
  })

  it('wants marks seen since the drive was opened, and the clearance of what is driven under running springs', () => {
    expect(last(V8, WHOLE, 'off cover1', 'loosen rockers1', 'turn crank')).toEqual(['clearance'])
    const light = done(V8, WHOLE, 'off cover1', 'off cover2', 'off rockers1', 'off rockers2')
    expect(last(V8, light, 'off springs1', 'turn crank')).toEqual([])
    const other = ['off springs1', 'on springs1', 'fact parked', 'on rockers1', 'torque rockers1', 'on rockers2', 'torque rockers2']
    expect(last(V8, light, 'fact clearance', ...other, 'turn crank')).toEqual(['clearance'])
    for (const what of ['deck', 'lash', 'crank', 'rod3', 'valves1', 'pushrods2', 'gasket1'])
      expect(last(V8, WHOLE, `change ${what}`, 'turn crank'), what).toEqual(['clearance'])
    const drained = done(V8, WHOLE, 'off oil', 'off pan', 'off damper', 'off ignitionDrive', 'off frontCover')
    // Stripped and refitted, perhaps a tooth off.
    expect(last(V8, drained, 'off camDrive', 'on camDrive', 'torque camDrive', 'turn crank')).toEqual(['marks', 'clearance'])
  })

  it('wants barrels held down and a hung chain tied', () => {
    const barrel = pathTo(SINGLE, bareEngine(), { act: 'on', part: 'barrel', grade: 'final' }).standing
    expect(lacks(SINGLE, barrel, 'turn crank', 'fact heldDown', 'turn crank', 'fact tied', 'turn crank')).toEqual([
      ['heldDown', 'tied'],
      [],
      ['tied'],
      [],
      [],
    ])
  })

  it('wants the tensioner set, and does not turn back past its ratchet', () => {
    const whole = pathTo(TWIN_CAM, bareEngine(), FIRE).standing
    expect(lacks(TWIN_CAM, whole, 'turn crank', 'turn back')).toEqual([[], ['tensioner']])
    const slack = done(TWIN_CAM, whole, 'off oil', 'off pan', 'off damper', 'off frontCover', 'off tensioner')
    expect(last(TWIN_CAM, slack, 'turn crank')).toEqual(['tensioner', 'marks'])
  })
})

describe('a cam alone', () => {
  it('wants the chain off, the crank parked since it last turned, valve to valve known', () => {
    const whole = pathTo(TWIN_CAM, bareEngine(), FIRE).standing
    const open = done(TWIN_CAM, whole, 'off oil', 'off pan', 'off damper', 'off frontCover')
    expect(last(TWIN_CAM, open, 'turn cam')).toEqual(['chain', 'valveToValve'])
    const free = done(TWIN_CAM, open, 'off tensioner', 'off chain', 'fact parked', 'fact valveToValve', 'turn cam')
    expect(last(TWIN_CAM, free, 'fact tied', 'fact clearance', 'turn crank', 'turn cam')).toEqual(['parked'])
  })

  it('is drawn down over its pistons only parked or proven, and after the last torque of the head', () => {
    const whole = pathTo(TWIN_CAM, bareEngine(), FIRE).standing
    const open = done(
      TWIN_CAM,
      whole,
      'off oil',
      'off pan',
      'off damper',
      'off frontCover',
      'off tensioner',
      'off chain',
      'off cover',
      'off cams',
    )
    expect(lacks(TWIN_CAM, open, 'try cams', 'fact parked', 'try cams')).toEqual([['parked'], [], []])
    expect(last(TWIN_CAM, open, 'loosen head', 'fact parked', 'try cams')).toEqual(['head:last'])
  })
})

describe('the starter, and push and kick alike', () => {
  it('wants two free turns since anything near was touched', () => {
    for (const [part, ...way] of [
      ['pan', 'off oil'],
      ['flywheel', 'off starterMotor'],
      ['damper'],
      ['rodCap3', 'off oil', 'off pan'],
    ] as const) {
      const refit = [`off ${part}`, `on ${part}`, `torque ${part}`, ...(way.includes('off pan' as never) ? ['on pan', 'torque pan'] : [])]
      const oil = way.includes('off oil' as never) ? ['on oil'] : []
      expect(last(V8, WHOLE, ...way, ...refit, ...oil, 'turn starter'), part).toEqual(['twoTurns'])
    }
    expect(last(V8, WHOLE, 'off damper', 'on damper', 'torque damper', 'fact twoTurns', 'turn starter')).toEqual([])
    expect(last(V8, WHOLE, 'off exhaust', 'turn starter')).toEqual([])
  })

  it('turns no engine on trial, and one as found', () => {
    const trial = done(V8, WHOLE, 'off damper', 'try damper', 'torque damper', 'fact twoTurns')
    expect(last(V8, trial, 'turn starter')).toEqual(['damper'])
    const found = engineAsFound(V8)
    expect(lacks(V8, found, 'turn starter', 'fact twoTurns', 'turn starter')).toEqual([['twoTurns'], [], []])
    expect(last(SINGLE, engineAsFound(SINGLE), 'fact twoTurns', 'turn starter')).toEqual([])
    expect(last(SINGLE, engineAsFound(SINGLE), 'off exhaust', 'fact twoTurns', 'turn starter')).toContain('crank')
  })

  it('wants temporary parts out and oil in', () => {
    expect(last(V8, WHOLE, 'off oil', 'turn starter')).toEqual(['oil'])
    const { facts, ...rest } = WHOLE
    expect(last(V8, { ...rest, facts: new Set([...facts].filter((fact) => fact !== 'temporaryOut')) }, 'turn starter')).toEqual([
      'temporaryOut',
    ])
  })
})

describe('its own power', () => {
  it('wants oil seen since pump, filter or bearings were opened', () => {
    expect(last(V8, WHOLE, 'off oil', 'off filter', 'on filter', 'on oil', 'turn fire')).toEqual(['primed'])
    expect(
      last(
        V8,
        WHOLE,
        'off oil',
        'off pan',
        'loosen rodCap1',
        'torque rodCap1',
        'on pan',
        'torque pan',
        'on oil',
        'fact twoTurns',
        'turn fire',
      ),
    ).toEqual(['primed'])
  })

  it.each(['leaks', 'list', 'people', 'second'] as const)('wants %s', (fact) => {
    const without = { ...WHOLE, facts: new Set([...WHOLE.facts].filter((one) => one !== fact)) }
    expect(last(V8, without, 'turn fire')).toEqual([fact])
    expect(last(V8, without, 'turn starter')).toEqual([])
  })
})
