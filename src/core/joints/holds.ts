import type { Joint, Pull } from '../document/types'
import type { RunRefusal } from './plan'
import { tightRunOf } from './tight'

/**
 * Joints that are to be tight before this one is, and are not: never tightened to the end, or loosened since. A trial comes apart
 * again and waits for nothing. `pulls` of the whole build, `joints` as planned.
 */
export function holdRefusals(joint: Joint, joints: readonly Joint[], pulls: readonly Pull[]): readonly RunRefusal[] {
  if (joint.state === 'trial') return []
  const first = joints.filter(({ id }) => id !== joint.id && joint.after?.includes(id))
  return first.filter((one) => one.state !== 'final' || !tightRunOf(one, pulls)).map(({ name }) => ({ code: 'waitsFor', joint: name }))
}
