import { degreedIssue } from '@/core/geometry/valvetrain'
import { firingIssues, renumbered, type Counting, type EngineLayout } from '@/core/geometry/crank'
import { capital } from '@/wording'
import { DEGREED_WORDS, firingIssueWords } from '@/wording/layout'

/** A layout as it is typed and chosen before it is kept: what belongs together is changed together. */
export interface LayoutText extends Counting {
  readonly rotation: EngineLayout['rotation']
  readonly order: string
  readonly pins: string
  readonly mains: string
  readonly bankAngle: string
}

export function textOf({
  firingOrder,
  pins,
  mains,
  bankAngleDeg,
  numbering,
  numberOneAt,
  leadingBank,
  rotation,
}: EngineLayout): LayoutText {
  return {
    order: firingOrder.join('-'),
    pins: pinWords(pins),
    mains: String(mains),
    bankAngle: String(bankAngleDeg),
    numbering,
    numberOneAt,
    leadingBank,
    rotation,
  }
}

export function pinWords(pins: EngineLayout['pins']): string {
  return pins
    .map(({ cylinders, angleDeg, splitDeg }) => `${cylinders.join('+')}@${Number(angleDeg.toFixed(3))}${splitDeg ? `/${splitDeg}` : ''}`)
    .join(', ')
}

export type ReadLayout =
  | { readonly layout: EngineLayout; readonly trouble: string }
  | { readonly layout?: undefined; readonly trouble: string }

const PIN = /^\s*(\d+(?:\s*\+\s*\d+)*)\s*@\s*(-?\d+(?:[.,]\d+)?)\s*(?:\/\s*(-?\d+(?:[.,]\d+)?))?\s*$/
const MOST_MAINS = 17

/** Cylinders as they are typed, at which a maker has TDC and timing taken; undefined: not said. Or what is wrong, in words. */
export function degreedFrom(layout: EngineLayout, text: string): { readonly degreedAt?: readonly number[]; readonly trouble: string } {
  if (text.trim() === '') return { trouble: '' }
  if (!/^\d+(\D+\d+)*\D*$/.test(text.trim())) return { trouble: 'Numbers of cylinders are wanted, as 1 or 1, 6.' }
  const degreedAt = text.match(/\d+/g)!.map(Number)
  const issue = degreedIssue({ ...layout, degreedAt })
  return { degreedAt, trouble: issue ? `${capital(DEGREED_WORDS[issue])}.` : '' }
}

/** The layout as it would be, and what is wrong with it in words: empty where it may be kept. */
export function layoutFrom(stored: EngineLayout, text: LayoutText): ReadLayout {
  const number = (words: string) => Number(words.replace(',', '.'))
  const parts = text.pins.split(/,(?!\d)|;/).map((one) => PIN.exec(one))
  if (parts.some((match) => match === null))
    return { trouble: 'A pin is written as its rods, @ and its angle, a semicolon between pins: 1+2@0; 3+4@240.' }
  if (!/^\d{1,2}$/.test(text.mains.trim()) || Number(text.mains) < 1 || Number(text.mains) > MOST_MAINS)
    return { trouble: 'Main bearings are a whole number from 1 to 17.' }
  if (!(number(text.bankAngle) >= 0 && number(text.bankAngle) <= 180)) return { trouble: 'The bank angle is between 0 and 180 degrees.' }
  const { numbering, numberOneAt, leadingBank, rotation } = text
  const layout: EngineLayout = {
    ...stored,
    numbering,
    numberOneAt,
    leadingBank,
    rotation,
    mains: Number(text.mains),
    bankAngleDeg: number(text.bankAngle),
    firingOrder: text.order
      .split(/[^\d]+/)
      .filter(Boolean)
      .map(Number),
    pins: parts.map((match) => ({
      cylinders: match![1]!.split('+').map(Number),
      angleDeg: number(match![2]!),
      ...(match![3] && number(match![3]) !== 0 && { splitDeg: number(match![3]) }),
    })),
  }
  const [issue] = firingIssues(layout)
  return { layout, trouble: issue ? firingIssueWords(issue, layout.cylinders) : '' }
}

/** The same engine counted otherwise: pins and order take the new numbers with it; where they cannot be read yet, they stay as typed. */
export function countedOtherwise(stored: EngineLayout, text: LayoutText, counting: Partial<Counting>): LayoutText {
  const { layout, trouble } = layoutFrom(stored, text)
  return layout && trouble === '' ? textOf(renumbered(layout, counting)) : { ...text, ...counting }
}
