import { describe, expect, it } from 'vitest'
import type { Pull } from '@/core/document'
import { jointsOf, stepsOf } from '@/core/joints'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { bookSheet } from './bookSheet'
import { jointSheets } from './jointSheet'

const tern = demoDocument(DEMO_BUILDS[0]!, new Date('2026-03-01T12:00:00Z'))
const head = jointsOf(tern.spec).find(({ id }) => id === 'head')!

/** A whole run of the head, a pull every ten seconds, one of them left out. */
function run(): Pull[] {
  const id = (number: number) => `0199f000-0000-7000-8000-${String(number).padStart(12, '0')}`
  const stamp = (number: number, by = 'KV') => ({
    kind: 'pull' as const,
    id: id(number),
    at: new Date(Date.parse('2026-03-02T10:00:00Z') + number * 10_000).toISOString(),
    by,
    joint: 'head',
    run: id(0),
    device: 'tablet',
  })
  const steps = stepsOf(head)
  return [
    { ...stamp(0), did: 'begin', way: 'tighten' },
    ...steps.map(({ stage, fastener }, index): Pull => ({
      ...stamp(index + 1, stage === 3 ? 'AB' : 'KV'),
      follows: id(index),
      stage,
      fastener,
      ...(index === 20 ? { did: 'leftOut', reason: 'wrench does not reach' } : { did: 'pulled' }),
    })),
    { ...stamp(steps.length + 1), did: 'end', follows: id(steps.length) },
  ]
}

describe('joints in the book', () => {
  it('prove the plan with its sources and every stage with who and when; what was left out is said', () => {
    const [sheet] = jointSheets({ ...tern, entries: [...tern.entries, ...run()] }, 'metric').run
    expect(sheet).toEqual({
      title: 'Cylinder head, 12 fasteners',
      lines: [
        '30, 55, 80 N·m (stud set, its own card); maker’s lube on thread and nut face (stud set, its own card)',
        'Tight, fastener 9 left out.',
        'Tighten, begun 2026-03-02 10:00 by KV: 35 of 36 pulls, 1 left out, ended 2026-03-02 10:06.',
        'Stage 1, 30 N·m: 12 by KV, 2026-03-02 10:00 to 2026-03-02 10:02',
        'Stage 2, 55 N·m: 11 by KV, 2026-03-02 10:02 to 2026-03-02 10:04',
        'Stage 3, 80 N·m: 12 by AB, 2026-03-02 10:04 to 2026-03-02 10:06',
        'Fastener 9, stage 2, left out: wrench does not reach (KV).',
      ],
    })
  })

  it('that were ended without their pulls are not tight, what stopped short and a joint backed off is said', () => {
    const whole = run()
    const linesOf = (pulls: readonly Pull[]) => {
      const { run: sheets, notRun } = jointSheets({ ...tern, entries: [...tern.entries, ...pulls] }, 'metric')
      return { lines: sheets[0]!.lines.slice(1), notRun }
    }
    const bare = linesOf([whole[0]!, { ...whole.at(-1)!, follows: whole[0]!.id }])
    expect(bare.lines).toEqual([
      'Not tight.',
      'Tighten, begun 2026-03-02 10:00 by KV: 0 of 36 pulls, 36 never torqued, ended 2026-03-02 10:06.',
    ])
    expect(bare.notRun).toContain('Cylinder head')
    const short: Pull = { ...whole[3]!, did: 'short' }
    const broke: Pull = { ...whole[4]!, did: 'broke', reason: 'head came off' }
    const backedOff: Pull = { ...whole[5]!, did: 'backedOff', stage: undefined, fastener: undefined }
    expect(linesOf([...whole.slice(0, 3), short, broke, backedOff]).lines).toEqual([
      'Not tight.',
      'Tighten, begun 2026-03-02 10:00 by KV: 0 of 36 pulls, under way.',
      'Fastener 3, stage 1, stopped short once (KV).',
      'Fastener 4 broke at stage 1: head came off (KV).',
      'All backed off, every stage again 2026-03-02 10:00 (KV).',
    ])
  })

  it('that have a figure and were not tightened are named; those nobody knows a figure of are not', () => {
    expect(jointSheets(tern, 'metric')).toEqual({
      run: [],
      notRun: ['Main caps', 'Cylinder head', 'Caps of the intake cam', 'Caps of the exhaust cam', 'Flywheel'],
    })
    const unfinished = { ...tern, entries: [...tern.entries, ...run().slice(0, -1)] }
    expect(jointSheets(unfinished, 'metric').notRun).toContain('Cylinder head')
    expect(jointSheets({ ...tern, entries: [...tern.entries, ...run()] }, 'metric').notRun).not.toContain('Cylinder head')
  })

  it('stand in the sheet, and what was not run among what was not checked', () => {
    const sheet = bookSheet({ ...tern, entries: [...tern.entries, ...run()] }, 'metric')
    expect(sheet.joints).toHaveLength(1)
    expect(sheet.notChecked.at(-1)).toBe(
      'Joints planned and not tightened: Main caps, Caps of the intake cam, Caps of the exhaust cam, Flywheel',
    )
  })
})
