'use client'
import dynamic from 'next/dynamic'
import { useEffect, useImperativeHandle, useMemo, useRef, useState, type KeyboardEvent, type Ref } from 'react'
import styled from 'styled-components'
import type { Characteristic } from '@/core/benches/bench'
import { rowOf } from '@/core/benches/sheets'
import { checkDue, isOverdue, type Gauge, type UnitSystem } from '@/core/build'
import { formatExact, formatQuantity, joinUnit, UNITS } from '@/core/quantity'
import { caption, NARROW, numerals, PHONE } from '@/ui/GlobalStyle'
import { slipWords } from '@/wording'
import { Key } from './Key'
import { isPadCommand, Keypad, PAD_COMMANDS, type PadKey } from './Keypad'
import { exampleOf, isPlausible, questionOf, readLine, temperatureFrom, type Question } from './lineEntry'
import { Understood } from './Understood'
import { isOpen, type BenchWork, type Draft, type PartTemperature } from './useBench'
import type { LivePress, useLiveGauges } from './useLiveGauges'
import { useStable } from './useStable'

const SerialButton = dynamic(() => import('./SerialButton').then((module) => module.SerialButton), { ssr: false })

export type LineCommand = 'back' | 'again' | 'undo' | 'unit' | 'gauge' | 'live' | 'help' | 'history'

const Line = styled.section`
  contain: content; display: grid; grid-template-columns: 300px 250px 1fr 300px; border-top: 2px solid var(--dye); background: var(--raised); min-height: 112px;
  > div { padding: 10px 20px; border-right: 1px solid var(--hairline); min-width: 0; &:last-child { border-right: 0; } }
  h2 { ${caption} font-size: 11.5px; }
  ${NARROW} { grid-template-columns: 240px 1fr 240px; > [data-part='gauge'] { display: none; } }
  ${PHONE} {
    grid-template-columns: 1fr auto; min-height: 0; padding-top: 8px;
    > div { border: 0; padding: 0 14px; }
    > [data-part='place'] { grid-column: 1 / -1; display: flex; justify-content: space-between; align-items: baseline; h2 { font-size: 11px; white-space: nowrap; } [data-wide] { display: none; } }
    > [data-part='understood'] { align-self: end; text-align: right; padding-left: 0; max-width: 54vw; h2 { display: none; } }
    > [data-part='keypad'] { grid-column: 1 / -1; padding: 8px 12px 12px; }
  }
`
const PlaceWords = styled.p`
  font-size: 20px; font-weight: 600; line-height: 1.25; margin-top: 8px;
  ${PHONE} { font-size: 16px; margin: 0; order: -1; }
`
const Entry = styled.input`
  ${numerals} width: 100%; font-size: 44px; font-weight: 500; line-height: 1.1; padding: 4px 2px 2px; background: none; border: 0; border-bottom: 2px solid var(--scribe); outline: none; caret-color: var(--scribe);
  &[data-words] { font-family: inherit; letter-spacing: 0; font-size: 24px; }
  &::placeholder { color: var(--quiet); opacity: 0.75; font-size: 16px; letter-spacing: 0; font-family: 'Archivo Variable', sans-serif; }
`
const Quiet = styled.p`margin-top: 6px; font-size: 13px; color: var(--quiet);`
const Caution = styled.p`font-size: 12.5px; line-height: 1.3; color: var(--doubt); margin-top: 3px;`
const WholeRow = styled.label`display: flex; align-items: center; gap: 8px; min-height: 32px; font-size: 14px; input { width: 20px; height: 20px; accent-color: var(--dye); } ${PHONE} { justify-content: flex-end; min-height: 48px; kbd { display: none; } }`
/** Capitals would make a micro of a mega. */
const Unit = styled.span`text-transform: none;`
const PhoneOnly = styled.div`display: none; ${PHONE} { display: block; }`

/** What the line is asking for: a reading, or the reason of a skip or a strike, or the text of a note. */
type Asking = 'reading' | 'skip' | 'strike' | 'note' | 'temperature'
const ASKING_WORDS: Readonly<Record<Exclude<Asking, 'reading'>, string>> = { skip: 'Skip: why?', strike: 'Strike out: why?', note: 'Note for this place', temperature: 'Part / gauge, °C: 28 or 28/21; 20 for none' }

const DEGREES = { metric: 'degC', inch: 'degF' } as const

const COMMANDS: Readonly<Record<string, LineCommand | Asking>> = {
  b: 'back', '/': 'back', r: 'again', z: 'undo', u: 'unit', g: 'gauge', h: 'history', '?': 'help', s: 'skip', '*': 'skip', x: 'strike', n: 'note', t: 'temperature', l: 'live',
}

export interface ReadingLineHandle { readonly focus: () => void }

/**
 * The one line readings come in by. Letters on an empty line are commands, since every reading starts with a digit, a sign,
 * a point or a comma; so no key needs a modifier, and a number pad alone is enough.
 */
export function ReadingLine({ work, characteristic, gauge, system, live, onCommand, onKept, ref }: {
  work: BenchWork; characteristic: Characteristic; gauge: Gauge | undefined; system: UnitSystem; live: ReturnType<typeof useLiveGauges>
  onCommand: (command: LineCommand) => void; onKept: (words: string) => void; ref?: Ref<ReadingLineHandle>
}) {
  const { current: station, stations, build, setDraft } = work
  const [text, setText] = useState('')
  const [asking, setAsking] = useState<Asking>('reading')
  const [question, setQuestion] = useState<Question>()
  const [said, setSaid] = useState('')
  const [wholeRow, setWholeRow] = useState(false)
  const [temperature, setTemperature] = useState<PartTemperature>()
  const input = useRef<HTMLInputElement>(null)
  useImperativeHandle(ref, () => ({ focus: () => input.current?.focus() }), [])
  const [at, setAt] = useState(station?.id)
  if (at !== station?.id) { setAt(station?.id); setText(''); setQuestion(undefined); setAsking('reading'); setSaid('') }

  const unit = characteristic.units[system]
  const entry = useMemo(
    () => (station && text.trim() !== '' && asking === 'reading' ? readLine(text, characteristic, station, unit, gauge) : undefined),
    [asking, characteristic, gauge, station, text, unit],
  )

  useEffect(() => {
    if (live.next && station && !question && asking === 'reading') land(live.next)
    // A press lands where the hand is: at a new press, and when the place has moved on or a question was answered.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [live.next, station?.id, question, asking])

  const pad = useStable(onPad)

  if (!station) return null
  const read = build.readings.current.get(station.id)
  const index = stations.findIndex((one) => one.id === station.id)
  const openInRow = asking === 'skip' ? [station, ...rowOf(station, stations).filter((one) => one !== station && isOpen(one, build))] : []

  function type(next: string): void {
    // Typed over a questioned press: the hand knows better, the press is let go.
    if (question?.press) live.done(question.press)
    setText(next)
    setQuestion(undefined)
    setSaid('')
    if (!station || !gauge || asking !== 'reading') return
    const { parsed } = readLine(next, characteristic, station, unit, gauge)
    const isShown = parsed.ok && isPlausible(parsed.value, station)
    setDraft(isShown ? { station, value: parsed.value, upper: parsed.upper, unit: parsed.unit, gauge: gauge.id, temperature } : undefined)
  }

  function enter(): void {
    if (!station) return
    if (asking !== 'reading') return reasonGiven()
    if (!entry) return setSaid(read ? 'Already read here. Type to measure again; arrows move on.' : 'Nothing typed yet.')
    const { parsed, strokes } = entry
    if (!parsed.ok) return
    if (!gauge) return setSaid('No gauge for this: put one in the drawer first.')
    const draft: Draft = { station, value: parsed.value, upper: parsed.upper, unit: parsed.unit, gauge: gauge.id, temperature, strokes }
    const doubtful = questionOf(draft, characteristic, build, gauge)
    if (doubtful) return setQuestion(doubtful)
    store(draft, text.trim())
  }

  /** A press of a live gauge: taken as if typed, under its own id, so that it lands once however often it is heard. */
  function land(press: LivePress): void {
    if (!station) return
    if (build.entries.some((entry) => entry.id === press.id)) return live.done(press)
    const from = work.gauges.find((card) => card.gauge === press.name) ?? gauge
    if (!from || UNITS[press.unit].kind !== characteristic.kind) {
      setSaid(`${press.name} sent ${joinUnit(press.text, press.unit)}: this place wants ${UNITS[unit].symbol}. It was not stored.`)
      return live.done(press)
    }
    const draft: Draft = { station, value: press.value, ...(press.upper !== null && { upper: press.upper }), unit: press.unit, gauge: from.id, temperature }
    const doubtful = questionOf(draft, characteristic, build, gauge)
    setText(doubtful ? press.text : '')
    if (doubtful) setQuestion({ ...doubtful, press })
    else store(draft, press.text, press)
  }

  function store(draft: Draft, asTyped: string, press?: LivePress): void {
    const kept = work.store(draft, asTyped, press?.id)
    if (press) live.done(press)
    setText('')
    setQuestion(undefined)
    onKept(kept === 'kept' ? '' : 'This device is full and keeps nothing: write the reading down until it is sent.')
  }

  function reasonGiven(): void {
    const words = text.trim()
    if (asking === 'temperature') return temperatureGiven(words)
    if (words === '' || !station) return setSaid('A few words, so that it can be proven later.')
    if (asking === 'skip') work.skip(wholeRow ? openInRow : [station], words)
    else if (asking === 'note') work.note(station, words)
    else if (read) work.strike(read.id, words)
    leave()
  }

  function temperatureGiven(words: string): void {
    const given = temperatureFrom(words, system)
    if ('issue' in given) return setSaid(given.issue)
    setTemperature(given.temperature)
    leave()
  }

  function leave(): void {
    if (question?.press) live.done(question.press)
    setAsking('reading')
    setText('')
    setQuestion(undefined)
    setSaid('')
    setDraft(undefined)
  }

  function command(key: string): boolean {
    const meant = COMMANDS[key]
    if (!meant) return false
    if (meant === 'skip' || meant === 'note' || meant === 'temperature') { setAsking(meant); setWholeRow(false) }
    else if (meant === 'strike') { if (read) setAsking('strike'); else setSaid('Nothing here to strike out.') }
    else if (meant !== 'reading') onCommand(meant)
    return true
  }

  function onPad(key: PadKey): void {
    if (key === 'store') enter()
    else if (key === 'keep') { if (question) store(question.draft, text.trim(), question.press) }
    else if (key === 'rub') type(text.slice(0, -1))
    else if (!isPadCommand(key)) type(text + key)
    else if (text === '') command(PAD_COMMANDS[key])
    else leave()
  }

  function onKeyDown(event: KeyboardEvent<HTMLInputElement>): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    if (event.key === 'Enter') { event.preventDefault(); if (!event.repeat) enter(); return }
    if (event.key === 'Escape') { event.preventDefault(); leave(); return }
    if (question && (event.key === 'k' || event.key === 'f')) {
      event.preventDefault()
      if (event.key === 'k') store(question.draft, text.trim(), question.press)
      else if (question.slip) store({ ...question.draft, value: question.slip.value, upper: undefined }, `${text.trim()} → ${formatExact(question.slip.value, question.draft.unit)} (${slipWords(question.slip)})`, question.press)
      return
    }
    if (asking === 'skip' && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) { event.preventDefault(); setWholeRow(!wholeRow); return }
    if (text !== '' || asking !== 'reading') return
    const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1, Backspace: -1 }[event.key]
    if (by === 1 || by === -1) { event.preventDefault(); work.go(work.step(station!, by)); return }
    if (command(event.key.toLowerCase())) event.preventDefault()
  }

  return (
    <Line aria-label="Reading line">
      <div data-part="place">
        <h2>{read ? 'Read · ' : ''}<span data-wide>place </span>{index + 1} of {stations.length}</h2>
        <PlaceWords>{station.label}</PlaceWords>
      </div>
      <div data-part="gauge">
        <h2>Gauge</h2>
        <p style={{ marginTop: 4, fontSize: 16 }}>{gauge?.name ?? 'none in the drawer'}</p>
        <Quiet>{gauge && isOverdue(gauge, new Date().toISOString()) ? <b style={{ color: 'var(--out)' }}>check ran out {checkDue(gauge)}</b> : gauge?.checkedOn ? `checked ${gauge.checkedOn}` : 'no check on record'} · <Key>g</Key> change</Quiet>
        {live.state !== 'off' && <Quiet role="status">{live.state === 'listening' ? 'listening to live gauges' : 'live gauges: server lost, trying again'} · <Key>l</Key></Quiet>}
        {live.state !== 'off' && <SerialButton />}
        {temperature && <Quiet>part {formatQuantity(temperature.partTempC, DEGREES[system], 0)}, gauge {formatQuantity(temperature.gaugeTempC, DEGREES[system], 0)} · <Key>t</Key></Quiet>}
        {characteristic.caution && <Caution>{characteristic.caution}</Caution>}
      </div>
      <div>
        <h2><label htmlFor="reading">{asking === 'reading' ? <>Reading, <Unit>{UNITS[unit].symbol}</Unit></> : ASKING_WORDS[asking]}</label></h2>
        <Entry
          id="reading" ref={input} value={text} autoFocus autoComplete="off" autoCorrect="off" spellCheck={false} enterKeyHint="done" inputMode={asking === 'reading' ? 'none' : 'text'}
          data-words={asking !== 'reading' || undefined} placeholder={asking === 'reading' ? (read ? `stands: ${read.asTyped}` : '') : ''}
          onChange={(event) => type(event.target.value)} onKeyDown={onKeyDown} aria-describedby="understood"
        />
      </div>
      <div data-part="understood" id="understood" aria-live="polite">
        <h2>{question ? 'Is that so?' : 'Understood'}</h2>
        <Understood
          question={question} said={said} wantsWords={asking !== 'reading'} entry={entry} read={read}
          characteristic={characteristic} unit={unit} system={system} gauge={gauge} next={stations[index + 1]} example={build.readings.current.size === 0 ? exampleOf(station, unit, gauge) : undefined}
        />
        {asking === 'skip' && openInRow.length > 1 && (
          <WholeRow><input type="checkbox" checked={wholeRow} onChange={() => { setWholeRow(!wholeRow); input.current?.focus() }} /> all {openInRow.length} open places of this row <Key>↓</Key></WholeRow>
        )}
      </div>
      <PhoneOnly data-part="keypad">
        <Keypad onKey={pad} asks={question !== undefined} unitWords={UNITS[unit].symbol} signed={characteristic.signed === true} />
      </PhoneOnly>
    </Line>
  )
}
