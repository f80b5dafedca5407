import { subjectWords } from '@/wording'
import type { CamMarks } from './camMarks'

/** The wheel for somebody who does not see it. */
export function wheelWords(marks: readonly CamMarks[]): string {
  const each = marks.map(({ cam, found, card, centreDeg }) => {
    const name = subjectWords({ cam })
    if (centreDeg === undefined) return `${name} not read yet`
    const against = card ? `, by its card ${Math.abs(card.centreDeg).toFixed(1)}°` : ''
    const events = found ? `, opens ${found.opensDeg.toFixed(1)}°, closes ${found.closesDeg.toFixed(1)}°` : ''
    return `${name} centreline ${Math.abs(centreDeg).toFixed(1)}°${against}${events}`
  })
  return `Degree wheel: ${each.join('; ')}`
}
