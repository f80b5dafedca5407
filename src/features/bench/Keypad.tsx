'use client'
import { Delete } from 'lucide-react'
import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import { numerals } from '@/ui/GlobalStyle'

const Pad = styled.div`display: grid; grid-template-columns: repeat(4, 1fr); grid-auto-rows: 52px; gap: 6px;`
const PadKey = styled(AriaButton)`
  ${numerals} font-size: 20px; font-weight: 600; border: 1px solid var(--edge); border-radius: 3px; background: var(--ground); cursor: pointer; display: grid; place-items: center;
  &[data-pressed] { background: var(--dye-wash); }
  &[data-words] { font-family: inherit; letter-spacing: 0; font-size: 15px; font-weight: 500; color: var(--dye); }
  &[data-store] { grid-row: span 2; background: var(--scribe); border-color: var(--scribe); color: var(--on-scribe); font-family: inherit; letter-spacing: 0; font-size: 17px; }
`

/** The phone's own keys: no keyboard slides over the ledger. The last column commands, the rest types. */
export function Keypad({ onType, onEnter, onCommand, question, unitWords, signed }: {
  onType: (key: string) => void; onEnter: () => void; onCommand: (key: string) => void; question: boolean; unitWords: string; signed: boolean
}) {
  const digit = (key: string) => <PadKey key={key} onPress={() => onType(key)}>{key}</PadKey>
  return (
    <Pad role="group" aria-label="Keypad">
      {['7', '8', '9'].map(digit)}
      <PadKey data-words onPress={() => onCommand('z')}>undo</PadKey>
      {['4', '5', '6'].map(digit)}
      <PadKey data-words onPress={() => onCommand('u')} aria-label={`Units: ${unitWords}. Change`}>mm · in</PadKey>
      {['1', '2', '3'].map(digit)}
      {question
        ? <PadKey data-store onPress={() => onCommand('k')}>Keep</PadKey>
        : <PadKey data-store onPress={onEnter}>Store</PadKey>}
      {digit('0')}
      {digit('.')}
      {signed ? digit('-') : <PadKey data-words onPress={() => onCommand('s')}>skip</PadKey>}
      <PadKey data-words onPress={() => onType('rub')} aria-label="Rub out the last figure"><Delete size={20} aria-hidden /></PadKey>
      <PadKey data-words onPress={() => onCommand('b')}>back</PadKey>
      {signed ? <PadKey data-words onPress={() => onCommand('s')}>skip</PadKey> : digit('/')}
      <PadKey data-words onPress={() => onCommand('g')}>gauge</PadKey>
    </Pad>
  )
}
