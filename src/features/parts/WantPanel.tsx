'use client'
import { useState } from 'react'
import type { UnitSystem } from '@/core/document'
import { CAM_MATERIALS, GEAR_MATERIALS, PART_KINDS, type Part } from '@/core/parts'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { Notice } from '@/ui/Page'
import { SelectField } from '@/ui/SelectField'
import { SidePanel } from '@/ui/SidePanel'
import { CAM_MATERIAL_WORDS, GEAR_MATERIAL_WORDS, OWNER_WORDS, PART_KIND_WORDS, RATING_WORDS } from '@/wording/parts'
import { NO_PART, ratingsOf, saidFrom, typedFrom, type TypedPart } from './partForm'
import type { StepChoice } from './servedParts'
import type { PartAct } from './useParts'

const OWNERS = (['shop', 'owner', 'lent'] as const).map((value) => ({ value, label: OWNER_WORDS[value] }))

/** What a gear can be of: that of a cam, or of what runs on one. */
function materialsOf(what: TypedPart['what']): readonly { readonly value: string; readonly label: string }[] {
  if (what === 'cam') return CAM_MATERIALS.map((value) => ({ value, label: CAM_MATERIAL_WORDS[value] }))
  return what === 'ignition' ? GEAR_MATERIALS.map((value) => ({ value, label: GEAR_MATERIAL_WORDS[value] })) : []
}

/** A part that is wanted, or said again. */
export function WantPanel({
  part,
  steps,
  system,
  onSay,
  onClose,
}: {
  part: Part | undefined
  steps: readonly StepChoice[]
  system: UnitSystem
  onSay: (said: PartAct) => void
  onClose: () => void
}) {
  const [typed, setTyped] = useState<TypedPart>(part ? typedFrom(part, system) : NO_PART)
  const [wrong, setWrong] = useState('')
  const set =
    <Name extends keyof TypedPart>(name: Name) =>
    (value: TypedPart[Name]) =>
      setTyped((now) => ({ ...now, [name]: value }))
  const keep = () => {
    const read = saidFrom(typed, system)
    if (read.ok) onSay({ did: part ? 'changed' : 'wanted', ...read.said })
    else setWrong(read.wrong)
  }
  return (
    <SidePanel title={part ? `Change: ${part.name}` : 'A part is wanted'} isOpen onClose={onClose}>
      <SelectField
        label="Kind of part"
        value={typed.what}
        onChange={set('what')}
        options={PART_KINDS.map((value) => ({ value, label: PART_KIND_WORDS[value] }))}
      />
      <TextField label="Name, size, number" value={typed.name} onChange={set('name')} autoFocus />
      <TextField label="How many" value={typed.count} onChange={set('count')} inputMode="numeric" numeric />
      <ChoiceRow label="Whose it is" value={typed.owner} onChange={set('owner')} options={OWNERS} />
      <SelectField
        label="What waits for it"
        value={typed.needs}
        onChange={set('needs')}
        options={[
          { value: '', label: part ? 'as it is' : 'what its kind is needed for' },
          ...steps.map(({ id, title }) => ({ value: id, label: title })),
        ]}
      />
      <OfItsKind typed={typed} system={system} set={set} />
      <TextField label="Price, a plain figure" value={typed.price} onChange={set('price')} inputMode="decimal" numeric />
      <Instead typed={typed} set={set} />
      {wrong && (
        <Notice data-tone="bad" role="alert">
          {wrong} Nothing is stored yet.
        </Notice>
      )}
      <Button kind="primary" onPress={keep}>
        {part ? 'Say it again' : 'On the list'}
      </Button>
    </SidePanel>
  )
}

type Set = <Name extends keyof TypedPart>(name: Name) => (value: TypedPart[Name]) => void

/** What is asked of some kinds alone: what a gear is made of, what the part stands. */
function OfItsKind({ typed, system, set }: { typed: TypedPart; system: UnitSystem; set: Set }) {
  const materials = materialsOf(typed.what)
  return (
    <>
      {materials.length > 0 && (
        <ChoiceRow
          label={typed.what === 'cam' ? 'What the cam is made of' : 'What its gear is made of'}
          value={typed.material}
          onChange={set('material')}
          options={materials}
        />
      )}
      {ratingsOf(typed.what).map((rating) => (
        <TextField
          key={rating}
          label={`Its maker’s word: ${RATING_WORDS[rating].label.toLowerCase()}, ${RATING_WORDS[rating][system].unit}`}
          value={typed[rating]}
          onChange={set(rating)}
          inputMode="decimal"
          numeric
        />
      ))}
    </>
  )
}

/** What it stands in the place of, and on whose word: the shop's interchange notebook. */
function Instead({ typed, set }: { typed: TypedPart; set: Set }) {
  return (
    <>
      <TextField
        label="In the place of"
        hint="what it replaces, for the shop’s interchange notebook"
        value={typed.replaces}
        onChange={set('replaces')}
      />
      {typed.replaces.trim() !== '' && <TextField label="On whose word" value={typed.onWordOf} onChange={set('onWordOf')} />}
    </>
  )
}
