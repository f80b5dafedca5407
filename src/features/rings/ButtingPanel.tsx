'use client'
import { useCallback } from 'react'
import { definition } from '@/core/benches/rings/definition'
import type { Build, UnitSystem } from '@/core/document'
import { differenceInUnit } from '@/core/units'
import { WorkRow } from '@/features/benchFrame/WorkRow'
import { documentOf } from '@/features/entries/documentOf'
import { useWork } from '@/features/benchFrame/useWork'
import { Heads, Table } from '@/ui/Table'
import { percent, plainWords } from '@/wording'
import { drawButting } from '@/workers/rings'

const DRAWS = 100_000
const SEED = 20_240_502

/** How often each top ring butts when the temperatures, the alloys and the feeler are drawn from all they may be. */
export function ButtingPanel({ build, system }: { build: Build; system: UnitSystem }) {
  const job = useCallback(
    (signal: AbortSignal, onProgress: (share: number) => void) =>
      drawButting(documentOf(build), DRAWS, SEED, (done) => onProgress(done / DRAWS), signal),
    [build],
  )
  const { work, start, stop } = useWork(job)
  const { ringTemperature, boreTemperature } = build.spec.paper
  if (!ringTemperature || !boreTemperature)
    return <p>Wants the running temperatures of ring and cylinder wall on the paper page, each with a ± for what is not known.</p>
  const shown = definition.outputs['rings.hotGap']
  return (
    <>
      <p>
        A hundred thousand runs with the ring at {temperatureWords(ringTemperature)}, the wall at {temperatureWords(boreTemperature)}, and
        everything the feeler and the alloys leave open. An estimate: the ring maker’s number decides.
      </p>
      <WorkRow label="Draws" work={work} start={start} stop={stop} words="Draw a hundred thousand" />
      <div aria-live="polite">
        {work.state === 'stopped' && <p>Stopped; nothing was changed.</p>}
        {work.state === 'failed' && <p>{work.words}</p>}
        {work.state === 'done' && work.answer.length === 0 && <p>No top ring is gapped yet.</p>}
        {work.state === 'done' && work.answer.length > 0 && (
          <Table>
            <Heads of={['Cylinder', 'Butts in', 'Gap left, mean', '5 % are below']} />
            <tbody>
              {work.answer.map(({ cylinder, chance, meanGapMm, lowGapMm }) => (
                <tr key={cylinder}>
                  <td data-figure>{cylinder}</td>
                  <td data-figure>{chance === 0 ? 'none of the runs' : percent(chance)}</td>
                  <td data-figure>{plainWords(meanGapMm, shown, system)}</td>
                  <td data-figure>{plainWords(lowGapMm, shown, system)}</td>
                </tr>
              ))}
            </tbody>
          </Table>
        )}
      </div>
    </>
  )

  function temperatureWords({ value, tolerance }: { value: number; tolerance?: number }): string {
    const inUnit = tolerance && Math.round(differenceInUnit(tolerance, definition.outputs['rings.buttingTemperature'].units[system]))
    return `${plainWords(value, definition.outputs['rings.buttingTemperature'], system)}${inUnit ? ` ± ${inUnit}` : ''}`
  }
}
