'use client'
import { useState } from 'react'
import styled from 'styled-components'
import type { Finding } from '@/core/bench/bench'
import { camOf } from '@/core/benches/clearance/drop'
import { camKind, valvesOf } from '@/core/geometry/valvetrain'
import { PHONE } from '@/ui/GlobalStyle'
import { lazyPart } from '@/ui/lazyPart'
import { capital, subjectWords } from '@/wording'
import type { DrawingProps } from '@/features/benchFrame/benchView'
import { gapLines, REACH_DEG, runningSweep } from './gapLines'
import { SectionPicture } from './SectionPicture'

const GapChart = lazyPart(() => import('./GapChart').then((module) => module.GapChart))

const Both = styled.div`
  display: grid;
  grid-template-columns: minmax(240px, 1fr) minmax(0, 1.2fr);
  gap: 8px;
  height: 100%;
  padding: 4px 12px;
  ${PHONE} {
    grid-template-columns: minmax(0, 1fr);
    > :last-child {
      display: none;
    }
  }
`
const Section = styled.div`
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
  input {
    width: 100%;
    min-height: 24px;
    margin: 0;
    accent-color: var(--scribe);
  }
`
const Wanted = styled.p`
  padding: 16px;
  color: var(--quiet);
`
const STEP_DEG = 1

/** The valve of the place in hand over its piston, turned by keys or drag, and beside it the gap over the crank. */
export function ClearanceDrawing({ findings, build, system, current }: DrawingProps) {
  const valve = current?.place.valve ?? nearestValve(findings) ?? valvesOf(build.spec.layout)[0]!
  const sweep = runningSweep(build, valve)
  const lines = sweep ? gapLines(build, findings, valve, system) : []
  const [turned, setTurned] = useState<{ readonly valve: string; readonly deg: number }>()
  // Another valve is shown where it is closest, until it is turned.
  const deg = turned?.valve === valve ? turned.deg : Math.round(lines[0]?.closest.deg ?? 0)
  if (!sweep)
    return (
      <Wanted>
        {capital(subjectWords({ valve }))} over its piston is drawn here once its drop, its cam and its lash are known: the ledger says what
        is wanted.
      </Wanted>
    )
  return (
    <Both>
      <Section>
        <SectionPicture build={build} valve={valve} sweep={sweep} deg={deg} system={system} />
        <input
          type="range"
          aria-label="Turn the crank, degrees about overlap TDC"
          min={-REACH_DEG}
          max={REACH_DEG}
          step={STEP_DEG}
          value={deg}
          onChange={({ target }) => setTurned({ valve, deg: Number(target.value) })}
        />
      </Section>
      <GapChart lines={lines} limitMm={build.spec.limits[`clearance.${camKind(camOf(build, valve))}`]?.lower} deg={deg} system={system} />
    </Both>
  )
}

function nearestValve(findings: readonly Finding[]): string | undefined {
  const known = findings.filter(({ output, figure }) => output === 'clearance.closest' && figure)
  return known.toSorted((a, b) => a.figure!.value.value - b.figure!.value.value)[0]?.valve
}
