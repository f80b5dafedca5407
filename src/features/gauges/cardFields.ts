import type { Gauge } from '@/core/document'
import { isDay } from '@/features/fields/day'
import type { ReadForm, WrongFields } from '@/ui/useForm'
import { differenceInUnit, differenceToCanonical, type UnitId } from '@/core/units'

/** A gauge card as it is typed, and what it is for. */
export interface CardFields {
  readonly use: Gauge['use']
  readonly unit: UnitId
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
export function fieldsOf(from: Gauge | undefined, today: string): CardFields {
  const unit = from?.unit ?? 'mm'
  const text = (canonical: number | undefined) =>
    canonical === undefined ? '' : String(Number(differenceInUnit(canonical, unit).toPrecision(6)))
  return {
    use: from?.use ?? 'dial',
    unit,
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

interface CardOf extends Pick<Gauge, 'measures'> {
  /** The card this one follows: it stays the same gauge. */
  readonly from: Gauge | undefined
  readonly takenIds: readonly string[]
}

/** The card that was typed, or what is wrong with it. */
export function cardFrom(fields: CardFields, { from, takenIds, measures }: CardOf): ReadForm<Gauge> {
  const { numbers, wrong } = numbersOf(fields)
  if (!numbers) return { ok: false, wrong }
  const { use, unit } = fields
  const name = fields.name.trim()
  const checkedOn = fields.checkedOn.trim()
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
    ...(checkedOn && { checkedOn }),
    ...(checkEveryDays !== undefined && { checkEveryDays }),
    since: new Date().toISOString(),
  }
  return { ok: true, meant: card }
}

interface Numbers extends Pick<Gauge, 'resolution' | 'repeatability' | 'bias' | 'biasU' | 'checkEveryDays'> {
  /** Behind the repeatability. */
  readonly readings: number
  readonly scale: number
}

type NumberName = Exclude<keyof CardFields, 'use' | 'unit' | 'name' | 'checkedOn' | 'checkEveryDays'>

/** What a number must be, and what is said of one that is not; the scale and what a gauge reads too much may be anything. */
const MUST_BE: Readonly<Record<NumberName, readonly [(value: number) => boolean, string]>> = {
  resolution: [(value) => value > 0, 'is more than nothing'],
  repeatability: [(value) => value >= 0, 'is never negative'],
  repeatabilityDof: [(value) => value >= 2, 'is two readings at the least'],
  bias: [() => true, ''],
  biasU: [(value) => value >= 0, 'is never negative'],
  scale: [() => true, ''],
}

function numbersOf(fields: CardFields): { readonly numbers?: Numbers; readonly wrong: WrongFields } {
  const number = (name: NumberName | 'checkEveryDays') => Number(fields[name].replace(',', '.').trim() || 'NaN')
  const wrong: Record<string, string> = {}
  for (const [name, [isSound, words]] of Object.entries(MUST_BE)) {
    const value = number(name as NumberName)
    if (Number.isNaN(value)) wrong[name] = 'wants a number'
    else if (!isSound(value)) wrong[name] = words
  }
  if (fields.name.trim() === '') wrong.name = 'A name, as it is written on the gauge.'
  if (fields.checkedOn.trim() !== '' && !isDay(fields.checkedOn.trim())) wrong.checkedOn = 'is a day as 2026-03-01, or empty'
  const checkEveryDays = fields.checkEveryDays.trim() === '' ? undefined : number('checkEveryDays')
  if (checkEveryDays !== undefined && !(Number.isInteger(checkEveryDays) && checkEveryDays > 0))
    wrong.checkEveryDays = 'is a whole number of days, or empty'
  if (Object.keys(wrong).length > 0) return { wrong }
  const [resolution, repeatability, bias, biasU] = [number('resolution'), number('repeatability'), number('bias'), number('biasU')]
  const numbers = { resolution, repeatability, bias, biasU, readings: number('repeatabilityDof'), scale: number('scale') }
  return { numbers: { ...numbers, ...(checkEveryDays !== undefined && { checkEveryDays }) }, wrong }
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
