'use client'
import { useEffect, useState } from 'react'
import styled from 'styled-components'
import { BENCHES, PAPER, startingLimits } from '@/core/benches'
import { namedEntries, type LimitId, type Methods, type PaperKey, type PaperNumber, type Spec, type UnitSystem } from '@/core/build'
import { UNITS, type UnitId } from '@/core/quantity'
import { Button, LinkButton } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { useDevice } from '@/ui/device'
import { Lead, Main, Section, SectionTitle, Title, TopBar } from '@/ui/Page'
import { DUTY_CHOICES, FUEL_CHOICES, RULE_WORDS } from '@/wording'
import { LayoutFields } from './LayoutFields'
import { LimitRow } from './LimitRow'
import { PaperGrid } from './PaperGrid'
import { Group, matches, PAPER_GROUPS } from './paperGroups'
import { Words } from './Words'
import { QuantityInput } from './QuantityInput'
import { MaterialFields } from './MaterialFields'
import { GasketStock, PistonStock, ShellStock } from './Stock'
import { RefusedChange } from '@/features/spec/RefusedChange'
import { useSpec, type Moved, type SpecEdit } from '@/features/spec/useSpec'

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
  max-width: 320px;
`
/** The line an address names: whoever came from a limit or a number stands on it. */
function goToSought(): void {
  const line = document.getElementById(decodeURIComponent(location.hash.slice(1)))
  line?.scrollIntoView({ block: 'center' })
  line?.focus({ preventScroll: true })
}

/** The numbers a build rests on: from whose paper, within which limits, by which method. Every edit is kept and can be undone. */
export function PaperPage({ id, initial, revision }: { id: string; initial: Spec; revision: number }) {
  const device = useDevice()
  const edit = useSpec(id, initial, revision, device.initials)
  const { spec } = edit
  const system = device.systemFor(spec.units, id)
  const presets = startingLimits(spec)
  const [find, setFind] = useState('')
  useEffect(goToSought, [])
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
              <LayoutFields edit={edit} />
            </Section>
          </>
        )}
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
            {PAPER_GROUPS.map(({ title, keys }) => (
              <Group key={title} title={title} rows={keys.filter((key) => matches(find, PAPER[key].label, title))}>
                {(key) => <PaperRow key={key} name={key} edit={edit} system={system} />}
              </Group>
            ))}
          </div>
        </Section>
        {find === '' && (
          <>
            <Section aria-label="Gaskets in stock">
              <SectionTitle>Gaskets in stock</SectionTitle>
              <GasketStock edit={edit} system={system} />
            </Section>
            <Section aria-label="Other pistons to consider">
              <SectionTitle>Other pistons to consider</SectionTitle>
              <PistonStock edit={edit} system={system} />
            </Section>
            <Section aria-label="Bearing shells in stock">
              <SectionTitle>Bearing shells in stock</SectionTitle>
              <ShellStock edit={edit} system={system} />
            </Section>
            <Section aria-label="Materials">
              <SectionTitle>What it is made of</SectionTitle>
              <MaterialFields edit={edit} />
            </Section>
            <Section aria-label="Methods">
              <SectionTitle>How it is measured</SectionTitle>
              <MethodFields edit={edit} />
            </Section>
          </>
        )}
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
            {BENCHES.map(({ definition: { title, limits } }) => (
              <Group key={title} title={title} rows={namedEntries(limits).filter(([, { label }]) => matches(find, label, title))}>
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
            ))}
          </div>
        </Section>
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
        <RefusedChange edit={edit} />
      </Main>
    </>
  )
}

function JobFields({ edit, system }: { edit: SpecEdit; system: UnitSystem }) {
  const { spec, change } = edit
  return (
    <PaperGrid style={{ borderTop: 0, gridTemplateColumns: 'repeat(auto-fit, minmax(180px, 1fr))' }}>
      <Words label="Name" value={spec.name} onCommit={(name) => change(`name ${name}`, (now) => ({ ...now, name }))} required />
      <Words
        label="In a few words"
        value={spec.description}
        onCommit={(description) => change('description', (now) => ({ ...now, description }))}
      />
      <Words
        label="Customer"
        value={spec.job?.customer ?? ''}
        onCommit={(customer) => change('customer', (now) => ({ ...now, job: { ...now.job, customer } }))}
      />
      <Words
        label="Engine number"
        value={spec.job?.engineNumber ?? ''}
        onCommit={(engineNumber) => change('engine number', (now) => ({ ...now, job: { ...now.job, engineNumber } }))}
      />
      <Words
        label="Shop"
        value={spec.job?.shop ?? ''}
        onCommit={(shop) => change('shop', (now) => ({ ...now, job: { ...now.job, shop } }))}
      />
      <Words
        label="Use, in words"
        value={spec.duty.useWords ?? ''}
        onCommit={(useWords) => change(`use ${useWords}`, (now) => ({ ...now, duty: { ...now.duty, useWords } }))}
      />
      <Words
        label="Fuel, in words"
        value={spec.duty.fuelWords ?? ''}
        onCommit={(fuelWords) => change(`fuel ${fuelWords}`, (now) => ({ ...now, duty: { ...now.duty, fuelWords } }))}
      />
      <QuantityInput
        label={`Boost, ${system === 'metric' ? 'bar' : 'psi'} gauge`}
        value={spec.duty.boostKpa}
        kind="pressure"
        unit={system === 'metric' ? 'bar' : 'psi'}
        range={{ low: 0, high: 1000 }}
        onCommit={(boostKpa = 0) => change('boost', (now) => ({ ...now, duty: { ...now.duty, boostKpa } }))}
      />
      <QuantityInput
        label="Redline, rpm"
        value={spec.duty.redlineRpm}
        kind="rotation"
        unit="rpm"
        range={{ low: 500, high: 30000 }}
        onCommit={(redlineRpm) => redlineRpm && change('redline', (now) => ({ ...now, duty: { ...now.duty, redlineRpm } }))}
      />
    </PaperGrid>
  )
}

/** What the presets tell duties by, each choice with what it sets. */
function DutyFields({ edit }: { edit: SpecEdit }) {
  const { duty } = edit.spec
  return (
    <div style={{ display: 'grid', gap: 14 }}>
      <ChoiceRow
        label="Duty"
        value={duty.use}
        hint={DUTY_CHOICES.find(({ value }) => value === duty.use)!.sets}
        options={DUTY_CHOICES}
        onChange={(use) => edit.change(`duty: ${use}`, (now) => ({ ...now, duty: { ...now.duty, use } }))}
      />
      <ChoiceRow
        label="Fuel"
        value={duty.fuel}
        options={FUEL_CHOICES}
        onChange={(fuel) => edit.change(`fuel: ${fuel}`, (now) => ({ ...now, duty: { ...now.duty, fuel } }))}
      />
    </div>
  )
}

/** What a tolerance leaves open: one error that all pieces share, which cancels between them, or another for each. */
const VARIES_WORDS = { set: 'alike for all', piece: 'each its own' } as const

function PaperRow({ name, edit, system }: { name: PaperKey; edit: SpecEdit; system: UnitSystem }) {
  const definition = PAPER[name]
  const paper = edit.spec.paper[name] as PaperNumber | undefined
  const unit = definition.units[system]
  const put = (change: Partial<PaperNumber>, reason: string) =>
    edit.change(reason, (spec) => {
      const before = spec.paper[name] ?? { value: Number.NaN, unit, source: 'source not said' }
      return { ...spec, paper: { ...spec.paper, [name]: { ...before, ...change } } }
    })
  const varies = paper?.varies ?? 'set'
  const otherWay = varies === 'set' ? 'piece' : 'set'
  const setValue = (value: number | undefined, typedUnit: UnitId) => {
    if (value === undefined) {
      return edit.change(`${definition.label} taken off`, (spec) => ({
        ...spec,
        paper: Object.fromEntries(Object.entries(spec.paper).filter(([key]) => key !== name)),
      }))
    }
    return put({ value, unit: typedUnit }, definition.label)
  }
  return (
    <PaperGrid id={`paper.${name}`} tabIndex={-1}>
      <p>
        <b>
          {definition.label}
          {UNITS[unit].symbol && `, ${UNITS[unit].symbol}`}
        </b>
        {definition.hint && <small>{definition.hint}</small>}
      </p>
      <QuantityInput
        quiet
        label={`${definition.label}${UNITS[unit].symbol && `, ${UNITS[unit].symbol}`}`}
        value={paper?.value}
        kind={definition.kind}
        unit={unit}
        onCommit={setValue}
        range={definition}
        bottomCentreDeg={name === 'intakeClosing' ? 180 : undefined}
      />
      {paper ? (
        <div>
          <QuantityInput
            quiet
            label={`${definition.label} ±`}
            value={paper.tolerance}
            kind={definition.kind}
            unit={unit}
            size
            onCommit={(tolerance) => put({ tolerance }, `${definition.label} tolerance`)}
          />
          {definition.eachPiece && paper.tolerance ? (
            <Button
              size="small"
              kind="plain"
              aria-label={`${definition.label} ±: ${VARIES_WORDS[varies]}. Change`}
              onPress={() => put({ varies: otherWay }, `${definition.label} ±: ${VARIES_WORDS[otherWay]}`)}
            >
              {VARIES_WORDS[varies]}
            </Button>
          ) : null}
        </div>
      ) : (
        <span />
      )}
      {paper ? (
        <Words
          quiet
          label={`${definition.label}: source`}
          value={paper.source}
          onCommit={(source) => put({ source }, `${definition.label} source`)}
          required
        />
      ) : (
        <span />
      )}
      {paper ? (
        <Words
          quiet
          label={`${definition.label}: reason`}
          value={paper.reason ?? ''}
          onCommit={(reason) => put({ reason: reason || undefined }, `${definition.label} reason`)}
        />
      ) : (
        <span />
      )}
    </PaperGrid>
  )
}

/** What the last change did to the engine. */
function movedSentence({ figures, verdicts }: Moved): string {
  if (figures === 0 && verdicts.length === 0) return 'No figure moved.'
  const shown = verdicts.slice(0, 4).join('; ')
  const more = verdicts.length > 4 ? ` and ${verdicts.length - 4} more verdicts` : ''
  return `${figures} ${figures === 1 ? 'figure' : 'figures'} moved${verdicts.length > 0 ? `; ${shown}${more}` : ', no verdict'}.`
}

/** The schools: each says in a sentence why it exists. */
function MethodFields({ edit }: { edit: SpecEdit }) {
  const { methods } = edit.spec
  const set = (change: Partial<Methods>, reason: string) =>
    edit.change(reason, (spec) => ({ ...spec, methods: { ...spec.methods, ...change } }))
  return (
    <div style={{ display: 'grid', gap: 18, gridTemplateColumns: 'repeat(auto-fit, minmax(320px, 1fr))' }}>
      <ChoiceRow
        label="Bore in the sums"
        value={methods.bore}
        onChange={(bore) => set({ bore }, `bore by ${bore}`)}
        options={[
          { value: 'paper', label: 'From paper' },
          { value: 'measured', label: 'As measured' },
        ]}
        hint="As measured, a cylinder without bore readings has no ratio."
      />
      <ChoiceRow
        label="Deck places a piston"
        value={String(methods.deckPlaces) as '2' | '4'}
        onChange={(places) => set({ deckPlaces: places === '2' ? 2 : 4 }, `deck at ${places} places`)}
        options={[
          { value: '2', label: 'Two, on the pin axis' },
          { value: '4', label: 'Four, all round' },
        ]}
        hint="Opposite places, so that the rock of the piston cancels. Four show the rock as well."
      />
      <ChoiceRow
        label="Chambers"
        value={methods.chamber}
        onChange={(chamber) => set({ chamber }, `chambers by ${chamber}`)}
        options={[
          { value: 'buretteVolume', label: 'Burette, volume' },
          { value: 'buretteLevels', label: 'Burette, before and after' },
          { value: 'mass', label: 'By mass' },
        ]}
        hint="Two levels leave no sum to the head; weighing is the finest and needs the density."
      />
      <ChoiceRow
        label="Fills a chamber"
        value={String(methods.chamberRepeats) as '1'}
        onChange={(repeats) => set({ chamberRepeats: Number(repeats) }, `${repeats} fills`)}
        options={
          [
            { value: '1', label: 'One' },
            { value: '2', label: 'Two' },
            { value: '3', label: 'Three' },
          ] as never
        }
        hint="A second fill finds the bubble the first one hid."
      />
      <ChoiceRow
        label="Piston volume"
        value={methods.piston}
        onChange={(piston) => set({ piston }, `piston by ${piston}`)}
        options={[
          { value: 'paper', label: 'From paper' },
          { value: 'downTheBore', label: 'Down the bore' },
        ]}
        hint="Down the bore measures dish, dome and pockets as they are, gap included."
      />
      <ChoiceRow
        label="The gap above the top ring, down the bore"
        value={methods.crevice}
        onChange={(crevice) => set({ crevice }, `crevice ${crevice}`)}
        options={[
          { value: 'greased', label: 'Greased shut' },
          { value: 'filled', label: 'Filled too' },
        ]}
        hint="So that the crevice is counted once, not twice."
      />
      <ChoiceRow
        label="Gasket"
        value={methods.gasket}
        onChange={(gasket) => set({ gasket }, `gasket by ${gasket}`)}
        options={[
          { value: 'paper', label: 'As its maker states' },
          { value: 'measured', label: 'Measured where clamped' },
        ]}
        hint="Compressed thickness, never the loose one."
      />
      <ChoiceRow
        label="Bearing clearance"
        value={methods.bearings}
        onChange={(bearings) => set({ bearings }, `bearings ${bearings}`)}
        options={[
          { value: 'direct', label: 'Dial zeroed on the journal' },
          { value: 'separate', label: 'Shells and journal apart' },
          { value: 'strip', label: 'Plastic strip' },
        ]}
        hint="Zeroed on the micrometer that read the journal, its bias cancels. A strip is quick and coarse."
      />
      <ChoiceRow
        label="Ring in the bore"
        value={methods.ringQuarterTurn ? 'turned' : 'lies'}
        onChange={(turn) => set({ ringQuarterTurn: turn === 'turned' }, turn === 'turned' ? 'rings turned a quarter' : 'rings as they lie')}
        options={[
          { value: 'lies', label: 'As it lies' },
          { value: 'turned', label: 'And turned a quarter' },
        ]}
        hint="A second reading with the ring turned shows a ring that does not lie square; the tighter one counts."
      />
      <ChoiceRow
        label="Ring gaps read at"
        value={String(methods.ringDepths) as '1' | '3'}
        onChange={(depths) => set({ ringDepths: depths === '1' ? 1 : 3 }, `rings at ${depths} depths`)}
        options={[
          { value: '1', label: 'An inch down' },
          { value: '3', label: 'Three depths' },
        ]}
        hint="Three depths make the ring a bore gauge: its gap grows by π times the bore."
      />
      <ChoiceRow
        label="Ring grooves"
        value={methods.ringGrooves ? 'read' : 'check'}
        onChange={(grooves) => set({ ringGrooves: grooves === 'read' }, `ring grooves: ${grooves}`)}
        options={[
          { value: 'check', label: 'Looked at' },
          { value: 'read', label: 'Side and back clearance read' },
        ]}
        hint="Judged by the piston and ring makers’ numbers, entered under Limits."
      />
      <ChoiceRow
        label="Squish pad in the chamber"
        value={methods.squish}
        onChange={(squish) => set({ squish }, `squish ${squish}`)}
        options={[
          { value: 'pad', label: 'There is one' },
          { value: 'none', label: 'None' },
        ]}
        hint="Without a pad there is no quench to judge."
      />
      <ChoiceRow
        label="Ring clocking"
        value={methods.clocking}
        onChange={(clocking) => set({ clocking }, `clocking ${clocking}`)}
        options={[
          { value: 'maker', label: 'Maker’s diagram' },
          { value: 'opposed', label: 'Opposed, off the pin' },
          { value: 'pinAxis', label: 'Along the pin' },
        ]}
        hint="Gaps wander in running; they should not start in line."
      />
      <ChoiceRow
        label="Verdicts"
        value={methods.rule}
        onChange={(rule) => set({ rule }, `verdicts ${rule}`)}
        options={[
          { value: 'strict', label: 'Strict' },
          { value: 'probable', label: '95 % sure' },
        ]}
        hint={RULE_WORDS[methods.rule]}
      />
    </div>
  )
}
