import { describe, expect, it } from 'vitest'
import type { JointStage } from '../document/types'
import { parseStages } from './parseStages'

const read = (text: string, unit: 'Nm' | 'lbfft' = 'Nm') => {
  const parsed = parseStages(text, unit)
  return 'issue' in parsed ? parsed.issue.code : parsed.stages.map((stage) => (stage.pull === 'torque' ? stage.nm : stage))
}

describe('stages as typed', () => {
  it.each([
    ['30, 55, 80', [30, 55, 80]],
    ['30/55/80', [30, 55, 80]],
    ['30 55 80', [30, 55, 80]],
    ['30,55,80', [30, 55, 80]],
    ['30; 55; 80,5', [30, 55, 80.5]],
    ['30, 55, 80,', [30, 55, 80]],
    ['snug, 40 N·m, +90°', [{ pull: 'snug' }, 40, { pull: 'angle', deg: 90 }]],
    ['40 +90', [40, { pull: 'angle', deg: 90 }]],
    ['40 / 90° / 90 deg', [40, { pull: 'angle', deg: 90 }, { pull: 'angle', deg: 90 }]],
    ['', []],
    ['80', [80]],
  ])('%s', (text, stages) => expect(read(text)).toEqual(stages))

  it('in pounds-force feet where the wrench is marked in them, or where they are typed', () => {
    // 1 lbf·ft is 1.355 817 948 N·m (NIST SP 811, appendix B.8).
    expect(read('35/55/70', 'lbfft')).toEqual([35, 55, 70].map((feet) => expect.closeTo(feet * 1.355_817_948, 6)))
    expect(read('35 lbf·ft')).toEqual([expect.closeTo(47.453_628, 5)])
    expect(read('80 Nm', 'lbfft')).toEqual([80])
  })

  it.each([
    ['30,55', 'listOrDecimal'],
    ['30, fifty', 'unreadable'],
    ['30, 20/25 mm', 'unreadable'],
    ['30, 40 mm', 'unreadable'],
    ['1 2 3 4 5 6 7 8 9', 'tooMany'],
    ['0', 'outOfRange'],
    ['3001', 'outOfRange'],
    ['40, +721', 'outOfRange'],
    ['40, +0', 'outOfRange'],
  ])('%s is not taken: %s', (text, code) => expect(read(text)).toBe(code))

  it('hold as many as eight, and as far as the scale goes', () => {
    expect(read('1 2 3 4 5 6 7 8')).toHaveLength(8)
    expect(read('3000, +720')).toEqual([3000, { pull: 'angle', deg: 720 }])
  })

  it('an angle behind its torque, with no more than a plus between', () => {
    const wordsOf: Readonly<Record<JointStage['pull'], (stage: JointStage) => unknown>> = {
      torque: (stage) => stage.pull === 'torque' && stage.nm,
      angle: (stage) => stage.pull === 'angle' && `+${stage.deg}`,
      snug: () => 'snug',
    }
    const stages = (text: string) => {
      const read = parseStages(text, 'Nm')
      return 'stages' in read ? read.stages.map((stage) => wordsOf[stage.pull](stage)) : read.issue.code
    }
    expect(stages('40+90°')).toEqual([40, '+90'])
    expect(stages('30, 40+90+90')).toEqual([30, 40, '+90', '+90'])
    expect(stages('30 + 90° + 90°')).toEqual([30, '+90', '+90'])
    expect(stages('snug; 40 N·m; +90°')).toEqual(['snug', 40, '+90'])
  })
})
