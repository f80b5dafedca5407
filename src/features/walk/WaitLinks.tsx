'use client'
import Link from 'next/link'
import styled from 'styled-components'
import type { Wait, WalkStep } from '@/core/walk'
import { Button } from '@/ui/Button'
import { waitWords } from '@/wording/walk'

const Ways = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  padding: 8px 18px 12px 88px;
  border-bottom: 1px solid var(--hairline);
  font-size: 14px;
`

interface LinksProps {
  readonly buildId: string
  readonly steps: readonly WalkStep[]
  readonly titleOf: (id: string) => string
  readonly onPick: (id: string) => void
}

/** Where what a held step waits for is done: a bench, a joint, the list of parts, another step. */
export function WaitLinks({ step, ...way }: LinksProps & { step: WalkStep }) {
  if (step.standing !== 'held') return null
  return (
    <Ways aria-label="Leads to">
      {step.waits.map((wait) => (
        <li key={keyOf(wait)}>
          <WayTo wait={wait} {...way} />
        </li>
      ))}
    </Ways>
  )
}

function WayTo({ wait, buildId, steps, titleOf, onPick }: LinksProps & { wait: Wait }) {
  const home = `/builds/${buildId}`
  const toStep = (id: string) => (
    <Button size="small" kind="plain" onPress={() => onPick(id)}>
      {titleOf(id)}
    </Button>
  )
  if ('step' in wait) return toStep(wait.step)
  if ('part' in wait) return <Link href={`${home}/parts`}>Parts: {waitWords(wait)}</Link>
  if ('clock' in wait) return toStep(wait.clock.step)
  const { leadsTo } = wait
  if ('bench' in leadsTo) return <Link href={`${home}/${leadsTo.bench}`}>To the bench: {waitWords(wait)}</Link>
  if ('joints' in leadsTo) return <Link href={`${home}/joints`}>To the joints: {waitWords(wait)}</Link>
  // Its own bank's where the step has one.
  const named = steps.find(({ id, source }) => id === leadsTo.step || (source.from === 'handbook' && source.name === leadsTo.step))
  return named ? toStep(named.id) : <span>{waitWords(wait)}</span>
}

function keyOf(wait: Wait): string {
  if ('step' in wait) return wait.step
  if ('part' in wait) return wait.part.id
  return 'clock' in wait ? `${wait.clock.kind}/${wait.clock.step}` : wait.hold
}
