'use client'
import { useCallback, useMemo, useState } from 'react'
import styled from 'styled-components'
import { BoltsStillWorkedOut } from './BoltLedger'
import { retiredIn } from '@/core/parts/ledger'
import type { Joint, UnitSystem } from '@/core/document'
import type { EngineLayout } from '@/core/geometry/crank'

import {
  jointsOf,
  leftOut,
  planIssues,
  tightRun,
  withFastenerAt,
  withJoint,
  withoutLastFastener,
  type OrderIssue,
  type Position,
  type Run,
  type RunWay,
} from '@/core/joints'
import { RefusedChange } from '@/features/entries/RefusedChange'
import { useSpec } from '@/features/entries/useSpec'
import { Button, LinkButton } from '@/ui/Button'
import { useDevice } from '@/ui/device'
import { TextField } from '@/ui/fields'
import { lazyPart, useHydrated } from '@/ui/lazyPart'
import { Lead, Main, Notice, Section, SectionTitle, Title, TopBar } from '@/ui/Page'
import { planIssueWords, pullWords, runCountWords, typeWords, WAY_WORDS } from '@/wording'
import { ClampSection } from './ClampSection'
import { FastenerFields } from './FastenerFields'
import { GroupFields } from './GroupFields'
import { HoleTable } from './HoleTable'
import { BeforeAfterFields } from './BeforeAfterFields'
import { HoldFields } from './HoldFields'
import { JointDrawing, type FastenerState } from './JointDrawing'
import type { ChangeJoint } from './planEdit'
import { hasWaitingBolts, type ServedJoints } from './servedJoints'
import { turnsOf } from '@/core/joints/turns'
import { Row } from '@/ui/Layout'
import { PatternFile } from './PatternFile'
import { useNumbering } from './useNumbering'
import { useRuns } from './useRuns'

const Plan = styled.div`
  height: min(44dvh, 420px);
  border: 1px solid var(--hairline);
  background: var(--ground);
`

/** One joint: where its fasteners stand, in which order and how far they are torqued, and every run of it there was. */
export function JointPage({ served, jointId }: { served: ServedJoints; jointId: string }) {
  const device = useDevice()
  const edit = useSpec(served.id, served.spec, served.revision, device.initials)
  const { spec } = edit
  const system = device.systemFor(spec.units, served.id)
  const joint = useMemo(() => jointsOf(spec).find(({ id }) => id === jointId)!, [jointId, spec])
  const { runs } = useRuns(served, joint)
  const change: ChangeJoint = useCallback(
    (words, next) => edit.change(`${joint.name}: ${words}`, (now) => withJoint(now, jointId, next)),
    [edit, joint.name, jointId],
  )
  const home = `/builds/${served.id}`
  return (
    <div data-ready={useHydrated() || undefined}>
      <TopBar
        trail={[
          { href: home, words: spec.name },
          { href: `${home}/joints`, words: 'Joints' },
          { href: '#', words: joint.name },
        ]}
        ownSystem={spec.units}
        buildId={served.id}
      />
      <Main>
        <Row $spread="apart">
          <Title>{joint.name}</Title>
          <RunLinks home={`${home}/joints/${jointId}/run`} kind={joint.kind} runs={runs} />
        </Row>
        <Lead>
          What stands on the maker’s sheet outranks what is usual. A figure nobody knows is left out: the joint is then recorded, and no
          clamp is claimed.
        </Lead>
        {hasWaitingBolts(joint, served) && <BoltsStillWorkedOut builds={served.buildsWaiting} />}
        <Pattern joint={joint} layout={spec.layout} runs={runs} change={change} />
        {joint.types.length > 1 && <PlacementMap joint={joint} layout={spec.layout} system={system} />}
        <TemplateLinks joint={joint} href={`/api/builds/${served.id}/joints/${jointId}/template.pdf`} change={change} />
        <PlanIssues joint={joint} system={system} />
        {joint.groups.map((group, index) => (
          <GroupFields key={index} joint={joint} group={group} index={index} system={system} change={change} />
        ))}
        <BeforeAfterFields joint={joint} joints={jointsOf(spec)} change={change} />
        <HoldFields joint={joint} system={system} change={change} />
        <FastenerFields joint={joint} system={system} change={change} />
        <HoleTable
          joint={joint}
          system={system}
          layout={spec.layout}
          change={change}
          retired={retiredIn(joint, served.id, served.retired)}
        />
        <ClampSection joint={joint} spec={spec} system={system} />
        <PastRuns runs={runs} turns={turnsOf(joint)} />
        <RefusedChange edit={edit} />
      </Main>
    </div>
  )
}

function PlanIssues({ joint, system }: { joint: Joint; system: UnitSystem }) {
  const issues = planIssues(joint)
  if (issues.length === 0) return null
  return (
    <Section aria-label="To be put right">
      {issues.map((issue) => (
        <Notice key={planIssueWords(issue, system)} data-tone="bad">
          {joint.groups.length > 1 && issue.group !== undefined && `${joint.groups[issue.group]!.name}: `}
          {planIssueWords(issue, system, turnsOf(joint))}
        </Notice>
      ))}
    </Section>
  )
}

function Pattern({
  joint,
  layout,
  runs,
  change,
}: {
  joint: Joint
  layout: EngineLayout
  /** Pulls stand on the fasteners there were: a joint that was run keeps its pattern. */
  runs: readonly Run[]
  change: ChangeJoint
}) {
  const numbering = useNumbering(joint, change)
  const [isPlacing, setPlacing] = useState(false)
  const place = (at: Position) => change('a fastener placed', (now) => withFastenerAt(now, at) ?? now)
  return (
    <Section aria-label="Pattern and order">
      <SectionTitle>Pattern and order, front to the left</SectionTitle>
      <Plan>
        <JointDrawing
          joint={joint}
          layout={layout}
          turns={numbering.turns ?? turnsOf(joint)}
          stateOf={stateOf(numbering.given)}
          onPick={numbering.pick}
          onPlace={isPlacing ? place : undefined}
        />
      </Plan>
      <Numbering numbering={numbering} />
      <Dragging joint={joint} layout={layout} change={change} />
      {runs.length === 0 && (
        <>
          <Row>
            <Button aria-pressed={isPlacing} onPress={() => setPlacing((now) => !now)}>
              {isPlacing ? 'Done placing' : 'Place fasteners by click'}
            </Button>
            {isPlacing && <Button onPress={() => change('the last one away', withoutLastFastener)}>Take the last one away</Button>}
          </Row>
          <PatternFile change={change} />
        </>
      )}
    </Section>
  )
}

const stateOf =
  (given: readonly number[] | undefined) =>
  (fastener: number): FastenerState =>
    given?.includes(fastener) ? 'done' : 'open'

function Numbering({ numbering }: { numbering: ReturnType<typeof useNumbering> }) {
  const { given, start, stop, take, type } = numbering
  if (given)
    return (
      <Row role="status">
        <b>Click the fasteners in the order they are torqued: {given.length} numbered.</b>
        <Button onPress={stop}>Leave the order as it was</Button>
      </Row>
    )
  return (
    <Row>
      <Button onPress={start}>Number them by click</Button>
      <Button onPress={() => take('centreOut')}>From the middle outwards, opposed</Button>
      <Button onPress={() => take('spiral')}>Spiral from the middle</Button>
      <TypedOrder onGiven={type} />
    </Row>
  )
}

/** Which type goes where: a long bolt in a short hole, or the other way round, is the slip it keeps off. */
function PlacementMap({ joint, layout, system }: { joint: Joint; layout: EngineLayout; system: UnitSystem }) {
  return (
    <Section aria-label="Which goes where">
      <SectionTitle>Which goes where</SectionTitle>
      <Plan>
        <JointDrawing
          // The letter stands in the mark: none beside it.
          joint={{ ...joint, types: joint.types.slice(0, 1), sealant: undefined }}
          layout={layout}
          turns={joint.fasteners.map(({ type }) => type)}
          stateOf={() => 'open'}
        />
      </Plan>
      <Row>
        {joint.types.map((type) => (
          <span key={type.letter}>
            <b>{type.letter}</b> {typeWords(joint, type, system)}
          </span>
        ))}
      </Row>
    </Section>
  )
}

const OrderList = lazyPart(() => import('./OrderList').then((module) => module.OrderList))

/** The order as lists to drag; fetched when it is asked for. */
function Dragging({ joint, layout, change }: { joint: Joint; layout: EngineLayout; change: ChangeJoint }) {
  const [isOpen, setOpen] = useState(false)
  return (
    <>
      <Row>
        <Button aria-expanded={isOpen} onPress={() => setOpen((now) => !now)}>
          {isOpen ? 'Put the list away' : 'Drag them into order'}
        </Button>
      </Row>
      {isOpen &&
        joint.groups.map((group, index) => (
          <OrderList key={index} joint={joint} group={group} index={index} layout={layout} change={change} />
        ))}
    </>
  )
}

/** The joint on paper, to lay on the casting. */
function TemplateLinks({ joint, href, change }: { joint: Joint; href: string; change: ChangeJoint }) {
  if (!joint.placed)
    return (
      <Notice>
        Its fasteners are drawn where such a joint usually has them. A template at true scale wants where they stand: from a table, or{' '}
        <Button size="small" onPress={() => change('its fasteners stand where they are drawn', (now) => ({ ...now, placed: true }))}>
          They stand just so, to the millimetre
        </Button>
      </Notice>
    )
  return (
    <Row>
      <a href={href} download>
        Paper template at true scale, A4
      </a>
      <a href={`${href}?size=letter`} download>
        Letter
      </a>
    </Row>
  )
}

/** The order typed: the numbers that stand there now, in their new order. What is missing or doubled is named, and nothing is stored. */
function TypedOrder({ onGiven }: { onGiven: (numbers: readonly number[]) => readonly OrderIssue[] }) {
  const [text, setText] = useState('')
  const [error, setError] = useState<string>()
  const commit = () => {
    if (text.trim() === '') return setError(undefined)
    const issues = onGiven(
      text
        .split(/[^\d]+/)
        .filter(Boolean)
        .map(Number),
    )
    setError(issues.length > 0 ? issues.map((issue) => planIssueWords(issue, 'metric')).join(' ') : undefined)
    if (issues.length === 0) setText('')
  }
  return (
    <TextField
      label="Or type them in their new order"
      placeholder="3 1 2 …"
      value={text}
      onChange={setText}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
      error={error}
      numeric
    />
  )
}

function RunLinks({ home, kind, runs }: { home: string; kind: Joint['kind']; runs: readonly Run[] }) {
  const open = runs.find(({ isEnded }) => !isEnded)
  const again = tightRun(runs) ? (['verify', 'retorque'] as const) : []
  const all: readonly RunWay[] = [...(kind === 'camCaps' ? (['drawDown'] as const) : []), 'tighten', ...again, 'loosen']
  const primary = open ? undefined : 'tighten'
  return (
    <Row>
      {open && (
        <LinkButton href={`${home}?way=${open.way}`} kind="primary">
          {WAY_WORDS[open.way]}: go on at {open.done.size} of {open.steps.length}
        </LinkButton>
      )}
      {all
        .filter((way) => way !== open?.way)
        .map((way) => (
          <LinkButton key={way} href={`${home}?way=${way}`} kind={way === primary ? 'primary' : undefined}>
            {WAY_WORDS[way]}
          </LinkButton>
        ))}
    </Row>
  )
}

const RunList = styled.ol`
  display: grid;
  gap: 10px;
  li {
    padding-left: 14px;
    border-left: 3px solid var(--dye);
  }
`

function PastRuns({ runs, turns }: { runs: readonly Run[]; turns: readonly string[] }) {
  if (runs.length === 0) return null
  return (
    <Section aria-label="Runs">
      <SectionTitle>Runs, the last first</SectionTitle>
      <RunList>
        {runs.map((run) => (
          <li key={run.id}>
            <b>{WAY_WORDS[run.way]}</b>, begun by {run.begun.by}, {run.begun.at.slice(0, 10)}: {runCountWords(run)}. Last:{' '}
            {pullWords(run.last, turns)} ({run.last.by}).
            {leftOut(run).map(([, pull]) => (
              <p key={pull.id}>{pullWords(pull, turns)}</p>
            ))}
          </li>
        ))}
      </RunList>
    </Section>
  )
}
