/** What on an engine is another than it was, since when, and what of it is not true any more. */
import type { Build } from '../document/build'
import type { ChangeEntry } from '../document/types'
import { CHANGE_IDS, type ChangeId } from '../document/walkStages'
import { affectedBy } from './changes'

/** Something that was changed, in the order of arrival of entries: what arrived up to it was before it. */
export interface Changed {
  readonly what: ChangeId
  /** The place in the order of arrival of the last entry before it. */
  readonly after: number
  /** As somebody wrote it down; what was chosen in the build says itself. */
  readonly text?: string
  readonly by?: string
  readonly at?: string
}

/** Everything that was changed: written down, or chosen in place of another. */
export function changesSince(build: Build): readonly Changed[] {
  const { arrival } = build.readings
  const { gasket, pistons } = build.spec.choice.chosenAfter ?? {}
  const chosen = (what: ChangeId, entry: string | undefined): Changed[] => {
    const after = entry === undefined ? undefined : arrival.get(entry)
    return after === undefined ? [] : [{ what, after }]
  }
  const written = build.entries.flatMap((entry): Changed[] => {
    if (entry.kind !== 'change' || build.readings.takenBack.has(entry.id)) return []
    const { what, text, by, at } = entry as ChangeEntry
    return isChange(what) ? [{ what, text, by, at, after: arrival.get(entry.id)! }] : []
  })
  return [...chosen('gasket', gasket), ...chosen('pistons', pistons), ...written]
}

function isChange(what: string): what is ChangeId {
  return (CHANGE_IDS as readonly string[]).includes(what)
}

export function staleReadings(changes: readonly Changed[], characteristic: string): readonly Changed[] {
  return changes.filter(({ what }) => affectedBy(what).readings.some((beginning) => characteristic.startsWith(beginning)))
}

export function staleSteps(changes: readonly Changed[], name: string): readonly Changed[] {
  return changes.filter(({ what }) => (affectedBy(what).steps as readonly string[] | undefined)?.includes(name))
}

export function staleJoints(changes: readonly Changed[], kind: string): readonly Changed[] {
  return changes.filter(({ what }) => (affectedBy(what).joints as readonly string[] | undefined)?.includes(kind))
}
