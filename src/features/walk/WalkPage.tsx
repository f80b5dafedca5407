'use client'
import styled from 'styled-components'
import type { StageId } from '@/core/document/walkStages'
import type { WalkStep } from '@/core/walk'
import { Button } from '@/ui/Button'
import { NARROW, PHONE } from '@/ui/GlobalStyle'
import { useHydrated } from '@/ui/lazyPart'
import { RefusedChange } from '@/features/entries/RefusedChange'
import { Notice, SpokenTitle, TopBar } from '@/ui/Page'
import { STAGE_WORDS } from '@/wording/walk'
import { INITIALS_WANTED } from '@/wording/initials'
import { Row } from '@/ui/Layout'
import { ChangePanel } from './ChangePanel'
import { OwnStepPanel } from './OwnStepPanel'
import { PrintedWalk } from './PrintedWalk'
import { StepPhotos } from './StepPhotos'
import type { ServedWalk } from './servedWalk'
import { StageTabs } from './StageTabs'
import { StepList } from './StepList'
import { StepPanel } from './StepPanel'
import { useWalkInHand, type WalkInHand } from './useWalkInHand'
import { TimingMarks } from './TimingMarks'
import { WaitLinks } from './WaitLinks'
import { WalkSide } from './WalkSide'

const Frame = styled.div`
  display: grid;
  grid-template: auto minmax(0, 1fr) / minmax(0, 1fr);
  height: 100dvh;
  ${PHONE} {
    height: auto;
  }
  @media print {
    display: none;
  }
`
const Middle = styled.main`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) 340px;
  min-height: 0;
  > * {
    overflow-y: auto;
    min-height: 0;
  }
  > aside {
    border-left: 1px solid var(--hairline);
    background: var(--raised);
  }
  ${NARROW} {
    grid-template-columns: auto minmax(0, 1fr);
    > aside {
      grid-column: 1 / -1;
      border-left: 0;
      border-top: 1px solid var(--hairline);
    }
  }
  ${PHONE} {
    grid-template-columns: minmax(0, 1fr);
    > * {
      overflow: visible;
    }
    > nav {
      overflow-x: auto;
    }
  }
`
const Head = styled.header`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  padding: 16px 18px 12px;
  border-bottom: 2px solid var(--hairline);
  h2 {
    font-size: 24px;
    margin-right: auto;
  }
`

/** The walk: stages down, the steps of one with what holds them, done by a key. */
export function WalkPage({ served, startAt }: { served: ServedWalk; startAt: string | undefined }) {
  const hand = useWalkInHand(served, startAt)
  const { walk, titleOf, numberOf } = hand
  // Only a browser prints: the server need not draw every step twice.
  const isHydrated = useHydrated()
  return (
    <>
      {isHydrated && <PrintedWalk name={served.spec.name} steps={walk.steps} numberOf={numberOf} titleOf={titleOf} />}
      <Screen served={served} hand={hand} />
    </>
  )
}

function Screen({ served, hand }: { served: ServedWalk; hand: WalkInHand }) {
  const { walk, step, stage, by, said, titleOf, numberOf, pick } = hand
  return (
    <Frame data-ready={useHydrated() || undefined}>
      <TopBar
        trail={[
          { href: `/builds/${served.id}`, words: served.spec.name },
          { href: '#', words: 'Walk' },
        ]}
        note={`step ${step ? numberOf(step.id) : 1} of ${walk.steps.length}`}
        ownSystem={served.spec.units}
        buildId={served.id}
      />
      <Middle>
        <StageTabs steps={walk.steps} stage={stage} onPick={(next) => pick(firstOf(walk.steps, next))} />
        <section aria-label={STAGE_WORDS[stage].title}>
          <SpokenTitle>Walk, {served.spec.name}</SpokenTitle>
          <Head>
            <h2>{STAGE_WORDS[stage].title}</h2>
            {step && <StepActions step={step} hand={hand} />}
          </Head>
          {by === '' && <Notice>{INITIALS_WANTED}</Notice>}
          {walk.trouble && <Notice role="status">{walk.trouble}</Notice>}
          {walk.refused.map(({ entry, reason }) => (
            <Notice key={entry.id} role="alert">
              {reason}
            </Notice>
          ))}
          {hand.photo.trouble && <Notice role="alert">{hand.photo.trouble}</Notice>}
          <p role="status" aria-live="polite" style={{ padding: '0 18px', minHeight: 20 }}>
            {said}
          </p>
          <StepList
            steps={walk.steps.filter((one) => one.stage === stage)}
            numberOf={numberOf}
            titleOf={titleOf}
            current={step?.id}
            pictures={(id) => picturesOf(served, hand, id).kept.length}
            below={
              step && (
                <>
                  <TimingMarks step={step} drive={served.spec.drive} />
                  <UnderStep served={served} hand={hand} step={step} />
                </>
              )
            }
            onPick={pick}
          />
        </section>
        <Waiting served={served} hand={hand} />
      </Middle>
      <Panels served={served} hand={hand} />
    </Frame>
  )
}

/** Those of a step: on the server, and on this device alone. */
function picturesOf({ photos }: ServedWalk, { photo }: WalkInHand, id: string) {
  const ofStep = ({ step }: { readonly step: string }) => step === id
  return { kept: photos.filter(ofStep), waiting: photo.waiting.filter(ofStep) }
}

/** Under the step in hand: where what it waits for is done, and its pictures. */
function UnderStep({ served, hand, step }: { served: ServedWalk; hand: WalkInHand; step: WalkStep }) {
  const { walk, titleOf, pick } = hand
  return (
    <>
      <WaitLinks buildId={served.id} step={step} steps={walk.steps} titleOf={titleOf} onPick={pick} />
      <StepPhotos buildId={served.id} title={titleOf(step.id)} {...picturesOf(served, hand, step.id)} />
    </>
  )
}

function Waiting({ served, hand }: { served: ServedWalk; hand: WalkInHand }) {
  return (
    <aside aria-label="What waits">
      <WalkSide
        buildId={served.id}
        lastSeq={served.lastSeq}
        walk={served.walk}
        steps={hand.walk.steps}
        clocks={served.clocks}
        openRuns={served.openRuns}
        onPick={hand.pick}
        onPart={(did, part) => hand.tell({ did, part })}
      />
      <Row style={{ padding: 16 }}>
        <Button onPress={() => hand.setOpen('change')}>Something was changed…</Button>
        <Button onPress={() => hand.setOpen('own')}>Add a step…</Button>
        <Button kind="plain" onPress={() => window.print()}>
          Print the checklist
        </Button>
      </Row>
    </aside>
  )
}

function Panels({ served, hand }: { served: ServedWalk; hand: WalkInHand }) {
  const { step, saying, by, titleOf } = hand
  return (
    <>
      {step && saying && (
        <StepPanel
          step={step}
          saying={saying}
          engine={served.spec}
          by={by}
          titleOf={titleOf}
          onSay={hand.tell}
          onClose={() => hand.setSaying(undefined)}
        />
      )}
      {hand.open === 'change' && <ChangePanel onChange={hand.change} onClose={() => hand.setOpen(undefined)} />}
      {hand.open === 'own' && <OwnStepPanel stage={hand.stage} onAdd={hand.addOwn} onClose={() => hand.setOpen(undefined)} />}
      <RefusedChange edit={hand.edit} />
    </>
  )
}

/** What of a stage is to be done first, or its first step. */
function firstOf(steps: readonly WalkStep[], stage: StageId): string | undefined {
  const here = steps.filter((one) => one.stage === stage)
  return (here.find(({ standing }) => standing === 'open' || standing === 'stale') ?? here[0])?.id
}

/** What can be done with a step, each with its key. */
function StepActions({ step, hand: { isHere, done, ask, undo, mayMove, shift, photo } }: { step: WalkStep; hand: WalkInHand }) {
  const { standing } = step
  return (
    <>
      <Button kind="primary" isDisabled={standing === 'held'} onPress={done}>
        {isHere ? 'Done' : 'Go there'} <kbd>Enter</kbd>
      </Button>
      {standing === 'held' && (
        <Button onPress={ask('waived')}>
          Waive… <kbd>w</kbd>
        </Button>
      )}
      {standing === 'stale' && (
        <Button onPress={ask('confirmed')}>
          Still true… <kbd>c</kbd>
        </Button>
      )}
      {isHere && standing !== 'held' && (
        <Button onPress={ask('done')}>
          With a note… <kbd>n</kbd>
        </Button>
      )}
      <Button kind="plain" onPress={photo.ask}>
        Picture… <kbd>p</kbd>
      </Button>
      <Button kind="plain" onPress={ask('leftOut')}>
        Leave out… <kbd>l</kbd>
      </Button>
      {mayMove(-1) && (
        <Button kind="plain" onPress={() => shift(-1)}>
          Earlier <kbd>e</kbd>
        </Button>
      )}
      {mayMove(1) && (
        <Button kind="plain" onPress={() => shift(1)}>
          Later <kbd>t</kbd>
        </Button>
      )}
      <Button kind="plain" onPress={undo}>
        Take back… <kbd>z</kbd>
      </Button>
    </>
  )
}
