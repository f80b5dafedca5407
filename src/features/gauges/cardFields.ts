import type { Gauge } from '@/core/document'
import { differenceInUnit, differenceToCanonical, type UnitId } from '@/core/units'

/** A gauge card as it is typed. */
export interface CardFields {
  readonly name: string
  readonly resolution: string
  readonly repeatability: string
  /** Of how many readings: one more than its degrees of freedom. */
  readonly repeatabilityDof: string
  readonly bias: string
  readonly biasU: string
  /** In per cent of a reading. */
  readonly scale: string
  readonly checkedOn: string
  readonly checkEveryDays: string
}

/** Readings behind a repeatability that nobody has said anything about. */
const USUAL_READINGS = 20

/** The fields of a card to start from, in the gauge's own unit; of a new one those that have a usual value. */
export function fieldsOf(from: Gauge | undefined, unit: UnitId, today: string): CardFields {
  const text = (canonical: number | undefined) =>
    canonical === undefined ? '' : String(Number(differenceInUnit(canonical, unit).toPrecision(6)))
  return {
    name: from?.name ?? '',
    resolution: text(from?.resolution),
    repeatability: text(from?.repeatability),
    repeatabilityDof: String(from === undefined ? USUAL_READINGS : from.repeatabilityDof + 1),
    bias: text(from?.bias ?? 0),
    biasU: text(from?.biasU),
    scale: from ? String(Number((from.scaleU * 100).toPrecision(4))) : '0',
    checkedOn: today,
    checkEveryDays: from?.checkEveryDays === undefined ? '' : String(from.checkEveryDays),
  }
}

interface CardOf extends Pick<Gauge, 'use' | 'measures' | 'unit'> {
  /** The card this one follows: it stays the same gauge. */
  readonly from: Gauge | undefined
  readonly takenIds: readonly string[]
}

/** The card that was typed, or what is wrong with it. */
export function cardFrom(
  fields: CardFields,
  { from, takenIds, use, measures, unit }: CardOf,
): { readonly card: Gauge } | { readonly trouble: string } {
  const numbers = numbersOf(fields)
  if ('trouble' in numbers) return numbers
  const name = fields.name.trim()
  const gauge = from?.gauge ?? slug(name)
  const { resolution, repeatability, bias, biasU, readings, scale, checkEveryDays } = numbers
  const card: Gauge = {
    id: freshCardId(gauge, takenIds),
    gauge,
    name,
    measures,
    use,
    unit,
    resolution: differenceToCanonical(resolution, unit),
    repeatability: differenceToCanonical(repeatability, unit),
    bias: differenceToCanonical(bias, unit),
    biasU: differenceToCanonical(biasU, unit),
    repeatabilityDof: readings - 1,
    scaleU: scale / 100,
    ...(fields.checkedOn && { checkedOn: fields.checkedOn }),
    ...(checkEveryDays !== undefined && { checkEveryDays }),
    since: new Date().toISOString(),
  }
  return { card }
}

interface Numbers extends Pick<Gauge, 'resolution' | 'repeatability' | 'bias' | 'biasU' | 'checkEveryDays'> {
  /** Behind the repeatability. */
  readonly readings: number
  readonly scale: number
}

function numbersOf(fields: CardFields): Numbers | { readonly trouble: string } {
  const number = (name: keyof CardFields) => Number(fields[name].replace(',', '.').trim() || 'NaN')
  const checkEveryDays = fields.checkEveryDays.trim() === '' ? undefined : number('checkEveryDays')
  if (checkEveryDays !== undefined && !(Number.isInteger(checkEveryDays) && checkEveryDays > 0))
    return { trouble: 'A check holds for a whole number of days, or leave it empty. Nothing was stored.' }
  const numbers = {
    resolution: number('resolution'),
    repeatability: number('repeatability'),
    bias: number('bias'),
    biasU: number('biasU'),
    readings: number('repeatabilityDof'),
    scale: number('scale'),
  }
  const isSound = numbers.resolution > 0 && numbers.repeatability >= 0 && numbers.biasU >= 0 && numbers.readings >= 2
  if (!isSound || Object.values(numbers).some(Number.isNaN) || fields.name.trim() === '')
    return { trouble: 'Every field wants a number; the step is more than nothing, uncertainties are never negative. Nothing was stored.' }
  return { ...numbers, ...(checkEveryDays !== undefined && { checkEveryDays }) }
}

function slug(name: string): string {
  return (
    name
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 40) || 'gauge'
  )
}

function freshCardId(gauge: string, taken: readonly string[]): string {
  let number = 1
  while (taken.includes(`${gauge}.${number}`)) number++
  return `${gauge}.${number}`
}
