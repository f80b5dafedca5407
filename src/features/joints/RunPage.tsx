'use client'
import { useRouter } from 'next/navigation'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { BoltsStillWorkedOut } from './BoltLedger'
import { retiredIn } from '@/core/parts/ledger'
import type { Joint, UnitSystem } from '@/core/document'
import {
  clocksOf,
  holdRefusals,
  jointsOf,
  openRunRefusals,
  retorqueRefusals,
  tightRun,
  type Run,
  type RunRefusal,
  type RunWay,
} from '@/core/joints'
import { useDevice } from '@/ui/device'
import { useHydrated } from '@/ui/lazyPart'
import { SpokenTitle, TopBar } from '@/ui/Page'
import { useRefresh } from '@/ui/useRefresh'
import { fastenerPlaceWords, stageFigure, stageWords, WAY_WORDS } from '@/wording'
import { Waiting } from '@/features/benchFrame/benchLayout'
import { useNews } from '@/features/entries/useNews'
import { JointDrawing, type FastenerState } from './JointDrawing'
import { turnsOf } from '@/core/joints/turns'
import { RunPanel } from './RunPanel'
import { Board, Frame, Side, Ticks } from './runLayout'
import { hasWaitingBolts, type ServedJoints } from './servedJoints'
import { useRuns, type Runs, type RunAct } from './useRuns'
import { useWrench } from './useWrench'

/** One thing to do, readable from two metres: the next fastener, how far it is torqued, and one key for "pulled". */
export function RunPage({ served, jointId, way }: { served: ServedJoints; jointId: string; way: RunWay }) {
  const device = useDevice()
  const { spec } = served
  const system = device.systemFor(spec.units, served.id)
  const joint = useMemo(() => jointsOf(spec).find(({ id }) => id === jointId)!, [jointId, spec])
  const runs = useRuns(served, joint)
  const refresh = useRefresh()
  // A plan changed elsewhere is the plan here too: the figure on the wrench may not be yesterday's.
  useNews(served.id, { onRevision: (latest) => latest > served.revision && refresh() })
  const run = runs.runs.find((one) => one.way === way && !one.isEnded)
  const home = `/builds/${served.id}`
  return (
    <Frame data-ready={useHydrated() || undefined}>
      <TopBar
        trail={[
          { href: home, words: spec.name },
          { href: `${home}/joints/${joint.id}`, words: joint.name },
        ]}
        note={titleWords(run, way)}
        ownSystem={spec.units}
        buildId={served.id}
      >
        <Unsent runs={runs} />
      </TopBar>
      <Board>
        <SpokenTitle>
          {WAY_WORDS[way]}: {joint.name}, {spec.name}
        </SpokenTitle>
        <JointDrawing
          joint={joint}
          layout={spec.layout}
          turns={turnsOf(joint)}
          stateOf={(fastener) => fastenerState(run, fastener)}
          here={run?.next?.fastener}
        />
        {run && <StageTicks run={run} system={system} />}
      </Board>
      <RunSide joint={joint} runs={runs} run={run} way={way} served={served} system={system} />
    </Frame>
  )
}

function titleWords(run: Run | undefined, way: RunWay): string {
  if (!run?.next) return WAY_WORDS[way].toLowerCase()
  const most = run.steps.at(-1)!.stage
  return `${WAY_WORDS[way].toLowerCase()}, stage ${run.next.stage} of ${most}`
}

function Unsent({ runs: { unsent, trouble, refused } }: { runs: Runs }) {
  return (
    <>
      {unsent.size > 0 && (
        <Waiting role="status">
          {unsent.size} not sent yet, kept on this device{trouble && `: ${trouble}`}
        </Waiting>
      )}
      {refused.length > 0 && (
        <Waiting role="alert">
          {refused.length} not taken by the server: {refused[0]!.reason}
        </Waiting>
      )}
    </>
  )
}

/** How a fastener stands at the stage that is under way. */
function fastenerState(run: Run | undefined, fastener: number): FastenerState {
  if (!run) return 'open'
  const stage = run.next?.stage ?? run.steps.at(-1)!.stage
  if (run.next?.fastener === fastener) return 'here'
  const step = run.steps.find((one) => one.fastener === fastener && one.stage === stage)
  const pull = step && run.done.get(step)
  if (!pull) return 'open'
  return pull.did === 'leftOut' ? 'leftOut' : 'done'
}

/** The run as graduations, stage by stage, inked as far as it has come. */
function StageTicks({ run, system }: { run: Run; system: UnitSystem }) {
  const stages = [...new Set(run.steps.map(({ stage }) => stage))]
  return (
    <Ticks aria-hidden>
      {stages.map((stage) => {
        const steps = run.steps.filter((step) => step.stage === stage)
        return (
          <div key={stage} data-here={run.next?.stage === stage || undefined}>
            <p>
              {steps.map((step) => (
                <i key={step.fastener} data-done={run.done.has(step) || undefined} data-here={step === run.next || undefined} />
              ))}
            </p>
            <span>{stageWords(steps[0]!.pull, system)}</span>
          </div>
        )
      })}
    </Ticks>
  )
}

/** What a run may not begin with for what was before it: a joint it waits for, bolts that are done with, a figure above the first. */
function refusalsOf(joint: Joint, way: RunWay, runs: readonly Run[], { id, spec, pulls, retired }: ServedJoints): readonly RunRefusal[] {
  const open = openRunRefusals(way, runs)
  if (way !== 'tighten' && way !== 'retorque') return open
  const before = way === 'tighten' ? holdRefusals(joint, jointsOf(spec), pulls) : retorqueRefusals(joint, runs)
  return [...open, ...retiredIn(joint, id, retired), ...before]
}

/** What is done with the wrench in hand, and with its keys. */
function RunSide({
  joint,
  runs,
  run,
  way,
  served,
  system,
}: {
  joint: Joint
  runs: Runs
  run: Run | undefined
  way: RunWay
  served: ServedJoints
  system: UnitSystem
}) {
  const device = useDevice()
  const router = useRouter()
  const by = device.initials
  const isMine = run !== undefined && run.last.device === runs.device
  const { say, trouble, endedId } = useSaying(runs, run, by)
  const wrench = useWrench({
    run,
    isMine,
    by,
    words: `${by || 'somebody'} at ${served.spec.name}, ${joint.name.toLowerCase()}`,
    onSay: say,
  })
  const leave = useCallback(() => router.push(`/builds/${served.id}/joints/${joint.id}`), [joint.id, router, served.id])
  useSpoken(run, joint, served, system)
  return (
    <Side>
      {trouble && <p role="alert">{trouble}</p>}
      {!run && hasWaitingBolts(joint, served) && <BoltsStillWorkedOut builds={served.buildsWaiting} />}
      <RunPanel
        joint={joint}
        layout={served.spec.layout}
        run={run}
        ended={runs.runs.find(({ id }) => id === endedId)}
        tight={tightRun(runs.runs)}
        way={way}
        system={system}
        refusals={refusalsOf(joint, way, runs.runs, served)}
        clocks={clocksOf(joint, runs.runs)}
        by={by}
        isMine={isMine}
        onInitials={(initials) => device.set({ initials })}
        onBegin={() => runs.begin(by, way)}
        onSay={say}
        onLeave={leave}
        wrench={wrench}
      />
    </Side>
  )
}

/** Adds to the run that is under way, says where the device keeps nothing, and remembers which run was ended on this page. */
function useSaying(runs: Runs, run: Run | undefined, by: string) {
  const [trouble, setTrouble] = useState('')
  const [endedId, setEndedId] = useState<string>()
  const say = useCallback(
    (said: RunAct, follows?: string) => {
      if (!run) return
      const kept = runs.say(by, run, said, follows)
      if (said.did === 'end' || said.did === 'cancel') setEndedId(run.id)
      setTrouble(kept === 'kept' ? '' : 'This device is full and keeps nothing: write it down until it is sent.')
    },
    [by, run, runs],
  )
  return { say, trouble, endedId }
}

const SPEAK_KEY = 'kalibros.speak'

/** The next fastener and its figure, aloud, where this device was asked to. */
function useSpoken(run: Run | undefined, joint: Joint, { spec }: ServedJoints, system: UnitSystem): void {
  const next = run?.next
  useEffect(() => {
    if (!next || localStorage.getItem(SPEAK_KEY) !== 'on' || !('speechSynthesis' in window)) return
    const { value, unit } = stageFigure(next.pull, system)
    const turn = turnsOf(joint)[next.fastener - 1]
    const words = `${turn}. ${value} ${unit}. ${fastenerPlaceWords(joint, spec.layout, next.fastener)}`
    window.speechSynthesis.cancel()
    window.speechSynthesis.speak(new SpeechSynthesisUtterance(words))
  }, [joint, next, spec.layout, system])
}
