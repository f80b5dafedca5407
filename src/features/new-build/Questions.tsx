'use client'
import styled from 'styled-components'
import { crankStyles } from '@/core/geometry/crank'
import { ChoiceRow, TextField } from '@/ui/fields'
import { SectionTitle } from '@/ui/Page'
import { DUTY_CHOICES, FUEL_CHOICES } from '@/wording'
import { crankStyleWords, NUMBERING_CHOICES, VALVE_DRIVE_CHOICES } from '@/wording/layout'
import { COUNTS, crankOf, FIELDS, hasPortsOnly, twoBanks, usualBankDeg, withKind, type Answers } from './answers'

const Numbers = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 12px;
`

interface QuestionProps {
  readonly answers: Answers
  /** What is wrong with an answer, by its name. */
  readonly errors: Readonly<Record<string, string>>
  readonly onChange: (change: Partial<Answers>) => void
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
  const { system, kind } = answers
  return (
    <>
      <TextField label="Name of the job" value={answers.name} onChange={(name) => onChange({ name })} error={errors.name} autoFocus />
      <ChoiceRow
        label="Units on its paper"
        value={system}
        onChange={(next) => onChange({ system: next })}
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
      <ArrangementQuestions answers={answers} errors={errors} onChange={onChange} />
    </>
  )
}

function ArrangementQuestions({ answers, errors, onChange }: QuestionProps) {
  const { kind, cylinders } = answers
  const styles = crankStyles(kind, cylinders)
  return (
    <>
      {kind === 'single' && (
        <ChoiceRow
          label="Strokes"
          value={String(answers.strokes)}
          onChange={(strokes) => onChange({ strokes: strokes === '2' ? 2 : 4 })}
          hint="A two-stroke here breathes through ports: no valves, no cam."
          options={[
            { value: '4', label: 'Four' },
            { value: '2', label: 'Two' },
          ]}
        />
      )}
      {kind !== 'single' && (
        <ChoiceRow
          label="Cylinders"
          value={String(cylinders)}
          onChange={(count) => onChange({ cylinders: Number(count) })}
          options={COUNTS[kind].map((count) => ({ value: String(count), label: String(count) }))}
        />
      )}
      {kind === 'v' && (
        <TextField
          label={`Bank angle, ° (empty: ${usualBankDeg(cylinders)})`}
          value={answers.bankAngle}
          onChange={(bankAngle) => onChange({ bankAngle })}
          error={errors.bankAngle}
          numeric
        />
      )}
      {twoBanks(kind) && (
        <ChoiceRow
          label="Numbering"
          value={answers.numbering}
          onChange={(numbering) => onChange({ numbering })}
          options={NUMBERING_CHOICES}
        />
      )}
      {styles.length > 1 && (
        <ChoiceRow
          label="Crank"
          value={crankOf(answers)}
          onChange={(crank) => onChange({ crank })}
          options={styles.map((value) => ({ value, label: crankStyleWords(value, answers) }))}
        />
      )}
    </>
  )
}

function PartQuestions({ answers, onChange }: QuestionProps) {
  return (
    <>
      <ChoiceRow
        label="Bearings of the crank"
        value={answers.bearings}
        onChange={(bearings) => onChange({ bearings })}
        options={[
          { value: 'plain', label: 'Shells' },
          { value: 'rolling', label: 'Rolling elements' },
        ]}
        hint="Rolling elements have no clearance to measure."
      />
      {!hasPortsOnly(answers) && <ValveQuestions answers={answers} onChange={onChange} />}
    </>
  )
}

function ValveQuestions({ answers, onChange }: Omit<QuestionProps, 'errors'>) {
  return (
    <>
      <ChoiceRow
        label="Valves a cylinder"
        value={String(answers.valves)}
        onChange={(valves) => onChange({ valves: Number(valves) as Answers['valves'] })}
        options={[
          { value: '2', label: '2' },
          { value: '3', label: '3' },
          { value: '4', label: '4' },
          { value: '5', label: '5' },
        ]}
      />
      <ChoiceRow label="Valve drive" value={answers.drive} onChange={(drive) => onChange({ drive })} options={VALVE_DRIVE_CHOICES} />
    </>
  )
}

function DutyQuestions({ answers, errors, onChange }: QuestionProps) {
  return (
    <>
      <Numbers>
        <TextField
          label={`Boost, ${answers.system === 'metric' ? 'bar' : 'psi'} (none: empty)`}
          value={answers.boost}
          onChange={(boost) => onChange({ boost })}
          error={errors.boost}
          numeric
        />
        <TextField
          label="Redline, rpm (not known: empty)"
          value={answers.redline}
          onChange={(redline) => onChange({ redline })}
          error={errors.redline}
          numeric
        />
      </Numbers>
      <ChoiceRow
        label="Duty"
        value={answers.use}
        onChange={(use) => onChange({ use })}
        hint={DUTY_CHOICES.find(({ value }) => value === answers.use)!.sets}
        options={DUTY_CHOICES}
      />
      <ChoiceRow label="Fuel" value={answers.fuel} onChange={(fuel) => onChange({ fuel })} options={FUEL_CHOICES} />
    </>
  )
}

function PaperQuestions({ answers, errors, onChange }: QuestionProps) {
  const { system } = answers
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
            onChange={(text) => onChange({ typed: { ...answers.typed, [field.name]: text } })}
            error={errors[field.name]}
            placeholder={field.example[system]}
          />
        ))}
      </Numbers>
    </>
  )
}
