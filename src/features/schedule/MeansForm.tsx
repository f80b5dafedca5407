'use client'
import type { ShopMeans } from '@/core/schedule'
import { Button } from '@/ui/Button'
import { useDevice } from '@/ui/device'
import { TextField } from '@/ui/fields'
import { Notice } from '@/ui/Page'
import styled from 'styled-components'
import { useRefresh } from '@/ui/useRefresh'
import { INITIALS_WANTED } from '@/wording/initials'
import { send } from '@/features/entries/send'
import { Row, Stack, TickLabel } from '@/ui/Layout'
import { useForm, type ReadForm } from '@/ui/useForm'
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

/** What the shop has to work with, as typed, or what is wrong with it. */
export function meansFrom(typed: Typed, by: string): ReadForm<ShopMeans> {
  const { people, stands, from, to } = typed
  const [whole, hour] = [(text: string) => Number(text.trim() || 'NaN'), (text: string) => Number(text.trim().replace(',', '.') || 'NaN')]
  const isCount = (text: string) => Number.isInteger(whole(text)) && whole(text) >= 1
  const closed = closedDays(typed.closed)
  const wrong = {
    ...(by === '' && { form: INITIALS_WANTED }),
    ...(!isCount(people) && { people: 'is a whole number, one at the least' }),
    ...(!isCount(stands) && { stands: 'is a whole number, one at the least' }),
    ...(!(hour(from) >= 0 && hour(from) < hour(to)) && { from: 'is an hour before the other: 8 to 17' }),
    ...(!(hour(to) <= 24) && { to: 'is an hour of the day' }),
    ...(typed.days.length === 0 && { form: 'Some day of the week is worked.' }),
    ...(!closed && { closed: 'as 2026-12-25, or a run of days as 2026-12-24 to 2027-01-02' }),
  }
  if (Object.keys(wrong).length > 0) return { ok: false, wrong }
  const hours = { days: [...typed.days], from: hour(from), to: hour(to), closed: closed! }
  return { ok: true, meant: { people: whole(people), stands: whole(stands), hours } }
}

/** Who and what the shop has to work with: kept for all engines, from now on. */
export function MeansForm({ means }: { means: ShopMeans }) {
  const by = useDevice().initials
  const refresh = useRefresh()
  const { values, refused, set, field, form } = useForm<Typed, ShopMeans>({
    start: {
      people: String(means.people),
      stands: String(means.stands),
      from: String(means.hours.from),
      to: String(means.hours.to),
      days: means.hours.days,
      closed: daysWords(means.hours.closed ?? []),
    },
    read: (typed) => meansFrom(typed, by),
    send: async (meant) => {
      const answer = await send('/api/shop-means', { by, means: meant })
      if (!answer.ok) return answer.error
      refresh()
    },
  })
  const { days } = values
  const toggle = (day: number) => set('days', days.includes(day) ? days.filter((one) => one !== day) : [...days, day].toSorted())
  return (
    <Stack as="form" aria-label="People, stands, hours" {...form}>
      <Fields>
        <TextField label="People" {...field('people')} inputMode="numeric" numeric />
        <TextField label="Stands" {...field('stands')} inputMode="numeric" numeric />
        <TextField label="From, o’clock" {...field('from')} inputMode="decimal" numeric />
        <TextField label="To, o’clock" {...field('to')} inputMode="decimal" numeric />
        <WorkedDays days={days} onToggle={toggle} />
        <TextField label="Closed on" hint="2026-12-25, 2026-12-28 to 2027-01-02" {...field('closed')} />
        <Button type="submit">Plan with these</Button>
      </Fields>
      {refused && (
        <Notice role="alert" data-tone="bad">
          {refused}
        </Notice>
      )}
    </Stack>
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
