import { parseEntry, type Entry, type UnitId } from '../../units'
import { statedFigure } from '../../metrology'
import type { Section } from './formulas'

export type SectionsIssue = { readonly code: 'unreadable'; readonly number: number; readonly text: string }

/**
 * `33x8.8,12x10`: length × diameter of each section. Bare numbers are in mm, with a point; or with a unit,
 * of each or of both: `1.3in x .35in`, `1.3x.35in`.
 */
export function readSections(text: string): readonly Section[] | SectionsIssue {
  const sections: Section[] = []
  for (const [index, part] of text.split(',').entries()) {
    const [lengthText = '', diameterText = '', ...more] = part.split(/[x×*]/i)
    const diameter = lengthMm(diameterText, 'mm')
    // One unit behind both is that of both: 1.05x0.388in.
    const length = lengthMm(lengthText, diameter?.unit ?? 'mm')
    if (!length || !diameter || more.length > 0) return { code: 'unreadable', number: index + 1, text: part.trim() }
    sections.push({
      lengthMm: statedFigure(`sections/${index + 1}/length`, length.value, length.plusMinus),
      diameterMm: statedFigure(`sections/${index + 1}/diameter`, diameter.value, diameter.plusMinus),
    })
  }
  return sections
}

/** A length that is one; undefined where the text is none, or nothing. */
function lengthMm(text: string, unit: UnitId): Pick<Entry, 'value' | 'plusMinus' | 'unit'> | undefined {
  const entry = parseEntry(text.trim(), { kind: 'length', unit })
  return entry.ok && entry.value > 0 ? entry : undefined
}
