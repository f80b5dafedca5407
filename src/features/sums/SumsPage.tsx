'use client'
import { useState } from 'react'
import styled from 'styled-components'
import { computeSum, SUMS, type QuickSum, type SumInput, type SumOutcome, type SumResult } from '@/core/sums'
import { SumTree } from '@/features/benchFrame/SumTree'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { useDevice } from '@/ui/device'
import { numerals, PHONE } from '@/ui/GlobalStyle'
import { Lead, Main, Notice, Section, SectionTitle, Title, TopBar } from '@/ui/Page'
import { VerdictMark } from '@/ui/VerdictMark'
import { differenceWords, figureOfKindWords, percent, shownOf, STANDING_WORDS } from '@/wording'
import type { BuildChoice } from '@/shop/latestBuilds'
import { KeepIntoBuild } from './KeepIntoBuild'
import { SumFinder } from './SumFinder'
import { useTyped } from './useTyped'
import { sumIssueWords, sumRemarkWords } from '@/wording/sums'

const AcrossAll = styled.div`
  grid-column: 1 / -1;
  display: grid;
  gap: 8px;
`

const Columns = styled.div`
  display: grid;
  grid-template-columns: 208px minmax(260px, 1fr) minmax(280px, 1.1fr);
  gap: 32px;
  align-items: start;
  @media (max-width: 1000px) {
    grid-template-columns: 1fr 1fr;
    > nav {
      grid-column: 1 / -1;
    }
  }
  ${PHONE} {
    grid-template-columns: 1fr;
  }
`
const Inputs = styled.form`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 12px;
  align-content: start;
`
/** The same figure in the other units. */
const Converted = styled.small`
  color: var(--quiet);
  font-size: 13px;
`
const Result = styled.li`
  border-top: 1px solid var(--hairline);
  padding: 10px 0;
  > div {
    display: flex;
    gap: 12px;
    align-items: baseline;
    justify-content: space-between;
    flex-wrap: wrap;
  }
  [data-value] {
    ${numerals} font-size: 18px;
  }
  &:first-child {
    border-top-color: var(--edge);
    [data-value] {
      font-size: 28px;
      font-weight: 500;
    }
  }
`

/** Quick sums: find one, type, see it move. No build needed. */
export function SumsPage({ current, builds }: { current: string; builds: readonly BuildChoice[] }) {
  const device = useDevice()
  const system = device.system ?? 'metric'
  const sum = SUMS.find((one) => one.id === current) ?? SUMS[0]!
  return (
    <>
      <TopBar trail={[{ href: '/sums', words: 'Quick sums' }]} ownSystem={system} />
      <Main>
        <Title>Quick sums</Title>
        <Lead>
          Type each number as you have it, in any unit, with ± if you know it: 64 ± 0.5 cc is read as 95 % sure. A bare number is in{' '}
          {system === 'metric' ? 'mm' : 'inches'}.
        </Lead>
        <Columns>
          <SumFinder current={sum.id} />
          <OneSum key={sum.id} sum={sum} system={system} builds={builds} by={device.initials || '—'} />
        </Columns>
      </Main>
    </>
  )
}

function OneSum({ sum, system, builds, by }: { sum: QuickSum; system: 'metric' | 'inch'; builds: readonly BuildChoice[]; by: string }) {
  const [typed, setTyped] = useTyped(sum.id)
  const started = Object.values(typed).some((text) => text.trim() !== '')
  const outcome = computeSum(sum, typed, system)
  const issueOf = (name: string) => {
    if (outcome.ok || !started) return undefined
    const issue = outcome.issues.find((one) => one.path[0] === name)
    return issue && !(issue.code === 'missing') ? sumIssueWords(issue, system) : undefined
  }
  return (
    <>
      <Inputs aria-label={sum.title} onSubmit={(event) => event.preventDefault()}>
        {Object.entries(sum.inputs).map(([name, input]) => (
          <SumField
            key={name}
            input={input}
            value={typed[name]}
            error={issueOf(name)}
            onChange={(text) => setTyped({ ...typed, [name]: text })}
            isRule={name === 'rule'}
          />
        ))}
      </Inputs>
      <Section aria-live="polite" aria-label="Results">
        <SectionTitle>{sum.question}</SectionTitle>
        {!started ? (
          <p>Type what you have; the examples in the fields show how.</p>
        ) : (
          <Outcome outcome={outcome} sum={sum} system={system} />
        )}
        {started && (
          <div>
            <Button size="small" onPress={() => setTyped({})}>
              Empty the fields
            </Button>
          </div>
        )}
        {outcome.ok && started && <KeepIntoBuild sum={sum} typed={typed} system={system} builds={builds} by={by} />}
      </Section>
    </>
  )
}

function SumField({
  input,
  value,
  error,
  onChange,
  isRule,
}: {
  input: SumInput
  value: string | undefined
  error: string | undefined
  onChange: (text: string) => void
  /** How verdicts are spoken: chosen, not typed. */
  isRule: boolean
}) {
  if (isRule)
    return (
      <AcrossAll>
        <ChoiceRow
          label="Rule"
          value={value ?? 'strict'}
          onChange={onChange}
          options={[
            { value: 'strict', label: 'Strict' },
            { value: 'probable', label: '95 % sure' },
          ]}
        />
      </AcrossAll>
    )
  const { label, example, required } = input
  if (input.kind === 'table') return <TableInput label={label} example={example} value={value ?? ''} error={error} onChange={onChange} />
  return (
    <TextField
      label={`${label}${required ? '' : ' (if known)'}`}
      value={value ?? ''}
      placeholder={example}
      error={error}
      numeric
      onChange={onChange}
    />
  )
}

/** A table typed, pasted or taken from a file. */
function TableInput({
  label,
  example,
  value,
  error,
  onChange,
}: {
  label: string
  example: string
  value: string
  error: string | undefined
  onChange: (text: string) => void
}) {
  return (
    <AcrossAll>
      <TextField label={label} value={value} placeholder={example} error={error} onChange={onChange} numeric rows={9} />
      <label>
        From a CSV file{' '}
        <input
          type="file"
          accept=".csv,text/csv"
          onChange={(event) => {
            void event.target.files?.[0]?.text().then(onChange)
          }}
        />
      </label>
    </AcrossAll>
  )
}

function Outcome({ outcome, sum, system }: { outcome: SumOutcome; sum: QuickSum; system: 'metric' | 'inch' }) {
  if (!outcome.ok) {
    const missing = outcome.issues
      .filter((issue) => issue.code === 'missing')
      .map((issue) => sum.inputs[issue.path[0]!]?.label.toLowerCase())
    const others = outcome.issues.filter((issue) => issue.code !== 'missing')
    return (
      <>
        {missing.length > 0 && <p>Still wanted: {missing.join(', ')}.</p>}
        {others.map((issue, index) => (
          <Notice key={index} data-tone="bad">
            {sum.inputs[issue.path[0] ?? '']?.label ?? ''}: {sumIssueWords(issue, system)}
          </Notice>
        ))}
      </>
    )
  }
  return (
    <>
      {sumRemarkWords(outcome.remarks).map((words) => (
        <Notice key={words} data-tone="bad">
          {words}
        </Notice>
      ))}
      <ul>
        {outcome.results.map((result) => (
          <ResultLine key={result.id} result={result} system={system} />
        ))}
      </ul>
    </>
  )
}

function ResultLine({ result, system }: { result: SumResult; system: 'metric' | 'inch' }) {
  const [open, setOpen] = useState(false)
  const unit = result.unit ?? shownOf(result.kind).units[system]
  const other = result.unit ? undefined : shownOf(result.kind).units[system === 'metric' ? 'inch' : 'metric']
  return (
    <Result>
      <div>
        <span>
          {result.label}
          {result.estimate && <small> (estimate)</small>}
        </span>
        <span data-value>
          {result.conformity ? (
            <>
              <VerdictMark standing={result.conformity.verdict} silent /> {verdict(result, system)}
            </>
          ) : (
            figureOfKindWords(result.figure, result.kind, system, unit)
          )}
          {other && other !== unit && !result.conformity && (
            <Converted> · {figureOfKindWords(result.figure, result.kind, system, other)}</Converted>
          )}
        </span>
      </div>
      {result.conformity?.gaugeCannotDecide && <p>The band is narrower than the uncertainty: this gauge cannot decide.</p>}
      <Button size="small" kind="plain" onPress={() => setOpen(!open)} aria-expanded={open}>
        {open ? 'Close the sum' : 'The sum'}
      </Button>
      {open && <SumTree figure={result.figure} system={system} />}
    </Result>
  )
}

function verdict({ conformity, kind }: SumResult, system: 'metric' | 'inch'): string {
  const { verdict, excess, probability } = conformity!
  if (verdict === 'over' || verdict === 'under') return `${verdict} by ${differenceWords(excess, shownOf(kind), system)}`
  return verdict === 'inDoubt' ? `in doubt, ${percent(probability)} sure` : STANDING_WORDS[verdict]
}
