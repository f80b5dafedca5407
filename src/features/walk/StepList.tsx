'use client'
import type { ReactNode } from 'react'
import styled from 'styled-components'
import type { WalkStep } from '@/core/walk'
import { numerals, PHONE } from '@/ui/GlobalStyle'
import { ATTITUDE_WORDS, countWords, minutesWords, staleWords, stepCaution, stepTitle, stepWhy, waitsWords } from '@/wording/walk'

const List = styled.ol`
  > li {
    border-bottom: 1px solid var(--hairline);
  }
`
const Line = styled.button`
  display: grid;
  grid-template-columns: 44px 26px minmax(0, 1fr) auto;
  gap: 4px;
  align-items: baseline;
  width: 100%;
  padding: 12px 18px 10px;
  border: 0;
  border-left: 4px solid transparent;
  background: none;
  text-align: left;
  font: inherit;
  color: inherit;
  cursor: pointer;
  &[aria-current] {
    background: var(--raised);
    border-left-color: var(--scribe);
  }
  &[data-held-back] {
    background: var(--dye-wash);
  }
  &[data-is='held']:not([data-held-back]) b {
    font-weight: 500;
  }
  &[data-is='stale'] {
    background: color-mix(in srgb, var(--doubt) 14%, transparent);
  }
  &[data-is='leftOut'] b {
    text-decoration: line-through;
    color: var(--quiet);
  }
  > span:first-child {
    ${numerals}
    color: var(--quiet);
  }
  small {
    display: block;
    font-size: 14px;
    color: var(--quiet);
  }
  small[data-caution] {
    color: var(--ink);
    font-weight: 600;
  }
  > :last-child {
    font-size: 13px;
    color: var(--quiet);
    text-align: right;
  }
  ${PHONE} {
    grid-template-columns: 34px 22px minmax(0, 1fr);
    padding: 12px 10px;
    > :last-child {
      grid-column: 3;
      text-align: left;
    }
  }
`

const STANDING_SAID: Readonly<Record<WalkStep['standing'], string>> = {
  done: 'done',
  stale: 'stale',
  leftOut: 'left out',
  open: 'to do',
  held: 'held',
}

/** How a step stands, as a mark that is told without its colour. */
function Mark({ is }: { is: WalkStep['standing'] }) {
  const colour = { done: 'var(--within)', stale: 'var(--doubt)', leftOut: 'var(--quiet)', open: 'var(--quiet)', held: 'var(--ink)' }[is]
  return (
    <svg width={14} height={14} viewBox="-7 -7 14 14" role="img" aria-label={STANDING_SAID[is]} style={{ color: colour }}>
      {is === 'done' && <circle r={5.5} fill="currentColor" />}
      {is === 'open' && <circle r={5} fill="none" stroke="currentColor" strokeWidth={1.4} />}
      {is === 'leftOut' && <path d="M-5 0 H5" stroke="currentColor" strokeWidth={1.8} />}
      {is === 'stale' && <path d="M0 -6 L6 5 H-6 Z" fill="none" stroke="currentColor" strokeWidth={1.8} />}
      {is === 'held' && (
        <>
          <circle r={5} fill="none" stroke="currentColor" strokeWidth={1.6} />
          <path d="M-5 5 L5 -5" stroke="currentColor" strokeWidth={1.6} />
        </>
      )}
    </svg>
  )
}

/** The steps of a stage, each with how it stands, who did it, and what it waits for. */
export function StepList({
  steps,
  numberOf,
  titleOf,
  current,
  pictures,
  below,
  onPick,
}: {
  steps: readonly WalkStep[]
  numberOf: (id: string) => number
  titleOf: (id: string) => string
  current: string | undefined
  /** How many pictures there are of a step. */
  pictures: (id: string) => number
  /** What is shown under the step in hand. */
  below: ReactNode
  onPick: (id: string) => void
}) {
  return (
    <List aria-label="Steps">
      {steps.map((step) => (
        <li key={step.id} id={step.id}>
          <Line
            type="button"
            data-step={step.id}
            data-is={step.standing}
            data-held-back={isHeldBack(step) || undefined}
            aria-current={step.id === current ? 'step' : undefined}
            onClick={() => onPick(step.id)}
          >
            <span>{numberOf(step.id)}</span>
            <span>
              <Mark is={step.standing} />
            </span>
            <span>
              <b>{stepTitle(step)}</b>
              <StepRemarks step={step} titleOf={titleOf} isCurrent={step.id === current} />
            </span>
            <span>{sideWords(step, pictures(step.id))}</span>
          </Line>
          {step.id === current && below}
        </li>
      ))}
    </List>
  )
}

/** By more than its turn. */
function isHeldBack({ standing, waits }: WalkStep): boolean {
  return standing === 'held' && waits.some((wait) => !('step' in wait))
}

function StepRemarks({ step, titleOf, isCurrent }: { step: WalkStep; titleOf: (id: string) => string; isCurrent: boolean }) {
  const { standing, waits, stale, waived, uncovered, signOff } = step
  const caution = stepCaution(step)
  return (
    <>
      {standing === 'held' && (
        <small>
          {isHeldBack(step) && <b>Held. </b>}
          {waitsWords(waits, titleOf)}
        </small>
      )}
      {standing === 'stale' && (
        <small>
          <b>Stale:</b> {staleWords(stale)}. Done again, or confirmed with a reason.
        </small>
      )}
      {waived && standing !== 'held' && (
        <small>
          Waived by {waived.by}
          {waived.second && ` and ${waived.second}`}: {waived.reason}
        </small>
      )}
      {signOff?.answer && <small>Answered: “{signOff.answer}”</small>}
      {signOff?.text && <small>{signOff.text}</small>}
      {signOff?.reason && standing === 'leftOut' && <small>Left out: {signOff.reason}</small>}
      {(isCurrent || standing === 'open') && stepWhy(step) && <small>{stepWhy(step)}</small>}
      {isCurrent && caution && <small data-caution="">{caution}</small>}
      {isCurrent && uncovered.length > 0 && (
        <small>
          <b>Last chance to see:</b> {uncovered.map(titleOf).join(', ')}.
        </small>
      )}
    </>
  )
}

function sideWords(step: WalkStep, pictures: number): string {
  const { signOff, standing, minutes, count, fastenersLeftOut = [] } = step
  const taken = pictures > 0 ? [pictures === 1 ? 'a picture' : `${pictures} pictures`] : []
  if (signOff && standing !== 'open')
    return [
      `${signOff.by} ${signOff.at.slice(0, 10)}`,
      ...(signOff.second ? [signOff.second] : []),
      ...leftOutCount(fastenersLeftOut),
      ...taken,
    ].join(' · ')
  const how = count && count.done > 0 ? countWords(step) : minutesWords(minutes)
  return [step.attitude ? `${how}, ${ATTITUDE_WORDS[step.attitude]}` : how, ...taken].join(' · ')
}

function leftOutCount(fasteners: readonly number[]): readonly string[] {
  if (fasteners.length === 0) return []
  return [fasteners.length === 1 ? 'one fastener left out' : `${fasteners.length} fasteners left out`]
}
