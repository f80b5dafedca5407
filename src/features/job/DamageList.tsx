'use client'
import { useState } from 'react'
import styled from 'styled-components'
import type { Damage } from '@/core/parts'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { changeName } from '@/wording/walk'
import { Row } from '@/ui/Layout'
import type { DamageAct } from '../parts/useParts'

const Item = styled.li`
  display: grid;
  gap: 8px;
  padding: 12px 0;
  border-bottom: 1px solid var(--hairline);
  small {
    color: var(--quiet);
    font-size: 14px;
  }
`

interface ListProps {
  readonly onTell: (damage: string, said: DamageAct) => void
  readonly onRepaired: (damage: Damage) => void
  readonly onUndo: (damage: string) => void
}

/** What was found, what can be done, what its owner was told and answered, and whether it is done. */
export function DamageList({ damages, ...acts }: ListProps & { damages: readonly Damage[] }) {
  return (
    <ul>
      {damages.map((damage) => (
        <DamageItem key={damage.id} damage={damage} {...acts} />
      ))}
    </ul>
  )
}

function DamageItem({ damage, onTell, onRepaired, onUndo }: ListProps & { damage: Damage }) {
  const { id, text, cause, options, told, answer, repaired, by, at } = damage
  return (
    <Item>
      <b>{text}</b>
      <small>
        {cause ? `From ${cause}. ` : 'Not known what from. '}
        {by} {at.slice(0, 10)}
      </small>
      {options.length > 0 && (
        <ul>
          {options.map((option) => (
            <li key={option.text}>
              <small>{optionWords(option)}</small>
            </li>
          ))}
        </ul>
      )}
      {told && (
        <small>
          Owner told by {told.by} {told.at.slice(0, 10)}.
        </small>
      )}
      {answer && (
        <small>
          Answered: <b>{answer.option?.text ?? 'none of these'}</b>
          {answer.reply && `, “${answer.reply}”`} ({answer.by} {answer.at.slice(0, 10)})
        </small>
      )}
      {repaired && (
        <small>
          Done: {repaired.by} {repaired.at.slice(0, 10)}.
        </small>
      )}
      <Row>
        {!told && !answer && (
          <Button size="small" onPress={() => onTell(id, { did: 'told' })}>
            The owner is told
          </Button>
        )}
        {!repaired && answer?.option && (
          <Button size="small" kind="primary" onPress={() => onRepaired(damage)}>
            {answer.option.stales ? `Done: ${changeName(answer.option.stales)} is on record with it` : 'Done'}
          </Button>
        )}
        <Button size="small" kind="plain" onPress={() => onUndo(id)}>
          Undo
        </Button>
      </Row>
      {!repaired && options.length > 0 && <Answer options={options} onSay={(said) => onTell(id, said)} />}
    </Item>
  )
}

function Answer({ options, onSay }: { options: Damage['options']; onSay: (said: DamageAct) => void }) {
  const [option, setOption] = useState('')
  const [reply, setReply] = useState('')
  return (
    <Row $align="end">
      <ChoiceRow
        label="The owner’s answer"
        value={option}
        onChange={setOption}
        options={[...options.map(({ text }, index) => ({ value: String(index), label: text })), { value: 'none', label: 'None of these' }]}
      />
      <TextField label="In the owner’s words" value={reply} onChange={setReply} />
      <Button
        size="small"
        isDisabled={option === ''}
        onPress={() =>
          onSay({ did: 'answered', ...(option !== 'none' && { option: Number(option) }), ...(reply.trim() && { reply: reply.trim() }) })
        }
      >
        Answered
      </Button>
    </Row>
  )
}

function optionWords({ text, days, price, stales }: Damage['options'][number]): string {
  const stale = stales ? `; makes stale what rests on it (${changeName(stales)})` : ''
  return `${text}: ${days === 1 ? '1 day' : `${days} days`}, ${price.toFixed(2)}${stale}`
}
