'use client'
import { useState } from 'react'
import styled from 'styled-components'
import { withChanges } from '@/core/document/changes'
import { watchedFirst } from '@/core/whatIf'
import { RefusedChange } from '@/features/entries/RefusedChange'
import { useNews } from '@/features/entries/useNews'
import { Button } from '@/ui/Button'
import { useDevice } from '@/ui/device'
import { PHONE } from '@/ui/GlobalStyle'
import { lazyPart, useHydrated } from '@/ui/lazyPart'
import { SpokenTitle, TopBar } from '@/ui/Page'
import { useRefresh } from '@/ui/useRefresh'
import { planWords } from '@/wording/whatIf'
import type { ServedBuild } from '@/features/entries/servedBuild'
import { Breaks, Sensitivity, WouldMove } from './Consequences'
import { KnobRules, PartLocks } from './KnobRules'
import { MovedTable } from './MovedTable'
import type { Despite } from './PlanPanel'
import { MOST_KEPT, useWhatIf, type WhatIf } from './useWhatIf'

const PlanPanel = lazyPart(() => import('./PlanPanel').then((module) => module.PlanPanel))
const SearchPanel = lazyPart(() => import('./SearchPanel').then((module) => module.SearchPanel))

const Frame = styled.div`
  display: grid;
  grid-template: auto minmax(0, 1fr) auto / minmax(0, 1fr);
  height: 100dvh;
  ${PHONE} {
    height: auto;
  }
`
const Middle = styled.main`
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr) 330px;
  min-height: 0;
  > * {
    overflow-y: auto;
    min-height: 0;
  }
  > :first-child {
    border-right: 1px solid var(--hairline);
    background: var(--raised);
  }
  > :nth-child(2) {
    padding: 16px 20px;
  }
  > :last-child {
    border-left: 1px solid var(--hairline);
    background: var(--raised);
  }
  ${PHONE} {
    grid-template-columns: minmax(0, 1fr);
    > * {
      overflow: visible;
      border: 0;
    }
    > :nth-child(2) {
      order: -1;
      overflow-x: auto;
    }
  }
`
const Foot = styled.footer`
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  padding: 14px 20px;
  border-top: 2px solid var(--dye);
  background: var(--raised);
  > :last-child {
    margin-left: auto;
  }
  ${PHONE} {
    position: sticky;
    bottom: 0;
  }
`
/** Every knob of an engine and what it moves over all benches: nothing touches it until a variant is taken as the plan. */
export function WhatIfPage({ served, revision }: { served: ServedBuild; revision: number }) {
  const device = useDevice()
  const refresh = useRefresh()
  // A reading that comes in from the bench moves today, and with it every variant.
  useNews(served.id, { onEntries: refresh })
  const what = useWhatIf(served, revision, device.initials)
  const system = device.systemFor(what.build.spec.units, served.id)
  const [watched, setWatched] = useState(() => watchedFirst(what.variant.headlines))
  const [open, setOpen] = useState<'plan' | 'search'>()
  const [taken, setTaken] = useState('')
  const { build, variant, edit } = what
  const take = (despite: Despite | undefined) => {
    const words = planWords(variant.changes, build.spec.stock, system).join('; ')
    setOpen(undefined)
    void edit
      .change(words.slice(0, MOST_REASON), (spec) => withChanges(spec, variant.changes, despite))
      .then((isStored) => {
        if (!isStored) return
        setTaken(words)
        what.set({})
      })
  }
  return (
    <Frame data-ready={useHydrated() || undefined}>
      <TopBar
        trail={[
          { href: `/builds/${served.id}`, words: build.spec.name },
          { href: '#', words: 'What if' },
        ]}
        note="nothing here touches the engine until you take it as the plan"
        ownSystem={build.spec.units}
        buildId={served.id}
      />
      <Middle>
        <section aria-label="Change">
          <PartLocks what={what} />
          <KnobRules what={what} system={system} />
        </section>
        <section aria-label="What moves">
          <SpokenTitle>What if, {build.spec.name}</SpokenTitle>
          <MovedTable what={what} system={system} watched={watched} onWatch={setWatched} />
        </section>
        <aside aria-label="Consequences">
          <Breaks variant={variant} system={system} />
          <Sensitivity what={what} watched={watched} system={system} />
          <WouldMove variant={variant} />
        </aside>
      </Middle>
      <Bottom what={what} taken={taken} onOpen={setOpen} onUndo={() => setTaken('')} />
      {open === 'plan' && (
        <PlanPanel what={what} system={system} initials={device.initials} onTake={take} onClose={() => setOpen(undefined)} />
      )}
      {open === 'search' && <SearchPanel what={what} system={system} onClose={() => setOpen(undefined)} />}
    </Frame>
  )
}

/** What can be done with what is turned. */
function Bottom({
  what,
  taken,
  onOpen,
  onUndo,
}: {
  what: WhatIf
  taken: string
  onOpen: (which: 'plan' | 'search') => void
  onUndo: () => void
}) {
  const { edit, variant, settings } = what
  const isTurned = variant.changes.length > 0
  return (
    <Foot>
      <Button onPress={() => onOpen('search')}>Find the best…</Button>
      <Button isDisabled={!isTurned || what.kept.length >= MOST_KEPT} onPress={what.keep}>
        Keep beside
      </Button>
      <Button isDisabled={Object.keys(settings).length === 0} onPress={() => what.set({})}>
        Back to today
      </Button>
      {what.kept.map(({ name, settings: own }) => (
        <span key={name}>
          <Button size="small" onPress={() => what.set(own)}>
            Look at {name}
          </Button>{' '}
          <Button size="small" kind="plain" onPress={() => what.drop(name)} aria-label={`Drop ${name}`}>
            drop
          </Button>
        </span>
      ))}
      {taken && (
        <span role="status">
          Taken: {taken}{' '}
          <Button
            size="small"
            onPress={() => {
              onUndo()
              void edit.undo()
            }}
          >
            Undo
          </Button>
        </span>
      )}
      <RefusedChange edit={edit} />
      <Button kind="primary" isDisabled={!isTurned} onPress={() => onOpen('plan')}>
        Take as the plan…
      </Button>
    </Foot>
  )
}

/** A revision's reason is no longer. */
const MOST_REASON = 200
