'use client'
import { useEffect, useMemo, useState, type KeyboardEvent } from 'react'
import type { Characteristic, Station } from '@/core/bench/bench'
import { rowOf } from '@/core/bench/sheets'
import { stationId, type Entry, type Gauge, type UnitSystem } from '@/core/build'
import { formatExact, joinUnit, UNITS, type UnitId } from '@/core/quantity'
import { small, slipWords } from '@/wording'
import { isPadCommand, PAD_COMMANDS, type PadKey } from './Keypad'
import { isPlausible, MOST_TYPED, questionOf, readLine, temperatureFrom, type Question } from './lineEntry'
import { isOpen, type BenchWork, type Draft, type PartTemperature } from './useBench'
import type { LivePress } from './gaugeStream'
import type { useLiveGauges } from './useLiveGauges'
import { useStable } from './useStable'

/** What the line asks the bench to do. */
export type LineCommand = 'back' | 'again' | 'unit' | 'gauge' | 'part' | 'live' | 'take' | 'help' | 'history'

/**
 * What the line is asking for: a reading, or the reason of a skip or a strike, the text of a note, temperatures, or whose
 * initials stand beside it all.
 */
export type Asking = 'reading' | 'skip' | 'strike' | 'note' | 'temperature' | 'initials'

const COMMANDS: Readonly<Record<string, LineCommand | 'undo' | Exclude<Asking, 'reading' | 'initials'>>> = {
  b: 'back',
  '/': 'back',
  r: 'again',
  z: 'undo',
  u: 'unit',
  g: 'gauge',
  p: 'part',
  h: 'history',
  '?': 'help',
  s: 'skip',
  '*': 'skip',
  x: 'strike',
  n: 'note',
  t: 'temperature',
  l: 'live',
  o: 'take',
}
const STEPS: Readonly<Record<string, 1 | -1>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1, Backspace: -1 }

interface LineState {
  readonly text: string
  readonly asking: Asking
  /** What is odd about the value, before it is stored. */
  readonly question?: Question
  readonly said: string
  /** A skip is meant for every open place of the row. */
  readonly wholeRow: boolean
}

const EMPTY: LineState = { text: '', asking: 'reading', said: '', wholeRow: false }

export interface LineProps {
  readonly work: BenchWork
  readonly station: Station
  readonly characteristic: Characteristic
  readonly gauge: Gauge | undefined
  readonly system: UnitSystem
  readonly live: ReturnType<typeof useLiveGauges>
  readonly onCommand: (command: LineCommand) => void
  /** Called with a warning where the device could not keep what was stored, with nothing where it could. */
  readonly onKept: (warning: string) => void
  /** Keeps the initials of whoever works at this device. */
  readonly onInitials: (initials: string) => void
  /** Text to begin with, from an entry the server refused. */
  readonly startText?: string
}

const MOST_AS_TYPED = 64

/** What was understood of a text, without saying that it was. */
function understood({
  value,
  upper,
  plusMinus,
  unit,
}: Extract<ReturnType<typeof readLine>['parsed'], { ok: true }>): Pick<Draft, 'value' | 'upper' | 'plusMinus' | 'unit'> {
  return { value, upper, plusMinus, unit }
}

function undoneWords(last: Entry, { build, stations }: BenchWork): string {
  const target = 'characteristic' in last ? last : build.readings.byId.get(last.target)
  const place = target && stations.find(({ id }) => id === stationId(target.characteristic, target.place))?.label
  return `${ENTRY_WORDS[last.kind]}${last.kind === 'reading' ? ` ${last.asTyped}` : ''}${place ? ` at ${small(place)}` : ''}`
}

const ENTRY_WORDS: Readonly<Record<Entry['kind'], string>> = {
  reading: 'reading',
  skip: 'a skip',
  note: 'a note',
  strike: 'a strike',
  check: 'a check',
  move: 'a move',
  undo: 'an undo',
}

/**
 * The line at work: what is typed, what it asks back, and what each key does. Letters on an empty line are commands, since
 * every reading starts with a digit, a sign, a point or a comma; so no key needs a modifier, and a number pad alone is enough.
 */
export function useReadingLine({
  work,
  station,
  characteristic,
  gauge,
  system,
  live,
  onCommand,
  onKept,
  onInitials,
  startText = '',
}: LineProps) {
  const { stations, build, setDraft, acts, signed } = work
  const [typedLine, setLine] = useState<LineState>({ ...EMPTY, text: startText })
  const [initials, setInitials] = useState('')
  /** What a bare +3 from nominal is meant in, once said with its unit. */
  const [offsetUnits, setOffsetUnits] = useState<Readonly<Record<string, UnitId>>>({})
  // Initials are asked over whatever the line holds, which waits behind them.
  const line: LineState = work.asksInitials ? { ...typedLine, asking: 'initials', text: initials, question: undefined } : typedLine
  const [temperature, setTemperature] = useState<PartTemperature>()
  const [at, setAt] = useState(station.id)
  if (at !== station.id) {
    setAt(station.id)
    setLine((now) => ({ ...EMPTY, said: now.said }))
  }

  const { text, asking, question, wholeRow } = line
  const unit = characteristic.units[system]
  const read = build.readings.current.get(station.id)
  const offsetUnit = offsetUnits[station.characteristic]
  const entry = useMemo(
    () => (text.trim() !== '' && asking === 'reading' ? readLine(text, characteristic, station, unit, gauge, offsetUnit) : undefined),
    [asking, characteristic, gauge, offsetUnit, station, text, unit],
  )
  const openInRow = asking === 'skip' ? [station, ...rowOf(station, stations).filter((one) => one !== station && isOpen(one, build))] : []

  useEffect(() => {
    if (live.next && !question && asking === 'reading') land(live.next)
    // A press lands where the hand is: at a new press, and when the place has moved on or a question was answered.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [live.next, station.id, question, asking])

  function say(said: string): void {
    setLine((now) => ({ ...now, said }))
  }

  function type(next: string): void {
    if (asking === 'initials') return setInitials(next.toUpperCase().slice(0, MOST_TYPED.initials))
    // Typed over a questioned press: the hand knows better, the press is let go.
    if (question?.press) live.done(question.press)
    setLine({ ...line, text: next, question: undefined, said: '' })
    if (!gauge || asking !== 'reading') return
    const { parsed, strokes } = readLine(next, characteristic, station, unit, gauge, offsetUnit)
    setDraft(
      parsed.ok && isPlausible(parsed.value, station)
        ? { station, ...understood(parsed), gauge: gauge.id, temperature, strokes }
        : undefined,
    )
  }

  function enter(): void {
    if (asking === 'initials') return initialsGiven()
    if (asking === 'temperature') return temperatureGiven()
    if (asking !== 'reading') return wordsGiven(asking)
    if (!entry) return say(read ? 'Already read here. Type to measure again; arrows move on.' : 'Nothing typed yet.')
    const { parsed, strokes } = entry
    if (!parsed.ok) return
    if (!gauge) return say('No gauge for this: put one in the drawer first.')
    const draft: Draft = { station, ...understood(parsed), gauge: gauge.id, temperature, strokes }
    const doubtful = questionOf(draft, characteristic, build, gauge, stations)
    if (parsed.offsetUnit) setOffsetUnits((now) => ({ ...now, [station.characteristic]: parsed.offsetUnit! }))
    if (doubtful) return setLine({ ...line, question: doubtful })
    store(draft, text.trim())
  }

  /** A press of a live gauge: taken as if typed, under its own id, so that it lands once however often it is heard. */
  function land(press: LivePress): void {
    if (build.entries.some(({ id }) => id === press.id)) return live.done(press)
    const from = work.gauges.find((card) => card.gauge === press.name) ?? gauge
    if (!from || UNITS[press.unit].kind !== characteristic.kind) {
      say(`${press.name} sent ${joinUnit(press.text, press.unit)}: this place wants ${UNITS[unit].symbol}. It was not stored.`)
      return live.done(press)
    }
    const draft: Draft = {
      station,
      value: press.value,
      ...(press.upper !== null && { upper: press.upper }),
      unit: press.unit,
      gauge: from.id,
      temperature,
    }
    const doubtful = questionOf(draft, characteristic, build, gauge, stations)
    if (doubtful) setLine((now) => ({ ...now, text: press.text, question: { ...doubtful, press } }))
    else store(draft, press.text, press)
  }

  function store(draft: Draft, asTyped: string, press?: LivePress): void {
    signed((by) => {
      const kept = acts.store(by, draft, asTyped, press?.id)
      if (press) live.done(press)
      setDraft(undefined)
      setLine((now) => ({ ...now, text: '', question: undefined, said: '' }))
      onKept(kept === 'kept' ? '' : 'This device is full and keeps nothing: write the reading down until it is sent.')
    })
  }

  function initialsGiven(): void {
    const by = initials.trim()
    if (by === '') return
    onInitials(by)
    setInitials('')
    work.sign(by)
  }

  function answer(key: 'k' | 'f', { draft, slip, press }: Question): void {
    if (key === 'k') store(draft, text.trim(), press)
    else if (slip) {
      const mended = { ...draft, value: slip.value, ...(draft.upper !== undefined && { upper: slip.mend(draft.upper) }) }
      store(mended, `${text.trim()} → ${formatExact(slip.value, draft.unit)} (${slipWords(slip)})`.slice(0, MOST_AS_TYPED), press)
    }
  }

  function wordsGiven(what: 'skip' | 'strike' | 'note'): void {
    const words = text.trim()
    if (words === '') return say('A few words, so that it can be proven later.')
    signed((by) => {
      if (what === 'skip') acts.skip(by, wholeRow ? openInRow : [station], words)
      else if (what === 'note') acts.note(by, station, words)
      else if (read) acts.strike(by, read.id, words)
      leave()
    })
  }

  /** Takes back the last entry of whoever works here, at this bench, and says what it was. */
  function undo(): void {
    signed((by) => {
      const last = acts.undo(by)
      setLine((now) => ({
        ...now,
        said: last ? `Taken back: ${undoneWords(last, work)}.` : `Nothing of ${by} to take back at this bench.`,
      }))
    })
  }

  function temperatureGiven(): void {
    const given = temperatureFrom(text.trim(), system)
    if ('issue' in given) return say(given.issue)
    setTemperature(given.temperature)
    leave()
  }

  function leave(): void {
    if (work.asksInitials) {
      setInitials('')
      return work.unsign()
    }
    if (question?.press) live.done(question.press)
    setLine(EMPTY)
    setDraft(undefined)
  }

  function command(key: string): boolean {
    const meant = COMMANDS[key]
    if (!meant) return false
    if (meant === 'strike' && !read) say('Nothing here to strike out.')
    else if (meant === 'skip' || meant === 'note' || meant === 'temperature' || meant === 'strike') setLine({ ...EMPTY, asking: meant })
    else if (meant === 'undo') undo()
    else onCommand(meant)
    return true
  }

  function onPad(key: PadKey): void {
    if (key === 'store') enter()
    else if (key === 'keep' || key === 'mend') {
      if (question) answer(key === 'keep' ? 'k' : 'f', question)
    } else if (key === 'rub') type(text.slice(0, -1))
    else if (!isPadCommand(key)) type(text + key)
    else if (text === '') command(PAD_COMMANDS[key])
    else leave()
  }

  function onKeyDown(event: KeyboardEvent<HTMLInputElement>): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    if (pressed(event.key, event.repeat)) event.preventDefault()
  }

  /** What a key does beside typing itself; whether it did. */
  function pressed(key: string, isRepeat: boolean): boolean {
    if (key === 'Enter') {
      if (!isRepeat) enter()
      return true
    }
    if (key === 'Escape') {
      leave()
      return true
    }
    if (question && (key === 'k' || key === 'f')) {
      answer(key, question)
      return true
    }
    if (asking === 'skip' && (key === 'ArrowDown' || key === 'ArrowUp')) {
      toggleRow()
      return true
    }
    if (text !== '' || asking !== 'reading') return false
    const by = STEPS[key]
    if (by) {
      work.go(work.step(station, by))
      return true
    }
    return command(key.toLowerCase())
  }

  function toggleRow(): void {
    setLine((now) => ({ ...now, wholeRow: !now.wholeRow }))
  }

  return { ...line, unit, read, entry, temperature, openInRow, type, onKeyDown, toggleRow, onPad: useStable(onPad) }
}
