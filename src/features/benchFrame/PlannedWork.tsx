'use client'
import styled from 'styled-components'
import type { Planned, UnitSystem } from '@/core/document'
import { Button } from '@/ui/Button'
import { plannedWords, small, workWords } from '@/wording'
import type { SpecEdit } from '@/features/entries/useSpec'

const List = styled.ul`
  display: grid;
  gap: 6px;
  padding: 10px 12px;
  border-left: 3px solid var(--dye);
  background: var(--raised);
`
const Line = styled.li`
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
`

/** Work the build holds: counted in every figure until the part is measured again, and dropped with one press. */
export function PlannedWork({ planned, system, edit }: { planned: readonly Planned[]; system: UnitSystem; edit: SpecEdit }) {
  const drop = (one: Planned) =>
    edit.change(`Not to be done: ${small(workWords(one.work, system))}`, (spec) => {
      const left = spec.planned?.filter(({ id }) => id !== one.id) ?? []
      return { ...spec, planned: left.length > 0 ? left : undefined }
    })
  return (
    <section aria-label="Planned work">
      <h3>Planned work</h3>
      <p>
        <small>Counted in the figures of what was read before it. Once it is done, measure again: new readings count as they are.</small>
      </p>
      <List>
        {planned.map((one) => (
          <Line key={one.id}>
            {plannedWords(one, system)}
            <Button size="small" onPress={() => void drop(one)} aria-label={`Drop: ${workWords(one.work, system)}`}>
              Drop
            </Button>
          </Line>
        ))}
      </List>
    </section>
  )
}
