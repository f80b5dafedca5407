'use client'
import styled from 'styled-components'
import { daysLate, isAwaited, type Part } from '@/core/parts'
import { Button } from '@/ui/Button'
import { PHONE } from '@/ui/GlobalStyle'
import { FIT_WORDS, lateWords, OWNER_WORDS, PART_KIND_WORDS, PART_STATE_WORDS } from '@/wording/parts'
import type { PartAsked } from './PartPanel'

const Line = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 20px;
  padding: 12px 0;
  border-bottom: 1px solid var(--hairline);
  &[data-is='failed'] {
    border-left: 4px solid var(--out);
    padding-left: 12px;
  }
  small {
    display: block;
    font-size: 14px;
    color: var(--quiet);
    &:first-of-type::first-letter {
      text-transform: uppercase;
    }
  }
  > div:last-child {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    align-items: start;
    justify-content: end;
  }
  ${PHONE} {
    grid-template-columns: minmax(0, 1fr);
    > div:last-child {
      justify-content: start;
    }
  }
`
const Late = styled.b`
  color: var(--out);
`

/** A part: what it is, how it stands, what waits for it, and what can be said of it next. */
export function PartLine({
  part,
  today,
  waiting,
  onAsk,
  onChange,
  onUndo,
}: {
  part: Part
  today: string
  /** Titles of the steps that wait for it. */
  waiting: readonly string[]
  onAsk: (asked: PartAsked) => void
  onChange: () => void
  onUndo: () => void
}) {
  const late = daysLate(part, today)
  return (
    <Line data-part={part.id} data-is={part.state}>
      <div>
        <b>{part.name}</b>
        {part.count > 1 && `, ${part.count}`}
        <small>
          {kindWords(part)}
          {OWNER_WORDS[part.owner]}: {PART_STATE_WORDS[part.state]}
          {part.promised && isAwaited(part) && part.state !== 'arrived' && `, promised for ${part.promised}`}
          {part.from && ` from ${part.from}`}. {late > 0 && <Late>{lateWords(late)}.</Late>}
        </small>
        {part.formerly.length > 0 && <small>Promised before: {part.formerly.join(', ')}.</small>}
        {isAwaited(part) && waiting.length > 0 && <small>Waits for it: {waiting.join('; ')}.</small>}
        {part.fits
          .filter(({ answer }) => answer?.fits === false)
          .map(({ check, answer }) => (
            <small key={check}>
              <Late>Not so:</Late> {FIT_WORDS[check].ask.toLowerCase()}
              {answer!.note && ` (${answer!.note})`}
            </small>
          ))}
        {part.reason && (part.state === 'back' || part.state === 'dropped') && <small>Why: {part.reason}</small>}
        {part.replaces && (
          <small>
            In the place of {part.replaces}
            {part.onWordOf ? `, on the word of ${part.onWordOf}` : ', on nobody’s word'}.
          </small>
        )}
        {part.lies && (
          <small>
            Lies in {part.lies.pot}
            {part.lies.fluid && `, in ${part.lies.fluid}`}, since {part.lies.since.slice(0, 10)} ({part.lies.by}).
          </small>
        )}
      </div>
      <div>
        <Actions part={part} onAsk={onAsk} onChange={onChange} onUndo={onUndo} />
      </div>
    </Line>
  )
}

/** Its kind, where its name does not say it already. */
function kindWords({ what, name }: Part): string {
  const kind = PART_KIND_WORDS[what]
  return name.toLowerCase().startsWith(kind.toLowerCase()) ? '' : `${kind}, `
}

type ActionsProps = Pick<Parameters<typeof PartLine>[0], 'part' | 'onAsk' | 'onChange' | 'onUndo'>

function Actions({ part: { name, state }, onAsk, onChange, onUndo }: ActionsProps) {
  const isHere = state === 'arrived' || state === 'failed' || state === 'in'
  const act = (words: string, then: () => void) => (
    <Button key={words} size="small" onPress={then} aria-label={`${words.replace('…', '')}: ${name}`}>
      {words}
    </Button>
  )
  return [
    ...(isHere || state === 'dropped' ? [] : [act('Here…', () => onAsk('arrived'))]),
    ...(state === 'arrived' || state === 'failed' ? [act('Look it over…', () => onAsk('arrived'))] : []),
    ...(isHere || state === 'dropped' ? [] : [act(state === 'ordered' ? 'Another day…' : 'Ordered…', () => onAsk('ordered'))]),
    ...(isHere ? [act('Lies in…', () => onAsk('laid')), act('Send back…', () => onAsk('sentBack'))] : []),
    ...(state === 'dropped' ? [act('Wanted again', onUndo)] : [act('Change…', onChange), act('Not wanted…', () => onAsk('dropped'))]),
  ]
}
