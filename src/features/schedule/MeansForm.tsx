'use client'
import { useState } from 'react'
import type { ShopMeans } from '@/core/schedule'
import { Button } from '@/ui/Button'
import { useDevice } from '@/ui/device'
import { TextField } from '@/ui/fields'
import { Notice } from '@/ui/Page'
import styled from 'styled-components'
import { useRefresh } from '@/ui/useRefresh'
import { INITIALS_WANTED } from '@/wording/initials'
import { send } from '@/features/entries/send'
import { Row, TickLabel } from '@/ui/Layout'
import { closedDays, daysWords } from './closedDays'

const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'] as const

const Fields = styled(Row)`
  align-items: end;
  input[inputmode] {
    width: 110px;
  }
`

interface Typed {
  readonly people: string
  readonly stands: string
  readonly from: string
  readonly to: string
  readonly days: readonly number[]
  readonly closed: string
}

/** Who and what the shop has to work with: kept for all engines, from now on. */
export function MeansForm({ means }: { means: ShopMeans }) {
  const by = useDevice().initials
  const refresh = useRefresh()
  const [typed, setTyped] = useState<Typed>({
    people: String(means.people),
    stands: String(means.stands),
    from: String(means.hours.from),
    to: String(means.hours.to),
    days: means.hours.days,
    closed: daysWords(means.hours.closed ?? []),
  })
  const [wrong, setWrong] = useState('')
  const set = (name: 'people' | 'stands' | 'from' | 'to' | 'closed') => (value: string) => setTyped((now) => ({ ...now, [name]: value }))
  const toggle = (day: number) =>
    setTyped((now) => ({ ...now, days: now.days.includes(day) ? now.days.filter((one) => one !== day) : [...now.days, day].sort() }))
  const keep = async () => {
    if (by === '') return setWrong(INITIALS_WANTED)
    const read = { people: Number(typed.people), stands: Number(typed.stands), from: Number(typed.from), to: Number(typed.to) }
    if (!Number.isInteger(read.people) || !Number.isInteger(read.stands) || read.people < 1 || read.stands < 1)
      return setWrong('People and stands are whole numbers, one at the least.')
    if (!(read.from >= 0 && read.to <= 24 && read.from < read.to)) return setWrong('A day is worked from one hour to a later one: 8 to 17.')
    if (typed.days.length === 0) return setWrong('Some day of the week is worked.')
    const closed = closedDays(typed.closed)
    if (!closed) return setWrong('Closed days as 2026-12-25, or a run of them as 2026-12-24 to 2027-01-02.')
    const { people, stands, from, to } = read
    const answer = await send('/api/shop-means', { by, means: { people, stands, hours: { days: typed.days, from, to, closed } } })
    setWrong(answer.ok ? '' : answer.error)
    if (answer.ok) refresh()
  }
  return (
    <form
      aria-label="People, stands, hours"
      onSubmit={(event) => {
        event.preventDefault()
        void keep()
      }}
    >
      <Fields>
        <TextField label="People" value={typed.people} onChange={set('people')} inputMode="numeric" numeric />
        <TextField label="Stands" value={typed.stands} onChange={set('stands')} inputMode="numeric" numeric />
        <TextField label="From, o’clock" value={typed.from} onChange={set('from')} inputMode="decimal" numeric />
        <TextField label="To, o’clock" value={typed.to} onChange={set('to')} inputMode="decimal" numeric />
        <WorkedDays days={typed.days} onToggle={toggle} />
        <TextField label="Closed on" hint="2026-12-25, 2026-12-28 to 2027-01-02" value={typed.closed} onChange={set('closed')} />
        <Button type="submit">Plan with these</Button>
      </Fields>
      {wrong && (
        <Notice role="alert" data-tone="bad" style={{ marginTop: 12 }}>
          {wrong}
        </Notice>
      )}
    </form>
  )
}

function WorkedDays({ days, onToggle }: { days: readonly number[]; onToggle: (day: number) => void }) {
  return (
    <Row role="group" aria-label="Days that are worked" $gap={6}>
      {DAYS.map((name, day) => (
        <TickLabel key={name}>
          <input type="checkbox" checked={days.includes(day)} onChange={() => onToggle(day)} />
          {name}
        </TickLabel>
      ))}
    </Row>
  )
}
