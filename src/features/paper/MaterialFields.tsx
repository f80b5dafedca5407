'use client'
import type { Materials } from '@/core/document'
import {
  BLOCK_MATERIALS,
  CRANK_MATERIALS,
  EXPANSION,
  ROD_MATERIALS,
  PISTON_MATERIALS,
  RING_MATERIALS,
  type Expansion,
} from '@/core/geometry/materials'
import { ChoiceRow } from '@/ui/fields'
import type { SpecEdit } from '@/features/entries/useSpec'
import { Stack } from '@/ui/Layout'

const CHOICES = [
  { part: 'block', label: 'Block', options: BLOCK_MATERIALS, of: EXPANSION.part },
  { part: 'bore', label: 'Bore or liner', options: BLOCK_MATERIALS, of: EXPANSION.part },
  { part: 'crank', label: 'Crank', options: CRANK_MATERIALS, of: EXPANSION.part },
  { part: 'piston', label: 'Pistons', options: PISTON_MATERIALS, of: EXPANSION.part },
  { part: 'rod', label: 'Rods', options: ROD_MATERIALS, of: EXPANSION.part },
  { part: 'topRing', label: 'Top ring', options: RING_MATERIALS, of: EXPANSION.ring },
  { part: 'secondRing', label: 'Second ring', options: RING_MATERIALS, of: EXPANSION.ring },
] as const satisfies readonly {
  part: keyof Materials
  label: string
  options: readonly string[]
  of: Readonly<Record<string, Expansion>>
}[]

/** What each part is made of: how it grows decides warm clearances, hot gaps and readings taken away from 20 °C. */
export function MaterialFields({ edit }: { edit: SpecEdit }) {
  const { materials } = edit.spec
  return (
    <Stack $gap={18} $columnsPx={320}>
      {CHOICES.map(({ part, label, options, of }) => {
        const expansions = of as Readonly<Record<string, Expansion>>
        const { perK, tolerancePerK } = expansions[materials[part]]!
        return (
          <ChoiceRow<string>
            key={part}
            label={label}
            value={materials[part]}
            options={options.map((value) => ({ value, label: expansions[value]!.label }))}
            hint={`Grows ${(perK * 1e6).toFixed(2)} ± ${(tolerancePerK * 1e6).toFixed(2)} ×10⁻⁶/K, a common value; no source named`}
            onChange={(value) =>
              edit.change(`${label.toLowerCase()}: ${expansions[value]!.label}`, (spec) => ({
                ...spec,
                materials: { ...spec.materials, [part]: value },
              }))
            }
          />
        )
      })}
    </Stack>
  )
}
