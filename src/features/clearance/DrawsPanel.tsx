'use client'
import { useCallback } from 'react'
import { bench } from '@/core/benches/clearance/clearance'
import { standardUncertainty } from '@/core/metrology'
import { differenceInUnit, fromCanonical } from '@/core/units'
import { documentOf } from '@/features/entries/documentOf'
import { useWork } from '@/features/benchFrame/useWork'
import { WorkRow } from '@/features/benchFrame/WorkRow'
import { Heads, Table } from '@/ui/Table'
import { SidePanel } from '@/ui/SidePanel'
import { capital, percent, subjectWords } from '@/wording'
import { drawClosestInWorker } from '@/workers/clearance'
import type { ToolProps } from '@/features/benchFrame/benchView'
import { GAP_UNIT } from './gapLines'

const DRAWS = 100_000
const SEED = 20_261_128
const DECIMALS = { metric: 3, inch: 4 } as const

/** The closest approach of every valve by a hundred thousand draws, beside what is worked out (JCGM 101). */
export function DrawsPanel({ build, system, onClose }: ToolProps & { onClose: () => void }) {
  const job = useCallback(
    (signal: AbortSignal, onProgress: (share: number) => void) =>
      drawClosestInWorker(documentOf(build), DRAWS, SEED, (done) => onProgress(done / DRAWS), signal),
    [build],
  )
  const { work, start, stop } = useWork(job)
  const unit = GAP_UNIT[system]
  const worked = new Map(
    bench
      .derive(build)
      .flatMap(({ output, valve, figure }) => (output === 'clearance.closest' && valve && figure ? [[valve, figure]] : [])),
  )
  return (
    <SidePanel title="The uncertainty, by draws" isOpen onClose={onClose}>
      <p>
        A hundred thousand engines are drawn from what gauges, cams and paper leave open, and the whole sweep is searched for each: where a
        valve hardly leaves its seat the least gap has a kink that a budget does not see.
      </p>
      <WorkRow label="Draws" work={work} start={start} stop={stop} words="Draw a hundred thousand" />
      <div aria-live="polite">
        {work.state === 'stopped' && <p>Stopped; nothing was changed.</p>}
        {work.state === 'failed' && <p>{work.words}</p>}
        {work.state === 'done' && work.answer.valves.length === 0 && <p>No valve is known yet.</p>}
        {work.state === 'done' && work.answer.valves.length > 0 && (
          <Table>
            <Heads of={['Valve', 'Mean', 'u drawn', 'u worked out', 'Sure it is within']} />
            <tbody>
              {work.answer.valves.map((valve, index) => {
                const { mean, standardDeviation, probability } = work.answer.results[index]!
                const figure = worked.get(valve)
                return (
                  <tr key={valve}>
                    <td>{capital(subjectWords({ valve }))}</td>
                    <td data-figure>{fromCanonical(mean, unit).toFixed(DECIMALS[system])}</td>
                    <td data-figure>{differenceInUnit(standardDeviation, unit).toFixed(DECIMALS[system] + 1)}</td>
                    <td data-figure>
                      {figure ? differenceInUnit(standardUncertainty(figure.value), unit).toFixed(DECIMALS[system] + 1) : ''}
                    </td>
                    <td data-figure>{percent(probability)}</td>
                  </tr>
                )
              })}
            </tbody>
          </Table>
        )}
      </div>
    </SidePanel>
  )
}
