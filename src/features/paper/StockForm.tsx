'use client'
import styled from 'styled-components'
import type { StockDefinition, UnitSystem } from '@/core/document'
import { UNITS } from '@/core/units'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { useForm } from '@/ui/useForm'
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
  const texts = textFieldsOf(definition, system)
  const { values, set, field, form } = useForm<Readonly<Record<string, string>>, FilledPart>({
    start: Object.fromEntries([...choices.map(({ name, options }) => [name, options[0]!.value]), ...texts.map(({ name }) => [name, ''])]),
    read: (filled) => partOf(definition, filled, system),
    send: add,
    isEmptiedAfter: true,
  })
  return (
    <>
      <ChoiceRows choices={choices} chosen={values} onChange={set} />
      <Adding aria-label={definition.add} {...form}>
        {texts.map(({ name, label, hint, unit }) => (
          <TextField
            key={name}
            label={unit && UNITS[unit].symbol ? `${label}, ${UNITS[unit].symbol}` : label}
            hint={hint}
            {...field(name)}
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
  onChange: (name: string, value: string) => void
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
          onChange={(value) => onChange(name, value)}
          options={options}
        />
      ))}
    </Choices>
  )
}
