'use client'
import styled from 'styled-components'
import type { BuildChoice } from '@/shop/latestBuilds'

const Select = styled.select`
  min-height: 40px;
  max-width: 200px;
  padding: 0 8px;
  background: var(--raised);
  border: 1px solid var(--edge);
  border-radius: 3px;
`

/** One of the builds in the shop: the device's own list, which every phone and screen reader knows. */
export function BuildPicker({
  id,
  label,
  builds,
  value,
  onChange,
}: {
  id: string
  label: string
  builds: readonly BuildChoice[]
  value: string
  onChange: (id: string) => void
}) {
  return (
    <>
      <label htmlFor={id}>{label}</label>
      <Select id={id} value={value} onChange={(event) => onChange(event.target.value)}>
        {builds.map((build) => (
          <option key={build.id} value={build.id}>
            {build.name}
          </option>
        ))}
      </Select>
    </>
  )
}
