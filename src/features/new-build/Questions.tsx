'use client'
import styled from 'styled-components'
import { crankStyles, type CrankStyle } from '@/core/engine'
import { ChoiceRow, TextField } from '@/ui/fields'
import { SectionTitle } from '@/ui/Page'
import { DUTY_CHOICES, FUEL_CHOICES } from '@/wording'
import { COUNTS, crankOf, FIELDS, usualBankDeg, withKind, type Answers } from './answers'

const Numbers = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 12px;
`

const CRANK_WORDS: Readonly<Record<CrankStyle, string>> = {
  opposed: 'Half a turn apart',
  together: 'Up together',
  quarter: '270°',
  evenSplit: 'Split pins, even',
  shared: 'Two rods a pin',
  crossPlane: 'Cross-plane',
  flatPlane: 'Flat-plane',
  boxer: 'Boxer',
}
interface QuestionProps {
  readonly answers: Answers
  /** What is wrong with an answer, by its name. */
  readonly errors: Readonly<Record<string, string>>
  readonly onChange: (answers: Answers) => void
}

/** The questions a build begins with: what it is, what it is for, what its paper says. */
export function Questions(props: QuestionProps) {
  return (
    <>
      <LayoutQuestions {...props} />
      <PartQuestions {...props} />
      <DutyQuestions {...props} />
      <PaperQuestions {...props} />
    </>
  )
}

function LayoutQuestions({ answers, errors, onChange }: QuestionProps) {
  const { system, kind, cylinders } = answers
  const set = (change: Partial<Answers>) => onChange({ ...answers, ...change })
  const styles = crankStyles(kind, cylinders)
  return (
    <>
      <TextField label="Name of the job" value={answers.name} onChange={(name) => set({ name })} error={errors.name} autoFocus />
      <ChoiceRow
        label="Units on its paper"
        value={system}
        onChange={(next) => set({ system: next })}
        options={[
          { value: 'metric', label: 'mm' },
          { value: 'inch', label: 'inch' },
        ]}
      />
      <ChoiceRow
        label="Layout"
        value={kind}
        onChange={(next) => onChange(withKind(answers, next))}
        options={[
          { value: 'single', label: 'Single' },
          { value: 'inline', label: 'Inline' },
          { value: 'v', label: 'V' },
          { value: 'flat', label: 'Flat' },
        ]}
      />
      {kind !== 'single' && (
        <ChoiceRow
          label="Cylinders"
          value={String(cylinders)}
          onChange={(count) => set({ cylinders: Number(count) })}
          options={COUNTS[kind].map((count) => ({ value: String(count), label: String(count) }))}
        />
      )}
      {kind === 'v' && (
        <TextField
          label={`Bank angle, ° (empty: ${usualBankDeg(cylinders)})`}
          value={answers.bankAngle}
          onChange={(bankAngle) => set({ bankAngle })}
          error={errors.bankAngle}
          numeric
        />
      )}
      {styles.length > 1 && (
        <ChoiceRow
          label="Crank"
          value={crankOf(answers)}
          onChange={(crank) => set({ crank })}
          options={styles.map((value) => ({ value, label: CRANK_WORDS[value] }))}
        />
      )}
    </>
  )
}

function PartQuestions({ answers, onChange }: QuestionProps) {
  const set = (change: Partial<Answers>) => onChange({ ...answers, ...change })
  return (
    <>
      <ChoiceRow
        label="Bearings of the crank"
        value={answers.bearings}
        onChange={(bearings) => set({ bearings })}
        options={[
          { value: 'plain', label: 'Shells' },
          { value: 'rolling', label: 'Rolling elements' },
        ]}
        hint="Rolling elements have no clearance to measure."
      />
      <ChoiceRow
        label="Valves a cylinder"
        value={String(answers.valves)}
        onChange={(valves) => set({ valves: Number(valves) as Answers['valves'] })}
        options={[
          { value: '2', label: '2' },
          { value: '3', label: '3' },
          { value: '4', label: '4' },
          { value: '5', label: '5' },
        ]}
      />
      <ChoiceRow
        label="Valve drive"
        value={answers.drive}
        onChange={(drive) => set({ drive })}
        options={[
          { value: 'pushrod', label: 'Pushrod' },
          { value: 'bucketShimUnder', label: 'Bucket, shim under' },
          { value: 'bucketShimOver', label: 'Bucket, shim over' },
          { value: 'bucketHydraulic', label: 'Bucket, hydraulic' },
          { value: 'fingerFollower', label: 'Finger follower' },
          { value: 'rockerShaft', label: 'Rocker shaft' },
        ]}
      />
    </>
  )
}

function DutyQuestions({ answers, errors, onChange }: QuestionProps) {
  const set = (change: Partial<Answers>) => onChange({ ...answers, ...change })
  return (
    <>
      <Numbers>
        <TextField
          label={`Boost, ${answers.system === 'metric' ? 'bar' : 'psi'} (none: empty)`}
          value={answers.boost}
          onChange={(boost) => set({ boost })}
          error={errors.boost}
          numeric
        />
      </Numbers>
      <ChoiceRow
        label="Duty"
        value={answers.use}
        onChange={(use) => set({ use })}
        hint={DUTY_CHOICES.find(({ value }) => value === answers.use)!.sets}
        options={DUTY_CHOICES}
      />
      <ChoiceRow label="Fuel" value={answers.fuel} onChange={(fuel) => set({ fuel })} options={FUEL_CHOICES} />
    </>
  )
}

function PaperQuestions({ answers, errors, onChange }: QuestionProps) {
  const { system } = answers
  const set = (change: Partial<Answers>) => onChange({ ...answers, ...change })
  return (
    <>
      <SectionTitle>From its paper</SectionTitle>
      <Numbers>
        {FIELDS.map((field) => (
          <TextField
            key={field.name}
            label={`${field.label}${field.kind === 'length' ? `, ${system === 'metric' ? 'mm' : 'in'}` : ''}`}
            value={answers.typed[field.name] ?? ''}
            numeric
            onChange={(text) => set({ typed: { ...answers.typed, [field.name]: text } })}
            error={errors[field.name]}
            placeholder={field.example[system]}
          />
        ))}
      </Numbers>
    </>
  )
}
