import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import { withEntries, type Build, type Entry } from '@/core/document'
import { soundBuild, stamp } from '../../../tests/support/builds'
import { NOW_MS, signOff, standingOf } from '../../../tests/support/walks'
import { stageProgress, stepKind, stepsOf, tookMinutes } from '.'

/** What steps took, and how far stages are. */
const read = soundBuild(2)
const wren = openBuild({ id: read.id, spec: read.spec, gauges: [...read.gauges.values()], entries: [] })
const at = (clock: string, by = 'KV') => ({ at: `2026-03-02T${clock}:00Z`, by })
const took = (build: Build, ...entries: readonly Entry[]) => tookMinutes(withEntries(build, entries))
const bore = (cylinderAt: string, value: number): Entry => ({
  kind: 'reading',
  ...stamp(),
  ...at(cylinderAt),
  characteristic: 'bores.bore',
  place: { cylinder: 1, spot: 'topThrust' },
  value,
  unit: 'mm',
  asTyped: String(value),
  gauge: 'bore-metric.1',
})

describe('how long a step took', () => {
  it('is from what the same person entered before it to when it was done, whoever else entered something meanwhile', () => {
    const done = took(
      wren,
      signOff('job.agreed', 'done', at('08:00')),
      signOff('job.paper', 'done', at('08:50', 'AB')),
      signOff('clean.washed', 'done', at('09:30')),
    )
    expect(done.get('clean.washed')).toBe(90)
    // Nobody knows when the first of a day began.
    expect(done.has('job.agreed')).toBe(false)
  })

  it('is of steps ticked one after another by one person, and never of what came with a file', () => {
    const [agreed, paper] = [signOff('job.agreed', 'done', at('08:00')), signOff('job.paper', 'done', at('08:40'))]
    expect(took(wren, agreed, paper).get('job.paper')).toBe(40)
    expect(took(wren, agreed, bore('08:20', 88), paper).has('job.paper')).toBe(false)
    expect(took(wren, signOff('job.agreed', 'leftOut', at('08:00')), paper).has('job.paper')).toBe(false)
    expect(tookMinutes(withEntries(wren, [agreed, paper]), 2).size).toBe(0)
    expect(tookMinutes(withEntries(wren, [agreed, paper, signOff('clean.washed', 'done', at('09:00'))]), 1).get('clean.washed')).toBe(20)
  })

  it('is not known over a night, and not of what was taken back', () => {
    const [agreed, washed] = [signOff('job.agreed', 'done', at('08:00')), signOff('clean.washed', 'done', at('12:00'))]
    expect(took(wren, agreed, washed).get('clean.washed')).toBe(240)
    expect(took(wren, agreed, signOff('clean.washed', 'done', at('12:01'))).has('clean.washed')).toBe(false)
    expect(took(wren, agreed, washed, { kind: 'undo', ...stamp(), ...at('12:05'), target: washed.id }).has('clean.washed')).toBe(false)
  })

  it('of readings is from the first to the last and once more, without the hours between two sittings', () => {
    expect(took(wren, bore('09:00', 88), bore('09:02', 88.01), bore('09:06', 88)).get('read.bores.bore')).toBe(9)
    expect(took(wren, bore('09:00', 88), bore('09:02', 88.01), bore('15:00', 88), bore('15:02', 88)).get('read.bores.bore')).toBe(6)
    expect(took(wren, bore('09:00', 88)).has('read.bores.bore')).toBe(false)
  })

  it('is told together of what different engines have in common', () => {
    const kinds = (build: Build) => new Map(stepsOf(build).map((step) => [step.id, stepKind(build, step)]))
    const [v8, five] = [kinds(soundBuild(1)), kinds(soundBuild(0))]
    expect([v8.get('heads.gasket.left'), five.get('heads.gasket')]).toEqual(['heads.gasket', 'heads.gasket'])
    expect([v8.get('pull.head-right'), five.get('pull.head')]).toEqual(['pull.head', 'pull.head'])
    expect(five.get('read.bores.bore')).toBe('read.bores.bore')
  })
})

describe('how far a stage is', () => {
  it('counts what is done or left out of what is wanted, and says where it goes on', () => {
    const began = withEntries(wren, [signOff('job.agreed'), signOff('clean.apart', 'leftOut')])
    const progress = new Map(stageProgress(began, NOW_MS).map((one) => [one.stage, one]))
    expect(progress.get('job')).toEqual({ stage: 'job', done: 1, of: 2, at: 'job.paper' })
    expect(progress.get('clean')).toEqual({ stage: 'clean', done: 1, of: 3, at: 'clean.washed' })
    expect(standingOf(began, 'clean.oiled')).toBe('held')
  })

  it('goes back to its first step once all of it is done', () => {
    const job = withEntries(wren, [signOff('job.agreed'), signOff('job.paper')])
    expect(stageProgress(job, NOW_MS)[0]).toEqual({ stage: 'job', done: 2, of: 2, at: 'job.agreed' })
  })
})
