'use client'
import { memo } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import { numerals } from '@/ui/GlobalStyle'

const Pad = styled.div`
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  grid-auto-rows: 52px;
  gap: 6px;
`
const PadButton = styled(AriaButton)`
  ${numerals} font-size: 20px;
  font-weight: 600;
  border: 1px solid var(--edge);
  border-radius: 3px;
  background: var(--ground);
  cursor: pointer;
  display: grid;
  place-items: center;
  &[data-pressed] {
    background: var(--dye-wash);
  }
  &[data-words] {
    font-family: inherit;
    letter-spacing: 0;
    font-size: 15px;
    font-weight: 500;
    color: var(--dye);
  }
  &[data-disabled] {
    opacity: 0.45;
  }
  &[data-store] {
    grid-row: span 2;
    background: var(--scribe);
    border-color: var(--scribe);
    color: var(--on-scribe);
    font-family: inherit;
    letter-spacing: 0;
    font-size: 17px;
  }
`

/** The letter of the reading line that each command key stands for. */
export const PAD_COMMANDS = { undo: 'z', units: 'u', skip: 's', back: 'b', gauge: 'g' } as const
type PadCommand = keyof typeof PAD_COMMANDS
type Figure = '0' | '1' | '2' | '3' | '4' | '5' | '6' | '7' | '8' | '9' | '.' | '-' | '/'
export type PadKey = Figure | PadCommand | 'store' | 'keep' | 'mend' | 'rub'

export function isPadCommand(key: PadKey): key is PadCommand {
  return key in PAD_COMMANDS
}

/**
 * The phone's own keys: no keyboard slides over the ledger. The last column commands, the rest types. Memoised: no key
 * changes with a figure typed.
 */
export const Keypad = memo(
  ({
    onKey,
    asks,
    unitWords,
    signed,
  }: {
    onKey: (key: PadKey) => void
    /** The line asks something back: keys of their own answer, away from the one that stores, so that no second tap of it does. */
    asks: 'no' | 'keep' | 'keepOrMend'
    unitWords: string
    signed: boolean
  }) => {
    const figure = (key: Figure) => (
      <PadButton key={key} onPress={() => onKey(key)}>
        {key}
      </PadButton>
    )
    const command = (key: PadKey, words: string) => (
      <PadButton data-words onPress={() => onKey(key)}>
        {words}
      </PadButton>
    )
    const skip = command('skip', 'skip')
    return (
      <Pad role="group" aria-label="Keypad">
        {(['7', '8', '9'] as const).map(figure)}
        {asks === 'no' ? command('undo', 'undo') : command('keep', 'keep as typed')}
        {(['4', '5', '6'] as const).map(figure)}
        {asks === 'keepOrMend' ? (
          command('mend', 'take the likely')
        ) : (
          <PadButton data-words onPress={() => onKey('units')} aria-label={`Units: ${unitWords}. Change`}>
            mm · in
          </PadButton>
        )}
        {(['1', '2', '3'] as const).map(figure)}
        <PadButton data-store isDisabled={asks !== 'no'} onPress={() => onKey('store')}>
          Store
        </PadButton>
        {figure('0')}
        {figure('.')}
        {signed ? figure('-') : skip}
        <PadButton data-words onPress={() => onKey('rub')} aria-label="Rub out the last figure">
          rub out
        </PadButton>
        {command('back', 'back')}
        {signed ? skip : figure('/')}
        {command('gauge', 'gauge')}
      </Pad>
    )
  },
)
