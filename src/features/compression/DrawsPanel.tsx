'use client'
import { useCallback, useMemo } from 'react'
import { cylinderStates } from '@/core/benches/compression'
import type { Build } from '@/core/document'
import { standardUncertainty } from '@/core/metrology'
import { percent } from '@/wording'
import { drawRatios } from '@/workers/compression'
import { WorkRow } from '@/features/benchFrame/WorkRow'
import { documentOf } from '@/features/entries/documentOf'
import { Heads, Table } from '@/ui/Table'
import { useWork } from '@/features/benchFrame/useWork'

const DRAWS = 1_000_000
const SEED = 20_240_501

/** The uncertainty of the ratios by a million random draws of every input, beside the propagated one (JCGM 101). */
export function DrawsPanel({ build }: { build: Build }) {
  const job = useCallback(
    (signal: AbortSignal, onProgress: (share: number) => void) =>
      drawRatios(documentOf(build), DRAWS, SEED, (done) => onProgress(done / DRAWS), signal),
    [build],
  )
  const { work, start, stop } = useWork(job)
  const states = useMemo(() => cylinderStates(build), [build])
  return (
    <>
      <p>
        A million engines are drawn at random from what the gauges and the paper leave open, and every ratio is worked out for each. It
        should agree with the uncertainty shown in the ledger.
      </p>
      <WorkRow label="Draws" work={work} start={start} stop={stop} words="Draw a million" />
      <div aria-live="polite">
        {work.state === 'stopped' && <p>Stopped; nothing was changed.</p>}
        {work.state === 'failed' && <p>{work.words}</p>}
        {work.state === 'done' && work.answer.results.length === 0 && <p>No cylinder is fully measured yet.</p>}
        {work.state === 'done' && work.answer.results.length > 0 && (
          <>
            <Table>
              <Heads of={['Cylinder', 'Mean', 'u drawn', 'u propagated', 'Sure it is within']} />
              <tbody>
                {work.answer.results.map((result, index) => {
                  const cylinder = work.answer.cylinders[index]!
                  const chain = states.find((state) => state.cylinder === cylinder)?.chain
                  return (
                    <tr key={cylinder}>
                      <td data-figure>{cylinder}</td>
                      <td data-figure>{result.mean.toFixed(3)}</td>
                      <td data-figure>{result.standardDeviation.toFixed(4)}</td>
                      <td data-figure>{chain ? standardUncertainty(chain.ratio.value).toFixed(4) : ''}</td>
                      <td data-figure>{percent(result.probability)}</td>
                    </tr>
                  )
                })}
              </tbody>
            </Table>
            <p>{(work.answer.elapsedMs / 1000).toFixed(1)} s.</p>
          </>
        )}
      </div>
    </>
  )
}
