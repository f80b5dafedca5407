import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '@/demo/scenario'
import type { Joint } from '../document/types'
import { crankMoves, crankStopOf, stepsOf } from '.'

/** Nuts of rods are reached at some angles of the crank only: where it has to stand, and how often it is turned. */
const rods = DEMO_BUILDS[0]!.spec.joints!.find(({ kind }) => kind === 'rods')!
const [group] = rods.groups
/** Rods 1 and 5 at 90°, the others at 234°, as their throws stand; the last rod anywhere. */
const stops = [90, 90, 234, 234, 234, 234, 234, 234, undefined, undefined]
const stopped = (order: readonly number[]): Joint => ({
  ...rods,
  fasteners: rods.fasteners.map((one, index) => ({ ...one, crankDeg: stops[index] })),
  groups: [
    {
      ...group!,
      order: [...order],
      stages: [
        { pull: 'torque', nm: 20 },
        { pull: 'torque', nm: 50 },
      ],
    },
  ],
})
const inOrder = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10]

describe('crank stops', () => {
  it('are each fastener’s own', () => {
    expect([1, 3, 9, undefined].map((fastener) => crankStopOf(stopped(inOrder), fastener))).toEqual([90, 234, undefined, undefined])
    expect(crankStopOf(rods, 1)).toBeUndefined()
  })

  it('stop by stop the crank is turned twice a stage; by turns between the rods, at every pull that has a stop', () => {
    const moves = (order: readonly number[]) => crankMoves(stopped(order), stepsOf(stopped(order)))
    expect(moves(inOrder)).toBe(4)
    expect(moves([1, 3, 2, 4, 5, 6, 7, 8, 9, 10])).toBe(8)
    // One that is reached anywhere turns nothing.
    expect(moves([1, 9, 2, 3, 10, 4, 5, 6, 7, 8])).toBe(4)
    expect(crankMoves(rods, stepsOf(rods))).toBe(0)
  })
})
