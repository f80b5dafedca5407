'use client'
import { useState } from 'react'
import styled from 'styled-components'
import type { BenchDefinition, Finding, Station } from '@/core/benches'
import { checkDue, isOverdue, type Build, type HistoryLine, type UnitSystem } from '@/core/build'
import { Button } from '@/ui/Button'
import { TextField } from '@/ui/fields'
import { numerals, caption } from '@/ui/GlobalStyle'
import { SidePanel } from '@/ui/SidePanel'
import { VerdictMark } from '@/ui/VerdictMark'
import { figureWords, findingTitle, missingWords, remarkWords, RULE_WORDS, standingOf, stationWords, subjectsWords, subjectWords, verdictReason, verdictWords } from '@/wording'
import { Key } from './Key'
import { DoubtBudget, SumTree } from './SumTree'

const Big = styled.p`${numerals} font-size: 28px; display: flex; gap: 12px; align-items: center;`
const Heading = styled.h3`${caption}`
const Quiet = styled.p`color: var(--quiet); font-size: 14px;`

/** The sum of a finding: formula, numbers put in, where each came from, who owns the doubt. */
export function FindingPanel({ finding, definition, build, stations, system, onClose, onStation, onPick, siblings }: {
  finding: Finding; definition: BenchDefinition; build: Build; stations: readonly Station[]; system: UnitSystem
  onClose: () => void; onStation: (id: string) => void; onPick: (finding: Finding) => void; siblings: readonly Finding[]
}) {
  const output = definition.outputs[finding.output]!
  const family = subjectWords(finding) === '' ? [] : siblings.filter((one) => one.output === finding.output)
  return (
    <SidePanel title={findingTitle(finding, output)} isOpen onClose={onClose}>
          {family.length > 1 && (
            <div style={{ display: 'flex', gap: 6, flexWrap: 'wrap' }}>
              {family.map((one) => (
                <Button key={one.id} size="small" onPress={() => onPick(one)} aria-label={subjectsWords([one])} aria-current={one.id === finding.id || undefined}>
                  <VerdictMark standing={standingOf(one)} size={11} silent /> {one.cylinder ?? one.main}
                </Button>
              ))}
            </div>
          )}
          {finding.figure ? (
            <>
              <Big><VerdictMark standing={standingOf(finding)} size={20} /> {figureWords(finding.figure.value, output, system)}</Big>
              <Quiet>
                {finding.conformity && finding.limit ? <>{sentence(verdictWords(finding, output, system))} {verdictReason(finding.conformity, finding.limit, output, system)} {sentence(finding.limit.reason)} Judged by {RULE_WORDS[finding.conformity.rule]}.</> : 'No limit is set for this; it informs, it does not judge.'}
                {output.estimate && ' An estimate from a simple model: knock and fuel are the tuner’s to judge.'}{' '}
                {finding.remarks.map((remark) => remarkWords(remark, finding, output, system)).join(' ')}
              </Quiet>
              <Heading>The sum</Heading>
              <SumTree key={finding.id} figure={finding.figure} build={build} system={system} onStation={onStation} />
              <Heading>Who owns the doubt</Heading>
              <DoubtBudget figure={finding.figure} build={build} />
            </>
          ) : <p>Not measured. {missingWords(finding.missing, stationWords(stations))}</p>}
    </SidePanel>
  )
}

/** Words as a sentence: a capital, a full stop. */
function sentence(words: string): string {
  const text = words.trim()
  return text === '' ? '' : `${text[0]!.toUpperCase()}${text.slice(1)}${/[.!?]$/.test(text) ? '' : '.'}`
}

const Past = styled.li`
  padding: 10px 0; border-bottom: 1px solid var(--hairline); display: grid; gap: 4px;
  [data-value] { ${numerals} font-size: 18px; } &[data-gone] [data-value] { text-decoration: line-through; color: var(--quiet); }
`
const STATE_WORDS: Readonly<Record<HistoryLine['state'], string>> = { current: 'stands', superseded: 'measured again since', struck: 'struck out', takenBack: 'taken back' }

/** Everything that ever happened at a place, and striking a reading out. */
export function HistoryPanel({ station, build, onClose, onStrike }: {
  station: Station | undefined; build: Build; onClose: () => void; onStrike: (readingId: string, reason: string) => void
}) {
  const lines = (station && build.readings.history.get(station.id)) ?? []
  return (
    <SidePanel title={station?.label ?? ''} isOpen onClose={onClose}>
      {lines.length === 0 && <p>Nothing here yet.</p>}
      <ul>{lines.toReversed().map((line) => <PastLine key={line.entry.id} line={line} build={build} onStrike={onStrike} />)}</ul>
    </SidePanel>
  )
}

function PastLine({ line, build, onStrike }: { line: HistoryLine; build: Build; onStrike: (readingId: string, reason: string) => void }) {
  const [reason, setReason] = useState('')
  const { entry, state, strike } = line
  const gone = state !== 'current'
  return (
    <Past data-gone={gone || undefined}>
      <span data-value>{pastWords(entry)}</span>
      <Quiet>{entry.by}, {entry.at.slice(0, 16).replace('T', ' ')}{entry.kind === 'reading' && ` · ${build.gauges.get(entry.gauge)?.name}`}{entry.kind === 'reading' && overdueWords(build, entry)} · {STATE_WORDS[state]}{strike && `: ${strike.reason} (${strike.by})`}</Quiet>
      {entry.kind === 'reading' && (state === 'current' || state === 'superseded') && (
        <div style={{ display: 'flex', gap: 8, alignItems: 'end' }}>
          <TextField label="Strike out, because" value={reason} onChange={setReason} />
          <Button isDisabled={reason.trim() === ''} onPress={() => { onStrike(entry.id, reason.trim()); setReason('') }}>Strike out</Button>
        </div>
      )}
    </Past>
  )
}

/** A reading taken with a gauge whose check had run out says so for ever. */
function overdueWords(build: Build, reading: { gauge: string; at: string }): string {
  const card = build.gauges.get(reading.gauge)
  return card && isOverdue(card, reading.at) ? `, its check overdue since ${checkDue(card)}` : ''
}

function pastWords(entry: HistoryLine['entry']): string {
  switch (entry.kind) {
    case 'reading': return entry.asTyped
    case 'note': return `Note: ${entry.text}`
    case 'skip': return `Skipped: ${entry.reason}`
    case 'check': return `${entry.passed ? 'Right' : 'Not right'}${entry.text ? `: ${entry.text}` : ''}`
  }
}

const KEYS: readonly (readonly [string, string])[] = [
  ['Enter', 'store and go to the next place'], ['← → ↑ ↓', 'to another place'], ['b or /', 'back one place'], ['r', 'to the place read last, to measure again'],
  ['s or *', 'skip this place, with a reason; ↓ there for its whole row'], ['n', 'note for this place'], ['x', 'strike out the reading here, with a reason'], ['z', 'undo the last entry'],
  ['h', 'history of this place'], ['u', 'mm or inch'], ['g', 'another gauge'], ['l', 'listen to live gauges, or stop'], ['t', 'temperature of part and gauge, where not 20 °C'], ['k', 'keep a questioned value as typed'], ['f', 'store the likely one instead'], ['Esc', 'empty the line'],
]
const KeyList = styled.dl`display: grid; grid-template-columns: auto 1fr; gap: 10px 16px; align-items: baseline;`

export function KeysPanel({ onClose }: { onClose: () => void }) {
  return (
    <SidePanel title="Keys, on an empty line" isOpen onClose={onClose}>
      <KeyList>{KEYS.map(([key, words]) => <div key={key} style={{ display: 'contents' }}><dt><Key>{key}</Key></dt><dd>{words}</dd></div>)}</KeyList>
      <Quiet>Type a reading as you would say it: 17 · .0175 · 0.0175in · 17.5t · 1 3/8 · 43um · 0,29 · +2 from nominal · 17/18 for a feeler.</Quiet>
    </SidePanel>
  )
}
