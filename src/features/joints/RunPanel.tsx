'use client'
import { useState } from 'react'
import type { Joint } from '@/core/document'
import { hasHigherNeighbours, hasTouched, isSealed, leftOut, oddAngles, type Run, type RunWay } from '@/core/joints'
import { Button } from '@/ui/Button'
import { TextField } from '@/ui/fields'
import { InitialsForm } from '@/ui/InitialsForm'
import { oddAngleWords, pullWords } from '@/wording'
import { Key } from '@/features/benchFrame/Key'
import { NextPull } from './NextPull'
import { About, Caption, KeyRow, List } from './runLayout'
import { RunClocks } from './RunClocks'
import { BeforeRun } from './BeforeRun'
import { oncePressed } from './pedal'
import type { RunPanelProps } from './runProps'
import { turnsOf } from '@/core/joints/turns'
import { useKeys } from '@/ui/useKeys'
import { Row, Stack } from '@/ui/Layout'
import type { RunAct } from './useRuns'

/** What stands beside the joint: who does it, what comes before the first pull, the pull itself, or what is in the way of it. */
export function RunPanel(props: RunPanelProps) {
  const { run, by, isMine } = props
  if (by === '') return <InitialsForm onGiven={props.onInitials} />
  if (!run) return props.ended ? <AfterRun {...props} ended={props.ended} /> : <BeforeRun {...props} />
  if (run.conflict) return <Parted {...props} run={run} />
  if (!isMine) return <HeldElsewhere {...props} run={run} />
  return <UnderWay {...props} run={run} />
}

type AtRun = RunPanelProps & { readonly run: Run }

/** Somebody else's device has it: nothing is torqued here until it is taken over, with a word on both. */
function HeldElsewhere({ run, joint, onSay }: AtRun) {
  const takeOver = () => onSay({ did: 'takeOver' })
  // By its own key alone: a pedal under somebody's foot takes no run away from another.
  useKeys({ t: takeOver })
  return (
    <>
      <Caption>On another device</Caption>
      <About>
        <b>{run.last.by}</b> has this run on another page or device: last {pullWords(run.last, turnsOf(joint))}, {timeWords(run.last.at)}.
      </About>
      <KeyRow>
        <button type="button" data-main onClick={takeOver}>
          <Key>t</Key> Take it over here
        </button>
      </KeyRow>
    </>
  )
}

/** Two devices torqued without knowing of each other: a person says which one counts; the other's pulls are kept and do not. */
function Parted({ run, joint, onSay }: AtRun) {
  const turns = turnsOf(joint)
  const { tips } = run.conflict!
  return (
    <>
      <Caption>Two devices went on without each other</Caption>
      <About>
        Up to “{pullWords(run.last, turns)}” both agree. What each did then is kept; the run goes on from the one you choose. Look at the
        fasteners before you do.
      </About>
      <List>
        {tips.map((tip) => (
          <li key={tip.id} data-ask>
            {tip.by}, {timeWords(tip.at)}: last {pullWords(tip, turns)}{' '}
            <Button
              size="small"
              onPress={() => onSay({ did: 'takeOver', instead: tips.filter((one) => one !== tip).map(({ id }) => id) }, tip.id)}
            >
              Go on from here
            </Button>
          </li>
        ))}
      </List>
    </>
  )
}

/** What the run came to. Its last key only leads away: a foot on the pedal begins nothing. */
function AfterRun({ ended, joint, tight, onLeave }: RunPanelProps & { readonly ended: Run }) {
  const leave = () => oncePressed(onLeave)
  useKeys({ Enter: leave, Escape: onLeave })
  return (
    <>
      <Caption>{ended.isCancelled ? 'Cancelled' : 'Ended'}</Caption>
      <About role="status">
        {ended.way === 'drawDown'
          ? 'Drawn down; tightening comes next'
          : `${joint.name} is ${tight ? '' : 'not '}tight: ${doneWords(ended)}`}
        .
      </About>
      <KeyRow>
        <button type="button" data-main onClick={leave}>
          <Key>Enter</Key> to the plan
        </button>
      </KeyRow>
    </>
  )
}

/** `30 of 30 pulls done`, `9 of 10 pulls done, 1 left out`. */
function doneWords(run: Run): string {
  const out = leftOut(run).length
  return `${run.done.size - out} of ${run.steps.length} pulls done${out > 0 ? `, ${out} left out` : ''}`
}

type Asking = 'leftOut' | 'broke' | 'end' | 'cancel'
const ASKING_WORDS: Readonly<Record<Asking, string>> = {
  cancel: 'Cancelled with fasteners turned already: why? The joint then counts as not tight.',
  end: 'Do the caps sit, and does the cam turn free by hand?',
  leftOut: 'Left out: why?',
  broke: 'It broke: how, and what stands there now?',
}

/** A new fastener starts from loose while its neighbours stand higher: whether all are backed off to it is for a person to say. */
function Broken({ onSay, onAlone }: AtRun & { readonly onAlone: () => void }) {
  const backOff = () => onSay({ did: 'backedOff', reason: 'one broke' })
  useKeys({ a: backOff, y: onAlone })
  return (
    <>
      <Caption>Before the new one is tightened</Caption>
      <About role="alert">
        <b>Its neighbours stand higher.</b> Tightened alone it pulls against them. Are all backed off to it, or is it brought up alone, as
        the maker of the gasket allows?
      </About>
      <KeyRow>
        <button type="button" data-main onClick={backOff}>
          <Key>a</Key> all are backed off: every stage again
        </button>
        <button type="button" onClick={onAlone}>
          <Key>y</Key> it alone, the others as they stand
        </button>
      </KeyRow>
    </>
  )
}

function UnderWay(props: AtRun) {
  const [aloneAfter, setAloneAfter] = useState<string>()
  const { run } = props
  if (hasHigherNeighbours(run) && aloneAfter !== run.last.id) return <Broken {...props} onAlone={() => setAloneAfter(run.last.id)} />
  return <AtPull {...props} />
}

function AtPull(props: AtRun) {
  const { run, joint, onSay, onLeave, wrench } = props
  const [asking, setAsking] = useState<Asking>()
  const { next } = run
  const at = next && { stage: next.stage, fastener: next.fastener }
  const pulled = () => oncePressed(() => onSay(next ? { did: 'pulled', ...at, ...figureOf(next) } : { did: 'end' }))
  const back = () => run.done.size > 0 && onSay({ did: 'back' })
  const cancel = () => (hasTouched(run) && run.way !== 'verify' ? setAsking('cancel') : onSay({ did: 'cancel' }))
  const keys: Readonly<Record<string, () => void>> = {
    Enter: pulled,
    ' ': pulled,
    b: back,
    c: cancel,
    l: wrench.toggle,
    ...(wrench.offered && { o: () => void wrench.take() }),
    Escape: onLeave,
    ...(next && {
      s: () => onSay({ did: 'short', ...at }),
      ...(run.way === 'drawDown' && { e: () => setAsking('end') }),
      x: () => setAsking('leftOut'),
      k: () => setAsking('broke'),
      ...(joint.sealer && run.way === 'tighten' && { r: () => onSay({ did: 'resealed' }) }),
    }),
  }
  useKeys(asking ? {} : keys)
  if (asking)
    return (
      <Reason
        label={ASKING_WORDS[asking]}
        onGiven={(reason) => {
          onSay(asking === 'end' || asking === 'cancel' ? { did: asking, reason } : { did: asking, ...at, reason })
          setAsking(undefined)
        }}
        onLeave={() => setAsking(undefined)}
      />
    )
  return (
    <>
      {next ? <NextPull {...props} next={next} /> : <AllDone run={run} joint={joint} />}
      <OddAngles joint={joint} run={run} />
      <LiveWrench wrench={wrench} />
      {next && isSealed(run) && <RunClocks joint={joint} run={run} clocks={props.clocks} />}
      <PullKeys run={run} keys={keys} wrench={wrench} />
    </>
  )
}

/** Every key of a pull, to press as well. */
function PullKeys({ run, keys, wrench }: Pick<AtRun, 'run' | 'wrench'> & { readonly keys: Readonly<Record<string, () => void>> }) {
  const { next, way } = run
  const all: readonly (readonly [name: string, words: string])[] = [
    ['s', 'stopped short'],
    ['e', 'all caps are down'],
    ['x', way === 'verify' ? 'it moved, or is left out' : 'left out'],
    ['k', 'it broke'],
    ['r', 'sealer had set: sealed again'],
    ['b', 'back'],
    ['c', 'cancel the run'],
    ['l', wrench.state === 'off' ? 'listen to a live wrench' : 'put the wrench down'],
    ['Escape', 'leave, carry on here or on another device'],
  ]
  return (
    <KeyRow>
      <button type="button" data-main onClick={keys.Enter}>
        <Key>Enter</Key> {next ? doneKeyWords(way, next) : 'end the run'}
      </button>
      {all.map(
        ([name, words]) =>
          keys[name] && <KeyButton key={name} name={name === 'Escape' ? 'Esc' : name} words={words} onPress={keys[name]} />,
      )}
    </KeyRow>
  )
}

function doneKeyWords(way: RunWay, { pull }: NonNullable<Run['next']>): string {
  if (way === 'loosen') return 'loosened'
  if (way === 'verify') return pull.pull === 'witnessMark' ? 'in line' : 'did not move'
  return pull.pull === 'snug' ? 'snug' : 'torqued'
}

/** What a pull came to, as the stage says it. */
function figureOf({ pull }: NonNullable<Run['next']>): Pick<RunAct, 'value' | 'unit'> {
  if (pull.pull === 'torque') return { value: pull.nm, unit: 'Nm' }
  return pull.pull === 'angle' ? { value: pull.deg, unit: 'deg' } : {}
}

/** Fasteners that turned otherwise than their like, as far as the wrench said how far. */
function OddAngles({ joint, run }: { joint: Joint; run: Run }) {
  const odd = oddAngles(joint, run)
  const turns = turnsOf(joint)
  if (odd.length === 0) return null
  return (
    <List role="status">
      {odd.map((one) => (
        <li key={`${one.stage}/${one.fastener}`} data-bad>
          {oddAngleWords(one, turns[one.fastener - 1]!)}
        </li>
      ))}
    </List>
  )
}

function LiveWrench({ wrench }: Pick<RunPanelProps, 'wrench'>) {
  if (wrench.state === 'off') return null
  const { mine, said, offered } = wrench
  const listening = mine.length > 0 ? `at this joint: ${mine.join(', ')}` : 'listening to a live wrench'
  return (
    <About role="status">
      {wrench.state === 'lost' ? 'live wrench: server lost, trying again' : listening}
      {said && <b> {said}</b>}
      {offered && (
        <>
          {' '}
          <Key>o</Key> take it
        </>
      )}
    </About>
  )
}

function AllDone({ run, joint }: { run: Run; joint: Joint }) {
  const out = leftOut(run)
  const turns = turnsOf(joint)
  const looks = run.way === 'tighten' ? (joint.looks?.after ?? []) : []
  return (
    <>
      <Caption>All torqued</Caption>
      <About>{doneWords(run)}.</About>
      {looks.length > 0 && (
        <List aria-label="Look before it is called done">
          {looks.map((look) => (
            <li key={look} data-ask>
              Look before you end it: {look}
            </li>
          ))}
        </List>
      )}
      {out.length > 0 && (
        <List>
          {out.map(([{ stage, fastener }, { reason }]) => (
            <li key={`${stage}/${fastener}`} data-ask>
              Fastener {turns[fastener - 1]}, stage {stage}, left out: {reason}
            </li>
          ))}
        </List>
      )}
    </>
  )
}

function KeyButton({ name, words, onPress }: { name: string; words: string; onPress: () => void }) {
  return (
    <button type="button" onClick={onPress}>
      <Key>{name}</Key> {words}
    </button>
  )
}

function Reason({ label, onGiven, onLeave }: { label: string; onGiven: (reason: string) => void; onLeave: () => void }) {
  const [text, setText] = useState('')
  return (
    <Stack
      onSubmit={(event) => {
        event.preventDefault()
        if (text.trim() !== '') onGiven(text.trim())
      }}
      as="form"
      $gap={12}
    >
      <TextField
        label={label}
        value={text}
        onChange={setText}
        maxLength={200}
        autoFocus
        onKeyDown={(event) => event.key === 'Escape' && onLeave()}
      />
      <Row>
        <Button type="submit" kind="primary" isDisabled={text.trim() === ''}>
          Keep it
        </Button>
        <Button onPress={onLeave}>Leave</Button>
      </Row>
    </Stack>
  )
}

function timeWords(at: string): string {
  return new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
}
