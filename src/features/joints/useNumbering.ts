'use client'
import { useCallback, useState } from 'react'
import type { Joint } from '@/core/document'
import { centreOut, numberIssues, spiral, type OrderIssue } from '@/core/joints'
import { withGroup, type ChangeJoint } from './planEdit'

const SEQUENCES = {
  centreOut: { sequence: centreOut, source: 'common practice: from the middle outwards, opposed' },
  spiral: { sequence: spiral, source: 'common practice: spiral from the middle' },
} as const

/** Numbers given by click, one fastener after the other: stored as the order once every one of them has its own. */
export function useNumbering(joint: Joint, change: ChangeJoint) {
  const [given, setGiven] = useState<readonly number[]>()
  const pick = useCallback(
    (fastener: number) => {
      if (!given || given.includes(fastener)) return
      const next = [...given, fastener]
      if (next.length < joint.fasteners.length) return setGiven(next)
      setGiven(undefined)
      change('order by click', (now) => ordered(now, next, { source: 'numbered by hand' }))
    },
    [change, given, joint.fasteners.length],
  )
  const take = (name: keyof typeof SEQUENCES) => {
    const { sequence, source } = SEQUENCES[name]
    const order = sequence(joint.fasteners).map((index) => index + 1)
    change(source, (now) => ordered(now, order, { source }))
  }
  /** The present numbers in their new order. @returns what is wrong with them, and nothing is stored. */
  const type = (numbers: readonly number[]): readonly OrderIssue[] => {
    const present = joint.groups.flatMap(({ order }) => order)
    const order = numbers.map((number) => present[number - 1] ?? 0)
    const issues = numberIssues(
      numbers,
      present.map((_, index) => index + 1),
    )
    if (issues.length === 0) change('order as typed', (now) => ordered(now, order, { source: 'typed by hand' }))
    return issues
  }
  const turns = given && joint.fasteners.map((_, index) => String(given.indexOf(index + 1) + 1 || ''))
  return { given, turns, pick: given ? pick : undefined, start: () => setGiven([]), stop: () => setGiven(undefined), take, type }
}

/** One order over all groups: each keeps its own fasteners, in the new order. */
function ordered(joint: Joint, order: readonly number[], orderFrom: { readonly source: string }): Joint {
  return joint.groups.reduce(
    (now, group, index) => withGroup(now, index, { order: order.filter((fastener) => group.order.includes(fastener)), orderFrom }),
    joint,
  )
}
