import { NOT_SAID, type Duty, type DutyUse, type Fuel } from '@/core/document'

/** Each duty with what it sets, as it stands beside the choice. */
export const DUTY_CHOICES: readonly { readonly value: DutyUse; readonly label: string; readonly sets: string }[] = [
  { value: NOT_SAID, label: 'Not said', sets: 'Presets that need to know say so, or stay away.' },
  { value: 'street', label: 'Road', sets: 'Wider roundness, clearances by the journal, ring factor 0.0045.' },
  { value: 'competition', label: 'Competition', sets: 'Race clearances, tight roundness, ring factor 0.0050.' },
  { value: 'sustained', label: 'Long full throttle', sets: 'As competition, to the loose end: pistons, ring factor 0.0055.' },
  { value: 'drag', label: 'Drag', sets: 'Race clearances; ring factor by the boost.' },
]

export const FUEL_CHOICES: readonly { readonly value: Fuel; readonly label: string }[] = [
  { value: NOT_SAID, label: 'Not said' },
  { value: 'petrol', label: 'Petrol' },
  { value: 'ethanolBlend', label: 'Ethanol blend' },
  { value: 'methanol', label: 'Methanol' },
  { value: 'diesel', label: 'Diesel' },
]

export function dutyWords({ use, useWords }: Duty): string {
  const label = DUTY_CHOICES.find(({ value }) => value === use)!.label.toLowerCase()
  return useWords ? `${useWords} (${label})` : label
}

export function fuelLabel(fuel: Fuel): string {
  return FUEL_CHOICES.find(({ value }) => value === fuel)!.label
}

export function fuelWords({ fuel, fuelWords: words }: Duty): string {
  const label = fuelLabel(fuel).toLowerCase()
  return words ? `${words} (${label})` : label
}
