import styled from 'styled-components'
import type { Characteristic, Station } from '@/core/bench/bench'
import type { Gauge, Reading, UnitSystem } from '@/core/document'
import { decimalsForStep, differenceInUnit, formatKnown, formatQuantity, joinUnit, type Entry, type UnitId } from '@/core/units'
import { PHONE } from '@/ui/GlobalStyle'
import { capital, entryIssueWords, slipWords, small } from '@/wording'
import { Key } from './Key'
import { finerThanGauge, type LineEntry, type Question } from './lineEntry'

const Echo = styled.p`
  margin-top: 8px;
  font-size: 16px;
  span {
    color: var(--quiet);
  }
  &[data-tone='bad'] {
    color: var(--out);
  }
  &[data-tone='ask'] {
    color: var(--doubt);
    font-weight: 500;
  }
  ${PHONE} {
    margin: 0;
    font-size: 14px;
  }
`
const WillDo = styled.p`
  margin-top: 6px;
  font-size: 13px;
  color: var(--quiet);
  ${PHONE} {
    display: none;
  }
`
const Keys = styled.i`
  font-style: normal;
  ${PHONE} {
    display: none;
  }
`
const Pad = styled.b`
  display: none;
  ${PHONE} {
    display: inline;
  }
`

interface UnderstoodProps {
  readonly question: Question | undefined
  readonly said: string
  readonly wantsWords: boolean
  readonly entry: LineEntry | undefined
  readonly read: Reading | undefined
  readonly characteristic: Characteristic
  readonly unit: UnitId
  readonly system: UnitSystem
  readonly gauge: Gauge | undefined
  readonly next: Station | undefined
  /** On a build with no reading yet: how one is typed. */
  readonly example: string | undefined
  /** Readings of this place that do not know of each other. */
  readonly conflict: readonly Reading[] | undefined
}

/** What was understood of the line, and what Enter will do. */
export function Understood(props: UnderstoodProps) {
  const { question, said, wantsWords, entry, unit } = props
  if (question) return <QuestionLine question={question} unit={unit} />
  if (said) return <Echo>{said}</Echo>
  if (wantsWords)
    return (
      <WillDo>
        <Key>Enter</Key> keep the words · <Key>Esc</Key> leave
      </WillDo>
    )
  return entry ? <Typed {...props} entry={entry} /> : <NothingTyped {...props} />
}

/** What stands here, or what may be typed. */
function NothingTyped({ conflict, read, example }: Pick<UnderstoodProps, 'conflict' | 'read' | 'example'>) {
  if (conflict)
    return (
      <Echo data-tone="ask">
        {conflict.map(({ asTyped, by }) => `${asTyped} (${by})`).join(' and ')} do not know of each other; the last to arrive counts.{' '}
        <Key>h</Key> settle
      </Echo>
    )
  if (read)
    return (
      <Echo>
        <span>
          {read.by}, {read.at.slice(0, 10)}
        </span>
      </Echo>
    )
  return example ? (
    <Echo>
      Type what the gauge shows, such as <b>{example}</b>, then <Pad>Store</Pad>
      <Keys>
        <Key>Enter</Key>. <Key>?</Key> all keys
      </Keys>
    </Echo>
  ) : (
    <WillDo>
      <Key>s</Key> skip <Key>b</Key> back <Key>n</Key> note <Key>z</Key> undo <Key>?</Key> all keys
    </WillDo>
  )
}

function Typed({ entry, characteristic, unit, system, gauge, read, next }: UnderstoodProps & { entry: LineEntry }) {
  const { parsed, strokes, turnedBack } = entry
  if (!parsed.ok) return <Echo data-tone="bad">{entryIssueWords(parsed.issue, unit)}</Echo>
  const other = characteristic.units[system === 'metric' ? 'inch' : 'metric']
  return (
    <>
      <Echo>
        {valueWords(parsed, characteristic)}
        {strokes !== undefined && `, after ${strokes} strokes`}
        {turnedBack && ', read turning back'}{' '}
        {other !== parsed.unit && gauge && (
          <span>{formatQuantity(Math.abs(parsed.value), other, decimalsForStep(gauge.resolution, other))}</span>
        )}
        {gauge && finerThanGauge(parsed.value, gauge) && <span> · finer than this gauge reads</span>}
      </Echo>
      <WillDo>
        <Key>Enter</Key> {read ? 'store beside the old one' : 'store'}
        {next ? `, go to ${small(next.label)}` : ''}
      </WillDo>
    </>
  )
}

/** `0.05 mm down the hole`, `0.53 mm goes, 0.54 mm does not`. */
function valueWords({ value, upper, plusMinus, unit }: Entry, { sense }: Characteristic): string {
  const low = joinUnit(formatKnown(sense ? Math.abs(value) : value, unit), unit)
  const high = upper === undefined ? '' : ` goes, ${joinUnit(formatKnown(upper, unit), unit)} does not`
  const stated = plusMinus === undefined ? '' : ` ± ${joinUnit(String(Number(differenceInUnit(plusMinus, unit).toPrecision(6))), unit)}`
  const side = sense && value !== 0 ? ` ${value > 0 ? sense.positive : sense.negative}` : ''
  return low + high + stated + side
}

function QuestionLine({ question: { draft, outside, slip }, unit }: { question: Question; unit: UnitId }) {
  const show = (value: number) => joinUnit(formatKnown(Number(value.toPrecision(6)), unit), unit)
  const whyWords = () => {
    if (outside) return `is outside ${show(outside.low)} to ${show(outside.high)}.`
    return slip?.code === 'dialTurn' ? 'stands one dial turn from the others.' : 'stands far from its paper and the others.'
  }
  return (
    <>
      <Echo data-tone="ask">
        {show(draft.value)} {whyWords()}
        {slip && ` ${capital(slipWords(slip))}`}
      </Echo>
      <WillDo style={{ display: 'block' }}>
        {slip && (
          <>
            <Key>f</Key> store {show(slip.value)} ·{' '}
          </>
        )}
        <Key>k</Key> keep as typed · or type again
      </WillDo>
    </>
  )
}
