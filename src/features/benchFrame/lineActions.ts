import type { KeyboardEvent } from 'react'
import type { Characteristic, Station } from '@/core/bench/bench'
import { stationId, type Build, type Entry, type Gauge, type Reading, type UnitSystem } from '@/core/document'
import { formatExact, joinUnit, UNITS, type UnitId } from '@/core/units'
import { PART_STATE_WORDS, small, slipWords } from '@/wording'
import type { LivePress } from './gaugeStream'
import { isPadCommand, PAD_COMMANDS, type PadKey } from './Keypad'
import { isPlausible, questionOf, readLine, temperatureFrom, type LineEntry, type Question } from './lineEntry'
import { beginsTradeWord, isTradeWord } from './tradeWords'
import type { BenchWork, Draft, PartTemperature } from './useBench'
import type { useLiveGauges } from './useLiveGauges'

/** What the line asks the bench to do. */
export type LineCommand = 'back' | 'again' | 'unit' | 'gauge' | 'gaugeBack' | 'live' | 'take' | 'help' | 'history'

/** What the line is asking for: a reading, or the reason of a skip or a strike, the text of a note, or temperatures. */
export type Asking = 'reading' | 'skip' | 'strike' | 'note' | 'temperature'

const COMMANDS: Readonly<Record<string, LineCommand | 'undo' | 'part' | Exclude<Asking, 'reading'>>> = {
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

export interface LineState {
  readonly text: string
  readonly asking: Asking
  /** What is odd about the value, before it is stored. */
  readonly question?: Question
  readonly said: string
  /** It was not taken as it stands: it is selected, and what is typed next stands in its place. */
  readonly isRefused: boolean
  /** A skip is meant for every open place of the row. */
  readonly wholeRow: boolean
  /** A letter that was a key a moment ago, and how to take back what it did: it may begin a word. */
  readonly letter?: { readonly key: string; readonly atMs: number; readonly takeBack: () => void }
  /** What goes along to the place that is gone back to: the beginning of a word. */
  readonly carried?: string
  /** What the next press of the key takes back, by its id or as what the part is: said before it is done. */
  readonly takesBack?: string
}

export const EMPTY: LineState = { text: '', asking: 'reading', said: '', isRefused: false, wholeRow: false }

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
/** Letters of a word follow each other within this. */
const WORD_MS = 1200
const PART_STATE = 'partState'

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
  const target = readingOrPlace(last, build)
  const place = target && stations.find(({ id }) => id === stationId(target.characteristic, target.place))?.label
  return `${ENTRY_WORDS[last.kind]}${last.kind === 'reading' ? ` ${last.asTyped}` : ''}${place ? ` at ${small(place)}` : ''}`
}

/** What an entry says a place of: itself, or the reading it is about. */
function readingOrPlace(entry: Entry, build: Build) {
  if ('characteristic' in entry) return entry
  return 'target' in entry ? build.readings.byId.get(entry.target) : undefined
}

const ENTRY_WORDS: Readonly<Record<Entry['kind'], string>> = {
  reading: 'reading',
  skip: 'a skip',
  note: 'a note',
  strike: 'a strike',
  check: 'a check',
  move: 'a move',
  undo: 'an undo',
  step: 'a step',
  change: 'a change',
  part: 'a part',
  damage: 'a damage',
  pull: 'a pull',
}

/** What the line has in hand while it is drawn: what the page gave it, what stands in it, and how each is changed. */
export interface LineNow extends LineProps, Pick<BenchWork, 'stations' | 'build' | 'setDraft' | 'acts' | 'signed'>, LineState {
  readonly line: LineState
  readonly setLine: (next: LineState | ((now: LineState) => LineState)) => void
  readonly temperature: PartTemperature | undefined
  readonly setTemperature: (temperature: PartTemperature | undefined) => void
  /** What a bare +3 from nominal is meant in here, once said with its unit. */
  readonly offsetUnit: UnitId | undefined
  readonly setOffsetUnit: (unit: UnitId) => void
  readonly unit: UnitId
  /** What stands at this place. */
  readonly read: Reading | undefined
  readonly entry: LineEntry | undefined
  readonly openInRow: readonly Station[]
}

/**
 * What can be done at the line. Letters on an empty line are commands, since every reading starts with a digit, a sign, a point
 * or a comma; so no key needs a modifier, and a number pad alone is enough.
 */
export class LineActions {
  private now: LineNow

  constructor(now: LineNow) {
    this.now = now
  }

  /** What the line has in hand from now on: told after each time it is drawn. */
  has(now: LineNow): void {
    this.now = now
  }

  say(said: string): void {
    const { setLine } = this.now
    setLine((now) => ({ ...now, said }))
  }

  type(next: string): void {
    const { station, characteristic, gauge, live, setDraft, asking, question, setLine, offsetUnit, temperature, unit, line } = this.now
    // Typed over a questioned press: the person knows better, the press is dropped.
    if (question?.press) live.done(question.press)
    const { letter } = line
    const isWord = letter !== undefined && asking !== 'reading' && isTradeWord(letter.key + next)
    const text = isWord ? letter.key + next : next
    setLine({
      ...line,
      ...(isWord && EMPTY),
      text,
      question: undefined,
      isRefused: false,
      said: '',
      takesBack: undefined,
      carried: undefined,
      letter: isWord || asking === 'reading' ? undefined : letter,
    })
    if (!gauge || (asking !== 'reading' && !isWord)) return
    const { parsed, strokes, turnedBack } = readLine(text, characteristic, station, unit, gauge, offsetUnit)
    setDraft(
      parsed.ok && isPlausible(parsed.value, station)
        ? { station, ...understood(parsed), gauge: gauge.id, temperature, strokes, turnedBack }
        : undefined,
    )
  }

  enter(): void {
    const { station, characteristic, gauge, stations, build, text, asking, setLine, setOffsetUnit, temperature, read, entry, line } =
      this.now
    if (asking === 'temperature') return this.temperatureGiven()
    if (asking !== 'reading') return this.wordsGiven(asking)
    if (!entry) return this.say(read ? 'Already read here. Type to measure again; arrows move on.' : 'Nothing typed yet.')
    const { parsed, strokes, turnedBack } = entry
    if (!parsed.ok) return setLine({ ...line, isRefused: true })
    if (!gauge) return this.say('No gauge for this: put one in the drawer first.')
    const draft: Draft = { station, ...understood(parsed), gauge: gauge.id, temperature, strokes, turnedBack }
    const uncertain = questionOf(draft, characteristic, build, gauge, stations)
    if (parsed.offsetUnit) setOffsetUnit(parsed.offsetUnit)
    if (uncertain) return setLine({ ...line, question: uncertain, isRefused: true })
    this.store(draft, text.trim())
  }

  /** A press of a live gauge: taken as if typed, under its own id, so that it lands once however often it is heard. */
  land(press: LivePress): void {
    const { work, station, characteristic, gauge, live, stations, build, setLine, temperature, unit } = this.now
    if (build.entries.some(({ id }) => id === press.id)) return live.done(press)
    const from = work.gauges.find((card) => card.gauge === press.name) ?? gauge
    if (!from || UNITS[press.unit].kind !== characteristic.kind) {
      this.say(`${press.name} sent ${joinUnit(press.text, press.unit)}: this place wants ${UNITS[unit].symbol}. It was not stored.`)
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
    const uncertain = questionOf(draft, characteristic, build, gauge, stations)
    if (uncertain) setLine((now) => ({ ...now, text: press.text, question: { ...uncertain, press }, isRefused: true }))
    else this.store(draft, press.text, press)
  }

  store(draft: Draft, asTyped: string, press?: LivePress): void {
    const { live, onKept, setDraft, acts, signed, setLine } = this.now
    signed((by) => {
      const kept = acts.store(by, draft, asTyped, press?.id)
      if (press) live.done(press)
      setDraft(undefined)
      setLine((now) => ({ ...now, text: '', question: undefined, isRefused: false, said: '' }))
      onKept(kept === 'kept' ? '' : 'This device is full and keeps nothing: write the reading down until it is sent.')
    })
  }

  /** Whoever works here has said so: what waited for it is done. */
  initialsGiven(by: string): void {
    const { work, onInitials } = this.now
    onInitials(by)
    work.sign(by)
  }

  answer(key: 'k' | 'f', { draft, slip, press }: Question): void {
    const { text } = this.now
    if (key === 'k') this.store(draft, text.trim(), press)
    else if (slip) {
      const mended = { ...draft, value: slip.value, ...(draft.upper !== undefined && { upper: slip.mend(draft.upper) }) }
      this.store(mended, `${text.trim()} → ${formatExact(slip.value, draft.unit)} (${slipWords(slip)})`.slice(0, MOST_AS_TYPED), press)
    }
  }

  wordsGiven(what: 'skip' | 'strike' | 'note'): void {
    const { station, acts, signed, text, wholeRow, read, openInRow } = this.now
    const words = text.trim()
    if (words === '') return this.say('A few words, so that it can be proven later.')
    signed((by) => {
      if (what === 'skip') acts.skip(by, wholeRow ? openInRow : [station], words)
      else if (what === 'note') acts.note(by, station, words)
      else if (read) acts.strike(by, read.id, words)
      this.leave()
    })
  }

  /** Takes back the last act of whoever works here, at this bench: the first press says what it is, the second does it. */
  undo(): void {
    const { work, acts, signed, station, setLine, line } = this.now
    if (line.takesBack === PART_STATE) {
      const state = work.partStates.turn(station.characteristic, -1)
      return setLine({ ...line, takesBack: undefined, said: `Taken back: the part is ${PART_STATE_WORDS[state]}.` })
    }
    signed((by) => {
      const last = acts.last(by)
      if (!last) return this.say(`Nothing of ${by} to take back at this bench.`)
      const words = undoneWords(last, work)
      if (line.takesBack !== last.id)
        return setLine((now) => ({ ...now, takesBack: last.id, said: `Take back ${words}? The same key once more does it.` }))
      acts.undo(by, last)
      setLine((now) => ({ ...now, takesBack: undefined, said: `Taken back: ${words}.` }))
    })
  }

  /** From here on readings of this kind are of a part in its next state; the undo key takes that back. */
  turnPart(): void {
    const { work, station, characteristic, setLine } = this.now
    const state = work.partStates.turn(station.characteristic, 1)
    const said = `${characteristic.label}: from here on ${PART_STATE_WORDS[state]}. z takes it back.`
    setLine((now) => ({ ...now, said, takesBack: PART_STATE }))
  }

  temperatureGiven(): void {
    const { system, text, setTemperature } = this.now
    const given = temperatureFrom(text.trim(), system)
    if ('issue' in given) return this.say(given.issue)
    setTemperature(given.temperature)
    this.leave()
  }

  leave(): void {
    const { live, setDraft, question, setLine } = this.now
    if (question?.press) live.done(question.press)
    setLine(EMPTY)
    setDraft(undefined)
  }

  command(key: string): boolean {
    const { onCommand, setLine, read, line } = this.now
    const meant = COMMANDS[key]
    if (!meant) return false
    if (meant !== 'undo' && line.takesBack) setLine((now) => ({ ...now, takesBack: undefined }))
    if (meant === 'strike' && !read) this.say('Nothing here to strike out.')
    else if (meant === 'skip' || meant === 'note' || meant === 'temperature' || meant === 'strike') setLine({ ...EMPTY, asking: meant })
    else if (meant === 'undo') this.undo()
    else if (meant === 'part') this.turnPart()
    else onCommand(meant)
    this.remember(key, meant)
    return true
  }

  /** What a letter did can be taken back while it may still begin a word. */
  private remember(key: string, meant: (typeof COMMANDS)[string]): void {
    const { work, station, onCommand, setLine } = this.now
    const ways: Readonly<Partial<Record<typeof meant, () => void>>> = {
      back: () => work.go(station.id),
      again: () => work.go(station.id),
      unit: () => onCommand('unit'),
      gauge: () => onCommand('gaugeBack'),
      live: () => onCommand('live'),
      part: () => void work.partStates.turn(station.characteristic, -1),
    }
    const takeBack = ways[meant] ?? (() => {})
    setLine((now) => ({ ...now, letter: { key, atMs: performance.now(), takeBack } }))
  }

  /** Whether a letter goes on with a word that the letter before began: what that one did as a key is taken back. */
  private goesOn(key: string): boolean {
    const { line, setLine } = this.now
    const { letter } = line
    if (!letter || key.length !== 1 || performance.now() - letter.atMs > WORD_MS || !beginsTradeWord(letter.key + key)) return false
    letter.takeBack()
    const text = letter.key + key
    setLine({ ...EMPTY, text, carried: text })
    return true
  }

  onPad(key: PadKey): void {
    const { work, text, question, line } = this.now
    if (work.asksInitials) return
    // What was refused is typed over, as it is with a keyboard.
    const before = line.isRefused ? '' : text
    if (key === 'store') this.enter()
    else if (key === 'keep' || key === 'mend') {
      if (question) this.answer(key === 'keep' ? 'k' : 'f', question)
    } else if (key === 'rub') this.type(before.slice(0, -1))
    else if (!isPadCommand(key)) this.type(before + key)
    else if (text === '') this.command(PAD_COMMANDS[key])
    else this.leave()
  }

  onKeyDown(event: KeyboardEvent<HTMLInputElement>): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    if (this.pressed(event.key, event.repeat)) event.preventDefault()
  }

  /** What a key does beside typing itself; whether it did. */
  pressed(key: string, isRepeat: boolean): boolean {
    const { work, station, text, asking, question } = this.now
    if (key === 'Enter') {
      if (!isRepeat) this.enter()
      return true
    }
    if (key === 'Escape') {
      this.leave()
      return true
    }
    if (question && (key === 'k' || key === 'f')) {
      this.answer(key, question)
      return true
    }
    if (asking === 'skip' && (key === 'ArrowDown' || key === 'ArrowUp')) {
      this.toggleRow()
      return true
    }
    if (text !== '' || asking !== 'reading') return false
    if (this.goesOn(key)) return true
    const by = STEPS[key]
    if (by) {
      work.go(work.step(station, by))
      return true
    }
    return this.command(key.toLowerCase())
  }

  toggleRow(): void {
    const { setLine } = this.now
    setLine((now) => ({ ...now, wholeRow: !now.wholeRow }))
  }
}
