import type { Joint, JointGroup } from '@/core/document'

/** Stores a joint planned otherwise; the words are the reason of the revision. */
export type ChangeJoint = (words: string, next: (joint: Joint) => Joint) => void

/** The joint with one of its groups changed. */
export function withGroup(joint: Joint, index: number, change: Partial<JointGroup>): Joint {
  return { ...joint, groups: joint.groups.map((group, at) => (at === index ? { ...group, ...change } : group)) }
}
