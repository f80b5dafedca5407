'use client'
import { METHODS } from '@/core/benches'
import type { MethodKey } from '@/core/build'
import type { SpecEdit } from '@/features/spec/useSpec'
import { ChoiceRow } from '@/ui/fields'
import { RULE_WORDS } from '@/wording'
import { MethodChoice } from './MethodChoice'

const METHOD_KEYS = Object.keys(METHODS) as MethodKey[]

/** The schools: each says in a sentence why it exists. */
export function MethodFields({ edit }: { edit: SpecEdit }) {
  const { rule } = edit.spec.methods
  return (
    <div style={{ display: 'grid', gap: 18, gridTemplateColumns: 'repeat(auto-fit, minmax(320px, 1fr))' }}>
      {METHOD_KEYS.map((name) => (
        <MethodChoice key={name} name={name} method={METHODS[name]} edit={edit} />
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
