'use client'
import Link from 'next/link'
import { useState } from 'react'
import styled from 'styled-components'
import type { BenchDefinition, Finding, Output, Station } from '@/core/bench/bench'
import { limitOf } from '@/core/bench/finding'
import { rowOf } from '@/core/bench/sheets'
import {
  entryWords,
  checkDue,
  isOverdue,
  type Build,
  type BuildDocument,
  type Entry,
  type HistoryLine,
  type Reading,
  type UnitSystem,
} from '@/core/document'
import { Button } from '@/ui/Button'
import { TextField } from '@/ui/fields'
import { numerals, caption } from '@/ui/GlobalStyle'
import { SidePanel } from '@/ui/SidePanel'
import { VerdictMark } from '@/ui/VerdictMark'
import {
  findingTitle,
  findingWords,
  missingWords,
  RULE_WORDS,
  shortSubjectWords,
  standingOf,
  stationWords,
  subjectsWords,
  subjectWords,
  verdictReason,
  verdictWords,
} from '@/wording'
import { Row } from '@/ui/Layout'
import { Key } from './Key'
import { useBenchWords } from './useBenchWords'
import { useHistory } from './useHistory'
import { DirectSum, UncertaintyBudget, SumTree } from './SumTree'

const Big = styled.p`
  ${numerals} font-size: 28px;
  display: flex;
  gap: 12px;
  align-items: center;
`
/** To the line of the paper page that says it. */
const PaperLink = styled(Link)`
  color: var(--dye);
`
const Heading = styled.h3`
  ${caption}
`
const Quiet = styled.p`
  color: var(--quiet);
  font-size: 14px;
`

interface FindingPanelProps {
  readonly finding: Finding
  readonly definition: BenchDefinition
  readonly build: Build
  readonly stations: readonly Station[]
  readonly system: UnitSystem
  readonly onClose: () => void
  readonly onStation: (id: string) => void
  readonly onPick: (finding: Finding) => void
  readonly siblings: readonly Finding[]
}

/** The sum of a finding: formula, numbers put in, where each came from, who owns the uncertainty. */
export function FindingPanel(props: FindingPanelProps) {
  const { finding, definition, build, stations, system, onClose, onStation, onPick, siblings } = props
  const output = definition.outputs[finding.output]!
  const { figure } = finding
  return (
    <SidePanel title={findingTitle(finding, output)} isOpen onClose={onClose}>
      <Family finding={finding} siblings={siblings} onPick={onPick} />
      {figure ? (
        <>
          <Big>
            <VerdictMark standing={standingOf(finding)} size={20} /> {findingWords(finding, figure.value, output, system)}
          </Big>
          <Judged finding={finding} output={output} build={build} system={system} />
          <Heading>The sum</Heading>
          {figure.origin.from === 'reading' ? (
            <DirectSum figure={figure} build={build} system={system} output={output} onStation={onStation} />
          ) : (
            <SumTree key={finding.id} figure={figure} build={build} system={system} onStation={onStation} />
          )}
          <Heading>Where the uncertainty comes from</Heading>
          <UncertaintyBudget figure={figure} build={build} paper={definition.paper} />
        </>
      ) : (
        <p>Not measured. {missingWords(finding.missing, definition.paper, stationWords(stations))}</p>
      )}
    </SidePanel>
  )
}

/** The same figure at the other cylinders or mains. */
function Family({ finding, siblings, onPick }: Pick<FindingPanelProps, 'finding' | 'siblings' | 'onPick'>) {
  const family = subjectWords(finding) === '' ? [] : siblings.filter((one) => one.output === finding.output)
  if (family.length <= 1) return null
  return (
    <Row $gap={6}>
      {family.map((one) => (
        <Button
          key={one.id}
          size="small"
          onPress={() => onPick(one)}
          aria-label={subjectsWords([one])}
          aria-current={one.id === finding.id || undefined}
        >
          <VerdictMark standing={standingOf(one)} size={11} silent /> {shortSubjectWords(one)}
        </Button>
      ))}
    </Row>
  )
}

/** The verdict in words with its limit and whose it is; the limit is one tap away. */
function Judged({ finding, output, build, system }: Pick<FindingPanelProps, 'finding' | 'build' | 'system'> & { output: Output }) {
  const { remarkWords } = useBenchWords()
  const { conformity, limit, remarks } = finding
  const limitKey = limitOf(output, finding)
  const limitHref = limitKey && `/builds/${build.id}/paper#limit.${limitKey}`
  const isJudged = conformity !== undefined && limit !== undefined
  return (
    <Quiet>
      {isJudged ? (
        <>
          {sentence(verdictWords(finding, output, system))} {verdictReason(conformity, limit, output, system)} {sentence(limit.reason)}{' '}
          Judged by {RULE_WORDS[conformity.rule]}.{' '}
        </>
      ) : (
        'No limit is set for this; it informs, it does not judge. '
      )}
      {limitHref && <PaperLink href={limitHref}>{isJudged ? 'Change this limit' : 'Set a limit'}</PaperLink>}
      {output.estimate && ' An estimate from a simple model: knock and fuel are the tuner’s to judge.'}{' '}
      {remarks.map((remark) => remarkWords(remark, finding, output, system)).join(' ')}
    </Quiet>
  )
}

/** Words as a sentence: a capital, a full stop. */
function sentence(words: string): string {
  const text = words.trim()
  return text === '' ? '' : `${text[0]!.toUpperCase()}${text.slice(1)}${/[.!?]$/.test(text) ? '' : '.'}`
}

const Past = styled.li`
  padding: 10px 0;
  border-bottom: 1px solid var(--hairline);
  display: grid;
  gap: 4px;
  [data-value] {
    ${numerals} font-size: 18px;
  }
  &[data-gone] [data-value] {
    text-decoration: line-through;
    color: var(--quiet);
  }
`
const STATE_WORDS: Readonly<Record<HistoryLine['state'], string>> = {
  current: 'stands',
  conflicting: 'does not know of the one that counts',
  superseded: 'measured again since',
  earlier: 'of the part before it was worked on',
  struck: 'struck out',
  takenBack: 'taken back',
  movedAway: 'moved to another place',
}

/** Everything that ever happened at a place, and striking a reading out. */
export function HistoryPanel({
  station,
  document,
  build: held,
  added,
  stations,
  onClose,
  onStrike,
  onSettle,
  onMove,
}: {
  station: Station
  document: BuildDocument
  /** The build as the page holds it, and what of it is not from the server. */
  build: Build
  added: readonly Entry[]
  stations: readonly Station[]
  onClose: () => void
  onStrike: (readingId: string, reason: string) => void
  onSettle: (reading: Reading) => void
  onMove: (readingId: string, to: Station, reason: string) => void
}) {
  const { build, state } = useHistory(document, held, added, station.id)
  const lines = build.readings.history.get(station.id) ?? []
  const others = rowOf(station, stations).filter(({ id }) => id !== station.id)
  return (
    <SidePanel title={station.label} isOpen onClose={onClose}>
      {state === 'notReached' && <p role="status">The server is out of reach: what this page holds is shown, older readings are not.</p>}
      {lines.length === 0 && <p>{state === 'fetching' ? 'Being fetched.' : 'Nothing here yet.'}</p>}
      {build.readings.conflicts.has(station.id) && (
        <p>
          <b>These readings do not know of each other.</b> Both are kept; the last to arrive counts until you say which one does, or measure
          again.
        </p>
      )}
      <ul>
        {lines.toReversed().map((line) => (
          <PastLine
            key={`${line.entry.id}/${line.state}`}
            line={line}
            build={build}
            places={others}
            isConflict={build.readings.conflicts.has(station.id)}
            onStrike={onStrike}
            onSettle={onSettle}
            onMove={onMove}
          />
        ))}
      </ul>
    </SidePanel>
  )
}

function PastLine({
  line,
  build,
  places,
  isConflict,
  onStrike,
  onSettle,
  onMove,
}: {
  line: HistoryLine
  build: Build
  places: readonly Station[]
  isConflict: boolean
  onStrike: (readingId: string, reason: string) => void
  onSettle: (reading: Reading) => void
  onMove: (readingId: string, to: Station, reason: string) => void
}) {
  const [reason, setReason] = useState('')
  const { entry, state, strike } = line
  const gone = state !== 'current' && state !== 'conflicting' && state !== 'earlier'
  const stands = entry.kind === 'reading' && (state === 'current' || state === 'conflicting' || state === 'superseded')
  return (
    <Past data-gone={gone || undefined}>
      <span data-value>{entryWords(entry)}</span>
      <Quiet>
        {entry.by}, {entry.at.slice(0, 16).replace('T', ' ')}
        {entry.kind === 'reading' && ` · ${build.gauges.get(entry.gauge)?.name}`}
        {entry.kind === 'reading' && overdueWords(build, entry)} · {STATE_WORDS[state]}
        {strike && `: ${strike.reason} (${strike.by})`}
        {line.move && `: ${line.move.reason} (${line.move.by})`}
      </Quiet>
      {isConflict && entry.kind === 'reading' && (state === 'current' || state === 'conflicting') && (
        <div>
          <Button onPress={() => onSettle(entry)}>This one counts</Button>
        </div>
      )}
      {stands && <MoveForm places={places} onMove={(to, why) => onMove(entry.id, to, why)} />}
      {stands && (
        <Row $gap={8} $align="end">
          <TextField label="Strike out, because" value={reason} onChange={setReason} />
          <Button
            isDisabled={reason.trim() === ''}
            onPress={() => {
              onStrike(entry.id, reason.trim())
              setReason('')
            }}
          >
            Strike out
          </Button>
        </Row>
      )}
    </Past>
  )
}

const Places = styled.select`
  min-height: 40px;
  padding: 0 8px;
  background: var(--raised);
  border: 1px solid var(--edge);
  border-radius: 3px;
`

/** A reading that was taken elsewhere in its row: it goes there, and both places say so. */
function MoveForm({ places, onMove }: { places: readonly Station[]; onMove: (to: Station, reason: string) => void }) {
  const [to, setTo] = useState('')
  const chosen = places.find(({ id }) => id === to)
  if (places.length === 0) return null
  return (
    <Row $gap={8}>
      <label>
        Taken at{' '}
        <Places value={to} onChange={(event) => setTo(event.target.value)}>
          <option value="">this place</option>
          {places.map(({ id, label }) => (
            <option key={id} value={id}>
              {label}
            </option>
          ))}
        </Places>
      </label>
      {chosen && (
        <Button
          onPress={() => {
            onMove(chosen, `was entered at the wrong place`)
            setTo('')
          }}
        >
          Move it there
        </Button>
      )}
    </Row>
  )
}

/** A reading taken with a gauge whose check had run out says so for ever. */
function overdueWords(build: Build, reading: { gauge: string; at: string }): string {
  const card = build.gauges.get(reading.gauge)
  return card && isOverdue(card, reading.at) ? `, its check overdue since ${checkDue(card)}` : ''
}

const KEYS: readonly (readonly [string, string])[] = [
  ['Enter', 'store and go to the next place'],
  ['← → ↑ ↓', 'to another place'],
  ['b or /', 'back one place'],
  ['r', 'to the place read last, to measure again'],
  ['s or *', 'skip this place, with a reason; ↓ there for its whole row'],
  ['n', 'note for this place'],
  ['x', 'strike out the reading here, with a reason'],
  ['z', 'says what you did last at this bench; once more takes it back'],
  ['h', 'history of this place: strike out, move, settle'],
  ['u', 'mm or inch'],
  ['g', 'another gauge'],
  ['p', 'what the part is from here on, for readings like this one: as found, machined, trial, final assembly; z takes it back'],
  ['l', 'listen to live gauges, or give them back'],
  ['o', 'take over the gauge that was pressed elsewhere'],
  ['t', 'temperature of part and gauge, where not 20 °C'],
  ['k', 'keep a questioned value as typed'],
  ['f', 'store the likely one instead'],
  ['Esc', 'empty the line'],
]
const KeyList = styled.dl`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 10px 16px;
  align-items: baseline;
`

export function KeysPanel({ onClose }: { onClose: () => void }) {
  return (
    <SidePanel title="Keys, on an empty line" isOpen onClose={onClose}>
      <KeyList>
        {KEYS.map(([key, words]) => (
          <div key={key} style={{ display: 'contents' }}>
            <dt>
              <Key>{key}</Key>
            </dt>
            <dd>{words}</dd>
          </div>
        ))}
      </KeyList>
      <Quiet>
        Type a reading as you would say it: 24 · .0245 · 0.0245in · 24.5t · 3 3/4 · 43um · 0,29 · +2 from nominal · 0.0005 under · 5 in the
        hole · 24/25 for a feeler · 62.3±0.5.
      </Quiet>
    </SidePanel>
  )
}
