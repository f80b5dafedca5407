import type { Joint, Pull } from '@/core/document'
import { stepsOf, type RunWay } from '@/core/joints'
import { stamp } from './builds'

interface RunOptions {
  /** Left open after its last pull. */
  readonly isOpen?: boolean
  /** What was done at a step, where it was not torqued; null: nothing, the step is passed over. */
  readonly did?: (step: number) => Partial<Pull> | null | undefined
  /** Minutes after ten in the morning its first entry was made, and then one a minute. */
  readonly fromMinute?: number
}

const BEGUN_MS = Date.parse('2026-03-02T10:00:00Z')
export const atMinute = (minute: number): string => new Date(BEGUN_MS + minute * 60_000).toISOString()

/** A run of a joint as a bench would have entered it, an entry a minute. */
export function runOf(joint: Joint, way: RunWay, { isOpen = false, did = () => undefined, fromMinute = 0 }: RunOptions = {}): Pull[] {
  const begin = stamp()
  let minute = fromMinute
  const common = () => ({ kind: 'pull' as const, ...stamp(), at: atMinute(minute++), joint: joint.id, run: begin.id, device: 'd' })
  const pulls: Pull[] = [{ ...common(), id: begin.id, did: 'begin', way }]
  const say = (more: Partial<Pull>) => pulls.push({ ...common(), follows: pulls.at(-1)!.id, ...more } as Pull)
  stepsOf(joint, way).forEach(({ fastener, stage, pull }, index) => {
    const other = did(index)
    if (other === null) return
    say({ did: 'pulled', fastener, stage, ...(pull.pull === 'torque' && { value: pull.nm, unit: 'Nm' }), ...other })
  })
  if (!isOpen) say({ did: 'end' })
  return pulls
}
