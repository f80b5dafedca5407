'use client'
import { useEffect, useImperativeHandle, useRef, type Ref } from 'react'
import styled from 'styled-components'
import type { Station } from '@/core/bench/bench'
import type { UnitSystem } from '@/core/document'
import { UNITS } from '@/core/units'
import { PART_STATE_CHOICES } from '@/wording'
import { InitialsForm } from '@/ui/InitialsForm'
import { caption, NARROW, numerals, PHONE } from '@/ui/GlobalStyle'
import { SpokenTitle } from '@/ui/Page'
import { GaugeInHand } from './GaugeInHand'
import { Key } from './Key'
import { Keypad } from './Keypad'
import { exampleOf, MOST_TYPED, standsAs } from './lineEntry'
import { Understood } from './Understood'
import { useSpoken } from './useSpoken'
import type { Asking, LineActions, LineNow, LineProps } from './lineActions'
import { useReadingLine } from './useReadingLine'

const Line = styled.section`
  contain: content;
  display: grid;
  grid-template-columns: 300px 250px 1fr 300px;
  border-top: 2px solid var(--dye);
  background: var(--raised);
  min-height: 112px;
  > div {
    padding: 10px 20px;
    border-right: 1px solid var(--hairline);
    min-width: 0;
    &:last-child {
      border-right: 0;
    }
  }
  h2 {
    ${caption} font-size: 11.5px;
  }
  ${NARROW} {
    grid-template-columns: 240px 1fr 240px;
    > [data-part='gauge'] {
      display: none;
    }
  }
  ${PHONE} {
    grid-template-columns: 1fr auto;
    min-height: 0;
    padding-top: 8px;
    > div {
      border: 0;
      padding: 0 14px;
    }
    > [data-part='place'] {
      grid-column: 1 / -1;
      display: flex;
      justify-content: space-between;
      flex-wrap: wrap;
      align-items: baseline;
      h2 {
        font-size: 11px;
        white-space: nowrap;
      }
      [data-wide] {
        display: none;
      }
    }
    > [data-part='understood'] {
      align-self: end;
      text-align: right;
      padding-left: 0;
      max-width: 54vw;
      h2 {
        display: none;
      }
    }
    > [data-part='keypad'] {
      grid-column: 1 / -1;
      padding: 8px 12px 12px;
    }
  }
`
const PlaceWords = styled.p`
  font-size: 20px;
  font-weight: 600;
  line-height: 1.25;
  margin-top: 8px;
  ${PHONE} {
    font-size: 16px;
    margin: 0;
    order: -1;
    max-width: calc(100% - 110px);
  }
`
const Entry = styled.input`
  ${numerals} width: 100%;
  font-size: 44px;
  font-weight: 500;
  line-height: 1.1;
  padding: 4px 2px 2px;
  background: none;
  border: 0;
  border-bottom: 2px solid var(--scribe);
  outline: none;
  caret-color: var(--scribe);
  &[data-words] {
    font-family: inherit;
    letter-spacing: 0;
    font-size: 24px;
  }
  &::placeholder {
    color: var(--quiet);
    opacity: 0.75;
    font-size: 16px;
    letter-spacing: 0;
    font-family: 'Archivo Variable', sans-serif;
  }
`
const Caution = styled.p`
  font-size: 12.5px;
  line-height: 1.3;
  color: var(--doubt);
  margin-top: 3px;
`
const WholeRow = styled.label`
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 32px;
  font-size: 14px;
  input {
    width: 20px;
    height: 20px;
    accent-color: var(--dye);
  }
  ${PHONE} {
    justify-content: flex-end;
    min-height: 48px;
    kbd {
      display: none;
    }
  }
`
/** What the part is while it is read; what is not as found is said in full strength. */
const PartNow = styled.div`
  margin-top: 6px;
  font-size: 13px;
  color: var(--quiet);
  &[data-changed] {
    color: var(--ink);
    font-weight: 600;
  }
  button {
    font: inherit;
    color: inherit;
    background: none;
    border: 0;
    padding: 4px;
    min-height: 24px;
    cursor: pointer;
  }
  ${PHONE} {
    margin: 0;
    flex-basis: 100%;
    button {
      min-height: 32px;
      text-decoration: underline;
    }
    kbd {
      display: none;
    }
  }
`
/** Capitals would make a micro of a mega. */
const Unit = styled.span`
  text-transform: none;
`
const PhoneOnly = styled.div`
  display: none;
  ${PHONE} {
    display: block;
  }
`

/** What the line wants instead of a reading. */
function askingWords(asking: Exclude<Asking, 'reading'>, system: UnitSystem): string {
  switch (asking) {
    case 'skip':
      return 'Skip: why?'
    case 'strike':
      return 'Strike out: why?'
    case 'note':
      return 'Note for this place'
    case 'temperature':
      return system === 'metric' ? 'Part / gauge, °C: 28 or 28/21; 20 for none' : 'Part / gauge, °F: 82 or 82/70; 68 for none'
  }
}

function mostTyped(asking: Asking): number {
  if (asking === 'reading' || asking === 'temperature') return MOST_TYPED[asking]
  return MOST_TYPED.words
}

export interface ReadingLineHandle {
  readonly focus: () => void
}

/** The one line readings come in by: the place, the gauge, the entry, and what was understood. */
export function ReadingLine({ ref, ...props }: LineProps & { ref?: Ref<ReadingLineHandle>; startText?: string }) {
  const { station, characteristic, gauge, system, live, work } = props
  const { now, actions, onPad } = useReadingLine(props)
  const { text, question, said, read, unit } = now
  const input = useRef<HTMLInputElement>(null)
  useImperativeHandle(ref, () => ({ focus: () => input.current?.focus() }), [])
  useEffect(() => {
    if (now.isRefused) input.current?.select()
  }, [now.isRefused])
  const index = work.stations.findIndex((one) => one.id === station.id)
  const understood = useRef<HTMLDivElement>(null)
  const place = `${station.label}, place ${index + 1} of ${work.stations.length}${read ? ', read' : ''}`
  const spoken = useSpoken(place, `${text}${said}${question ? 'asked' : ''}`, understood)
  const askedOnPad = question?.slip ? 'keepOrMend' : 'keep'
  return (
    <Line aria-label="Reading line">
      <SpokenTitle as="p" role="status">
        {spoken}
      </SpokenTitle>
      <PlaceInHand now={now} index={index} onPart={() => actions.turnPart()} />
      <div data-part="gauge">
        <h2>Gauge</h2>
        <GaugeInHand gauge={gauge} live={live} temperature={now.temperature} system={system} />
        {characteristic.caution && <Caution>{characteristic.caution}</Caution>}
      </div>
      {work.asksInitials ? (
        <div>
          <InitialsForm onGiven={(by) => actions.initialsGiven(by)} onLater={work.unsign} />
        </div>
      ) : (
        <Typing ref={input} now={now} actions={actions} />
      )}
      <div data-part="understood" id="understood" ref={understood}>
        <h2>{question ? 'Is that so?' : 'Understood'}</h2>
        <UnderstoodNow now={now} next={work.stations[index + 1]} />
        <RowToo
          now={now}
          onToggle={() => {
            actions.toggleRow()
            input.current?.focus()
          }}
        />
      </div>
      {!work.asksInitials && (
        <PhoneOnly data-part="keypad">
          <Keypad
            onKey={onPad}
            asks={question ? askedOnPad : 'no'}
            unitWords={UNITS[unit].symbol}
            signed={characteristic.signed === true}
          />
        </PhoneOnly>
      )}
    </Line>
  )
}

/** The current place, and what the part is while it is read. */
function PlaceInHand({ now: { work, station, read }, index, onPart }: { now: LineNow; index: number; onPart: () => void }) {
  const { stations, partStates } = work
  const partState = partStates.of(station.characteristic)
  return (
    <div data-part="place">
      <h2>
        {read ? 'Read · ' : ''}
        <span data-wide>place </span>
        {index + 1} of {stations.length}
      </h2>
      <PlaceWords>{station.label}</PlaceWords>
      <PartNow data-changed={partState !== 'asFound' || undefined}>
        {PART_STATE_CHOICES[partState]} ·{' '}
        <button type="button" onClick={onPart} aria-label={`The part is ${PART_STATE_CHOICES[partState].toLowerCase()}: change`}>
          <Key>p</Key> change
        </button>
      </PartNow>
    </div>
  )
}

/** The entry itself, under what it asks for. */
function Typing({ ref, now, actions }: { ref: Ref<HTMLInputElement>; now: LineNow; actions: LineActions }) {
  const { asking, unit, system, read, text, build } = now
  const isReading = asking === 'reading'
  return (
    <div>
      <h2>
        <label htmlFor="reading">
          {isReading ? (
            <>
              Reading, <Unit>{UNITS[unit].symbol}</Unit>
            </>
          ) : (
            askingWords(asking, system)
          )}
        </label>
      </h2>
      <Entry
        id="reading"
        ref={ref}
        value={text}
        autoFocus
        autoComplete="off"
        autoCorrect="off"
        spellCheck={false}
        enterKeyHint="done"
        inputMode={isReading ? 'none' : 'text'}
        maxLength={mostTyped(asking)}
        data-words={!isReading || undefined}
        placeholder={isReading && read ? `stands: ${standsAs(read, unit, build.gauges.get(read.gauge))}` : ''}
        onChange={(event) => actions.type(event.target.value)}
        onKeyDown={(event) => actions.onKeyDown(event)}
        aria-describedby="understood"
      />
    </div>
  )
}

function UnderstoodNow({ now, next }: { now: LineNow; next: Station | undefined }) {
  const { build, station, characteristic, unit, system, gauge, question, said, asking, entry, read } = now
  return (
    <Understood
      question={question}
      said={said}
      wantsWords={asking !== 'reading'}
      entry={entry}
      read={read}
      characteristic={characteristic}
      unit={unit}
      system={system}
      gauge={gauge}
      next={next}
      conflict={build.readings.conflicts.get(station.id)}
      example={build.readings.current.size === 0 ? exampleOf(station, unit, gauge) : undefined}
    />
  )
}

/** A skip may be meant for every open place of the row. */
function RowToo({ now: { asking, openInRow, wholeRow }, onToggle }: { now: LineNow; onToggle: () => void }) {
  if (asking !== 'skip' || openInRow.length <= 1) return null
  return (
    <WholeRow>
      <input type="checkbox" checked={wholeRow} onChange={onToggle} /> all {openInRow.length} open places of this row <Key>↓</Key>
    </WholeRow>
  )
}
