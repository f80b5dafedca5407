import type { JointStage } from '../document/types'
import { parseEntry, type UnitId } from '../units'

export type StagesIssue =
  /** `30,55`: a list or a decimal, nobody can say. */
  | { readonly code: 'listOrDecimal'; readonly text: string }
  | { readonly code: 'unreadable'; readonly text: string }
  | { readonly code: 'tooMany'; readonly most: number }
  | { readonly code: 'outOfRange'; readonly text: string }

const MOST_STAGES = 8
const MOST_NM = 3000
const MOST_DEG = 720
const ANGLE = /^\+?\s*(\d+(?:[.,]\d+)?)\s*(?:°|deg|degrees)$|^\+\s*(\d+(?:[.,]\d+)?)$/i

/**
 * Stages as they are spoken of: `30, 55, 80`, `30/55/80`, `snug; 40 N·m; +90°`, `40+90°`.
 * A bare number is in `unit`, one with a plus in degrees.
 */
export function parseStages(text: string, unit: UnitId): { readonly stages: JointStage[] } | { readonly issue: StagesIssue } {
  const written = text.trim()
  if (written === '') return { stages: [] }
  if (/^\d+,\d+$/.test(written)) return { issue: { code: 'listOrDecimal', text: written } }
  // Two commas between figures are no decimals.
  const parts = written
    // A plus behind a figure begins an angle: 40+90° is 40, +90°.
    .replace(/(?<=[\d°])\s*\+(?=\s*\d)/g, '; +')
    .split(/\d,\d+,\d/.test(written) ? /[;,/]/ : /[;/]|,\s+|,$|(?<=\d)\s+(?=[+\d])/)
    .map((part) => part.trim())
    .filter(Boolean)
  if (parts.length > MOST_STAGES) return { issue: { code: 'tooMany', most: MOST_STAGES } }
  const stages: JointStage[] = []
  for (const part of parts) {
    const stage = stageFrom(part, unit)
    if (!stage) return { issue: { code: 'unreadable', text: part } }
    if (isBeyond(stage)) return { issue: { code: 'outOfRange', text: part } }
    stages.push(stage)
  }
  return { stages }
}

function stageFrom(part: string, unit: UnitId): JointStage | undefined {
  if (/^snug$/i.test(part)) return { pull: 'snug' }
  const angle = ANGLE.exec(part)
  if (angle) return { pull: 'angle', deg: Number((angle[1] ?? angle[2])!.replace(',', '.')) }
  const entry = parseEntry(part, { kind: 'torque', unit })
  return entry.ok && entry.upper === undefined && entry.plusMinus === undefined ? { pull: 'torque', nm: entry.value } : undefined
}

function isBeyond(stage: JointStage): boolean {
  if (stage.pull === 'torque') return !(stage.nm > 0 && stage.nm <= MOST_NM)
  return stage.pull === 'angle' && !(stage.deg > 0 && stage.deg <= MOST_DEG)
}
