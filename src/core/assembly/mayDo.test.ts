import { describe, expect, it } from 'vitest'
import { acts, done, FIRE, lacks, last, TWIN_CAM, V8, WHOLE } from '../../../tests/support/engines'
import { ENGINES } from '../../../tests/support/layouts'
import { bareEngine, missingName, partsOf, pathTo, replay } from '.'

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

describe('whatever is done', () => {
  it('is done to what is there and can be reached', () => {
    expect(lacks(V8, bareEngine(), 'off crank', 'loosen head1', 'torque pan', 'settle damper')).toEqual([
      ['crank'],
      ['head1'],
      ['pan'],
      ['damper'],
    ])
    expect(lacks(V8, WHOLE, 'loosen rodCap2', 'torque mainCaps', 'loosen rockers2')).toEqual([['pan'], ['pan'], ['cover2']])
    expect(lacks(V8, bareEngine(), 'change barrel', 'off deck', 'change deck', 'change lash', 'off lash')).toEqual([
      ['barrel'],
      ['deck'],
      [],
      [],
      ['lash'],
    ])
    expect(last(V8, WHOLE, 'on damper')).toEqual(['damper'])
    expect(lacks(V8, bareEngine(), 'fact twoTurns', 'fact parked')).toEqual([['crank', 'mainCaps'], []])
  })

  it('names a thing once, however often it is asked for', () => {
    const names = lacks(V8, bareEngine(), 'turn fire')[0]!
    expect(new Set(names).size).toBe(names.length)
    expect(names.slice(0, 3)).toEqual(['crank', 'mainCaps', 'oil'])
  })

  it('to a head with its cams in: they stand clear of the table, and the crank is parked', () => {
    const bench = done(TWIN_CAM, bareEngine(), 'try valves', 'try springs', 'try followers', 'try cams')
    expect(last(TWIN_CAM, bench, 'try head')).toEqual(['parked', 'standingClear'])
    expect(last(TWIN_CAM, bench, 'fact parked', 'try head')).toEqual(['standingClear'])
    expect(last(TWIN_CAM, bench, 'fact parked', 'fact standingClear', 'try head')).toEqual([])
    expect(last(TWIN_CAM, bench, 'off cams', 'try head')).toEqual([])
  })

  it('to an engine of one of a kind goes by the number one as well, and by the kind to all of them or none', () => {
    const { standing, missing } = replay(V8, bareEngine(), acts('try rod', 'try pin3', 'try pin'))
    expect(missing.map((lacking) => lacking.map(missingName))).toEqual([[], [], ['pin3']])
    expect([standing.on.has('rod8'), standing.on.has('pin3'), standing.on.has('pin4')]).toEqual([true, true, false])
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

describe('a path', () => {
  it('that does not exist is said, and not looked for without end', () => {
    const whole = pathTo(TWIN_CAM, bareEngine(), FIRE).standing
    expect(() => pathTo(TWIN_CAM, whole, { act: 'turn', kind: 'back' })).toThrow(/No (way|path) to .*back/)
    expect(() => pathTo(V8, bareEngine(), { act: 'on', part: 'barrel', grade: 'final' })).toThrow('No way to')
  })

  it('for a trial puts what it lacks on for a trial', () => {
    const { acts: path, standing } = pathTo(V8, bareEngine(), { act: 'on', part: 'crank', grade: 'trial' }, 'trial')
    expect(path).toEqual(acts('try shellsUpper', 'try crank'))
    expect([...standing.on.values()].every(({ grade }) => grade === 'trial')).toBe(true)
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
