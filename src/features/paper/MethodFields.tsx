'use client'
import styled from 'styled-components'
import { METHODS } from '@/core/benches'
import type { MethodKey } from '@/core/document'
import type { SpecEdit } from '@/features/entries/useSpec'
import { ChoiceRow } from '@/ui/fields'
import { RULE_WORDS } from '@/wording'
import { MethodChoice } from '@/features/fields/MethodChoice'

const Choices = styled.div`
  display: grid;
  gap: 18px;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  padding: 12px 0;
`

/** The ways of one bench: each says in a sentence why it exists. */
export function MethodFields({ names, edit }: { names: readonly MethodKey[]; edit: SpecEdit }) {
  return (
    <Choices>
      {names.map((name) => (
        <MethodChoice key={name} name={name} method={METHODS[name]} edit={edit} />
      ))}
    </Choices>
  )
}

/** When a figure passes: the one choice that is no bench's own. */
export function VerdictRule({ edit }: { edit: SpecEdit }) {
  const { rule } = edit.spec.methods
  return (
    <Choices>
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
    </Choices>
  )
}
