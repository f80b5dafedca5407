'use client'
import { useId } from 'react'
import styled from 'styled-components'

const Box = styled.div`
  display: grid;
  gap: 4px;
  align-content: start;
  label {
    font-size: 13px;
    font-weight: 500;
    font-stretch: 85%;
  }
  select {
    min-height: 40px;
    padding: 6px 10px;
    border: 1px solid var(--edge);
    border-radius: 3px;
    background: var(--raised);
    color: inherit;
    font: inherit;
  }
`

/** One of a list too long to stand side by side: the device's own way to choose. */
export function SelectField<Value extends string>({
  label,
  options,
  value,
  onChange,
}: {
  label: string
  options: readonly { readonly value: Value; readonly label: string }[]
  value: Value
  onChange: (value: Value) => void
}) {
  const id = useId()
  return (
    <Box>
      <label htmlFor={id}>{label}</label>
      <select id={id} value={value} onChange={({ target }) => onChange(target.value as Value)}>
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
    </Box>
  )
}
