'use client'
import { useCallback, useState } from 'react'
import { camKind, camsOf, isHighProfile, type Cam } from '@/core/geometry/valvetrain'
import { documentOf } from '@/features/entries/documentOf'
import { useWork } from '@/features/benchFrame/useWork'
import { WorkRow } from '@/features/benchFrame/WorkRow'
import { ChoiceRow } from '@/ui/fields'
import { SidePanel } from '@/ui/SidePanel'
import { capital, subjectWords } from '@/wording'
import { mapPhasingInWorker } from '@/workers/clearance'
import type { ToolProps } from '@/features/benchFrame/benchView'
import { PhasingMapPicture } from './PhasingMapPicture'

/** Valve to valve over every setting of both cams, with what both do to the overlap. */
export function PhasingMapPanel({ build, system, onClose }: ToolProps & { onClose: () => void }) {
  const intakes = camsOf(build.spec.layout).filter((cam) => camKind(cam) === 'intake' && !isHighProfile(cam))
  const [intake, setIntake] = useState<Cam>(intakes[0]!)
  const job = useCallback(
    (signal: AbortSignal) => mapPhasingInWorker(documentOf(build), intake, intake.replace('intake', 'exhaust') as Cam, signal),
    [build, intake],
  )
  const { work, start, stop } = useWork(job)
  const limitMm = build.spec.limits['clearance.valveToValve']?.lower
  return (
    <SidePanel title="Both cams moved" isOpen onClose={onClose}>
      <p>
        How near an intake and an exhaust valve of one cylinder come to each other, wherever both cams are set: an intake earlier and an
        exhaust later hold both open longer together.
      </p>
      {intakes.length > 1 && (
        <ChoiceRow
          label="Bank"
          value={intake}
          onChange={setIntake}
          options={intakes.map((value) => ({ value, label: capital(subjectWords({ cam: value })) }))}
        />
      )}
      <WorkRow label="Map" work={work} start={start} stop={stop} words="Map every setting of both" again="Map again" />
      <div aria-live="polite">
        {work.state === 'failed' && <p>{work.words}</p>}
        {work.state === 'done' && !work.answer && (
          <p>Wanted first: both cams read, valve heads, margins and angles, and how far the heads are apart, on paper.</p>
        )}
        {work.state === 'done' && work.answer && <PhasingMapPicture map={work.answer} limitMm={limitMm} system={system} />}
      </div>
    </SidePanel>
  )
}
