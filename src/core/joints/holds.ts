import type { Joint, Pull } from '../build/types'
import type { RunRefusal } from './plan'
import { runsOf } from './run'

/**
 * Joints that are to be tight before this one is, and are not: never run down to the end, or loosened since. A trial comes apart
 * again and waits for nothing. `pulls` of the whole build, `joints` as planned.
 */
export function holdRefusals(joint: Joint, joints: readonly Joint[], pulls: readonly Pull[]): readonly RunRefusal[] {
  if (joint.state === 'trial') return []
  const first = joints.filter(({ id }) => id !== joint.id && joint.after?.includes(id))
  return first.filter((one) => !isTight(one, pulls)).map(({ name }) => ({ code: 'waitsFor', joint: name }))
}

/** Whether the last thing done to a joint left it tight for good. */
function isTight(joint: Joint, pulls: readonly Pull[]): boolean {
  const [last] = runsOf(joint, pulls).filter(({ way }) => way !== 'verify' && way !== 'drawDown')
  return joint.state === 'final' && last !== undefined && last.isEnded && last.way !== 'loosen'
}
