import { describe, expect, it } from 'vitest'
import type { Pull } from '@/core/document'
import { jointsOf } from '@/core/joints'
import { DEMO_BUILDS } from '@/demo/scenario'
import { fastenerPlaceWords, planIssueWords, pullWords, stageFigure, stagesWords, torqueWords } from './joints'

const [tern, petrel, wren] = DEMO_BUILDS.map(({ spec }) => spec)
const jointOf = (spec: typeof tern, id: string) => jointsOf(spec!).find((joint) => joint.id === id)!
const where = (spec: typeof tern, id: string, fastener: number) => fastenerPlaceWords(jointOf(spec, id), spec!.layout, fastener)

describe('where a fastener stands', () => {
  it('on a head, by its side and its cylinders; the plan has the engine’s right on top', () => {
    // The intake of this five is on the left: the second row of six.
    expect([1, 2, 6, 7, 11].map((fastener) => where(tern, 'head', fastener))).toEqual([
      'exhaust side, ahead of cylinder 1',
      'exhaust side, between cylinders 1 and 2',
      'exhaust side, behind cylinder 5',
      'intake side, ahead of cylinder 1',
      'intake side, between cylinders 4 and 5',
    ])
  })

  it('on a bank of a V: towards the valley is the intake, by the numbers of that bank', () => {
    // Alternating numbers: 1-3-5-7 on the left, 2-4-6-8 on the right.
    expect(where(petrel, 'head-left', 2)).toBe('intake side, between cylinders 1 and 3')
    expect(where(petrel, 'head-left', 11)).toBe('intake side, beside cylinder 1')
    expect(where(petrel, 'head-right', 2)).toBe('exhaust side, between cylinders 2 and 4')
    expect(where(petrel, 'head-right', 7)).toBe('intake side, between cylinders 2 and 4')
  })

  it('on caps by the cap, elsewhere not at all', () => {
    expect([1, 2, 12].map((fastener) => where(tern, 'mains', fastener))).toEqual(['cap 1, left', 'cap 1, right', 'cap 6, right'])
    expect(where(tern, 'rods', 9)).toBe('rod 5')
    expect(where(tern, 'flywheel', 1)).toBe('')
  })
})

describe('figures of a stage', () => {
  it('are in the unit of the wrench, as they were typed', () => {
    expect(torqueWords(35 * 1.355_817_948, 'inch')).toEqual({ value: '35', unit: 'lbf·ft' })
    expect(torqueWords(22.5, 'metric')).toEqual({ value: '22.5', unit: 'N·m' })
    expect(stagesWords(jointOf(petrel, 'head-left').groups[0]!.stages, 'inch')).toBe('35, 55, 70 lbf·ft')
    expect(stagesWords([{ pull: 'snug' }, { pull: 'torque', nm: 40 }, { pull: 'angle', deg: 90 }], 'metric')).toBe('snug, 40 N·m, +90°')
    expect(stageFigure({ pull: 'angle', deg: 90 }, 'metric')).toEqual({ value: '90', unit: '° further' })
    expect(stagesWords(jointOf(wren, 'head').groups[1]!.stages, 'metric')).toBe('10 N·m')
  })
})

describe('what was done', () => {
  const pull = { kind: 'pull', id: 'x', at: '', by: 'KV', joint: 'head', run: 'x', device: 'd', stage: 2, fastener: 3 } as const
  it('goes by the number on the casting, never by the place in the pattern', () => {
    const turns = ['9', '5', '1']
    const words = (did: Pull['did'], reason?: string) => pullWords({ ...pull, did, ...(reason && { reason }) }, turns)
    expect(words('pulled')).toBe('fastener 1, stage 2')
    expect(words('leftOut', 'no room')).toBe('fastener 1 left out: no room')
    expect(words('broke')).toBe('fastener 1 broke')
    expect(words('end', 'turns free')).toBe('ended: turns free')
    expect(planIssueWords({ code: 'oddStickOut', fastener: 3, stickOutMm: 45, usualMm: 52 }, 'metric', turns)).toBe(
      'Fastener 1 stands out 45.0 mm, most of its type 52.0 mm: another length, or in another’s hole.',
    )
  })
})
