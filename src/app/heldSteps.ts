import 'server-only'
import { withEntries, type Build, type Entry } from '@/core/document'
import { walkOf } from '@/core/walk'
import { stepTitle, waitsWords } from '@/wording/walk'

/** A step that was said to be done while something holds it: by a page that did not know, or by no page at all. */
export interface HeldStep {
  readonly id: string
  readonly error: string
}

/** Looks at steps in the order they were sent: what one frees, the next may do. */
export function heldSteps(opened: Build, entries: readonly Entry[], nowMs: number): readonly HeldStep[] {
  const held: HeldStep[] = []
  let build = opened
  const known = new Set([...build.entries, ...build.setAside].map(({ id }) => id))
  for (const entry of entries) {
    if (known.has(entry.id)) continue
    if (entry.kind === 'step' && entry.did === 'done') {
      const { steps } = walkOf(build, nowMs)
      const step = steps.find(({ id }) => id === entry.step)
      if (step?.standing === 'held') {
        const titleOf = (id: string) => stepTitle(steps.find((one) => one.id === id) ?? step)
        held.push({ id: entry.id, error: `${stepTitle(step)} is held. ${waitsWords(step.waits, titleOf)} It was not recorded.` })
        continue
      }
    }
    build = withEntries(build, [entry])
  }
  return held
}
