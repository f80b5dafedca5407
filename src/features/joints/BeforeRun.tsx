'use client'
import { useState } from 'react'
import { jointRefusals } from '@/core/joints/bolts'
import type { Joint, UnitSystem } from '@/core/document'
import { crankMoves, fromMemory, leftMs, paceMs, stepsOf, unverifiable, wrenchFor, type RunWay, type Step } from '@/core/joints'
import { dressWords, runCautions, runRefusalWords, stagesWords, stageWords, WAY_WORDS } from '@/wording'
import { Key } from '@/features/benchFrame/Key'
import { clockWords } from '../clocks/clockWords'
import { About, Caption, KeyRow, List } from './runLayout'
import { oncePressed } from './pedal'
import type { RunPanelProps } from './runProps'
import { useKeys } from '@/ui/useKeys'
import { useNow } from '../clocks/useNow'

/** Before the first pull: what has to lie ready, how long it takes, and what has to be put right or said first. */
export function BeforeRun({ joint, way, system, tight, refusals: fromBefore, clocks, onBegin, onLeave }: RunPanelProps) {
  const [isSure, setSure] = useState(false)
  const refusals = [...jointRefusals(joint, way), ...fromBefore]
  const memory = fromMemory(joint)
  const mayBegin = refusals.length === 0
  const isAgain = way === 'tighten' && tight !== undefined
  const begin = () =>
    oncePressed(() => {
      if (!mayBegin) return
      if ((memory.length > 0 || isAgain) && !isSure) setSure(true)
      else onBegin()
    })
  useKeys({ Enter: begin, Escape: onLeave })
  return (
    <>
      <Caption>Before the first pull</Caption>
      <Kit joint={joint} way={way} system={system} />
      {way === 'retorque' && <Rest clocks={clocks} />}
      {refusals.length > 0 && (
        <List role="alert">
          {refusals.map((refusal) => (
            <li key={runRefusalWords(refusal, system)} data-bad>
              {runRefusalWords(refusal, system)}
            </li>
          ))}
        </List>
      )}
      {isAgain && mayBegin && (
        <About role={isSure ? 'alert' : undefined}>
          <b>
            Tight since {tight.last.at.slice(0, 10)} ({tight.last.by}).
          </b>{' '}
          It is tightened again only from loose: to look for a missed fastener, verify it. {isSure && 'All loose? Enter once more.'}
        </About>
      )}
      {memory.length > 0 && mayBegin && (
        <About role={isSure ? 'alert' : undefined}>
          <b>From memory: {memory.join(', ')}.</b> Nobody has read it off the maker’s sheet. {isSure && 'Enter once more if you mean it.'}
        </About>
      )}
      <KeyRow>
        <button type="button" data-main onClick={begin} disabled={!mayBegin}>
          <Key>Enter</Key> {isSure ? 'begin all the same' : WAY_WORDS[way].toLowerCase()}
        </button>
        <button type="button" onClick={onLeave}>
          <Key>Esc</Key> to the plan
        </button>
      </KeyRow>
    </>
  )
}

/** Whether the joint has rested as long as it was to. */
function Rest({ clocks }: Pick<RunPanelProps, 'clocks'>) {
  const now = useNow()
  const rest = clocks.find(({ kind }) => kind === 'rests')
  if (!rest || now === undefined) return null
  const left = leftMs(rest, now)
  return (
    <List>
      <li data-bad={left > 0 || undefined}>
        {left > 0 ? `It has not rested yet: ${clockWords(left)} to go. The gasket still settles.` : 'It has rested as long as it was to.'}
      </li>
    </List>
  )
}

/** What has to lie ready. */
function Kit({ joint, way, system }: { joint: Joint; way: RunWay; system: UnitSystem }) {
  const steps = stepsOf(joint, way)
  const neededMs = paceMs([]) * steps.length
  const { sealer, groups } = joint
  const turns = crankMoves(joint, steps)
  const isTooLong = sealer?.openMinutes !== undefined && way === 'tighten' && neededMs > sealer.openMinutes * 60_000
  return (
    <List>
      <li>
        {steps.length} pulls, about {clockWords(neededMs)}
      </li>
      {way === 'tighten' && (sealer || joint.sealant) && <li>dry fit first: everything once on without sealer, then off, clean, sealed</li>}
      {turns > 0 && <li>the crank turned to a stop {turns === 1 ? 'once' : `${turns} times`}, by somebody who sees the wrench</li>}
      {way === 'tighten' &&
        groups.map((group) => (
          <li key={group.name}>
            {groups.length > 1 ? `${group.name}: ` : ''}
            {stagesWords(group.stages, system)}
            {group.dress && `; ${dressWords(group)}`}
          </li>
        ))}
      {way === 'verify' && <VerifyLines joint={joint} />}
      {wrenchWords(joint, steps, system).map((words) => (
        <li key={words}>{words}</li>
      ))}
      {way === 'tighten' && joint.looks?.before?.map((look) => <li key={look}>look first: {look}</li>)}
      {runCautions(joint, way).map((words) => (
        <li key={words} data-caution="">
          <b>Caution:</b> {words}
        </li>
      ))}
      {sealer && way === 'tighten' && (
        <li data-bad={isTooLong || undefined}>
          {sealer.name},{' '}
          {sealer.openMinutes === undefined
            ? 'how long it stays open is not known: its tube says'
            : `open for ${clockWords(sealer.openMinutes * 60_000)}`}
          {isTooLong && ': it sets before the last pull. Work with somebody else, or seal and pull it in parts.'}
        </li>
      )}
    </List>
  )
}

/** What a pass of verification tells, and of which groups it tells nothing. */
function VerifyLines({ joint }: { joint: Joint }) {
  const hasAngle = joint.groups.some(({ stages }) => stages.at(-1)?.pull === 'angle')
  return (
    <>
      <li>one that moves was missed: leave it out with that reason, then loosen the joint and tighten it again</li>
      {hasAngle && <li>no angle is turned again: each is checked at the torque before its angle, or by its witness mark</li>}
      {unverifiable(joint).map(({ name }) => (
        <li key={name} data-bad>
          {name}: run down without a figure, cannot be verified
        </li>
      ))}
    </>
  )
}

/** Which wrench reads which stages, and where one stops and the next is wanted. */
function wrenchWords({ wrenches = [] }: Joint, steps: readonly Step[], system: UnitSystem): readonly string[] {
  const stages = new Map(steps.map(({ pull }) => [stageWords(pull, system), pull] as const))
  const byWrench = new Map<string, string[]>()
  for (const [words, pull] of stages) {
    const wrench = pull.pull === 'torque' ? wrenchFor(wrenches, pull.nm) : undefined
    if (wrench) byWrench.set(wrench.name, [...(byWrench.get(wrench.name) ?? []), words])
  }
  return [...byWrench].map(([name, words]) => {
    const checkedOn = wrenches.find((wrench) => wrench.name === name)?.checkedOn
    return `wrench ${name}: ${words.join(', ')}; ${checkedOn ? `checked ${checkedOn}` : 'no check on record'}`
  })
}
