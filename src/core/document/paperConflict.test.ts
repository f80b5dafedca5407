import { describe, expect, it } from 'vitest'
import type { PaperNumber } from './types'
import { paperConflict, takingOther, unsettledPaper, withOtherPaper } from './paperConflict'

const sheet: PaperNumber = { value: 92.8, unit: 'mm', source: 'crank maker’s sheet' }
const forum = { value: 92.77, unit: 'mm', source: 'a forum', word: 'hearsay' } as const
const preset = { value: 92.75, unit: 'mm', source: 'preset', word: 'preset' } as const

describe('papers that contradict each other', () => {
  it('are kept side by side until somebody says why one counts', () => {
    const both = withOtherPaper(sheet, forum)
    expect(both.value).toBe(92.8)
    expect(paperConflict(sheet)).toBeUndefined()
    expect(paperConflict(both)).toEqual({ others: [forum], isSettled: false })
    expect(paperConflict({ ...both, reason: 'measured on the crank' })).toMatchObject({ isSettled: true })
    expect(unsettledPaper({ stroke: both, bore: sheet } as never)).toEqual(['stroke'])
  })

  it('contradict only beyond what the one that counts leaves open', () => {
    expect(paperConflict({ ...withOtherPaper(sheet, forum), tolerance: 0.03 })).toMatchObject({ others: [forum] })
    expect(paperConflict({ ...withOtherPaper(sheet, forum), tolerance: 0.031 })).toBeUndefined()
    expect(paperConflict(withOtherPaper(sheet, { ...forum, value: 92.8 }))).toBeUndefined()
  })

  it('rank by whose word they are: a maker before a preset, a preset before what was said', () => {
    const heard: PaperNumber = { ...sheet, value: 92.77, word: 'hearsay' }
    const three = withOtherPaper(withOtherPaper(heard, preset), { value: 92.8, unit: 'mm', source: 'sheet', word: 'maker' })
    expect(paperConflict(three)?.outranks?.source).toBe('sheet')
    expect(paperConflict(withOtherPaper(sheet, preset))?.outranks).toBeUndefined()
    // Of two makers neither outranks the other: somebody says why.
    expect(paperConflict(withOtherPaper(sheet, { ...preset, word: 'maker' }))).toEqual({
      others: [{ ...preset, word: 'maker' }],
      isSettled: false,
    })
    expect(paperConflict(withOtherPaper({ ...sheet, word: 'preset' }, forum))?.outranks).toBeUndefined()
  })

  it('change places when another is taken: nothing that was written is lost', () => {
    const taken = takingOther({ ...withOtherPaper(sheet, forum), tolerance: 0.02 }, 0, 'so it measures')
    expect(taken).toEqual({
      value: 92.77,
      unit: 'mm',
      source: 'a forum',
      word: 'hearsay',
      reason: 'so it measures',
      others: [{ value: 92.8, unit: 'mm', source: 'crank maker’s sheet', word: 'maker' }],
    })
    expect(takingOther(taken, 5, 'x')).toBe(taken)
  })
})
