'use client'
import styled from 'styled-components'
import type { Advice } from '@/core/benches'
import type { UnitSystem } from '@/core/build'
import { caption, numerals, PHONE } from '@/ui/GlobalStyle'
import { VerdictMark } from '@/ui/VerdictMark'
import { changeWords, costWords, figureWords, type Shown } from '@/wording'

const Table = styled.table`
  width: 100%; font-size: 14px;
  th { ${caption} text-transform: none; letter-spacing: 0; font-weight: 500; text-align: left; padding: 0 10px 4px 0; white-space: nowrap; }
  td { padding: 6px 10px 6px 0; border-top: 1px solid var(--hairline); vertical-align: baseline; }
  td[data-number] { ${numerals} white-space: nowrap; font-size: 13.5px; }
  td:last-child { color: var(--quiet); }
  ${PHONE} { td[data-minor], th[data-minor] { display: none; } }
`
const Change = styled.span`display: inline-flex; gap: 8px; align-items: baseline; font-weight: 500; svg { position: relative; top: 2px; }`
const RATIO: Shown = { units: { metric: 'one', inch: 'one' }, digits: { metric: 2, inch: 2 } }
const QUENCH: Shown = { units: { metric: 'mm', inch: 'thou' }, digits: { metric: 2, inch: 1 } }

/** The computed ways to put it right: the change, what the headline figures become, what it costs elsewhere. */
export function AdviceList({ advice, system, caption: words }: { advice: readonly Advice[]; system: UnitSystem; caption: string }) {
  return (
    <Table aria-label={words}>
      <thead><tr><th scope="col">Change</th><th scope="col">Ratios become</th><th scope="col" data-minor>Spread</th><th scope="col" data-minor>Least quench</th><th scope="col" data-minor>Costs</th></tr></thead>
      <tbody>
        {advice.map((one) => {
          const { ratios, ratioSpread, quenchLeast, verdict } = one.outcome
          const values = ratios.map(({ figure }) => figure.value.value)
          const unchanged = one.change.code === 'lookAgain'
          return (
            <tr key={one.id}>
              <td><Change><VerdictMark standing={unchanged ? 'notMeasured' : verdict === 'notJudged' ? 'noLimit' : verdict} size={12} silent={unchanged} />{changeWords(one, system)}</Change></td>
              <td data-number>{unchanged ? '' : range(values)}</td>
              <td data-number data-minor>{!unchanged && ratioSpread && figureWords(ratioSpread.value, RATIO, system)}</td>
              <td data-number data-minor>{!unchanged && quenchLeast && figureWords(quenchLeast.value, QUENCH, system)}</td>
              <td data-minor>{one.costs.map((cost) => costWords(cost, system)).join(', ')}</td>
            </tr>
          )
        })}
      </tbody>
    </Table>
  )
}

function range(values: readonly number[]): string {
  const low = Math.min(...values).toFixed(2)
  const high = Math.max(...values).toFixed(2)
  return low === high ? low : `${low}–${high}`
}
