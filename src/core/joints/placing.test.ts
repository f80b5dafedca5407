import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '@/demo/scenario'
import type { Joint } from '../document/types'
import { centreOut, withPattern } from '.'
import { planIssues } from './plan'
import { withFastenerAt, withoutLastFastener } from './placing'

const head: Joint = { ...DEMO_BUILDS[2]!.spec.joints!.find(({ id }) => id === 'head')!, sealant: { bead: [1, 6, 3, 1], dabs: [6] } }

describe('fasteners placed on the drawing', () => {
  it('stand where they were put, to a millimetre, and are torqued last', () => {
    const more = withFastenerAt(head, { xMm: 200.4, yMm: -31.6 })!
    expect(more.fasteners.at(-1)).toEqual({ xMm: 200, yMm: -32, type: 'A' })
    expect(more.groups.map(({ order }) => order)).toEqual([[...head.groups[0]!.order], [...head.groups[1]!.order, 7]])
    expect(planIssues(more).map(({ code }) => code)).not.toContain('missing')
  })

  it('never where one stands already', () => {
    const { xMm, yMm } = head.fasteners[0]!
    expect(withFastenerAt(head, { xMm: xMm + 3, yMm })).toBeUndefined()
    expect(withFastenerAt(head, { xMm: xMm + 5, yMm })).toBeDefined()
  })

  it('the last one goes again, with all that names it; a group keeps one', () => {
    const less = withoutLastFastener(head)
    expect(less.fasteners).toHaveLength(5)
    expect(less.groups.map(({ order }) => order)).toEqual([[...head.groups[0]!.order], [5]])
    expect(less.sealant).toEqual({ bead: [1, 3, 1], dabs: [] })
    expect(withoutLastFastener(less)).toBe(less)
    expect(withoutLastFastener(withFastenerAt(head, { xMm: 300, yMm: 0 })!)).toEqual(head)
  })

  it('a pattern from a table takes the map of the old one away', () => {
    const order = centreOut(head.fasteners.slice(0, 4)).map((index) => index + 1)
    expect(withPattern(head, head.fasteners.slice(0, 4), order, 'table')).not.toHaveProperty('sealant')
  })
})
