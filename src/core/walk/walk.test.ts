import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { withEntries, withSpec, type Build, type Entry } from '@/core/document'
import { USUAL_METHODS } from '@/core/benches'
import { withChosenAfter } from '@/core/document/changes'
import { soundBuild, stamp, without, withReading } from '../../../tests/support/builds'
import { cases } from '../../../tests/support/cases'
import { DRIVES, fresh, LAYOUTS, signOff, doing, NOW_MS, standingOf, stepIn, waitsOf } from '../../../tests/support/walks'
import { evaluate } from '../evaluation/evaluate'
import { jointsOf } from '../joints'
import { specForAnother } from '../document/copy'
import { mayMove, withOwnStep, withStepMoved } from './edit'
import { CHANGE_IDS, HOLDS } from '../document/walkStages'
import { affectedBy, HANDBOOK, STEP_NAMES, stepsOf, walkOf } from '.'

/** The walk: its order, what holds a step, and what a change makes stale. */
const tern = soundBuild(0)
const petrel = soundBuild(1)
const wren = soundBuild(2)

/** With room enough for the uncertainty of a lobe that only its card tells of. */
const roomy = (build: Build): Build =>
  withSpec(build, {
    ...build.spec,
    limits: { ...build.spec.limits, 'clearance.exhaust': { lower: 1.2, source: 'test', reason: 'proved', by: 'KV' } },
  })

describe('the walk of any engine', () => {
  it.each(LAYOUTS.flatMap(([kind, cylinders]) => DRIVES.map((drive) => [kind, cylinders, drive] as const)))(
    '%s %i, %s: has no circle, waits for nothing it has not, and never for something later in the walk',
    (kind, cylinders, valveDrive) => {
      for (const bearings of ['plain', 'rolling'] as const) {
        const steps = stepsOf(fresh(kind, cylinders, { valveDrive, bearings }))
        const place = new Map(steps.map(({ id }, index) => [id, index]))
        expect(place.size).toBe(steps.length)
        for (const { id, after, hides } of steps) {
          for (const before of after) expect(place.get(before), `${id} after ${before}`).toBeLessThan(place.get(id)!)
          for (const hidden of hides) expect(place.has(hidden), `${id} hides ${hidden}`).toBe(true)
        }
      }
    },
  )

  it('a two-stroke single has no cam, no lash, no valves to clear and no pump; a side-valve engine no clearance over pistons', () => {
    const ids = (build: Build) => stepsOf(build).map(({ id }) => id)
    const kart = ids(
      fresh('single', 1, { valvesPerCylinder: 0, valveDrive: 'none', strokes: 2, construction: { oiling: 'inFuel', cases: 'split' } }),
    )
    for (const none of [
      'cam.in',
      'cam.park',
      'heads.timing',
      'lash.set',
      'clear.headOn',
      'final.oilPump',
      'prime.oilIn',
      'prime.oilAtTop',
      'final.pan',
      'intake.covers',
    ])
      expect(kart, none).not.toContain(none)
    expect(kart).toEqual(expect.arrayContaining(['read.cam.stop', 'read.compression.deck', 'heads.on', 'fire.first']))
    expect(kart.some((id) => id.startsWith('read.clearance'))).toBe(false)
    const side = fresh('single', 1, { valvesPerCylinder: 2, valveDrive: 'sideValve' })
    expect(ids(side)).toEqual(expect.arrayContaining(['final.camIn', 'heads.lifters', 'lash.set']))
    for (const none of ['heads.pushrods', 'heads.camsIn', 'clear.headOn']) expect(ids(side), none).not.toContain(none)
    // Nothing is held by a clearance the engine has not.
    expect(stepsOf(side).filter(({ holds }) => holds.includes('clearanceProven'))).toEqual([])
    expect(stepsOf(wren).filter(({ holds }) => holds.includes('clearanceProven')).length).toBeGreaterThan(0)
  })

  it('asks for what the engine has: pistons of one pin together, two heads apart, no shells where bearings roll', () => {
    const ids = (build: Build) => stepsOf(build).map(({ id }) => id)
    expect(ids(petrel).filter((id) => id.startsWith('final.pistons'))).toEqual([
      'final.pistons.1-2',
      'final.pistons.3-4',
      'final.pistons.5-6',
      'final.pistons.7-8',
    ])
    expect(ids(petrel)).toEqual(expect.arrayContaining(['heads.gasket.left', 'heads.gasket.right', 'heads.pushrods.right', 'final.camIn']))
    expect(ids(tern)).toEqual(expect.arrayContaining(['heads.gasket', 'heads.camsIn', 'cam.park', 'pull.cam-intake']))
    expect(ids(tern)).not.toContain('heads.pushrods')
    expect(ids(wren).filter((id) => /shells|mainCaps|rodCaps|endFloat/.test(id))).toEqual([])
    expect(ids(wren)).not.toContain('machine.sent')
  })

  it('names only steps there are: what is stale, waited for and hidden, and every hold is of some step', () => {
    const named = new Set<string>(STEP_NAMES)
    for (const { steps = [] } of CHANGE_IDS.map(affectedBy)) for (const name of steps) expect(named).toContain(name)
    const held = new Set(stepsOf(tern).flatMap(({ holds }) => holds))
    expect([...HOLDS].filter((hold) => !held.has(hold))).toEqual([])
    for (const name of STEP_NAMES) expect(HANDBOOK[name].stage).toBe(name.split('.')[0])
  })

  it('keeps what was done when it is made again: another layout or method, the same step', () => {
    const done = doing(tern, 'job.agreed', 'heads.studs', 'final.pistons.3')
    const other = withSpec(done, { ...done.spec, methods: { ...USUAL_METHODS, camLobes: true } })
    for (const id of ['job.agreed', 'heads.studs', 'final.pistons.3']) expect(standingOf(other, id)).toBe('done')
    expect(stepsOf(other).some(({ id }) => id === 'read.cam.lobeAngle')).toBe(true)
  })

  it('turns the engine over as seldom as what waits for what allows', () => {
    const turned = (ids: readonly string[]) => {
      const attitudes = ids.flatMap((id) => stepsOf(petrel).find((step) => step.id === id)!.attitude ?? [])
      return attitudes.filter((attitude, index) => index > 0 && attitude !== attitudes[index - 1]).length
    }
    const final = stepsOf(petrel).filter(({ stage, attitude }) => stage === 'final' && attitude)
    expect(turned(final.map(({ id }) => id))).toBeLessThanOrEqual(4)
    // Shells, crank, caps and pump with it upside down; pistons upright; caps and pan upside down again.
    expect(final[0]!.attitude).toBe('upsideDown')
    const places = final.map(({ id }) => id)
    expect(places.indexOf('final.oilPump')).toBeLessThan(places.indexOf('final.pistons.1-2'))
  })

  it('goes in another order where somebody wants it, as far as what waits for what allows', () => {
    const ordered = withSpec(wren, {
      ...wren.spec,
      walk: { order: ['finalClean.plugs', 'finalClean.oilways', 'clean.washed', 'clean.apart'] },
    })
    const places = stepsOf(ordered).map(({ id }) => id)
    expect(places.indexOf('clean.washed')).toBeLessThan(places.indexOf('clean.apart'))
    expect(places.indexOf('finalClean.oilways')).toBeLessThan(places.indexOf('finalClean.plugs'))
    const own = withSpec(wren, { ...wren.spec, walk: { own: [{ id: 'own.tag', stage: 'heads', title: 'Tag on the plug leads' }] } })
    expect(stepsOf(own).find(({ id }) => id === 'own.tag')).toMatchObject({ stage: 'heads', source: { from: 'own' } })
  })
})

/** Every step of the handbook but some done, joints left out: as a build stands with those still to do. */
function nearlyDone(build: Build, ...but: string[]): Build {
  const entries = stepsOf(build).flatMap(({ id, source }) => {
    if (but.some((one) => id.startsWith(one))) return []
    return source.from === 'joint' || source.from === 'checks' ? [signOff(id, 'leftOut')] : [signOff(id)]
  })
  return withEntries(build, entries)
}

/** The build with heads so far apart that valves of both cams never meet. */
const wide = (build: Build) =>
  withSpec(build, {
    ...build.spec,
    paper: {
      ...build.spec.paper,
      valvesApart: { value: 60, unit: 'mm', source: 'test' },
      intakeMargin: { value: 1, unit: 'mm', source: 'test' },
      exhaustMargin: { value: 1, unit: 'mm', source: 'test' },
      intakeValveHead: { value: 35.5, unit: 'mm', source: 'test' },
      exhaustValveHead: { value: 30, unit: 'mm', source: 'test' },
    },
  })

describe('holds', () => {
  it('end float waits for the mains at their last stage', () => {
    expect(waitsOf(petrel, 'read.bearings.endFloat')).toEqual([])
    const unread = without(petrel, ({ characteristic }) => characteristic === 'bearings.endFloat')
    expect(waitsOf(unread, 'read.bearings.endFloat')).toEqual(expect.arrayContaining(['!mainsTight', 'pull.mains']))
  })

  it('no degree is read before TDC is proven', () => {
    const bare = without(tern, ({ characteristic }) => characteristic.startsWith('cam.'))
    expect(waitsOf(bare, 'read.cam.event')).toEqual(['!tdcProven'])
    expect(waitsOf(bare, 'read.cam.stop')).not.toContain('!tdcProven')
    const proven = without(tern, ({ characteristic }) => characteristic.startsWith('cam.') && characteristic !== 'cam.stop')
    expect(waitsOf(proven, 'read.cam.event')).toEqual([])
    // Proven, and something changed under it since: not proven any more.
    const changed = withEntries(proven, [{ kind: 'change', ...stamp(), what: 'sprockets', text: 'another crank wheel' } as Entry])
    expect(waitsOf(changed, 'read.cam.event')).toEqual(['!tdcProven'])
  })

  it('whoever did a step stays who did it; done again once it had gone stale, it is theirs who did it then', () => {
    const id = 'final.mainCaps'
    const by = (build: Build) => stepIn(walkOf(build, NOW_MS), id).signOff?.by
    const engine = fresh('inline', 4)
    const once = withEntries(engine, [signOff(id, 'done', { by: 'KV' })])
    expect(by(withEntries(once, [signOff(id, 'done', { by: 'AB' })]))).toBe('KV')
    const left = withEntries(once, [signOff(id, 'leftOut'), signOff(id, 'done', { by: 'AB' })])
    expect(by(left)).toBe('AB')
    const stale = withEntries(once, [{ kind: 'change', ...stamp(), what: 'mainStuds', text: 'others' } as Entry])
    expect(standingOf(stale, id)).toBe('stale')
    expect(by(withEntries(stale, [signOff(id, 'done', { by: 'AB' })]))).toBe('AB')
  })

  it('what was left out, and then done after all, is done', () => {
    const id = 'job.agreed'
    const standing = (...entries: Entry[]) => walkOf(withEntries(petrel, entries), NOW_MS).steps.find((one) => one.id === id)!.standing
    expect(standing(signOff(id, 'leftOut'))).toBe('leftOut')
    expect(standing(signOff(id, 'leftOut'), signOff(id))).toBe('done')
    expect(standing(signOff(id), signOff(id, 'leftOut'))).toBe('leftOut')
  })

  it('no cam is turned alone but over a crank that is parked where its valves clear, by the figures', () => {
    const before = nearlyDone(wide(tern), 'heads.camsIn', 'heads.park', 'cam.park', 'heads.timing', 'heads.twoTurns')
    expect(waitsOf(before, 'heads.camsIn')).toEqual(['!crankParked'])
    expect(waitsOf(doing(before, 'heads.park'), 'heads.camsIn')).toEqual([])
    // As it is, the valves of both cams meet.
    expect(waitsOf(doing(nearlyDone(tern, 'heads.camsIn'), 'heads.park'), 'heads.camsIn')).toEqual(['!crankParked'])
    // Parked as well as can be, and still too near: the figures hold it.
    const tight = withSpec(before, {
      ...before.spec,
      limits: { ...before.spec.limits, 'clearance.parked': { lower: 9, source: 'test', reason: '' } },
    })
    expect(waitsOf(doing(tight, 'heads.park'), 'heads.camsIn')).toEqual(['!crankParked'])
    expect(waitsOf(nearlyDone(petrel, 'heads.twoTurns'), 'heads.twoTurns')).toEqual([])
  })

  it('the engine is turned on running springs only with its clearance proven, or declared where nothing was changed', () => {
    const build = nearlyDone(roomy(petrel), 'heads.twoTurns', 'clear.declared')
    expect(waitsOf(build, 'heads.twoTurns')).toEqual([])
    // In doubt is not proven.
    expect(waitsOf(nearlyDone(petrel, 'heads.twoTurns', 'clear.declared'), 'heads.twoTurns')).toEqual(['!clearanceProven'])
    // A gap at redline, round a valve or between two belongs to it where it is asked for.
    const asked = (limit: string, lower: number, methods: object = {}) =>
      waitsOf(
        withSpec(build, {
          ...build.spec,
          methods: { ...build.spec.methods, ...methods },
          limits: { ...build.spec.limits, [limit]: { lower, source: 'test', reason: '' } },
        }),
        'heads.twoTurns',
      )
    expect(asked('clearance.atRedline', -5)).toEqual([])
    expect(asked('clearance.atRedline', 5)).toEqual(['!clearanceProven'])
    expect(asked('clearance.radial', 9, { clearanceRound: true })).toEqual(['!clearanceProven'])
    expect(asked('clearance.radial', 9, { clearanceRound: false })).toEqual([])
    expect(asked('clearance.valveToValve', 9, { clearanceBetween: true })).toEqual(['!clearanceProven'])
    const near = withSpec(build, {
      ...build.spec,
      limits: { ...build.spec.limits, 'clearance.intake': { lower: 5, source: 'test', reason: '' } },
    })
    expect(waitsOf(near, 'heads.twoTurns')).toEqual(['!clearanceProven'])
    const unread = without(build, ({ characteristic }) => characteristic.startsWith('clearance.'))
    expect(waitsOf(unread, 'heads.twoTurns')).toEqual(['!clearanceProven'])
    expect(waitsOf(doing(unread, 'clear.declared'), 'heads.twoTurns')).toEqual([])
    const work = { id: '0199f000-0000-7000-8000-000000000001', work: { what: 'turnCam', cam: 'intake', by: 2 } } as const
    expect(waitsOf(withSpec(doing(unread, 'clear.declared'), { ...unread.spec, planned: [work] }), 'heads.twoTurns')).toContain(
      '!clearanceProven',
    )
  })

  it('a head waits for the drive, its own gasket and dowels, and its studs counted', () => {
    const build = nearlyDone(petrel, 'heads.', 'final.pumpDrive')
    expect(waitsOf(build, 'heads.on.left')).toEqual(['!driveIn', '!gasketAndDowels', '!studsCounted', 'heads.gasket.left'])
    const left = doing(build, 'final.pumpDrive', 'heads.studs.left', 'heads.faces.left', 'heads.dowels.left', 'heads.gasket.left')
    expect(waitsOf(left, 'heads.on.left')).toEqual([])
    expect(waitsOf(left, 'heads.on.right')).toEqual(['!gasketAndDowels', '!studsCounted', 'heads.gasket.right'])
  })

  it('the starter waits for two turns by hand, oil, and every temporary part out again; fire for oil at the top and the list', () => {
    const build = nearlyDone(petrel, 'fire.', 'prime.', 'clear.springsOut', 'heads.twoTurns')
    expect(waitsOf(build, 'fire.starter')).toEqual(['!twoTurns', '!oilIn', '!temporaryOut', 'fire.tempOut'])
    expect(waitsOf(build, 'heads.twoTurns')).toEqual(['!lightSpringsOut'])
    const out = doing(build, 'clear.springsOut', 'heads.twoTurns', 'prime.oilIn', 'fire.tempOut')
    expect(waitsOf(out, 'fire.starter')).toEqual([])
    const taped = withEntries(out, [signOff('heads.on.left', 'putIn', { part: 'tape' })])
    expect(waitsOf(taped, 'fire.starter')).toEqual(['!temporaryOut'])
    expect(walkOf(taped, NOW_MS).temporary).toEqual(['tape'])
    expect(waitsOf(withEntries(taped, [signOff('heads.on.left', 'takenOut', { part: 'tape' })]), 'fire.starter')).toEqual([])
    expect(waitsOf(doing(out, 'fire.starter'), 'fire.first')).toEqual(['!oilAtTop', '!firstFireList'])
  })

  it('a step that is waived says who, and is open; undone, it is held again', () => {
    const build = nearlyDone(petrel, 'heads.on', 'final.pumpDrive')
    expect(standingOf(build, 'heads.on.left')).toBe('held')
    const waiver = signOff('heads.on.left', 'waived', { reason: 'driven off the cam here', by: 'AB', second: 'KV' })
    const waived = withEntries(build, [waiver])
    const step = stepIn(walkOf(waived, NOW_MS), 'heads.on.left')
    expect([step.standing, step.waived]).toEqual(['open', { by: 'AB', at: waiver.at, second: 'KV', reason: 'driven off the cam here' }])
    const undone = withEntries(waived, [{ kind: 'undo', ...stamp(), target: waiver.id } as Entry])
    expect(standingOf(undone, 'heads.on.left')).toBe('held')
  })

  it('names what a part covers while it can still be seen', () => {
    const build = nearlyDone(petrel, 'final.cover', 'final.timing')
    expect(stepIn(walkOf(build, NOW_MS), 'final.cover').uncovered).toEqual(['final.timing'])
    expect(stepIn(walkOf(doing(build, 'final.timing'), NOW_MS), 'final.cover').uncovered).toEqual([])
  })

  const WALKS = cases()
  it('hold in any order of walks: none turns the engine over pistons that may touch', () => {
    const still = [
      'heads.park',
      'heads.camsIn',
      'heads.timing',
      'heads.twoTurns',
      'lash.',
      'fire.starter',
      'clear.springsOut',
      'clear.declared',
    ]
    const starts = [wide(roomy(wren)), without(wide(wren), ({ characteristic }) => characteristic.startsWith('clearance.'))].map(
      (build) => ({ build: nearlyDone(build, ...still), findings: evaluate(build) }),
    )
    let turned = 0
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1 }), fc.infiniteStream(fc.nat(1000)), (which, choices) => {
        const { build: start, findings } = starts[which]!
        let build = start
        for (let count = 0; count < 9; count++) {
          const walk = walkOf(build, NOW_MS, findings)
          // Joints are torqued for good, as far as anybody can say.
          const open = walk.steps.filter(({ standing, id }) => standing === 'open' && id !== 'clear.declared')
          if (open.length === 0) break
          const step = open[choices.next().value! % open.length]!
          build = withEntries(build, [signOff(step.id, step.source.from === 'joint' ? 'leftOut' : 'done')])
        }
        const isTurned = walkOf(build, NOW_MS, findings).steps.some(({ id, standing }) => id === 'heads.twoTurns' && standing === 'done')
        if (isTurned) turned++
        expect(isTurned && which === 1).toBe(false)
      }),
      { numRuns: WALKS, seed: 12 },
    )
    expect(turned).toBeGreaterThan(0.3 * WALKS)
  })
})

describe('what a change makes stale', () => {
  const changed = (build: Build, what: string) => withEntries(build, [{ kind: 'change', ...stamp(), what, text: 'test' } as Entry])
  const staleOf = (build: Build) =>
    walkOf(build, NOW_MS)
      .steps.filter(({ standing }) => standing === 'stale')
      .map(({ id }) => id)

  it('is named reading by reading and step by step, and nothing else', () => {
    const build = nearlyDone(tern)
    expect(staleOf(build)).toEqual([])
    expect(staleOf(changed(build, 'honed'))).toEqual([
      'read.bores.bore',
      'read.rings.topGap',
      'read.rings.secondGap',
      'read.rings.upperRailGap',
      'read.rings.lowerRailGap',
      'finalClean.washed',
      'final.ringsOn',
    ])
    expect(staleOf(changed(build, 'springs'))).toEqual(['heads.twoTurns', 'lash.set'])
    expect(staleOf(changed(build, 'crankGround')).some((id) => id.startsWith('read.bores'))).toBe(false)
  })

  it('is a gasket chosen in place of another: valves, and the head that stood on it', () => {
    const build = nearlyDone(tern)
    const other = withSpec(build, withChosenAfter({ ...build.spec, choice: { ...build.spec.choice, gasket: 'hl-g4' } }, build))
    expect(staleOf(other)).toEqual([
      'read.clearance.drop',
      'read.clearance.travel',
      'read.clearance.headSize',
      'read.clearance.pocketSize',
      'heads.faces',
      'heads.gasket',
      'heads.on',
      'heads.twoTurns',
    ])
    expect(waitsOf(nearlyDone(other, 'heads.twoTurns'), 'fire.starter')).not.toContain('!clearanceProven')
    expect(walkOf(other, NOW_MS).steps.find(({ id }) => id === 'read.clearance.drop')!.stale).toMatchObject([
      { changed: { what: 'gasket' } },
    ])
  })

  it('holds what rests on it, until it is read again or a person confirms it with a reason', () => {
    const build = changed(nearlyDone(petrel, 'heads.twoTurns'), 'valves')
    expect(waitsOf(build, 'heads.twoTurns')).toContain('!clearanceProven')
    const confirmed = withEntries(build, [signOff('read.clearance.drop', 'confirmed')])
    expect(standingOf(confirmed, 'read.clearance.drop')).toBe('done')
    const again = [...petrel.readings.current.values()]
      .filter(({ characteristic }) => characteristic === 'clearance.drop')
      .reduce((now, { characteristic, place, value, gauge }) => withReading(now, characteristic, place, value, gauge), build)
    expect(standingOf(again, 'read.clearance.drop')).toBe('done')
    // One valve left is a valve of before.
    const [first] = [...petrel.readings.current.values()].filter(({ characteristic }) => characteristic === 'clearance.drop')
    const one = withReading(build, first!.characteristic, first!.place, first!.value, first!.gauge)
    expect(standingOf(one, 'read.clearance.drop')).toBe('stale')
    // And what changes once more after that is stale once more.
    expect(standingOf(changed(confirmed, 'seats'), 'read.clearance.drop')).toBe('stale')
  })

  it('ends with the change taken back', () => {
    const change = { kind: 'change', ...stamp(), what: 'lube', text: 'moly for oil' } as Entry
    const build = withEntries(nearlyDone(tern), [change])
    expect(staleOf(build)).toContain('read.fasteners.tightLength')
    expect(staleOf(withEntries(build, [{ kind: 'undo', ...stamp(), target: change.id } as Entry]))).toEqual([])
  })

  it('comes by age alone where things do not keep: washed iron after a day, priming after three', () => {
    const build = doing(wren, 'finalClean.washed', 'prime.oilAtTop')
    const at = Date.parse('2026-03-02T10:00:00Z')
    const standing = (hours: number, id: string) => stepIn(walkOf(build, at + hours * 3_600_000), id).standing
    expect([standing(23.9, 'finalClean.washed'), standing(24.1, 'finalClean.washed')]).toEqual(['done', 'stale'])
    expect([standing(71.9, 'prime.oilAtTop'), standing(72.1, 'prime.oilAtTop')]).toEqual(['done', 'stale'])
    expect(stepIn(walkOf(build, at + 30.5 * 3_600_000), 'finalClean.washed').stale).toEqual([{ agedHours: 30 }])
    const confirmed = withEntries(build, [signOff('finalClean.washed', 'confirmed', { at: '2026-03-03T12:00:00Z' })])
    expect(stepIn(walkOf(confirmed, at + 30 * 3_600_000), 'finalClean.washed').standing).toBe('done')
  })

  it('is known of joints too: a run before new studs is no run of theirs', () => {
    expect(jointsOf(petrel.spec).some(({ kind }) => kind === 'mains')).toBe(true)
    for (const { readings, steps = [] } of CHANGE_IDS.map(affectedBy)) expect(readings.length + steps.length).toBeGreaterThan(0)
  })
})

describe('a walk of one’s own', () => {
  it('has steps no handbook has, each with a name of its own', () => {
    const spec = withOwnStep(
      withOwnStep(wren.spec, 'heads', 'Tag on the plug leads', ''),
      'heads',
      'Photograph the dowels',
      'they are asked for',
    )
    expect(spec.walk!.own).toEqual([
      { id: 'own.1', stage: 'heads', title: 'Tag on the plug leads' },
      { id: 'own.2', stage: 'heads', title: 'Photograph the dowels', why: 'they are asked for' },
    ])
    const without = withSpec(wren, { ...spec, walk: { own: [spec.walk!.own![1]!] } })
    expect(withOwnStep(without.spec, 'job', 'Key in the drawer', '').walk!.own!.map(({ id }) => id)).toEqual(['own.2', 'own.1'])
    expect(standingOf(doing(without, 'own.2'), 'own.2')).toBe('done')
    // Started as a copy, the next engine of its kind has it too.
    expect(specForAnother(spec).walk).toEqual(spec.walk)
  })

  it('is moved step by step, within a stage and never past what waits', () => {
    const steps = stepsOf(wren)
    expect([mayMove(steps, 'job.paper', -1), mayMove(steps, 'job.paper', 1), mayMove(steps, 'job.agreed', -1)]).toEqual([
      true,
      false,
      false,
    ])
    const moved = withSpec(wren, withStepMoved(wren.spec, steps, 'job.paper', -1))
    expect(
      stepsOf(moved)
        .slice(0, 2)
        .map(({ id }) => id),
    ).toEqual(['job.paper', 'job.agreed'])
    // The gasket goes on the dowels, whoever would have it otherwise.
    const at = steps.findIndex(({ id }) => id === 'heads.dowels')
    expect(steps[at + 1]!.id).toBe('heads.gasket')
    expect(mayMove(steps, 'heads.gasket', -1)).toBe(false)
    expect(withStepMoved(wren.spec, steps, 'heads.gasket', -1)).toBe(wren.spec)
  })
})
