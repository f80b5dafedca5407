/** Parts found damaged: what can be done, what their owner was told and answered, and what a repair makes stale. */
import { group } from 'd3-array'
import { addDays, formatISO, parseISO } from 'date-fns'
import type { Build } from '../document/build'
import type { DamageEntry } from '../document/types'

export type DamageOption = NonNullable<DamageEntry['options']>[number]

export interface Damage {
  /** The entry that saw it. */
  readonly id: string
  readonly text: string
  readonly cause?: string
  readonly options: readonly DamageOption[]
  readonly told?: { readonly by: string; readonly at: string }
  /** What its owner answered: an option, and in what words. */
  readonly answer?: { readonly option?: DamageOption; readonly reply?: string; readonly by: string; readonly at: string }
  readonly repaired?: { readonly by: string; readonly at: string }
  readonly at: string
  readonly by: string
}

/** Every damage, in the order they were seen. */
export function damagesOf({ entries, readings }: Pick<Build, 'entries' | 'readings'>): readonly Damage[] {
  const told = entries.filter((entry): entry is DamageEntry => entry.kind === 'damage' && !readings.takenBack.has(entry.id))
  return [...group(told, ({ damage }) => damage).values()].flatMap((own) => {
    const [seen] = own
    return seen?.did === 'seen' ? [damageFrom(seen, own)] : []
  })
}

function damageFrom(seen: DamageEntry, own: readonly DamageEntry[]): Damage {
  const last = (did: DamageEntry['did']) => own.findLast((entry) => entry.did === did)
  const who = (entry: DamageEntry) => ({ by: entry.by, at: entry.at })
  const options = own.findLast((entry) => entry.options !== undefined)?.options ?? []
  const [told, answered, repaired, cause] = [last('told'), last('answered'), last('repaired'), own.findLast((one) => one.cause)?.cause]
  const option = answered?.option === undefined ? undefined : options[answered.option]
  return {
    id: seen.id,
    text: seen.text!,
    ...(cause && { cause }),
    options,
    ...(told && { told: who(told) }),
    ...(answered && { answer: { ...who(answered), ...(option && { option }), ...(answered.reply && { reply: answered.reply }) } }),
    ...(repaired && { repaired: who(repaired) }),
    at: seen.at,
    by: seen.by,
  }
}

/** Days on which repairs that were agreed on, and are not done, will be back: so many days after the answer. */
export function repairsBack(damages: readonly Damage[]): readonly string[] {
  return damages.flatMap(({ answer, repaired }) =>
    answer?.option && !repaired
      ? [formatISO(addDays(parseISO(answer.at.slice(0, 10)), Math.ceil(answer.option.days)), { representation: 'date' })]
      : [],
  )
}

/** What repairs that were agreed on cost, and the days they take. */
export function agreedRepairs(damages: readonly Damage[]): { readonly price: number; readonly days: number } {
  const agreed = damages.flatMap(({ answer }) => answer?.option ?? [])
  return { price: agreed.reduce((sum, { price }) => sum + price, 0), days: agreed.reduce((sum, { days }) => sum + days, 0) }
}
