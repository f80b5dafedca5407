import type { Build } from '../document/build'
import type { StockPart } from '../document/stock'
import type { BenchDefinition } from './bench'
import { budget, type Uncertain } from '../metrology'

export interface BudgetShare {
  /** The gauge, or the number on paper, that brings the uncertainty in. */
  readonly label: string
  readonly share: number
}

/**
 * Who owns the uncertainty of a value: everything a gauge brings (its step, its repeatability, its bias) under the gauge's name,
 * everything paper brings under the number's, as the bench calls it. Shares of the variance, largest first.
 */
export function uncertaintyBudget(build: Build, paper: BenchDefinition['paper'], value: Uncertain): BudgetShare[] {
  const shares = new Map<string, { label: string; share: number }>()
  for (const { owner, share } of budget(value)) {
    const label = ownerLabel(build, paper, owner)
    const known = shares.get(label)
    if (known) known.share += share
    else shares.set(label, { label, share })
  }
  return [...shares.values()].sort((a, b) => b.share - a.share)
}

function ownerLabel(build: Build, paper: BenchDefinition['paper'], owner: string): string {
  const colon = owner.indexOf(':')
  const kind = colon === -1 ? owner : owner.slice(0, colon)
  const id = owner.slice(colon + 1)
  if (kind === 'gauge') return build.gauges.get(id)?.name ?? id
  if (kind === 'reading') return build.gauges.get(build.readings.byId.get(id)?.gauge ?? '')?.name ?? 'a reading'
  if (kind === 'temperature') return 'shop temperature, not written down'
  if (kind === 'selection') return 'which of them is the extreme'
  if (kind === 'stock') {
    const parts: readonly StockPart[] = Object.values(build.spec.stock).flat()
    return parts.find((part) => part.id === id)?.name ?? id
  }
  const key = id.split('/')[0]!
  const stated = paper[key]
  return stated ? `${stated.label} (paper)` : id
}
