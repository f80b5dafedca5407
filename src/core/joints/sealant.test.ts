import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '@/demo/scenario'
import { fastenersAt, turnsAt } from '.'

const head = DEMO_BUILDS[1]!.spec.joints!.find(({ id }) => id === 'head-left')!
const order = head.groups.flatMap((group) => group.order)

describe('where sealant goes, by the numbers on the fasteners', () => {
  it('turns stand for the fasteners that have them, in the order they are typed, a bead closed by its first', () => {
    expect(fastenersAt(head, '1 5-9, 1')).toEqual({ fasteners: [order[0], order[4], order[8], order[0]], unknown: [] })
    expect(fastenersAt(head, '')).toEqual({ fasteners: [], unknown: [] })
  })

  it('a number that no fastener has is named, and the others are not lost', () => {
    expect(fastenersAt(head, '3 18 0 17')).toEqual({ fasteners: [order[2], order[16]], unknown: [18, 0] })
  })

  it('comes back as it was typed', () => {
    expect(turnsAt(head, fastenersAt(head, '12 4 7 12').fasteners)).toBe('12 4 7 12')
    expect(turnsAt(head)).toBe('')
  })
})
