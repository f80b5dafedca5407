'use client'
import type { UnitSystem } from '@/core/document'
import { CAM_MATERIALS, GEAR_MATERIALS, PART_KINDS, type Part } from '@/core/parts'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { Notice } from '@/ui/Page'
import { SelectField } from '@/ui/SelectField'
import { SidePanel } from '@/ui/SidePanel'
import { Stack } from '@/ui/Layout'
import { useForm, type FormState } from '@/ui/useForm'
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
  const { values, wrong, set, field, form } = useForm<TypedPart, Omit<PartAct, 'did'>>({
    start: part ? typedFrom(part, system) : NO_PART,
    read: (typed) => saidFrom(typed, system),
    send: (said) => onSay({ did: part ? 'changed' : 'wanted', ...said }),
  })
  const fields = { typed: values, set, field }
  return (
    <SidePanel title={part ? `Change: ${part.name}` : 'A part is wanted'} isOpen onClose={onClose}>
      <Stack as="form" $gap={14} {...form}>
        <SelectField
          label="Kind of part"
          value={values.what}
          onChange={(what) => set('what', what)}
          options={PART_KINDS.map((value) => ({ value, label: PART_KIND_WORDS[value] }))}
        />
        <TextField label="Name, size, number" {...field('name')} autoFocus />
        <TextField label="How many" {...field('count')} inputMode="numeric" numeric />
        <ChoiceRow label="Whose it is" value={values.owner} onChange={(owner) => set('owner', owner)} options={OWNERS} />
        <SelectField
          label="What waits for it"
          value={values.needs}
          onChange={(needs) => set('needs', needs)}
          options={[
            { value: '', label: part ? 'as it is' : 'what its kind is needed for' },
            ...steps.map(({ id, title }) => ({ value: id, label: title })),
          ]}
        />
        <OfItsKind {...fields} system={system} />
        <TextField label="Price, a plain figure" {...field('price')} inputMode="decimal" numeric />
        <Instead {...fields} />
        {Object.keys(wrong).length > 0 && (
          <Notice data-tone="bad" role="alert">
            Nothing is stored yet: look at the fields that are marked.
          </Notice>
        )}
        <Button type="submit" kind="primary">
          {part ? 'Say it again' : 'On the list'}
        </Button>
      </Stack>
    </SidePanel>
  )
}

interface FieldsProps extends Pick<FormState<TypedPart>, 'set' | 'field'> {
  readonly typed: TypedPart
}

/** What is asked of some kinds alone: what a gear is made of, what the part stands. */
function OfItsKind({ typed, system, set, field }: FieldsProps & { readonly system: UnitSystem }) {
  const materials = materialsOf(typed.what)
  return (
    <>
      {materials.length > 0 && (
        <ChoiceRow
          label={typed.what === 'cam' ? 'What the cam is made of' : 'What its gear is made of'}
          value={typed.material}
          onChange={(material) => set('material', material)}
          options={materials}
        />
      )}
      {ratingsOf(typed.what).map((rating) => (
        <TextField
          key={rating}
          label={`Its maker’s word: ${RATING_WORDS[rating].label.toLowerCase()}, ${RATING_WORDS[rating][system].unit}`}
          {...field(rating)}
          inputMode="decimal"
          numeric
        />
      ))}
    </>
  )
}

/** What it stands in the place of, and on whose word: the shop's interchange notebook. */
function Instead({ typed, field }: FieldsProps) {
  return (
    <>
      <TextField label="In the place of" hint="what it replaces, for the shop’s interchange notebook" {...field('replaces')} />
      {typed.replaces.trim() !== '' && <TextField label="On whose word" {...field('onWordOf')} />}
    </>
  )
}
