'use client'
import { memo, useMemo } from 'react'
import styled from 'styled-components'
import type { BenchDefinition, Finding, Station } from '@/core/benches'
import type { UnitSystem } from '@/core/document'
import { expand } from '@/core/metrology'
import { caption, numerals, PHONE } from '@/ui/GlobalStyle'
import { LimitBand } from '@/ui/LimitBand'
import { VerdictMark } from '@/ui/VerdictMark'
import {
  capital,
  findingTitle,
  missingWords,
  showFinding,
  showFigure,
  stationWords,
  subjectsWords,
  verdictReason,
  verdictWords,
} from '@/wording'
import { findingsOf, ledgerLines, type LedgerLine } from './ledgerLines'
import { useBenchWords } from './useBenchWords'

const Side = styled.aside`
  contain: content;
  min-height: 0;
  overflow: auto;
  border-left: 1px solid var(--hairline);
  background: var(--raised);
  padding: 12px 0;
  > h2 {
    ${caption} padding: 0 16px 6px;
  }
  ${PHONE} {
    border-left: 0;
    padding: 6px 0;
    overflow: visible;
    > h2 {
      display: none;
    }
  }
`
const Item = styled.li`
  border-bottom: 1px solid var(--hairline);
  border-left: 3px solid transparent;
  transition: border-color 150ms;
  &[data-changed] {
    border-left-color: var(--scribe);
  }
  ${PHONE} {
    &:nth-child(n + 4) {
      display: none;
    }
    p {
      display: none;
    }
    svg[data-band] {
      display: none;
    }
    &:first-child p {
      display: block;
    }
  }
`
const Open = styled.button`
  display: grid;
  gap: 4px;
  width: 100%;
  padding: 9px 16px 10px 13px;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
  &:hover {
    background: var(--dye-wash);
  }
  &:focus-visible {
    outline-offset: -2px;
  }
`
const Top = styled.span`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 6px;
  font-weight: 600;
  font-size: 14.5px;
  line-height: 1.2;
  > span {
    max-width: calc(100% - 20px);
  }
  > [data-value] {
    ${numerals} margin-left: auto;
    font-size: 19px;
    font-weight: 500;
    white-space: nowrap;
    &[data-range] {
      font-size: 15.5px;
    }
    small {
      font-size: 12.5px;
      color: var(--quiet);
      font-weight: 400;
      margin-left: 4px;
    }
  }
`
const Words = styled.p`
  font-size: 12.5px;
  line-height: 1.4;
  color: var(--quiet);
  b {
    color: var(--ink);
    font-weight: 600;
  }
`
const More = styled.p`
  display: none;
  padding: 8px 16px;
  color: var(--quiet);
  ${PHONE} {
    display: block;
  }
`

/** What it all means, largest consequence first. Every line opens its sum. */
export function Ledger({
  definition,
  findings,
  stations,
  changed,
  system,
  onOpen,
  draft,
}: {
  definition: BenchDefinition
  findings: readonly Finding[]
  stations: readonly Station[]
  changed: ReadonlySet<string>
  system: UnitSystem
  onOpen: (finding: Finding) => void
  draft: boolean
}) {
  const lines = ledgerLines(definition, findings)
  const stationLabel = useMemo(() => stationWords(stations), [stations])
  return (
    <Side aria-label="What it means">
      <h2>What it means{draft ? ' if stored' : ''}</h2>
      <ul>
        {lines.map((line) => (
          <Item
            key={keyOf(line)}
            data-changed={findingsOf(line).some((finding) => changed.has(finding.id)) || undefined}
            data-finding={keyOf(line)}
          >
            <LineBody line={line} definition={definition} system={system} onOpen={onOpen} stationLabel={stationLabel} />
          </Item>
        ))}
      </ul>
      {lines.length > 3 && <More>{lines.length - 3} more on a wider screen or in the book</More>}
    </Side>
  )
}

function keyOf(line: LedgerLine): string {
  return line.kind === 'one' ? line.finding.id : `${line.output}.${line.standing}`
}

/** Whether a line would look the same: findings are made again by every derivation, most of them with the same values. */
function looksSame(a: LedgerLine, b: LedgerLine): boolean {
  const [before, after] = [findingsOf(a), findingsOf(b)]
  return (
    a.kind === b.kind &&
    a.standing === b.standing &&
    before.length === after.length &&
    before.every((finding, index) => {
      const other = after[index]!
      return (
        finding.id === other.id &&
        finding.limit === other.limit &&
        finding.missing.length === other.missing.length &&
        finding.remarks.length === other.remarks.length &&
        finding.figure?.value.value === other.figure?.value.value &&
        finding.conformity?.U === other.conformity?.U
      )
    })
  )
}

interface LineBodyProps {
  readonly line: LedgerLine
  readonly definition: BenchDefinition
  readonly system: UnitSystem
  readonly onOpen: (finding: Finding) => void
  readonly stationLabel: (id: string) => string
}

const LineBody = memo(
  ({ line, definition, system, onOpen, stationLabel }: LineBodyProps) => {
    const { remarkWords } = useBenchWords()
    if (line.kind === 'several')
      return <Several line={line} definition={definition} system={system} onOpen={onOpen} stationLabel={stationLabel} />
    const { finding, standing } = line
    const output = definition.outputs[finding.output]!
    const title = findingTitle(finding, output)
    if (!finding.figure) {
      return (
        <Open type="button" onClick={() => onOpen(finding)}>
          <Top>
            <VerdictMark standing={standing} />
            <span>{title}</span>
          </Top>
          <Words>{missingWords(finding.missing, definition.paper, stationLabel)}</Words>
        </Open>
      )
    }
    const shown = showFinding(finding, finding.figure.value, output, system)
    return (
      <Open type="button" onClick={() => onOpen(finding)}>
        <Top>
          <VerdictMark standing={standing} silent />
          <span>{title}</span>
          <span data-value>
            {shown.value}
            <small>
              {shown.uncertainty} {shown.unit}
            </small>
          </span>
        </Top>
        <Words>
          {finding.conformity && <b>{capital(verdictWords(finding, output, system))}. </b>}
          {output.estimate && <b>Estimate. </b>}
          {finding.conformity &&
            finding.limit &&
            standing !== 'within' &&
            `${verdictReason(finding.conformity, finding.limit, output, system)} `}
          {finding.remarks.map((remark) => remarkWords(remark, finding, output, system)).join(' ')}
        </Words>
        {finding.limit && (
          <LimitBand
            limit={finding.limit}
            value={finding.figure.value.value}
            uncertainty={expand(finding.figure.value).U}
            standing={standing}
          />
        )}
      </Open>
    )
  },
  (before, after) =>
    before.system === after.system &&
    before.stationLabel === after.stationLabel &&
    before.definition === after.definition &&
    looksSame(before.line, after.line),
)

function Several({
  line,
  definition,
  system,
  onOpen,
  stationLabel,
}: {
  line: Extract<LedgerLine, { kind: 'several' }>
  definition: BenchDefinition
  system: UnitSystem
  onOpen: (finding: Finding) => void
  stationLabel: (id: string) => string
}) {
  const output = definition.outputs[line.output]!
  const subjects = subjectsWords(line.findings)
  const values = line.findings.flatMap((finding) => (finding.figure ? [finding.figure.value] : [])).sort((a, b) => a.value - b.value)
  const low = values[0] && showFigure(values[0], output, system)
  const high = values.length > 0 ? showFigure(values.at(-1)!, output, system) : undefined
  return (
    <Open type="button" onClick={() => onOpen(line.findings[0]!)}>
      <Top>
        <VerdictMark standing={line.standing} silent />
        <span>{output.label}</span>
        {low && high && (
          <span data-value data-range>
            {low.value === high.value ? low.value : `${low.value}–${high.value}`}
            <small>
              {low.uncertainty} {low.unit}
            </small>
          </span>
        )}
      </Top>
      <Words>
        {line.standing === 'notMeasured' ? (
          <>
            {subjects}.{' '}
            {missingWords(
              line.findings
                .flatMap((finding) => finding.missing)
                .filter((item, index, all) => all.findIndex((one) => JSON.stringify(one) === JSON.stringify(item)) === index),
              definition.paper,
              stationLabel,
            )}
          </>
        ) : (
          <>
            {line.standing === 'within' && <b>Within. </b>}
            {line.standing === 'inDoubt' && (
              <>
                <b>In doubt. </b>The band is narrower than the uncertainty: this gauge cannot decide.{' '}
              </>
            )}
            {output.estimate && <b>Estimate. </b>}
            {subjects}.
          </>
        )}
      </Words>
    </Open>
  )
}
