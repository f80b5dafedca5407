import { parseEntry } from '../../quantity'
import { statedFigure } from '../../metrology'
import type { Section } from './formulas'

export type SectionsIssue = { readonly code: 'unreadable'; readonly number: number; readonly text: string }

/** `33x8.8,12x10`: length × diameter of each section, bare numbers in mm with a point, or each with its unit: `1.3in x .35in`. */
export function readSections(text: string): readonly Section[] | SectionsIssue {
  const sections: Section[] = []
  for (const [index, part] of text.split(',').entries()) {
    const [length, diameter, ...more] = part.split(/[x×*]/i).map(lengthMm)
    if (!length || !diameter || more.length > 0) return { code: 'unreadable', number: index + 1, text: part.trim() }
    sections.push({
      lengthMm: statedFigure(`sections/${index + 1}/length`, length.value, length.plusMinus),
      diameterMm: statedFigure(`sections/${index + 1}/diameter`, diameter.value, diameter.plusMinus),
    })
  }
  return sections
}

/** A length that is one; undefined where the text is none, or nothing. */
function lengthMm(text: string): { readonly value: number; readonly plusMinus?: number } | undefined {
  const entry = parseEntry(text.trim(), { kind: 'length', unit: 'mm' })
  return entry.ok && entry.value > 0 ? entry : undefined
}
