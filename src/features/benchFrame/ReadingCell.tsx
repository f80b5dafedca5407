import { memo } from 'react'
import styled from 'styled-components'
import { numerals } from '@/ui/GlobalStyle'
import { VerdictMark } from '@/ui/VerdictMark'
import { isMarked, type Standing } from '@/wording'

const Cell = styled.button`
  ${numerals} display: inline-flex;
  align-items: center;
  justify-content: flex-end;
  gap: 4px;
  width: 100%;
  min-height: 23px;
  padding: 0 4px;
  border: 1px solid transparent;
  border-radius: 2px;
  background: none;
  cursor: pointer;
  font-size: 13.5px;
  &[data-standing='over'],
  &[data-standing='under'] {
    color: var(--out);
  }
  &[data-standing='inDoubt'] {
    color: var(--doubt);
  }
  &[data-here] {
    border-color: var(--scribe);
    color: var(--scribe);
  }
  &[data-unsent] {
    text-decoration: underline dotted 1px;
    text-underline-offset: 3px;
  }
  &:hover {
    border-color: var(--edge);
  }
`

/** A cell of plain values, so that only those a reading has changed are drawn again. */
export const ReadingCell = memo(
  ({
    id,
    label,
    words,
    here,
    waiting,
    standing,
    onPick,
  }: {
    id: string
    label: string
    words: string
    here: boolean
    waiting: boolean
    standing: Standing | undefined
    onPick: (id: string) => void
  }) => {
    return (
      <Cell
        type="button"
        tabIndex={here ? 0 : -1}
        onClick={() => onPick(id)}
        data-here={here || undefined}
        data-standing={standing}
        data-unsent={waiting || undefined}
        aria-current={here ? 'location' : undefined}
        aria-label={`${label}: ${words === '–' ? 'not measured' : words}${waiting ? ', not sent yet' : ''}`}
      >
        {standing && isMarked(standing) && <VerdictMark standing={standing} size={9} silent />}
        {words}
        {waiting ? ' •' : ''}
      </Cell>
    )
  },
)
