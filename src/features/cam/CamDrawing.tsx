'use client'
import styled from 'styled-components'
import { lazyPart } from '@/ui/lazyPart'
import { PHONE } from '@/ui/GlobalStyle'
import type { PictureProps } from '@/features/benchFrame/benchView'
import { camMarks } from './camMarks'
import { TimingWheel } from './TimingWheel'
import { wheelWords } from './wheelWords'

const LiftChart = lazyPart(() => import('./LiftChart').then((module) => module.LiftChart))

const Both = styled.div`
  display: grid;
  grid-template-columns: minmax(240px, 1fr) minmax(0, 1.5fr);
  gap: 8px;
  height: 100%;
  padding: 6px 12px;
  ${PHONE} {
    grid-template-columns: minmax(0, 1fr);
    > :last-child {
      display: none;
    }
  }
`

/** The wheel, and beside it the lift of every cam over the crank: in place of the plan, for a cam stands at no cylinder. */
export function CamDrawing({ findings, build, system }: PictureProps) {
  const marks = camMarks(build, findings)
  return (
    <Both>
      <TimingWheel marks={marks} words={wheelWords(marks)} />
      <LiftChart build={build} marks={marks} system={system} />
    </Both>
  )
}
