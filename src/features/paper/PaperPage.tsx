'use client'
import { useState } from 'react'
import styled from 'styled-components'
import { benchesOf, METHODS, methodsOf, PAPER, startingLimits, STOCK } from '@/core/benches'
import {
  isPaperOf,
  namedEntries,
  type LimitId,
  type MethodKey,
  type PaperKey,
  type Spec,
  type StockKind,
  type UnitSystem,
} from '@/core/document'
import { Button, LinkButton } from '@/ui/Button'
import { TextField } from '@/ui/fields'
import { useDevice } from '@/ui/device'
import { Lead, Main, Section, SectionTitle, Title, TopBar } from '@/ui/Page'
import { DutyFields, JobFields } from './JobFields'
import { LayoutFields } from './LayoutFields'
import { LimitRow } from './LimitRow'
import { MethodFields, VerdictRule } from './MethodFields'
import { PaperGrid } from './PaperGrid'
import { PaperRow } from './PaperRow'
import { Group, matches, PAPER_GROUPS } from './paperGroups'
import { MaterialFields } from './MaterialFields'
import { StockSection } from './Stock'
import { useOpenGroups, type OpenGroups } from './useOpenGroups'
import { RefusedChange } from '@/features/entries/RefusedChange'
import { useSpec, type Moved, type SpecEdit } from '@/features/entries/useSpec'

const STOCK_KINDS = Object.keys(STOCK) as StockKind[]

const Foot = styled.div`
  position: sticky;
  bottom: 0;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 14px;
  padding: 10px 0;
  background: var(--ground);
  border-top: 2px solid var(--dye);
`

const Find = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 14px;
  > :first-child {
    flex: 0 1 320px;
  }
`

/** The numbers a build rests on: from whose paper, within which limits, by which method. Every edit is kept and can be undone. */
export function PaperPage({ id, initial, revision }: { id: string; initial: Spec; revision: number }) {
  const device = useDevice()
  const edit = useSpec(id, initial, revision, device.initials)
  const { spec } = edit
  const system = device.systemFor(spec.units, id)
  const [find, setFind] = useState('')
  const groups = useOpenGroups(spec, find !== '')
  return (
    <>
      <TopBar
        trail={[
          { href: `/builds/${id}`, words: spec.name },
          { href: '#', words: 'Paper and limits' },
        ]}
        ownSystem={spec.units}
        buildId={id}
      />
      <Main>
        <Title>Paper and limits</Title>
        <Lead>
          What the makers’ sheets say, and what the engine is judged by. Every number keeps its source; the maker’s paper outranks a preset.
        </Lead>
        <Find>
          <TextField label="Find a number or a limit" value={find} onChange={setFind} type="search" />
          {find === '' && <Button onPress={groups.toggleAll}>{groups.areAllOpen ? 'Close every bench' : 'Open every bench'}</Button>}
        </Find>
        {find === '' && (
          <>
            <Section aria-label="Job">
              <SectionTitle>Job</SectionTitle>
              <JobFields edit={edit} system={system} />
              <DutyFields edit={edit} />
            </Section>
            <Section aria-label="Layout">
              <SectionTitle>Layout and crank</SectionTitle>
              <LayoutFields edit={edit} system={system} />
            </Section>
          </>
        )}
        <Numbers find={find} groups={groups} edit={edit} system={system} />
        {find === '' && <Engine edit={edit} system={system} />}
        <Ways find={find} groups={groups} edit={edit} />
        <Limits find={find} groups={groups} edit={edit} system={system} />
        <LastChange edit={edit} id={id} />
        <RefusedChange edit={edit} />
      </Main>
    </>
  )
}

interface ByBench {
  readonly find: string
  readonly groups: OpenGroups
  readonly edit: SpecEdit
  readonly system: UnitSystem
}

/** Every number on paper, by the bench that rests on it. */
function Numbers({ find, groups, edit, system }: ByBench) {
  const asked = new Set(benchesOf(edit.spec).map(({ id }) => id))
  const known = (keys: readonly PaperKey[]) => keys.filter((key) => edit.spec.paper[key] !== undefined).length
  return (
    <Section aria-label="Numbers on paper">
      <SectionTitle>Numbers on paper</SectionTitle>
      <div>
        <PaperGrid data-head="" aria-hidden>
          <span />
          <span>Value</span>
          <span>±</span>
          <span>Source</span>
          <span>Reason</span>
        </PaperGrid>
        {PAPER_GROUPS.filter(({ id }) => asked.has(id)).map(({ id, title, keys }) => {
          const rows = keys.filter((key) => isPaperOf(edit.spec.layout, PAPER[key]) && matches(find, PAPER[key].label, title))
          return (
            <Group
              key={id}
              title={title}
              said={`${known(rows)} of ${rows.length} known`}
              rows={rows}
              isOpen={groups.isOpen('paper', id)}
              onToggle={() => groups.toggle('paper', id)}
            >
              {(key) => <PaperRow key={key} name={key} edit={edit} system={system} />}
            </Group>
          )
        })}
      </div>
    </Section>
  )
}

/** What the engine is made of and with. */
function Engine({ edit, system }: { edit: SpecEdit; system: UnitSystem }) {
  return (
    <>
      {STOCK_KINDS.map((kind) => (
        <Section key={kind} aria-label={STOCK[kind].title}>
          <SectionTitle>{STOCK[kind].title}</SectionTitle>
          <StockSection kind={kind} edit={edit} system={system} />
        </Section>
      ))}
      <Section aria-label="Materials">
        <SectionTitle>What it is made of</SectionTitle>
        <MaterialFields edit={edit} />
      </Section>
    </>
  )
}

/** How the engine is measured, bench by bench. */
function Ways({ find, groups, edit }: Omit<ByBench, 'system'>) {
  return (
    <Section aria-label="Methods">
      <SectionTitle>How it is measured</SectionTitle>
      {find === '' && <VerdictRule edit={edit} />}
      {benchesOf(edit.spec).map(({ id, definition: { title } }) => {
        const names = (Object.keys(methodsOf(id)) as MethodKey[]).filter((name) => matches(find, METHODS[name].label, title))
        return (
          <Group
            key={id}
            title={title}
            said={names.length === 1 ? 'one choice' : `${names.length} choices`}
            // They stand side by side: what a group has is one row of them.
            rows={names.length > 0 ? [names] : []}
            isOpen={groups.isOpen('method', id)}
            onToggle={() => groups.toggle('method', id)}
          >
            {(row) => <MethodFields key={id} names={row} edit={edit} />}
          </Group>
        )
      })}
    </Section>
  )
}

/** What the engine is judged by, bench by bench. */
function Limits({ find, groups, edit, system }: ByBench) {
  const presets = startingLimits(edit.spec)
  return (
    <Section aria-label="Limits">
      <SectionTitle>Limits</SectionTitle>
      <div>
        <PaperGrid data-head="" data-limit="" aria-hidden>
          <span />
          <span>From</span>
          <span>Target</span>
          <span>To</span>
          <span>Source</span>
          <span>Reason</span>
        </PaperGrid>
        {benchesOf(edit.spec).map(({ id, definition: { title, limits } }) => {
          const rows = namedEntries(limits).filter(([, { label }]) => matches(find, label, title))
          const judged = rows.filter(([key]) => edit.spec.limits[key as LimitId] !== undefined).length
          return (
            <Group
              key={id}
              title={title}
              said={`${judged} of ${rows.length} set`}
              rows={rows}
              isOpen={groups.isOpen('limit', id)}
              onToggle={() => groups.toggle('limit', id)}
            >
              {([key, definition]) => (
                <LimitRow
                  key={key}
                  name={key as LimitId}
                  definition={definition}
                  preset={presets[key as LimitId]}
                  edit={edit}
                  system={system}
                />
              )}
            </Group>
          )
        })}
      </div>
    </Section>
  )
}

function LastChange({ edit, id }: { edit: SpecEdit; id: string }) {
  return (
    <Foot>
      <Button onPress={edit.undo} isDisabled={!edit.canUndo}>
        Undo the last change
      </Button>
      <span role="status" style={{ flex: 1 }}>
        {edit.said && `Kept: ${edit.said}.`}
        {edit.moved && edit.said && ` ${movedSentence(edit.moved)}`}
      </span>
      <LinkButton href={`/builds/${id}`} kind="primary">
        To the benches
      </LinkButton>
    </Foot>
  )
}

/** What the last change did to the engine. */
function movedSentence({ figures, verdicts }: Moved): string {
  if (figures === 0 && verdicts.length === 0) return 'No figure moved.'
  const shown = verdicts.slice(0, 4).join('; ')
  const more = verdicts.length > 4 ? ` and ${verdicts.length - 4} more verdicts` : ''
  return `${figures} ${figures === 1 ? 'figure' : 'figures'} moved${verdicts.length > 0 ? `; ${shown}${more}` : ', no verdict'}.`
}
