import type { Joint } from '../document/types'
import type { Position } from '../geometry/sheets/sheets'

/** Two fasteners stand no nearer. */
const NEAREST_MM = 4

/**
 * The joint with one fastener more, the last to be torqued; undefined where one stands already.
 * To a millimetre: a hand is no finer, and the pattern at true scale no longer.
 */
export function withFastenerAt(joint: Joint, { xMm, yMm }: Position): Joint | undefined {
  const at = { xMm: Math.round(xMm), yMm: Math.round(yMm) }
  if (joint.fasteners.some((other) => Math.hypot(other.xMm - at.xMm, other.yMm - at.yMm) < NEAREST_MM)) return undefined
  const number = joint.fasteners.length + 1
  const last = joint.groups.length - 1
  const { placed: _, ...drawn } = joint
  return {
    ...drawn,
    fasteners: [...joint.fasteners, { ...at, type: joint.types[0]!.letter }],
    groups: joint.groups.map((group, index) => (index === last ? { ...group, order: [...group.order, number] } : group)),
  }
}

/** The joint without the fastener that was placed last; one is always left, and a group keeps one. */
export function withoutLastFastener(joint: Joint): Joint {
  const number = joint.fasteners.length
  const isOther = (one: number) => one !== number
  const groups = joint.groups.map((group) => ({ ...group, order: group.order.filter(isOther) }))
  if (number === 1 || groups.some(({ order }) => order.length === 0)) return joint
  const { sealant } = joint
  return {
    ...joint,
    fasteners: joint.fasteners.slice(0, -1),
    groups,
    ...(sealant && { sealant: Object.fromEntries(Object.entries(sealant).map(([what, numbers]) => [what, numbers?.filter(isOther)])) }),
  }
}
