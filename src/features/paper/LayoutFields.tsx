'use client'
import { useState } from 'react'
import { crankStyles, firingIntervals, firingIssues, topsDeg, usualPins, type CrankStyle, type EngineLayout } from '@/core/engine'
import type { Spec } from '@/core/build'
import type { SpecEdit } from '@/features/spec/useSpec'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { Notice, Row } from '@/ui/Page'

const STYLE_WORDS: Readonly<Record<CrankStyle, string>> = {
  opposed: 'Half a turn apart',
  together: 'Up together',
  quarter: 'Three quarters apart (270°)',
  evenSplit: 'Split pins, even firing',
  shared: 'Two rods on a pin',
  crossPlane: 'Cross-plane',
  flatPlane: 'Flat-plane',
  boxer: 'Boxer: a pin a rod',
}
const BEARINGS = [
  { value: 'plain', label: 'Shells' },
  { value: 'rolling', label: 'Rolling elements' },
] as const

interface Typed {
  readonly order: string
  readonly pins: string
  readonly mains: string
  readonly bankAngle: string
}

/**
 * The layout and the crank. What belongs together is changed together: a firing order another crank allows, and that crank, go
 * in with one press, so that neither is refused for the other.
 */
export function LayoutFields({ edit }: { edit: SpecEdit }) {
  const { layout } = edit.spec
  const [typed, setTyped] = useState<Typed>(wordsOf(layout))
  const [seen, setSeen] = useState(layout)
  if (seen !== layout) {
    setSeen(layout)
    setTyped(wordsOf(layout))
  }
  const next = layoutFrom(layout, typed)
  const trouble = 'trouble' in next ? next.trouble : troubleOf(next.layout)
  const isChanged = JSON.stringify(typed) !== JSON.stringify(wordsOf(layout))
  const put = (change: Partial<Spec['layout']>, reason: string) =>
    edit.change(reason, (spec) => ({ ...spec, layout: { ...spec.layout, ...change } }))
  const field = (name: keyof Typed, label: string, hint: string) => (
    <TextField label={label} hint={hint} value={typed[name]} onChange={(text) => setTyped((now) => ({ ...now, [name]: text }))} numeric />
  )
  const styles = crankStyles(layout.kind, layout.cylinders)
  return (
    <div style={{ display: 'grid', gap: 16 }}>
      <LayoutChoices edit={edit} put={put} />
      <div style={{ display: 'grid', gap: 12, gridTemplateColumns: 'repeat(auto-fit, minmax(200px, 1fr))' }}>
        {layout.kind === 'v' && field('bankAngle', 'Bank angle, °', 'between the banks')}
        {field('mains', 'Main bearings', 'along the crank')}
        {field('order', 'Firing order', '1-3-4-2')}
        {field('pins', 'Crank pins, front to rear', 'rods@degrees in the running direction, a split behind /: 1+2@0/30, 3+4@240')}
      </div>
      <Row>
        {styles.length > 1 &&
          styles.map((style) => (
            <Button
              key={style}
              size="small"
              onPress={() =>
                setTyped((now) => ({ ...now, pins: pinWords(usualPins({ ...layout, bankAngleDeg: Number(typed.bankAngle) }, style)) }))
              }
            >
              {STYLE_WORDS[style]}
            </Button>
          ))}
        <Button
          kind="primary"
          isDisabled={!isChanged || trouble !== ''}
          onPress={() => 'layout' in next && put(next.layout as Spec['layout'], 'layout and crank')}
        >
          Keep the layout
        </Button>
      </Row>
      {isChanged && trouble !== '' && (
        <Notice data-tone="bad" role="alert">
          {trouble} Nothing is stored yet.
        </Notice>
      )}
      {'layout' in next && trouble === '' && layout.cylinders > 1 && <Tops layout={next.layout} />}
    </div>
  )
}

type PutLayout = (change: Partial<Spec['layout']>, reason: string) => void

/** What is chosen of a layout, each by itself. */
function LayoutChoices({ edit, put }: { edit: SpecEdit; put: PutLayout }) {
  const { layout } = edit.spec
  const twoBanks = layout.kind === 'v' || layout.kind === 'flat'
  return (
    <Row style={{ gap: 24, alignItems: 'start' }}>
      {twoBanks && (
        <ChoiceRow
          label="Numbering"
          value={layout.numbering}
          onChange={(numbering) => put({ numbering }, `numbered ${numbering}`)}
          options={[
            { value: 'alternating', label: 'Across, in turn' },
            { value: 'downEachBank', label: 'Down each bank' },
          ]}
        />
      )}
      {twoBanks && (
        <ChoiceRow
          label="Number one in the bank"
          value={layout.leadingBank}
          onChange={(leadingBank) => put({ leadingBank }, `number one ${leadingBank}`)}
          options={[
            { value: 'left', label: 'Left' },
            { value: 'right', label: 'Right' },
          ]}
        />
      )}
      <ChoiceRow
        label="Number one at the"
        value={layout.numberOneAt}
        onChange={(numberOneAt) => put({ numberOneAt }, `number one at the ${numberOneAt}`)}
        options={[
          { value: 'front', label: 'Front' },
          { value: 'rear', label: 'Rear' },
        ]}
      />
      <ChoiceRow
        label="Turns, seen from the front"
        value={layout.rotation}
        onChange={(rotation) => put({ rotation }, `turns ${rotation}`)}
        options={[
          { value: 'clockwise', label: 'Clockwise' },
          { value: 'anticlockwise', label: 'Anticlockwise' },
        ]}
      />
      <PartChoices layout={layout} put={put} />
    </Row>
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
        label="Lobes a valve"
        value={layout.lobesPerValve === 2 ? 'two' : 'one'}
        onChange={(lobes) => put({ lobesPerValve: lobes === 'two' ? 2 : undefined }, `${lobes} lobes a valve`)}
        options={[
          { value: 'one', label: 'One' },
          { value: 'two', label: 'Two, switched' },
        ]}
      />
      <ChoiceRow
        label="Big ends"
        value={layout.rodBearings}
        onChange={(rodBearings) => put({ rodBearings }, `big ends ${rodBearings}`)}
        options={BEARINGS}
      />
    </>
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

function pinWords(pins: EngineLayout['pins']): string {
  return pins
    .map(({ cylinders, angleDeg, splitDeg }) => `${cylinders.join('+')}@${Number(angleDeg.toFixed(3))}${splitDeg ? `/${splitDeg}` : ''}`)
    .join(', ')
}

function wordsOf({ firingOrder, pins, mains, bankAngleDeg }: EngineLayout): Typed {
  return { order: firingOrder.join('-'), pins: pinWords(pins), mains: String(mains), bankAngle: String(bankAngleDeg) }
}

const PIN = /^\s*(\d+(?:\s*\+\s*\d+)*)\s*@\s*(-?\d+(?:[.,]\d+)?)\s*(?:\/\s*(-?\d+(?:[.,]\d+)?))?\s*$/

function layoutFrom(
  layout: EngineLayout,
  { order, pins, mains, bankAngle }: Typed,
): { readonly layout: EngineLayout } | { readonly trouble: string } {
  const number = (text: string) => Number(text.replace(',', '.'))
  const parts = pins.split(/,(?!\d)|;/).map((one) => PIN.exec(one))
  if (parts.some((match) => match === null)) return { trouble: 'A pin is written as its rods, @ and its angle: 1+2@0.' }
  if (!/^\d{1,2}$/.test(mains.trim()) || Number(mains) < 1 || Number(mains) > 17)
    return { trouble: 'Main bearings are a whole number from 1 to 17.' }
  if (!(number(bankAngle) >= 0 && number(bankAngle) <= 180)) return { trouble: 'The bank angle is between 0 and 180 degrees.' }
  return {
    layout: {
      ...layout,
      mains: Number(mains),
      bankAngleDeg: number(bankAngle),
      firingOrder: order
        .split(/[^\d]+/)
        .filter(Boolean)
        .map(Number),
      pins: parts.map((match) => ({
        cylinders: match![1]!.split('+').map(Number),
        angleDeg: number(match![2]!),
        ...(match![3] && number(match![3]) !== 0 && { splitDeg: number(match![3]) }),
      })),
    },
  }
}

function troubleOf(layout: EngineLayout): string {
  const [issue] = firingIssues(layout)
  if (!issue) return ''
  if (issue.code === 'notEveryCylinderOnce') return `Every cylinder from 1 to ${issue.expected} fires once.`
  return issue.code === 'throwsDisagree'
    ? 'This crank does not allow this firing order: it does not close in two turns.'
    : `Cylinder ${issue.cylinder} stands on no pin, or on two.`
}
