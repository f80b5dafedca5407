import type { Build } from '../build/build'
import { PAPER, type PaperKey } from '../build/paper'
import { budget, type Uncertain } from '../metrology'

export interface BudgetShare {
  /** The gauge, or the number on paper, that brings the uncertainty in. */
  readonly label: string
  readonly share: number
}

/**
 * Who owns the uncertainty of a value: everything a gauge brings (its step, its repeatability, its bias) under the gauge's name,
 * everything paper brings under the number's. Shares of the variance, largest first.
 */
export function uncertaintyBudget(build: Build, value: Uncertain): BudgetShare[] {
  const shares = new Map<string, number>()
  for (const { owner, share } of budget(value)) {
    const label = ownerLabel(build, owner)
    shares.set(label, (shares.get(label) ?? 0) + share)
  }
  return [...shares].map(([label, share]) => ({ label, share })).sort((a, b) => b.share - a.share)
}

function ownerLabel(build: Build, owner: string): string {
  const [kind = '', id = ''] = owner.split(/:(.*)/s)
  if (kind === 'gauge') return build.gauges.get(id)?.name ?? id
  if (kind === 'reading') return build.gauges.get(build.readings.byId.get(id)?.gauge ?? '')?.name ?? 'a reading'
  if (kind === 'temperature') return 'shop temperature, not written down'
  if (kind === 'selection') return 'which of them is the extreme'
  if (kind === 'stock') return build.spec.stock.gaskets.find((gasket) => gasket.id === id)?.name ?? id
  const key = id.split('/')[0]!
  return key in PAPER ? `${PAPER[key as PaperKey].label} (paper)` : id
}
