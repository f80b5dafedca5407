'use client'
import type { Spec, UnitSystem } from '@/core/document'
import type { SpecEdit } from '@/features/entries/useSpec'
import { TextField } from '@/ui/fields'
import { useKeptText } from '@/ui/useKeptText'
import { RATING_WORDS } from '@/wording/parts'
import { printed } from '@/core/numerics/printed'
import { useState } from 'react'
import { Words } from '@/ui/Words'
import { Stack } from '@/ui/Layout'
import { numberFrom } from '../parts/partForm'

type Job = NonNullable<Spec['job']>

/** What was agreed when the job came in. */
export function AgreedFields({ edit, system }: { edit: SpecEdit; system: UnitSystem }) {
  const { job = {} } = edit.spec
  const put = (more: Partial<Job>, words: string) => edit.change(words, (now) => ({ ...now, job: withoutEmpty({ ...now.job, ...more }) }))
  const power = RATING_WORDS.powerKw[system]
  return (
    <Stack $gap={14} $columnsPx={220}>
      <Words label="Goal" value={job.goal ?? ''} onCommit={(goal) => put({ goal }, 'goal')} />
      <Words label="The owner’s wishes" value={job.wishes ?? ''} onCommit={(wishes) => put({ wishes }, 'wishes')} />
      <Words label="What it must be ready for" value={job.event ?? ''} onCommit={(event) => put({ event }, 'event')} />
      <Day value={job.date} onCommit={(date) => put({ date }, date === undefined ? 'no day' : `the day: ${date}`)} />
      <Figure
        label={`Power wanted, ${power.unit}`}
        value={job.powerKw === undefined ? undefined : printed(job.powerKw / power.per)}
        onCommit={(value) => put({ powerKw: value === undefined ? undefined : value * power.per }, 'power wanted')}
      />
      <Figure label="Budget, a plain figure" value={job.budget} onCommit={(budget) => put({ budget }, 'budget')} />
      <Figure
        label="Priority, 1 before 9"
        hint="where engines want the same people"
        value={job.priority}
        isWhole
        most={9}
        onCommit={(priority) => put({ priority }, 'priority')}
      />
    </Stack>
  )
}

/** What was emptied is not agreed on. */
function withoutEmpty(job: Partial<Job>): Job {
  return Object.fromEntries(Object.entries(job).filter(([, value]) => value !== undefined && value !== ''))
}

/** The day it must be ready for, kept on leaving the field: while a year is typed there is one a keystroke. */
function Day({ value = '', onCommit }: { value: string | undefined; onCommit: (date: string | undefined) => void }) {
  const [text, setText] = useKeptText(value)
  const isDay = text === '' || /^2\d{3}-\d\d-\d\d$/.test(text)
  const commit = () => text !== value && isDay && onCommit(text || undefined)
  return (
    <TextField
      label="The day"
      type="date"
      error={isDay ? undefined : 'A day of this century.'}
      value={text}
      onChange={setText}
      onBlur={commit}
      onKeyDown={({ key }) => key === 'Enter' && commit()}
    />
  )
}

/** A plain figure, kept on Enter and on leaving the field. */
function Figure({
  label,
  hint,
  value,
  isWhole = false,
  most = 1e9,
  onCommit,
}: {
  label: string
  hint?: string
  value: number | undefined
  isWhole?: boolean
  most?: number
  onCommit: (value: number | undefined) => void
}) {
  const shown = value === undefined ? '' : String(value)
  const [text, setText] = useKeptText(shown)
  const [error, setError] = useState<string>()
  const commit = () => {
    if (text.trim() === shown) return
    const read = numberFrom(text)
    if (read === undefined || (read !== null && (read <= 0 || read > most || (isWhole && !Number.isInteger(read)))))
      return setError(isWhole ? `A whole number, 1 to ${most}.` : 'A plain figure above nothing.')
    setError(undefined)
    onCommit(read ?? undefined)
  }
  return (
    <TextField
      label={label}
      hint={hint}
      error={error}
      value={text}
      onChange={setText}
      onBlur={commit}
      onKeyDown={({ key }) => key === 'Enter' && commit()}
      inputMode="decimal"
      numeric
    />
  )
}
