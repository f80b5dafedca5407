'use client'
import { useCallback } from 'react'
import { curveOf } from '@/core/shared/camMotion/curve'
import { camsOf } from '@/core/geometry/valvetrain'
import { documentOf } from '@/features/entries/documentOf'
import { useWork } from '@/features/benchFrame/useWork'
import { WorkRow } from '@/features/benchFrame/WorkRow'
import { Table } from '@/ui/Table'
import { SidePanel } from '@/ui/SidePanel'
import { capital, subjectWords } from '@/wording'
import { refitInWorker } from '@/workers/cam'
import type { ToolProps } from '@/features/benchFrame/benchView'
import { ShapeTable } from './ShapeTable'

const REFITS = 1000
const SEED = 20_261_127
const EVENTS = { open: 'Opens', close: 'Closes', duration: 'Duration', centreline: 'Centreline' } as const
/** Two standard deviations. */
const COVERAGE = 2

/** How far events and centreline come out otherwise when the whole table is read again, a thousand times over. */
export function RefitPanel({ build, system, onClose }: ToolProps & { onClose: () => void }) {
  const curves = camsOf(build.spec.layout).filter((cam) => curveOf(build, cam)).length
  const job = useCallback(
    (signal: AbortSignal, onProgress: (share: number) => void) =>
      refitInWorker(documentOf(build), REFITS, SEED, (done) => onProgress(done / (REFITS * Math.max(1, curves))), signal),
    [build, curves],
  )
  const { work, start, stop } = useWork(job)
  return (
    <SidePanel title="The lobes, and their uncertainty by refits" isOpen onClose={onClose}>
      <ShapeTable build={build} system={system} />
      <p>
        Every curve read again a thousand times in a simulation, with the uncertainties of wheel and dial at every row, and of TDC, the
        wheel’s centre and the dial’s zero once a table. What the ledger says is worked out; this is how it comes out.
      </p>
      {curves === 0 ? (
        <p>No curve has been read yet.</p>
      ) : (
        <WorkRow label="Refits" work={work} start={start} stop={stop} words="Refit a thousand times" />
      )}
      <div aria-live="polite">
        {work.state === 'stopped' && <p>Stopped; nothing was changed.</p>}
        {work.state === 'failed' && <p>{work.words}</p>}
        {work.state === 'done' && (
          <Table>
            <thead>
              <tr>
                <th scope="col">On the wheel</th>
                {work.answer.map(({ cam }) => (
                  <th key={cam} scope="col">
                    {capital(subjectWords({ cam }))}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {(Object.keys(EVENTS) as (keyof typeof EVENTS)[]).map((event) => (
                <tr key={event}>
                  <td>{EVENTS[event]}</td>
                  {work.answer.map(({ cam, spread }) => (
                    <td data-figure key={cam}>
                      {spread[event].mean.toFixed(1)} ±{(COVERAGE * spread[event].sd).toFixed(2)}°
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </Table>
        )}
      </div>
    </SidePanel>
  )
}
