'use client'
import { useState } from 'react'
import { CHANGE_IDS, type ChangeId } from '@/core/document/walkStages'
import { Button } from '@/ui/Button'
import { TextField } from '@/ui/fields'
import { Notice } from '@/ui/Page'
import { SelectField } from '@/ui/SelectField'
import { SidePanel } from '@/ui/SidePanel'
import { CHANGE_WORDS } from '@/wording/walk'
import { numberFrom } from '../parts/partForm'
import type { DamageAct } from '../parts/useParts'

interface TypedOption {
  readonly text: string
  readonly days: string
  readonly price: string
  readonly stales: ChangeId | ''
}
const NO_OPTION: TypedOption = { text: '', days: '', price: '', stales: '' }
const MOST_OPTIONS = 4

/** What was found at strip or on the bench: worn, marked or damaged, why, and what can be done about it. */
export function DamagePanel({ onSee, onClose }: { onSee: (said: DamageAct) => void; onClose: () => void }) {
  const [text, setText] = useState('')
  const [cause, setCause] = useState('')
  const [options, setOptions] = useState<readonly TypedOption[]>([NO_OPTION])
  const [wrong, setWrong] = useState('')
  const put = (at: number, more: Partial<TypedOption>) =>
    setOptions((all) => all.map((one, index) => (index === at ? { ...one, ...more } : one)))
  const see = () => {
    const read = options.filter((one) => one.text.trim() !== '').map(readOption)
    if (read.includes(undefined)) return setWrong('Days and money are plain figures: 6, 340. Nothing is stored yet.')
    onSee({
      did: 'seen',
      text: text.trim(),
      ...(cause.trim() && { cause: cause.trim() }),
      ...(read.length > 0 && { options: read as NonNullable<DamageAct['options']> }),
    })
  }
  return (
    <SidePanel title="Found worn, marked or damaged" isOpen onClose={onClose}>
      <TextField label="What is found, and where" value={text} onChange={setText} autoFocus />
      <TextField label="What it comes from, as far as it is known" value={cause} onChange={setCause} />
      {options.map((option, index) => (
        <fieldset key={index} style={{ display: 'grid', gap: 8, border: '1px solid var(--hairline)', padding: 12 }}>
          <legend>What can be done, {index + 1}</legend>
          <TextField label="What" value={option.text} onChange={(value) => put(index, { text: value })} />
          <TextField label="Days" value={option.days} onChange={(days) => put(index, { days })} inputMode="decimal" numeric />
          <TextField label="Money" value={option.price} onChange={(price) => put(index, { price })} inputMode="decimal" numeric />
          <SelectField
            label="What it makes stale"
            value={option.stales}
            onChange={(stales) => put(index, { stales })}
            options={[{ value: '', label: 'nothing' }, ...CHANGE_IDS.map((value) => ({ value, label: CHANGE_WORDS[value] }))]}
          />
        </fieldset>
      ))}
      {options.length < MOST_OPTIONS && (
        <Button size="small" onPress={() => setOptions((all) => [...all, NO_OPTION])}>
          Another way
        </Button>
      )}
      <p>Crack tests of what must not break, and welding on what rotates, belong to licensed shops.</p>
      {wrong && (
        <Notice role="alert" data-tone="bad">
          {wrong}
        </Notice>
      )}
      <Button kind="primary" isDisabled={text.trim() === ''} onPress={see}>
        Put on record
      </Button>
    </SidePanel>
  )
}

function readOption({ text, days, price, stales }: TypedOption) {
  const [inDays, money] = [numberFrom(days), numberFrom(price)]
  if (inDays === undefined || money === undefined) return undefined
  return { text: text.trim(), days: inDays ?? 0, price: money ?? 0, ...(stales && { stales }) }
}
