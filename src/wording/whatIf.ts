import type { EngineChange, UnitSystem } from '@/core/build'
import { PAPER } from '@/core/benches'
import type { Part, Searched } from '@/core/whatIf'
import { formatQuantity, fromCanonical, UNITS, type UnitId } from '@/core/quantity'
import { workWords } from './work'

export const PART_WORDS: Readonly<Record<Part, string>> = {
  gasket: 'Gasket',
  block: 'Block',
  head: 'Head',
  pistons: 'Pistons',
  rods: 'Rods',
  crank: 'Crank',
  cams: 'Cams',
  rings: 'Rings',
}

export const SEARCHED_WORDS: Readonly<Record<Searched, string>> = {
  ratio: 'Ratio',
  ratioSpread: 'Ratio spread',
  quench: 'Quench',
  deck: 'Deck clearance',
  intake: 'Intake to piston',
  exhaust: 'Exhaust to piston',
}

const MOST_DECIMALS = 3

/** A value on the step it is turned by. */
export function settingWords(canonical: number, stepCanonical: number, unit: UnitId): string {
  return formatQuantity(canonical, unit, decimalsOf(stepCanonical, unit))
}

function decimalsOf(stepCanonical: number, unit: UnitId): number {
  const step = Math.abs(fromCanonical(stepCanonical, unit) - fromCanonical(0, unit))
  const decimals = Math.max(0, Math.ceil(-Math.log10(step) - 1e-6))
  return Math.min(MOST_DECIMALS, decimals)
}

/** A change of the plan in a line, as it will stand in the record. */
export function planLineWords(
  change: EngineChange,
  gaskets: readonly { readonly id: string; readonly name: string }[],
  system: UnitSystem,
): string {
  if ('what' in change) return workWords(change, system)
  switch (change.choose) {
    case 'gasket':
      return `Gasket ${gaskets.find(({ id }) => id === change.id)?.name ?? change.id}`
    case 'gasketLayers':
      return `Laid into the gasket: ${change.ids.join(', ') || 'nothing'}`
    case 'paper': {
      const { label, units } = PAPER[change.key]
      return `On paper: ${label.toLowerCase()} ${formatQuantity(change.value, units[system], MOST_DECIMALS)}`
    }
    case 'duty':
      return [
        ...(change.redlineRpm === undefined ? [] : [`Redline ${change.redlineRpm} ${UNITS.rpm.symbol}`]),
        ...(change.boostKpa === undefined ? [] : [`Boost ${formatQuantity(change.boostKpa, system === 'metric' ? 'bar' : 'psi', 1)}`]),
      ].join(', ')
    case 'piston':
      return `Pistons ${change.id}`
    case 'pistonInBore':
      return 'Pistons in other bores'
    case 'shells':
      return `Shells of ${change.journal}`
  }
}
