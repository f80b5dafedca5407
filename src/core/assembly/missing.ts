/** What is missing before an act, and the act that is the way there. */
import type { Act, FactName, Grade } from './acts'
import type { ReadingName } from './partRow'

export type Missing =
  | { readonly is: 'notOn' | 'onTrial' | 'notAtLast' | 'unwashed' | 'crushed' | 'inTheWay' | 'unknownPart'; readonly part: string }
  | { readonly is: 'unread'; readonly reading: ReadingName }
  | { readonly is: 'unproven'; readonly fact: FactName }

/** By one name: a part, `part:last` for its last stage, a reading, a fact. */
export function missingName(missing: Missing): string {
  if (missing.is === 'unread') return missing.reading
  if (missing.is === 'unproven') return missing.fact
  return missing.is === 'notAtLast' ? `${missing.part}:last` : missing.part
}

/** The act that provides what is missing; undefined where there is no such part. */
export function wayThere(missing: Missing, grade: Grade): Act | undefined {
  switch (missing.is) {
    case 'notOn':
      return { act: 'on', part: missing.part, grade }
    case 'onTrial':
      return { act: 'settle', part: missing.part }
    case 'notAtLast':
      return { act: 'torque', part: missing.part }
    case 'unwashed':
      return { act: 'wash', part: missing.part }
    case 'crushed':
    case 'inTheWay':
      return { act: 'off', part: missing.part }
    case 'unread':
      return { act: 'read', reading: missing.reading }
    case 'unproven':
      return { act: 'fact', fact: missing.fact }
    case 'unknownPart':
      return undefined
  }
}
