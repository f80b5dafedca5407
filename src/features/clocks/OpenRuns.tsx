'use client'
import Link from 'next/link'
import styled from 'styled-components'
import type { OpenRun } from '@/core/joints'
import { numerals } from '@/ui/GlobalStyle'
import { small, WAY_WORDS } from '@/wording'
import { clockWords } from './clockWords'
import { useNow } from './useNow'

export const OpenList = styled.ul`
  display: grid;
  gap: 4px;
  li {
    padding-left: 10px;
    border-left: 3px solid var(--scribe);
  }
  time {
    ${numerals} font-weight: 600;
    color: var(--scribe);
  }
`

/** Joints somebody has begun and nobody has finished, each with what sets meanwhile. */
export function OpenRuns({ buildId, runs }: { buildId: string; runs: readonly OpenRun[] }) {
  if (runs.length === 0) return null
  return (
    <OpenList aria-label="Joints left open">
      {runs.map((run) => (
        <li key={`${run.joint}/${run.way}`}>
          <Link href={`/builds/${buildId}/joints/${run.joint}/run?way=${run.way}`} prefetch={false}>
            {run.name}
          </Link>{' '}
          left open: {small(WAY_WORDS[run.way])}, {run.done} of {run.steps} pulls
          {run.sealer && <Sets {...run.sealer} />}
        </li>
      ))}
    </OpenList>
  )
}

function Sets({ name, setsAt }: NonNullable<OpenRun['sealer']>) {
  const now = useNow()
  if (now === undefined) return null
  const leftMs = Date.parse(setsAt) - now
  return (
    <>
      {' · '}
      {leftMs > 0 ? (
        <>
          {name} sets in <time dateTime={setsAt}>{clockWords(leftMs)}</time>
        </>
      ) : (
        `${name} has set`
      )}
    </>
  )
}
