import type { Change, Cost, Finding, Remark } from '@/core/benches'
import type { UnitSystem } from '@/core/document'
import type { Shown } from './figures'

/** A sentence for every code: one that is missing, or that nobody says any more, does not compile. */
export type RemarkWords = {
  readonly [Code in Remark['code']]: (remark: Extract<Remark, { code: Code }>, shown: Shown, system: UnitSystem, finding: Finding) => string
}
export type ChangeWords = { readonly [Code in Change['code']]: (change: Extract<Change, { code: Code }>, system: UnitSystem) => string }
export type CostWords = { readonly [Code in Cost['code']]: (cost: Extract<Cost, { code: Code }>, system: UnitSystem) => string }

/** How amounts are said in the middle of a sentence. */
export const IN_WORDS = {
  length: { units: { metric: 'mm', inch: 'thou' }, digits: { metric: 2, inch: 1 } },
  fineLength: { units: { metric: 'mm', inch: 'thou' }, digits: { metric: 3, inch: 2 } },
  mass: { units: { metric: 'g', inch: 'g' }, digits: { metric: 1, inch: 1 } },
  angle: { units: { metric: 'deg', inch: 'deg' }, digits: { metric: 1, inch: 1 } },
  volume: { units: { metric: 'cm3', inch: 'cm3' }, digits: { metric: 1, inch: 1 } },
} as const satisfies Record<string, Shown>

export function counted(count: number, one: string, more: string): string {
  return `${count} ${count === 1 ? one : more}`
}
