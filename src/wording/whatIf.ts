import { group } from 'd3-array'
import type { EngineChange, ShellPair, Spec, UnitSystem } from '@/core/document'
import { PAPER } from '@/core/benches'
import { FUELS } from '@/core/document'
import type { Knob, Part } from '@/core/whatIf'
import { formatNumber, formatQuantity, fromCanonical, UNITS, type UnitId } from '@/core/units'
import { fuelLabel } from './duty'
import { workWords } from './work'

export const PART_WORDS: Readonly<Record<Part, string>> = {
  gasket: 'Gasket',
  block: 'Block',
  head: 'Head',
  manifold: 'Intake manifold',
  pistons: 'Pistons',
  rods: 'Rods',
  crank: 'Crank',
  shells: 'Shells',
  cams: 'Cams',
  rings: 'Rings',
}

const MOST_DECIMALS = 3

/** What is to be said of a knob once it is turned. */
export const KNOB_HINTS: Readonly<Partial<Record<string, string>>> = {
  fuel: 'What ratio a fuel stands is the tuner’s to say: no figure here follows it.',
}

/** Where a knob is set, on the step it is turned by. */
export function settingWords({ id, step, units }: Pick<Knob, 'id' | 'step' | 'units'>, canonical: number, system: UnitSystem): string {
  if (id === 'fuel') return fuelLabel(FUELS[Math.round(canonical)]!)
  return formatQuantity(canonical, units[system], decimalsOf(step[system], units[system]))
}

/** The same without its unit. */
export function settingNumber({ step, units }: Pick<Knob, 'step' | 'units'>, canonical: number, system: UnitSystem): string {
  return formatNumber(canonical, units[system], decimalsOf(step[system], units[system]))
}

function decimalsOf(stepCanonical: number, unit: UnitId): number {
  const step = Math.abs(fromCanonical(stepCanonical, unit) - fromCanonical(0, unit))
  const decimals = Math.max(0, Math.ceil(-Math.log10(step) - 1e-6))
  return Math.min(MOST_DECIMALS, decimals)
}

/** The changes of a plan, a line each; those that are alike but for their place are one. */
export function planWords(changes: readonly EngineChange[], stock: Spec['stock'], system: UnitSystem): readonly string[] {
  return [...group(changes, alikeBut).values()].map((all) => {
    const words = planLineWords(all[0]!, stock, system)
    return all.length > 1 ? `${words}, and ${all.length - 1} more alike` : words
  })
}

/** What a change is, its cylinder or its journal left out. */
function alikeBut(change: EngineChange): string {
  const {
    cylinder: _,
    journal: __,
    pair,
    ...rest
  } = change as EngineChange & Partial<Record<'cylinder' | 'journal', unknown>> & { pair?: ShellPair }
  return JSON.stringify({ ...rest, ...(pair && { upper: pair.upper, lower: pair.lower }) })
}

/** A change of the plan in a line, as it will stand in the record. */
function planLineWords(change: EngineChange, stock: Spec['stock'], system: UnitSystem): string {
  if ('what' in change) return workWords(change, system)
  switch (change.choose) {
    case 'gasket':
      return `Gasket ${nameIn(stock.gaskets, change.id)}`
    case 'gasketLayers':
      return change.ids.length > 0
        ? `Laid into the gasket: ${change.ids.map((id) => nameIn(stock.layers, id)).join(', ')}`
        : 'Nothing laid into the gasket'
    case 'paper': {
      const { label, units } = PAPER[change.key]
      return `On paper: ${label.toLowerCase()} ${formatQuantity(change.value, units[system], MOST_DECIMALS)}`
    }
    case 'duty':
      return [
        ...(change.redlineRpm === undefined ? [] : [`Redline ${change.redlineRpm} ${UNITS.rpm.symbol}`]),
        ...(change.fuel === undefined ? [] : [`Fuel ${fuelLabel(change.fuel).toLowerCase()}`]),
        ...(change.boostKpa === undefined ? [] : [`Boost ${formatQuantity(change.boostKpa, system === 'metric' ? 'bar' : 'psi', 1)}`]),
      ].join(', ')
    case 'piston':
      return `Pistons ${change.id}`
    case 'pistonInBore':
      return 'Pistons in other bores'
    case 'shells':
      return [
        `Shells of ${journalWords(change.journal)}: upper ${nameIn(stock.shells, change.pair.upper)}`,
        `lower ${nameIn(stock.shells, change.pair.lower)}`,
      ].join(', ')
  }
}

function nameIn(parts: readonly { readonly id: string; readonly name: string }[], wanted: string): string {
  return parts.find(({ id }) => id === wanted)?.name ?? wanted
}

/** `main.3` as it is spoken of. */
function journalWords(journal: string): string {
  return journal.replace('.', ' ')
}
