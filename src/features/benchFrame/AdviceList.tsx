'use client'
import styled from 'styled-components'
import type { BenchDefinition, Headline, JudgedAdvice } from '@/core/bench/bench'
import type { UnitSystem } from '@/core/document'
import { Button } from '@/ui/Button'
import { VerdictMark } from '@/ui/VerdictMark'
import { brokenWords, figureWords, showFigure, type Standing } from '@/wording'
import { Table } from '@/ui/Table'
import { useBenchWords } from './useBenchWords'

const Harm = styled.small`
  display: block;
  color: var(--out);
  font-size: 12.5px;
  &[data-leaves] {
    color: var(--quiet);
  }
`
const Change = styled.span`
  display: inline-flex;
  gap: 8px;
  align-items: baseline;
  font-weight: 500;
  svg {
    position: relative;
    top: 2px;
  }
`

/** How the engine stands after a way; a way that changes nothing yet has to be measured first. */
function standingAfter({ verdict }: JudgedAdvice): Standing {
  if (verdict === undefined) return 'notMeasured'
  return verdict === 'notJudged' ? 'noLimit' : verdict
}

interface AdviceProps {
  readonly definition: BenchDefinition
  readonly system: UnitSystem
  /** Takes a change that is a choice and no metal. */
  readonly onTake?: (advice: JudgedAdvice) => void
}

/** The computed ways to put it right: the change, what the headline figures become, what it costs elsewhere. */
export function AdviceList({
  advice,
  definition,
  system,
  caption: words,
  onTake,
}: AdviceProps & { advice: readonly JudgedAdvice[]; caption: string }) {
  const outputs = [...new Set(advice.flatMap((one) => one.headlines.map(({ output }) => output)))]
  return (
    <Table aria-label={words}>
      <thead>
        <tr>
          <th scope="col">Change</th>
          {outputs.map((output, index) => (
            <th key={output} scope="col" data-minor={index > 0 || undefined}>
              {definition.outputs[output]!.label} becomes
            </th>
          ))}
          <th scope="col" data-minor>
            Costs
          </th>
          {onTake && <td />}
        </tr>
      </thead>
      <tbody>
        {advice.map((one) => (
          <AdviceRow key={one.id} advice={one} outputs={outputs} definition={definition} system={system} onTake={onTake} />
        ))}
      </tbody>
    </Table>
  )
}

function AdviceRow({ advice, outputs, definition, system, onTake }: AdviceProps & { advice: JudgedAdvice; outputs: readonly string[] }) {
  const { changeWords, costWords } = useBenchWords()
  const words = changeWords(advice, system)
  return (
    <tr>
      <td>
        <Change>
          <VerdictMark standing={standingAfter(advice)} size={12} silent={advice.verdict === undefined} />
          <span>
            {words}
            {advice.breaks.length > 0 && <Harm>breaks {brokenWords(advice.breaks, system)}</Harm>}
            {advice.leaves.length > 0 && <Harm data-leaves>leaves {brokenWords(advice.leaves, system)}</Harm>}
          </span>
        </Change>
      </td>
      {outputs.map((output, index) => {
        const headline = advice.headlines.find((other) => other.output === output)
        return (
          <td key={output} data-figure data-minor={index > 0 || undefined}>
            {headline && headlineWords(headline, definition, system)}
          </td>
        )
      })}
      <td data-minor>{advice.costs.map((cost) => costWords(cost, system)).join(', ')}</td>
      {onTake && (
        <td>
          {advice.changes && (
            <Button size="small" onPress={() => onTake(advice)} aria-label={`Take it: ${words}`}>
              Take it
            </Button>
          )}
        </td>
      )}
    </tr>
  )
}

/** One value with its uncertainty, or the range without: each has its own. */
function headlineWords({ output, low, high }: Headline, definition: BenchDefinition, system: UnitSystem): string {
  const shown = definition.outputs[output]!
  if (low === high) return figureWords(low, shown, system)
  const [from, to] = [showFigure(low, shown, system), showFigure(high, shown, system)]
  return `${from.value}${from.value === to.value ? '' : `–${to.value}`} ${to.unit}`.trim()
}
