'use client'
import { useState } from 'react'
import styled from 'styled-components'
import { crankStyles, firingIntervals, topsDeg, usualFiringOrder, usualPins, type EngineLayout } from '@/core/geometry/crank'
import type { Spec } from '@/core/document'
import { withBoreSpacing } from '@/core/joints'
import type { SpecEdit } from '@/features/entries/useSpec'
import { Button } from '@/ui/Button'
import { EngineDrawing } from '@/ui/EngineDrawing'
import { ChoiceRow, TextField } from '@/ui/fields'
import { Notice } from '@/ui/Page'
import { SelectField } from '@/ui/SelectField'
import { CONSTRUCTION_WORDS, crankStyleWords, NUMBERING_CHOICES } from '@/wording/layout'
import { countedOtherwise, degreedFrom, layoutFrom, pinWords, textOf, type LayoutText } from './layoutText'
import { QuantityInput } from '@/ui/QuantityInput'
import { Words } from '@/ui/Words'
import { Row } from '@/ui/Layout'

const Stack = styled.div`
  display: grid;
  gap: 16px;
`
const Fields = styled.div`
  display: grid;
  gap: 12px;
  grid-template-columns: repeat(auto-fit, minmax(min(200px, 100%), 1fr));
`
const Plan = styled.div`
  height: 190px;
  border: 1px solid var(--hairline);
  background: var(--ground);
`
const BEARINGS = [
  { value: 'plain', label: 'Shells' },
  { value: 'rolling', label: 'Rolling elements' },
] as const

/** The layout and the crank as one description, shown before it is kept, and what each of its parts is. */
export function LayoutFields({ edit, system }: { edit: SpecEdit; system: Spec['units'] }) {
  const put: PutLayout = (change, reason) => edit.change(reason, (spec) => ({ ...spec, layout: { ...spec.layout, ...change } }))
  return (
    <Stack>
      <Arrangement layout={edit.spec.layout} put={put} />
      <Row $gap={24} $align="start">
        <PartChoices layout={edit.spec.layout} put={put} />
      </Row>
      <ConstructionFields edit={edit} system={system} put={put} />
    </Stack>
  )
}

type PutLayout = (change: Partial<Spec['layout']>, reason: string) => void

/**
 * Counting, crank and firing order. What belongs together is changed together: rods keep their pins under new numbers, and an
 * order another crank allows goes in with that crank, by one press, so that neither is refused for the other.
 */
function Arrangement({ layout, put }: { layout: Spec['layout']; put: PutLayout }) {
  const [text, setText] = useState(() => textOf(layout))
  const [seen, setSeen] = useState(layout)
  if (seen !== layout) {
    setSeen(layout)
    setText(textOf(layout))
  }
  const read = layoutFrom(layout, text)
  const isChanged = JSON.stringify(text) !== JSON.stringify(textOf(layout))
  return (
    <>
      <Row $gap={24} $align="start">
        <CountingChoices layout={layout} text={text} onChange={setText} />
      </Row>
      <CrankFields layout={layout} text={text} onChange={setText} />
      <Row>
        <CrankButtons layout={read.layout ?? layout} onChange={(change) => setText((now) => ({ ...now, ...change }))} />
        <Button
          kind="primary"
          isDisabled={!isChanged || read.trouble !== ''}
          onPress={() => read.layout && put(read.layout as Spec['layout'], 'layout and crank')}
        >
          Keep the layout
        </Button>
        {isChanged && <Button onPress={() => setText(textOf(layout))}>Leave it as it was</Button>}
      </Row>
      {isChanged && read.trouble !== '' && (
        <Notice data-tone="bad" role="alert">
          {read.trouble} Nothing is stored yet.
        </Notice>
      )}
      {isChanged && read.layout && read.trouble === '' && <Preview from={layout} to={read.layout} />}
      {read.layout && read.trouble === '' && layout.cylinders > 1 && <Tops layout={read.layout} />}
    </>
  )
}

interface TextProps {
  readonly layout: EngineLayout
  readonly text: LayoutText
  readonly onChange: (text: LayoutText) => void
}

const BANKS = [
  { value: 'left', label: 'Left' },
  { value: 'right', label: 'Right' },
] as const
const ENDS = [
  { value: 'front', label: 'Front' },
  { value: 'rear', label: 'Rear' },
] as const
const TURNS = [
  { value: 'clockwise', label: 'Clockwise' },
  { value: 'anticlockwise', label: 'Anticlockwise' },
] as const

/** How cylinders are counted and which way the crank turns. */
function CountingChoices({ layout, text, onChange }: TextProps) {
  const twoBanks = layout.kind === 'v' || layout.kind === 'flat'
  return (
    <>
      {twoBanks && (
        <ChoiceRow
          label="Numbering"
          value={text.numbering}
          onChange={(numbering) => onChange(countedOtherwise(layout, text, { numbering }))}
          options={NUMBERING_CHOICES}
        />
      )}
      {twoBanks && (
        <ChoiceRow
          label="Number one in the bank"
          value={text.leadingBank}
          onChange={(leadingBank) => onChange(countedOtherwise(layout, text, { leadingBank }))}
          options={BANKS}
        />
      )}
      {layout.cylinders > 1 && (
        <ChoiceRow
          label="Number one at the"
          value={text.numberOneAt}
          onChange={(numberOneAt) => onChange(countedOtherwise(layout, text, { numberOneAt }))}
          options={ENDS}
        />
      )}
      <ChoiceRow
        label="Turns, seen from the front"
        value={text.rotation}
        onChange={(rotation) => onChange({ ...text, rotation })}
        options={TURNS}
      />
    </>
  )
}

function CrankFields({ layout, text, onChange }: TextProps) {
  const field = (name: 'order' | 'pins' | 'mains' | 'bankAngle', label: string, hint: string) => (
    <TextField label={label} hint={hint} value={text[name]} onChange={(typed) => onChange({ ...text, [name]: typed })} numeric />
  )
  return (
    <Fields>
      {layout.kind === 'v' && field('bankAngle', 'Bank angle, °', 'between the banks')}
      {field('mains', 'Main bearings', 'along the crank')}
      {layout.cylinders > 1 && field('order', 'Firing order', 'as 1-2-4-5-3')}
      {layout.cylinders > 1 &&
        field('pins', 'Crank pins, front to rear', 'rods@degrees in the running direction, a split behind /: 1+2@0/30, 3+4@240')}
    </Fields>
  )
}

/** Usual cranks of such an engine, and the usual firing order of the crank as it is described now. */
function CrankButtons({ layout, onChange }: { layout: EngineLayout; onChange: (change: Partial<LayoutText>) => void }) {
  const styles = crankStyles(layout.kind, layout.cylinders)
  const isOnPins = layout.pins.flatMap(({ cylinders }) => cylinders).length === layout.cylinders
  const usual = isOnPins ? usualFiringOrder(layout).join('-') : ''
  return (
    <>
      {styles.length > 1 &&
        styles.map((style) => (
          <Button
            key={style}
            size="small"
            onPress={() => {
              const pins = usualPins(layout, style)
              onChange({ pins: pinWords(pins), order: usualFiringOrder({ ...layout, pins }).join('-') })
            }}
          >
            {crankStyleWords(style, layout)}
          </Button>
        ))}
      {usual !== '' && usual !== layout.firingOrder.join('-') && (
        <Button size="small" onPress={() => onChange({ order: usual })}>
          Usual order: {usual}
        </Button>
      )}
    </>
  )
}

/** The engine as it would be numbered, before anything is stored. */
function Preview({ from, to }: { from: EngineLayout; to: EngineLayout }) {
  const isCounted = from.numbering !== to.numbering || from.numberOneAt !== to.numberOneAt || from.leadingBank !== to.leadingBank
  return (
    <>
      <Plan>
        <EngineDrawing layout={to} boreMm={85} />
      </Plan>
      {isCounted && (
        <Notice role="status">
          Rods stay on their pins and fire in their turn under the new numbers. Readings that were taken stay with the number they were
          taken under.
        </Notice>
      )}
    </>
  )
}

function PartChoices({ layout, put }: { layout: Spec['layout']; put: PutLayout }) {
  return (
    <>
      <ChoiceRow
        label="Main bearings"
        value={layout.mainBearings}
        onChange={(mainBearings) => put({ mainBearings }, `mains ${mainBearings}`)}
        options={BEARINGS}
      />
      <ChoiceRow
        label="Big ends"
        value={layout.rodBearings}
        onChange={(rodBearings) => put({ rodBearings }, `big ends ${rodBearings}`)}
        options={BEARINGS}
      />
      {layout.valvesPerCylinder > 0 && (
        <ChoiceRow
          label="Lobes a valve"
          value={layout.lobesPerValve === 2 ? 'two' : 'one'}
          onChange={(lobes) => put({ lobesPerValve: lobes === 'two' ? 2 : undefined }, `${lobes} lobes a valve`)}
          options={[
            { value: 'one', label: 'One' },
            { value: 'two', label: 'Two, switched' },
          ]}
        />
      )}
    </>
  )
}

const NOT_SAID = { value: '', label: 'Not said' }

/** What decides which parts there are and in what order they go together, and how far the bores are apart. */
function ConstructionFields({ edit, system, put }: { edit: SpecEdit; system: Spec['units']; put: PutLayout }) {
  const { layout } = edit.spec
  const names = (Object.keys(CONSTRUCTION_WORDS) as (keyof typeof CONSTRUCTION_WORDS)[]).filter(
    (name) => name !== 'lifters' || layout.valvesPerCylinder > 0,
  )
  return (
    <Fields>
      {layout.cylinders > 1 && (
        <QuantityInput
          label={`Bore spacing, ${system === 'metric' ? 'mm' : 'in'}`}
          hint="centre to centre in a bank; empty: not known"
          value={layout.boreSpacingMm}
          kind="length"
          unit={system === 'metric' ? 'mm' : 'in'}
          range={{ low: 10, high: 1000 }}
          onCommit={(spacing) => edit.change('bore spacing', (spec) => withBoreSpacing(spec, spacing))}
        />
      )}
      {layout.cylinders > 1 && (
        <Words
          label="TDC and timing taken at cylinder"
          value={layout.degreedAt?.join(', ') ?? ''}
          troubleOf={(text) => degreedFrom(layout, text).trouble}
          onCommit={(text) => put({ degreedAt: degreedFrom(layout, text).degreedAt }, 'the cylinder timing is taken at')}
        />
      )}
      {names.map((name) => {
        const { label, choices } = CONSTRUCTION_WORDS[name]
        return (
          <SelectField
            key={name}
            label={label}
            value={layout[name] ?? ''}
            onChange={(chosen: string) =>
              put({ [name]: chosen === '' ? undefined : chosen }, `${label.toLowerCase()}: ${chosen || 'not said'}`)
            }
            options={[NOT_SAID, ...Object.entries(choices).map(([value, words]) => ({ value, label: words }))]}
          />
        )
      })}
    </Fields>
  )
}

/** When each cylinder is at its top, and how evenly they fire. */
function Tops({ layout }: { layout: EngineLayout }) {
  return (
    <p>
      Tops after number one’s: {[...topsDeg(layout)].map(([cylinder, angle]) => `${cylinder} at ${Math.round(angle)}°`).join(', ')}. Fires
      after {[...new Set(firingIntervals(layout).map((interval) => `${Math.round(interval)}°`))].join(', ')}.
    </p>
  )
}
