'use client'
import { useEffect, useImperativeHandle, useMemo, useRef, useState, type KeyboardEvent, type Ref } from 'react'
import styled from 'styled-components'
import type { Characteristic, Station } from '@/core/benches/bench'
import { checkDue, isOverdue, type Gauge, type Reading, type UnitSystem } from '@/core/build'
import { dialTurnSlip, decimalsForStep, formatExact, formatQuantity, joinUnit, likelySlips, parseEntry, UNITS, type EntryContext, type Slip } from '@/core/quantity'
import { REFERENCE_TEMP_C } from '@/core/metrology'
import { caption, NARROW, numerals, PHONE } from '@/ui/GlobalStyle'
import { entryIssueWords, slipWords } from '@/wording'
import type { LivePress, useLiveGauges } from './useLiveGauges'
import dynamic from 'next/dynamic'
import { Key } from './Key'
import { Keypad } from './Keypad'
import type { BenchWork, Draft, PartTemperature } from './useBench'

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
const Understood = styled.p`
  margin-top: 8px; font-size: 16px; span { color: var(--quiet); } &[data-tone='bad'] { color: var(--out); } &[data-tone='ask'] { color: var(--doubt); font-weight: 500; }
  ${PHONE} { margin: 0; font-size: 14px; }
`
const WillDo = styled.p`margin-top: 6px; font-size: 13px; color: var(--quiet); ${PHONE} { display: none; }`
const Quiet = styled.p`margin-top: 6px; font-size: 13px; color: var(--quiet);`
const Caution = styled.p`font-size: 12.5px; line-height: 1.3; color: var(--doubt); margin-top: 3px;`
/** Capitals would make a micro of a mega. */
const Unit = styled.span`text-transform: none;`
const PhoneOnly = styled.div`display: none; ${PHONE} { display: block; }`

/** What the line is asking for: a reading, or the reason of a skip or a strike, or the text of a note. */
type Asking = 'reading' | 'skip' | 'strike' | 'note' | 'temperature'
const ASKING_WORDS: Readonly<Record<Exclude<Asking, 'reading'>, string>> = { skip: 'Skip: why?', strike: 'Strike out: why?', note: 'Note for this place', temperature: 'Part / gauge, °C: 28 or 28/21; 20 for none' }

/** Nearer to 20 °C than a shop thermometer can tell. */
const SETTLED_K = 0.25
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
  const [question, setQuestion] = useState<{ readonly draft: Draft; readonly slip?: Slip; readonly press?: LivePress }>()
  const [said, setSaid] = useState('')
  const [temperature, setTemperature] = useState<PartTemperature>()
  const input = useRef<HTMLInputElement>(null)
  useImperativeHandle(ref, () => ({ focus: () => input.current?.focus() }), [])
  const [at, setAt] = useState(station?.id)
  if (at !== station?.id) { setAt(station?.id); setText(''); setQuestion(undefined); setAsking('reading'); setSaid('') }

  const unit = characteristic.units[system]
  const parsed = useMemo(() => {
    if (!station || text.trim() === '' || asking !== 'reading') return undefined
    return parseEntry(splitStrokes(text, characteristic).value, entryContext(characteristic, station, unit, gauge))
  }, [asking, characteristic, gauge, station, text, unit])

  useEffect(() => {
    if (live.next && station && !question && asking === 'reading') land(live.next)
    // A press lands where the hand is: at a new press, and when the place has moved on or a question was answered.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [live.next, station?.id, question, asking])

  if (!station) return null
  const read = build.readings.current.get(station.id)
  const index = stations.findIndex((one) => one.id === station.id)

  function type(next: string): void {
    // Typed over a questioned press: the hand knows better, the press is let go.
    if (question?.press) live.done(question.press)
    setText(next)
    setQuestion(undefined)
    setSaid('')
    if (!station || !gauge || asking !== 'reading') return
    const entry = parseEntry(splitStrokes(next, characteristic).value, entryContext(characteristic, station, unit, gauge))
    const plausible = entry.ok && entry.value >= station.expected.low && entry.value <= station.expected.high
    setDraft(plausible ? { station, value: entry.value, upper: entry.upper, unit: entry.unit, gauge: gauge.id, temperature } : undefined)
  }

  function enter(): void {
    if (!station) return
    if (asking !== 'reading') return reasonGiven()
    if (!parsed) return setSaid(read ? 'Already read here. Type to measure again; arrows move on.' : 'Nothing typed yet.')
    if (!parsed.ok) return
    if (!gauge) return setSaid('No gauge for this: put one in the drawer first.')
    const draft: Draft = { station, value: parsed.value, upper: parsed.upper, unit: parsed.unit, gauge: gauge.id, temperature, strokes: splitStrokes(text, characteristic).strokes }
    const doubtful = questionOf(draft)
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
    const doubtful = questionOf(draft)
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

  /** What is odd about a value, if anything: outside what the place can be, or a dial turn off its sisters. */
  function questionOf(draft: Draft): { draft: Draft; slip?: Slip } | undefined {
    const { low, high } = draft.station.expected
    const sisters = [...build.readings.current.values()].filter((reading) => reading.characteristic === draft.station.characteristic && !sameStation(reading, draft.station))
    const turn = gauge?.use === 'dial' ? dialTurnSlip(draft.value, sisters.map((reading) => reading.value)) : undefined
    if (turn) return { draft, slip: turn }
    if (draft.value >= low && draft.value <= high) return undefined
    return { draft, slip: likelySlips(draft.value, draft.station.expected, characteristic.kind, draft.station.nominal)[0] }
  }

  function reasonGiven(): void {
    const words = text.trim()
    if (asking === 'temperature') return temperatureGiven(words)
    if (words === '' || !station) return setSaid('A few words, so that it can be proven later.')
    if (asking === 'skip') work.skip(station, words)
    else if (asking === 'note') work.note(station, words)
    else if (read) work.strike(read.id, words)
    leave()
  }

  function temperatureGiven(words: string): void {
    const [part, gaugeTemp = part] = words.split('/').map((one) => parseEntry(one, { kind: 'temperature', unit: system === 'metric' ? 'degC' : 'degF', signed: true }))
    if (!part?.ok || !gaugeTemp?.ok) return setSaid('One temperature, or part/gauge: 28/21.')
    if ([part.value, gaugeTemp.value].some((value) => value < -30 || value > 60)) return setSaid('That is no temperature of a shop.')
    const settled = [part.value, gaugeTemp.value].every((value) => Math.abs(value - REFERENCE_TEMP_C) < SETTLED_K)
    setTemperature(settled ? undefined : { partTempC: part.value, gaugeTempC: gaugeTemp.value })
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
    if (meant === 'skip' || meant === 'note' || meant === 'temperature') setAsking(meant)
    else if (meant === 'strike') { if (read) setAsking('strike'); else setSaid('Nothing here to strike out.') }
    else if (meant !== 'reading') onCommand(meant)
    return true
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
    if (text !== '' || asking !== 'reading') return
    const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1, Backspace: -1 }[event.key]
    if (by === 1 || by === -1) { event.preventDefault(); work.go(work.step(station!, by)); return }
    if (command(event.key.toLowerCase())) event.preventDefault()
  }

  const words = understoodWords()
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
        {words}
      </div>
      <PhoneOnly data-part="keypad">
        <Keypad
          onType={(key) => type(key === 'rub' ? text.slice(0, -1) : text + key)} onEnter={enter}
          onCommand={(key) => { if (question && key !== 'z') { if (key === 'k') store(question.draft, text.trim(), question.press) } else if (text === '') command(key); else leave() }}
          question={question !== undefined} unitWords={UNITS[unit].symbol} signed={characteristic.signed === true}
        />
      </PhoneOnly>
    </Line>
  )

  function understoodWords() {
    if (question) return <Question question={question} unit={unit} />
    if (said) return <Understood>{said}</Understood>
    if (asking !== 'reading') return <WillDo><Key>Enter</Key> keep the words · <Key>Esc</Key> leave</WillDo>
    if (!parsed) {
      return read
        ? <Understood><span>{read.by}, {read.at.slice(0, 10)}</span></Understood>
        : <WillDo><Key>s</Key> skip <Key>b</Key> back <Key>n</Key> note <Key>z</Key> undo <Key>?</Key> all keys</WillDo>
    }
    if (!parsed.ok) return <Understood data-tone="bad">{entryIssueWords(parsed.issue, unit)}</Understood>
    const other = characteristic.units[system === 'metric' ? 'inch' : 'metric']
    const sense = characteristic.sense && parsed.value !== 0 ? ` ${parsed.value > 0 ? characteristic.sense.positive : characteristic.sense.negative}` : ''
    const next = stations[index + 1]
    const { strokes } = splitStrokes(text, characteristic)
    return (
      <>
        <Understood>
          {joinUnit(formatExact(Math.abs(parsed.value) * (characteristic.sense ? 1 : Math.sign(parsed.value)), parsed.unit), parsed.unit)}
          {parsed.upper !== undefined && ` goes, ${joinUnit(formatExact(parsed.upper, parsed.unit), parsed.unit)} does not`}{sense}{strokes !== undefined && `, after ${strokes} strokes`}{' '}
          {other !== parsed.unit && gauge && <span>{formatQuantity(Math.abs(parsed.value), other, decimalsForStep(gauge.resolution, other))}</span>}
          {gauge && finerThanGauge(parsed.value, gauge) && <span> · finer than this gauge reads</span>}
        </Understood>
        <WillDo><Key>Enter</Key> {read ? 'store beside the old one' : 'store'}{next ? `, go to ${next.label.replace(/^Cylinder/, 'cylinder')}` : ''}</WillDo>
      </>
    )
  }
}

function Question({ question, unit }: { question: { draft: Draft; slip?: Slip }; unit: Reading['unit'] }) {
  const { draft, slip } = question
  const show = (value: number) => joinUnit(formatExact(Number(value.toPrecision(6)), unit), unit)
  return (
    <>
      <Understood data-tone="ask">
        {slip?.code === 'dialTurn' ? `${show(draft.value)} stands one dial turn from its sisters.` : `${show(draft.value)} is outside ${show(draft.station.expected.low)} to ${show(draft.station.expected.high)}.`}
        {slip && ` ${capital(slipWords(slip))}`}
      </Understood>
      <WillDo style={{ display: 'block' }}>{slip && <><Key>f</Key> store {show(slip.value)} · </>}<Key>k</Key> keep as typed · or type again</WillDo>
    </>
  )
}

function entryContext(characteristic: Characteristic, station: Station, unit: Reading['unit'], gauge: Gauge | undefined): EntryContext {
  return { kind: characteristic.kind, unit, nominal: station.nominal, signed: characteristic.signed, interval: gauge?.use === 'feeler' }
}

/** `.53/.54 10s`: the gap, and the strokes of the file that made it. */
function splitStrokes(text: string, { filed }: Characteristic): { value: string; strokes?: number } {
  const match = filed ? /^(.*\S)\s+(\d{1,3})\s*s(?:trokes)?$/.exec(text.trim()) : null
  return match ? { value: match[1]!, strokes: Number(match[2]) } : { value: text }
}

function capital(words: string): string {
  return words[0]!.toUpperCase() + words.slice(1)
}

function sameStation(reading: Reading, station: Station): boolean {
  return JSON.stringify(reading.place) === JSON.stringify(station.place) && reading.characteristic === station.characteristic
}

/** Typed between two steps of the gauge: kept, but said. A thousandth of a step absorbs the unit conversion. */
function finerThanGauge(value: number, gauge: Gauge): boolean {
  const steps = value / gauge.resolution
  return Math.abs(steps - Math.round(steps)) > 1e-3
}
