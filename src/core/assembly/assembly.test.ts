import { describe, expect, it } from 'vitest'
import { ENGINES } from '../../../tests/support/layouts'
import type { Act, PartAct } from './acts'
import { bareEngine, engineAsFound, missingName, partsOf, pathTo, replay, type Standing } from '.'

const V8 = partsOf(ENGINES['V8, pushrods']!)
const TWIN_CAM = partsOf(ENGINES['inline four, shims under']!)
const SINGLE = partsOf(ENGINES['single, split cases, cam in the head']!)
const FIRE = { act: 'turn', kind: 'fire' } as const
const WHOLE = pathTo(V8, bareEngine(), FIRE).standing

/** `torque head1`, `on pan` (for good), `try pan` (on trial), `fact parked`, `read lash`, `turn crank`. */
function acts(...words: readonly string[]): readonly Act[] {
  return words.map((said): Act => {
    const [act, of = ''] = said.split(' ') as [string, string?]
    if (act === 'on' || act === 'try') return { act: 'on', part: of, grade: act === 'on' ? 'final' : 'trial' }
    if (act === 'fact') return { act, fact: of } as Act
    if (act === 'read') return { act, reading: of } as Act
    return (act === 'turn' ? { act, kind: of } : { act: act as PartAct['act'], part: of }) as Act
  })
}

/** What each act lacked, by name. */
function lacks(parts: typeof V8, from: Standing, ...words: readonly string[]) {
  return replay(parts, from, acts(...words)).missing.map((missing) => missing.map(missingName))
}
/** Where the engine stands after acts that were all done. */
function done(parts: typeof V8, from: Standing, ...words: readonly string[]): Standing {
  const { standing, missing } = replay(parts, from, acts(...words))
  expect(missing.flat()).toEqual([])
  return standing
}
/** What the last of some acts lacked; those before it were done. */
function last(parts: typeof V8, from: Standing, ...words: readonly string[]) {
  const all = lacks(parts, from, ...words)
  expect(all.slice(0, -1).flat()).toEqual([])
  return all.at(-1)
}

describe('the parts of an engine', () => {
  it('follow from its layout, numbered where there are several', () => {
    const ids = (parts: typeof V8) => parts.all.map(({ id }) => id)
    expect(ids(V8)).toEqual(expect.arrayContaining(['camBearings', 'cam', 'head1', 'head2', 'lifters1', 'rodCap8', 'pan']))
    expect(ids(V8).filter((id) => /^(chain|cams|followers|caseOther|barrel|sideCover)/.test(id))).toEqual([])
    expect(ids(SINGLE)).toEqual(expect.arrayContaining(['caseOther', 'barrel', 'piston', 'chainHung', 'head', 'cams']))
    expect(ids(SINGLE).filter((id) => /^(mainCaps|rodCap|pan|frontCover|coolant|starterMotor)/.test(id))).toEqual([])
    expect(ids(partsOf(ENGINES['single, two-stroke']!)).filter((id) => /valves|cam|oil|primed|cover/i.test(id))).toEqual([])
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
  const withWays = (parts: typeof V8, ways: NonNullable<typeof V8.engine.ways>) => partsOf({ ...parts.engine, ways })

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

describe('on and off', () => {
  it('wants all below it on, and nothing that closes its place', () => {
    expect(lacks(V8, bareEngine(), 'try crank', 'try piston3')).toEqual([['shellsUpper'], ['crank', 'mainCaps', 'rod3', 'pin3']])
    const caps = done(V8, bareEngine(), 'try mainCaps')
    expect(lacks(V8, caps, 'try shellsUpper')).toEqual([['mainCaps']])
    expect(last(V8, WHOLE, 'off rodCap5')).toEqual(['pan'])
    expect(last(V8, WHOLE, 'off gasket2')).toEqual(['head2'])
    expect(last(V8, WHOLE, 'off crank')).toEqual(expect.arrayContaining(['mainCaps', 'pan', 'piston1', 'flywheel']))
  })

  it('for good wants what is under it for good, washed since it was cut, read where it hides something', () => {
    expect(lacks(V8, bareEngine(), 'on plugs', 'wash block', 'on block', 'on plugs')).toEqual([['block'], [], [], []])
    expect(last(V8, bareEngine(), 'wash block', 'settle block', 'change deck', 'on plugs')).toEqual([])
    expect(last(V8, bareEngine(), 'wash block', 'change deck', 'settle block')).toEqual(['block'])
    expect(last(V8, bareEngine(), 'wash block', 'settle block', 'on plugs', 'on shellsUpper', 'on crank')).toEqual(['crank'])
    expect(last(V8, bareEngine(), 'wash crank', 'try shellsUpper', 'on crank')).toEqual(['block', 'shellsUpper', 'plugs'])
    const open = done(V8, WHOLE, 'off oil', 'off pan')
    expect(last(V8, open, 'off pickup', 'on pickup', 'torque pickup', 'on pan')).toEqual(['pickupToPan'])
    expect(last(V8, open, 'loosen mainCaps', 'on pan')).toEqual(['mainCaps:last', 'endFloat'])
  })

  it('for good closes nothing that is missing or on trial', () => {
    const short = pathTo(V8, bareEngine(), { act: 'on', part: 'piston8', grade: 'final' }).standing
    const left = V8.byId.get('gasket1')!.closes.filter((id) => id.startsWith('piston'))
    expect(last(V8, short, 'on gasket1')).toEqual(left.filter((id) => !short.on.has(id)))
    expect(left.filter((id) => !short.on.has(id)).length).toBeGreaterThan(0)
    expect(last(V8, short, 'wash head1', 'on valves1', 'on head1')).toEqual(expect.arrayContaining(['gasket1']))
    const open = done(V8, WHOLE, 'off oil', 'off pan', 'off pickup', 'try pickup', 'torque pickup')
    expect(last(V8, open, 'read pickupToPan', 'on pan')).toEqual(['pickup', 'pickupToPan'])
  })

  it('for good closes no joint that is not at its last stage; on trial snug will do', () => {
    const open = done(V8, WHOLE, 'off cover1', 'loosen rockers1', 'fact clearance')
    expect(last(V8, open, 'read lash', 'on cover1')).toEqual(['rockers1:last'])
    expect(last(V8, open, 'try cover1')).toEqual([])
    const front = done(V8, WHOLE, 'off oil', 'off pan', 'off damper', 'off ignitionDrive', 'off frontCover', 'loosen camDrive')
    expect(last(V8, front, 'on frontCover')).toEqual(['camDrive:last'])
    expect(last(V8, done(V8, WHOLE, 'off oil', 'off pan', 'loosen rodCap4'), 'on pan')).toEqual(['rodCap4:last'])
  })

  it('settled, a joint stays as it was torqued', () => {
    const damper = done(V8, WHOLE, 'off damper', 'try damper', 'torque damper', 'settle damper', 'fact twoTurns')
    expect(last(V8, damper, 'turn starter')).toEqual([])
    expect(last(V8, damper, 'loosen damper', 'fact twoTurns', 'turn starter')).toEqual(['damper:last'])
  })

  it('washes a block only bare, and other parts only off it', () => {
    expect(last(V8, bareEngine(), 'try camBearings', 'wash block')).toEqual([])
    expect(last(V8, bareEngine(), 'try shellsUpper', 'wash block')).toEqual(['shellsUpper'])
    expect(last(V8, bareEngine(), 'try shellsUpper', 'try crank', 'wash crank')).toEqual(['crank'])
  })

  it('settles what is clean where it stands, and no gasket that was crushed', () => {
    const bare = done(
      V8,
      WHOLE,
      'off coolant',
      'off exhaust',
      'off fuelFeed',
      'off sparkPlugs',
      'off intake',
      'off cover1',
      'off rockers1',
      'off pushrods1',
      'off head1',
      'off gasket1',
      'try gasket1',
    )
    expect(last(V8, bare, 'settle gasket1')).toEqual([])
    expect(last(V8, bare, 'try head1', 'settle gasket1')).toEqual([])
    expect(last(V8, bare, 'try head1', 'torque head1', 'settle gasket1')).toEqual(['gasket1'])
  })
})

describe('readings', () => {
  it('ask for their state, and are trial readings in a trial state', () => {
    expect(lacks(V8, bareEngine(), 'read bores', 'read mainClearance', 'read endFloat', 'read deck')).toEqual([
      ['mainCaps'],
      ['shellsUpper', 'mainCaps'],
      ['crank', 'mainCaps'],
      [
        'crank',
        'mainCaps',
        ...[1, 2, 3, 4, 5, 6, 7, 8].map((one) => `piston${one}`),
        ...[1, 2, 3, 4, 5, 6, 7, 8].map((one) => `rodCap${one}`),
      ],
    ])
    expect(last(V8, bareEngine(), 'try mainCaps', 'read bores')).toEqual(['mainCaps:last'])
    expect(last(V8, bareEngine(), 'try mainCaps', 'torque mainCaps', 'read bores')).toEqual([])
    const crank = done(V8, bareEngine(), 'try shellsUpper', 'try crank', 'try mainCaps', 'torque mainCaps', 'read endFloat')
    expect(crank.readings.get('endFloat')).toBe('trial')
    expect(last(V8, crank, 'read bores')).toEqual(['crank'])
    expect(WHOLE.readings.get('endFloat')).toBe('final')
    const one = done(V8, crank, 'try rod1', 'try pin1', 'try piston1', 'try rodCap1')
    expect(last(V8, one, 'read deck')).toEqual([])
    expect(last(V8, one, 'read events')).toContain('tdcBareDeck')
  })

  it('of cams in a head want the drop first, and of their drive that nothing covers it', () => {
    const trial = ['try shellsUpper', 'try crank', 'try mainCaps', 'torque mainCaps', 'try rod1', 'try pin1', 'try piston1', 'try rodCap1']
    const head = ['try guides', 'try lowerWheel', 'try chainHung', 'try valves', 'try springs', 'try followers', 'try head', 'torque head']
    const timed = ['fact parked', 'try cams', 'try chain', 'try tensioner', 'read tdcPlugHole']
    const on = done(TWIN_CAM, bareEngine(), ...trial, ...head, ...timed)
    expect(last(TWIN_CAM, on, 'read events')).toEqual(['valveDrop'])
    const looked = done(TWIN_CAM, on, 'off tensioner', 'off chain', 'read valveDrop', 'try chain', 'try tensioner')
    expect(last(TWIN_CAM, looked, 'read events')).toEqual([])
    expect(last(TWIN_CAM, looked, 'read reDegree')).toEqual(['cams:last'])
    const covered = done(TWIN_CAM, looked, 'torque cams', 'try frontCover')
    expect(last(TWIN_CAM, covered, 'read reDegree')).toEqual(['frontCover'])
    expect(last(TWIN_CAM, covered, 'off frontCover', 'read reDegree')).toEqual([])
  })

  it('say nothing any more of what was opened or changed', () => {
    expect(done(V8, WHOLE, 'off oil', 'off pan', 'loosen mainCaps').readings.has('endFloat')).toBe(false)
    expect(WHOLE.readings.has('lash')).toBe(true)
    expect(done(V8, WHOLE, 'change lash').readings.has('lash')).toBe(false)
    expect(done(V8, WHOLE, 'off cover2').readings.has('lash')).toBe(true)
    expect(done(V8, WHOLE, 'off cover2', 'loosen rockers2').readings.has('lash')).toBe(false)
  })
})

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

describe('every layout', () => {
  it.each(Object.entries(ENGINES))(
    '%s: has a path from bare block to first fire, all for good, every joint at its last stage',
    (_, engine) => {
      const parts = partsOf(engine)
      const { acts: path, standing } = pathTo(parts, bareEngine(), FIRE)
      const replayed = replay(parts, bareEngine(), path)
      expect(replayed.missing.flat()).toEqual([])
      const asked = parts.all.filter(({ isOptional }) => !isOptional)
      expect(asked.filter(({ id }) => standing.on.get(id)?.grade !== 'final').map(({ id }) => id)).toEqual([])
      expect(asked.filter(({ id, hasJoint }) => hasJoint && !standing.on.get(id)!.isAtLast).map(({ id }) => id)).toEqual([])
    },
  )
})
