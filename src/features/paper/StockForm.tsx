'use client'
import { useState } from 'react'
import styled from 'styled-components'
import type { StockDefinition, UnitSystem } from '@/core/document'
import { UNITS } from '@/core/units'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { choicesOf, partOf, textFieldsOf, type FilledPart } from './stockFields'

const Adding = styled.form`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 10px;
  align-items: start;
  > button {
    margin-top: 24px;
  }
`
const Choices = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 20px;
`

/** A new part of one kind: what it is by choice, its name, numbers and source as typed. */
export function StockForm({
  definition,
  system,
  add,
}: {
  definition: StockDefinition
  system: UnitSystem
  add: (part: FilledPart) => void
}) {
  const choices = choicesOf(definition)
  const [chosen, setChosen] = useState<Chosen>(() => Object.fromEntries(choices.map(({ name, options }) => [name, options[0]!.value])))
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({})
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({})
  const submit = () => {
    const { part, wrong } = partOf(definition, { ...typed, ...chosen }, system)
    setErrors(wrong)
    if (!part) return
    add(part)
    setTyped({})
  }
  return (
    <>
      <ChoiceRows choices={choices} chosen={chosen} onChange={setChosen} />
      <Adding
        aria-label={definition.add}
        onSubmit={(event) => {
          event.preventDefault()
          submit()
        }}
      >
        {textFieldsOf(definition, system).map(({ name, label, hint, unit }) => (
          <TextField
            key={name}
            label={unit && UNITS[unit].symbol ? `${label}, ${UNITS[unit].symbol}` : label}
            hint={hint}
            value={typed[name] ?? ''}
            onChange={(text) => setTyped((now) => ({ ...now, [name]: text }))}
            error={errors[name]}
            numeric={unit !== undefined}
          />
        ))}
        <Button type="submit">{definition.add}</Button>
      </Adding>
    </>
  )
}

type Chosen = Readonly<Record<string, string>>

/** What the part is, where that is one of a few. */
function ChoiceRows({
  choices,
  chosen,
  onChange,
}: {
  choices: ReturnType<typeof choicesOf>
  chosen: Chosen
  onChange: (change: (now: Chosen) => Chosen) => void
}) {
  if (choices.length === 0) return null
  return (
    <Choices>
      {choices.map(({ name, label, hint, options }) => (
        <ChoiceRow
          key={name}
          label={label}
          hint={hint}
          value={chosen[name]!}
          onChange={(value) => onChange((now) => ({ ...now, [name]: value }))}
          options={options}
        />
      ))}
    </Choices>
  )
}
