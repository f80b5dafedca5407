'use client'
import type { UnitSystem } from '@/core/document'
import type { SpecEdit } from '@/features/entries/useSpec'
import { ChoiceRow } from '@/ui/fields'
import { DUTY_CHOICES, FUEL_CHOICES } from '@/wording'
import { PaperGrid } from './PaperGrid'
import { QuantityInput } from '@/ui/QuantityInput'
import { Words } from '@/ui/Words'
import { Stack } from '@/ui/Layout'

/** Whose engine it is, and what for. */
export function JobFields({ edit, system }: { edit: SpecEdit; system: UnitSystem }) {
  const { spec, change } = edit
  return (
    <PaperGrid style={{ borderTop: 0, gridTemplateColumns: 'repeat(auto-fit, minmax(180px, 1fr))' }}>
      <Words label="Name" value={spec.name} onCommit={(name) => change(`name ${name}`, (now) => ({ ...now, name }))} required />
      <Words
        label="In a few words"
        value={spec.description}
        onCommit={(description) => change('description', (now) => ({ ...now, description }))}
      />
      <Words
        label="Customer"
        value={spec.job?.customer ?? ''}
        onCommit={(customer) => change('customer', (now) => ({ ...now, job: { ...now.job, customer } }))}
      />
      <Words
        label="Engine number"
        value={spec.job?.engineNumber ?? ''}
        onCommit={(engineNumber) => change('engine number', (now) => ({ ...now, job: { ...now.job, engineNumber } }))}
      />
      <Words
        label="Shop"
        value={spec.job?.shop ?? ''}
        onCommit={(shop) => change('shop', (now) => ({ ...now, job: { ...now.job, shop } }))}
      />
      <Words
        label="Use, in words"
        value={spec.duty.useWords ?? ''}
        onCommit={(useWords) => change(`use ${useWords}`, (now) => ({ ...now, duty: { ...now.duty, useWords } }))}
      />
      <Words
        label="Fuel, in words"
        value={spec.duty.fuelWords ?? ''}
        onCommit={(fuelWords) => change(`fuel ${fuelWords}`, (now) => ({ ...now, duty: { ...now.duty, fuelWords } }))}
      />
      <QuantityInput
        label={`Boost, ${system === 'metric' ? 'bar' : 'psi'} gauge`}
        value={spec.duty.boostKpa}
        kind="pressure"
        unit={system === 'metric' ? 'bar' : 'psi'}
        range={{ low: 0, high: 1000 }}
        onCommit={(boostKpa = 0) => change('boost', (now) => ({ ...now, duty: { ...now.duty, boostKpa } }))}
      />
      <QuantityInput
        label="Redline, rpm"
        value={spec.duty.redlineRpm}
        kind="rotation"
        unit="rpm"
        range={{ low: 500, high: 30000 }}
        onCommit={(redlineRpm) => change('redline', (now) => ({ ...now, duty: { ...now.duty, redlineRpm } }))}
      />
    </PaperGrid>
  )
}

/** What the presets tell duties by, each choice with what it sets. */
export function DutyFields({ edit }: { edit: SpecEdit }) {
  const { duty } = edit.spec
  return (
    <Stack $gap={14}>
      <ChoiceRow
        label="Duty"
        value={duty.use}
        hint={DUTY_CHOICES.find(({ value }) => value === duty.use)!.sets}
        options={DUTY_CHOICES}
        onChange={(use) => edit.change(`duty: ${use}`, (now) => ({ ...now, duty: { ...now.duty, use } }))}
      />
      <ChoiceRow
        label="Fuel"
        value={duty.fuel}
        options={FUEL_CHOICES}
        onChange={(fuel) => edit.change(`fuel: ${fuel}`, (now) => ({ ...now, duty: { ...now.duty, fuel } }))}
      />
    </Stack>
  )
}
