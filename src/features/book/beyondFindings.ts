/** What a book tells beside findings: what was done without, changed, found damaged or sent back, each with why. */
import type { Build } from '@/core/document'
import { nowhereIn } from '@/core/files'
import { damagesOf, partsOf } from '@/core/parts'
import { stepsOf } from '@/core/walk'
import { PART_STATE_WORDS } from '@/wording/parts'
import { changeName, nowhereWords, setAsideWords, stepTitle } from '@/wording/walk'

const ON_THE_WALK = { waived: 'gone on without what it waits for', leftOut: 'left out', confirmed: 'still true' } as const

/** What a second person would ask about: each with why, and on whose word. */
export function onTheWalk(build: Build): string[] {
  const titles = new Map(stepsOf(build).map((step) => [step.id, stepTitle(step)]))
  return build.entries.flatMap((entry) => {
    if (build.readings.takenBack.has(entry.id)) return []
    if (entry.kind === 'change') return [`Changed: ${changeName(entry.what)}: ${entry.text} (${entry.by})`]
    if (entry.kind !== 'step' || !(entry.did in ON_THE_WALK)) return []
    const said = ON_THE_WALK[entry.did as keyof typeof ON_THE_WALK]
    const who = [entry.by, ...(entry.second ? [entry.second] : [])].join(', ')
    return [`${titles.get(entry.step) ?? entry.step}: ${said}, ${entry.reason} (${who})`]
  })
}

/** Entries that are kept and not counted: of an older program, pointing at what they may not, and at places the engine has not. */
export function setAsideLines(build: Build): string[] {
  const nowhere = nowhereIn(build)
  return [...build.setAside.map(setAsideWords), ...(nowhere.length > 0 ? [nowhereWords(nowhere.length)] : [])]
}

/** What was found damaged and what its owner answered; parts that did not fit, were sent back, or stand in the place of others. */
export function ofParts(build: Build): string[] {
  const damages = damagesOf(build).map(({ text, cause, answer, repaired, by, at }) => {
    const answered = answer
      ? `; owner answered: ${answer.option?.text ?? 'none of the ways'}${answer.reply ? `, “${answer.reply}”` : ''}`
      : ''
    return `Found: ${text}${cause ? `, from ${cause}` : ''} (${by}, ${at.slice(0, 10)})${answered}${repaired ? '; done' : ''}`
  })
  const parts = partsOf(build).flatMap(({ name, state, reason, replaces, onWordOf }) => [
    ...(reason && (state === 'back' || state === 'dropped') ? [`${name}: ${PART_STATE_WORDS[state]}, ${reason}`] : []),
    ...(state === 'failed' ? [`${name}: ${PART_STATE_WORDS.failed}`] : []),
    ...(replaces ? [`${name}: in the place of ${replaces}, on the word of ${onWordOf ?? 'nobody'}`] : []),
  ])
  return [...damages, ...parts]
}
