'use client'
import { useState } from 'react'
import styled from 'styled-components'
import type { PaperDefinition, PaperNumber, UnitSystem } from '@/core/document'
import { WORDS_OF_PAPER } from '@/core/document/paper'
import { paperConflict, takingOther, withOtherPaper, type OtherPaper } from '@/core/document/paperConflict'
import { formatKnown, joinUnit } from '@/core/units'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { SidePanel } from '@/ui/SidePanel'
import { VerdictMark } from '@/ui/VerdictMark'
import { WORD_WORDS } from '@/wording/paper'
import { QuantityInput } from '@/ui/QuantityInput'

const Beside = styled.ul`
  padding: 4px 0 10px 200px;
  font-size: 14px;
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 12px;
    align-items: baseline;
  }
  @media (max-width: 719px) {
    padding-left: 0;
  }
`

interface OtherProps {
  readonly definition: PaperDefinition
  readonly paper: PaperNumber
  readonly system: UnitSystem
  readonly onPut: (paper: PaperNumber, words: string) => void
}

/** What other papers say of a number, kept beside the one that counts; one is taken with a reason. */
export function OtherPapers({ definition, paper, system, onPut }: OtherProps) {
  const [taking, setTaking] = useState<number>()
  const { others = [] } = paper
  const conflict = paperConflict(paper)
  if (others.length === 0) return null
  const unit = definition.units[system]
  return (
    <Beside aria-label={`${definition.label}: other papers`}>
      {conflict && (
        <li role={conflict.isSettled ? undefined : 'alert'}>
          <VerdictMark standing={conflict.isSettled ? 'within' : 'inDoubt'} />
          {conflict.outranks && <b>{conflict.outranks.source} outranks it. </b>}
          {conflict.isSettled
            ? 'Papers disagree; why this one counts stands beside it.'
            : 'Papers disagree: say why this one counts, or take another.'}
        </li>
      )}
      {others.map((other, index) => (
        <li key={`${other.source}/${other.value}`}>
          <span>
            {joinUnit(formatKnown(other.value, unit), unit)}: {other.source}, {WORD_WORDS[other.word]}
          </span>
          <Button size="small" kind="plain" onPress={() => setTaking(index)}>
            Take this one…
          </Button>
        </li>
      ))}
      {taking !== undefined && (
        <TakePanel
          title={`${definition.label}: ${joinUnit(formatKnown(others[taking]!.value, unit), unit)}`}
          onTake={(reason) => {
            onPut(takingOther(paper, taking, reason), `${definition.label}: the number of ${others[taking]!.source}`)
            setTaking(undefined)
          }}
          onClose={() => setTaking(undefined)}
        />
      )}
    </Beside>
  )
}

function TakePanel({ title, onTake, onClose }: { title: string; onTake: (reason: string) => void; onClose: () => void }) {
  const [reason, setReason] = useState('')
  return (
    <SidePanel title={title} isOpen onClose={onClose}>
      <p>The number that counted until now stays beside it, with its source.</p>
      <TextField label="Why this one counts" value={reason} onChange={setReason} autoFocus />
      <Button kind="primary" isDisabled={reason.trim() === ''} onPress={() => onTake(reason.trim())}>
        It counts
      </Button>
    </SidePanel>
  )
}

/** Another paper says something else: its number, whose it is, and what kind of word that is. */
export function AnotherPaper({ definition, paper, system, onPut }: OtherProps) {
  const [isOpen, setOpen] = useState(false)
  const [value, setValue] = useState<Pick<OtherPaper, 'value' | 'unit'>>()
  const [source, setSource] = useState('')
  const [word, setWord] = useState<OtherPaper['word']>('maker')
  const keep = () => {
    if (!value) return
    onPut(withOtherPaper(paper, { ...value, source: source.trim(), word }), `${definition.label}: ${source.trim()} beside it`)
    setOpen(false)
  }
  return (
    <>
      <Button size="small" kind="plain" onPress={() => setOpen(true)} aria-label={`${definition.label}: another paper says…`}>
        Another says…
      </Button>
      {isOpen && (
        <SidePanel title={`${definition.label}: another paper`} isOpen onClose={() => setOpen(false)}>
          <QuantityInput
            label="It says"
            value={value?.value}
            kind={definition.kind}
            unit={definition.units[system]}
            range={definition}
            event={definition.event}
            onCommit={(typed, unit) => setValue(typed === undefined ? undefined : { value: typed, unit })}
          />
          <TextField label="Which paper, which page" value={source} onChange={setSource} />
          <ChoiceRow
            label="Whose word"
            value={word}
            onChange={setWord}
            options={WORDS_OF_PAPER.map((one) => ({ value: one, label: WORD_WORDS[one] }))}
          />
          <Button kind="primary" isDisabled={!value || source.trim() === ''} onPress={keep}>
            Beside it
          </Button>
        </SidePanel>
      )}
    </>
  )
}
