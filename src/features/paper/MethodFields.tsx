'use client'
import { METHODS } from '@/core/benches'
import type { MethodKey, Methods } from '@/core/build'
import type { SpecEdit } from '@/features/spec/useSpec'
import { ChoiceRow } from '@/ui/fields'
import { RULE_WORDS } from '@/wording'

const METHOD_KEYS = Object.keys(METHODS) as MethodKey[]

/** The schools: each says in a sentence why it exists. */
export function MethodFields({ edit }: { edit: SpecEdit }) {
  const { rule } = edit.spec.methods
  return (
    <div style={{ display: 'grid', gap: 18, gridTemplateColumns: 'repeat(auto-fit, minmax(320px, 1fr))' }}>
      {METHOD_KEYS.map((name) => (
        <MethodRow key={name} name={name} edit={edit} />
      ))}
      <ChoiceRow
        label="Verdicts"
        value={rule}
        onChange={(next) => edit.change(`verdicts ${next}`, (spec) => ({ ...spec, methods: { ...spec.methods, rule: next } }))}
        options={[
          { value: 'strict', label: 'Strict' },
          { value: 'probable', label: '95 % sure' },
        ]}
        hint={RULE_WORDS[rule]}
      />
    </div>
  )
}

function MethodRow({ name, edit }: { name: MethodKey; edit: SpecEdit }) {
  const { label, hint, options } = METHODS[name]
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
