'use client'
import type { MethodDefinition, MethodKey, Methods } from '@/core/document'
import type { SpecEdit } from '@/features/entries/useSpec'
import { ChoiceRow } from '@/ui/fields'

/** One way of measuring among several, and why anybody would choose it. */
export function MethodChoice({ name, method, edit }: { name: MethodKey; method: MethodDefinition; edit: SpecEdit }) {
  const { label, hint, options } = method
  const choose = (chosen: string) => {
    const option = options.find(({ value }) => String(value) === chosen)
    if (!option) return
    // Which values a method has is declared beside it; the compiler cannot follow a name that is only known here.
    const change = { [name]: option.value } as Partial<Methods>
    void edit.change(`${label}: ${option.label}`, (spec) => ({ ...spec, methods: { ...spec.methods, ...change } }))
  }
  return (
    <ChoiceRow
      label={label}
      value={String(edit.spec.methods[name])}
      onChange={choose}
      options={options.map((option) => ({ value: String(option.value), label: option.label }))}
      hint={hint}
    />
  )
}
