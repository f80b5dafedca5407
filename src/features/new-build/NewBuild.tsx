'use client'
import { useState } from 'react'
import styled from 'styled-components'
import { freshSpec } from '@/core/benches'
import { type DutyUse, type Fuel, type PaperNumber, type UnitSystem } from '@/core/build'
import { crankStyles, type BearingKind, type CrankStyle, type EngineLayout, type LayoutKind, type ValveDrive } from '@/core/engine'
import { parseEntry, type Kind, type UnitId } from '@/core/quantity'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { useDevice } from '@/ui/device'
import { EngineDrawing } from '@/ui/EngineDrawing'
import { PHONE } from '@/ui/GlobalStyle'
import { Card, Lead, Main, Notice, Row, Section, SectionTitle, Title, TopBar } from '@/ui/Page'
import { DUTY_CHOICES, entryIssueWords, FUEL_CHOICES } from '@/wording'
import { send } from '../send'
import { BuildPicker, type BuildChoice } from '../BuildPicker'

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(280px, 1fr);
  gap: 32px;
  align-items: start;
  ${PHONE} {
    grid-template-columns: 1fr;
  }
`
const Numbers = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 12px;
`
const Plan = styled.div`
  height: 200px;
  border: 1px solid var(--hairline);
  position: sticky;
  top: 16px;
  background: var(--ground);
`

const COUNTS: Readonly<Record<LayoutKind, readonly number[]>> = {
  single: [1],
  inline: [2, 3, 4, 5, 6, 8],
  v: [2, 4, 6, 8, 10, 12, 16],
  flat: [2, 4, 6, 8, 12],
}

type Field =
  | 'bore'
  | 'stroke'
  | 'rodLength'
  | 'compressionRatio'
  | 'chamberVolume'
  | 'pistonVolume'
  | 'deckClearance'
  | 'gasketBoreMm'
  | 'gasketThicknessMm'
const FIELDS: readonly {
  readonly name: Field
  readonly label: string
  readonly kind: Kind
  readonly units: Readonly<Record<UnitSystem, UnitId>>
  readonly example: Readonly<Record<UnitSystem, string>>
  readonly required?: boolean
}[] = [
  {
    name: 'bore',
    label: 'Bore',
    kind: 'length',
    units: { metric: 'mm', inch: 'in' },
    example: { metric: '83.00', inch: '4.030' },
    required: true,
  },
  {
    name: 'stroke',
    label: 'Stroke',
    kind: 'length',
    units: { metric: 'mm', inch: 'in' },
    example: { metric: '92.8', inch: '3.750' },
    required: true,
  },
  {
    name: 'rodLength',
    label: 'Rod length',
    kind: 'length',
    units: { metric: 'mm', inch: 'in' },
    example: { metric: '144', inch: '6.000' },
  },
  {
    name: 'compressionRatio',
    label: 'Ratio wanted',
    kind: 'ratio',
    units: { metric: 'one', inch: 'one' },
    example: { metric: '9.0', inch: '10.5' },
  },
  {
    name: 'chamberVolume',
    label: 'Chamber, cm³',
    kind: 'volume',
    units: { metric: 'cm3', inch: 'cm3' },
    example: { metric: '46', inch: '64' },
  },
  {
    name: 'pistonVolume',
    label: 'Piston, cm³ (dish +, dome −)',
    kind: 'volume',
    units: { metric: 'cm3', inch: 'cm3' },
    example: { metric: '10.2', inch: '7' },
    required: true,
  },
  {
    name: 'deckClearance',
    label: 'Deck clearance wanted',
    kind: 'length',
    units: { metric: 'mm', inch: 'in' },
    example: { metric: '0.05', inch: '0.015' },
  },
  {
    name: 'gasketThicknessMm',
    label: 'Gasket, compressed',
    kind: 'length',
    units: { metric: 'mm', inch: 'in' },
    example: { metric: '1.10', inch: '0.040' },
  },
  {
    name: 'gasketBoreMm',
    label: 'Gasket bore',
    kind: 'length',
    units: { metric: 'mm', inch: 'in' },
    example: { metric: '84.0', inch: '4.06' },
  },
]

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
/** Bank angles at which such a V fires evenly on plain pins; any other is usually a 90° one. */
const EVEN_BANK_DEG: Readonly<Record<number, number>> = { 6: 60, 10: 72, 12: 60 }
const USUAL_BANK_DEG = (cylinders: number) => EVEN_BANK_DEG[cylinders] ?? 90

/** A few questions, then straight to the bench. */
export function NewBuild({ builds, copyOf }: { builds: readonly BuildChoice[]; copyOf?: string }) {
  const device = useDevice()
  const by = device.initials || '—'
  const [name, setName] = useState('')
  const [system, setSystem] = useState<UnitSystem>(device.system ?? 'metric')
  const [kind, setKind] = useState<LayoutKind>('inline')
  const [cylinders, setCylinders] = useState(4)
  const [valves, setValves] = useState<'2' | '3' | '4' | '5'>('4')
  const [drive, setDrive] = useState<ValveDrive>('bucketShimUnder')
  const [bankAngle, setBankAngle] = useState('')
  const [crank, setCrank] = useState<CrankStyle>()
  const [bearings, setBearings] = useState<BearingKind>('plain')
  const [use, setUse] = useState<DutyUse>('unsaid')
  const [fuel, setFuel] = useState<Fuel>('petrol')
  const [boost, setBoost] = useState('')
  const [typed, setTyped] = useState<Readonly<Partial<Record<Field, string>>>>({})
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({})
  const [trouble, setTrouble] = useState('')
  const [busy, setBusy] = useState(false)

  const chooseKind = (next: LayoutKind) => {
    setKind(next)
    if (!COUNTS[next].includes(cylinders)) setCylinders(COUNTS[next].includes(4) ? 4 : COUNTS[next][0]!)
  }
  const styles = crankStyles(kind, cylinders)
  const style = crank && styles.includes(crank) ? crank : styles[0]!
  const bankAngleDeg = bankAngle.trim() === '' ? USUAL_BANK_DEG(cylinders) : Number(bankAngle.replace(',', '.'))
  const spec = () =>
    buildSpec({
      name,
      system,
      kind,
      cylinders,
      valves: Number(valves) as EngineLayout['valvesPerCylinder'],
      drive,
      fuel,
      use,
      boost,
      typed,
      bankAngleDeg,
      crank: style,
      bearings,
    })
  const preview = freshSpec({
    name: 'x',
    description: '',
    units: system,
    kind,
    cylinders,
    bankAngleDeg: bankAngleDeg >= 0 && bankAngleDeg <= 180 ? bankAngleDeg : 90,
    crank: style,
    valvesPerCylinder: 4,
    valveDrive: drive,
    fuel,
    boostKpa: 0,
    paper: {},
  }).layout

  async function start(): Promise<void> {
    const made = spec()
    if (!made.ok) return setErrors(made.errors)
    setErrors({})
    setBusy(true)
    const answer = await send<{ id: string }>('/api/builds', { from: 'start', by, spec: made.spec })
    if (answer.ok) window.location.assign(`/builds/${answer.value.id}/compression`)
    else {
      setBusy(false)
      setTrouble(answer.error)
    }
  }

  return (
    <>
      <TopBar trail={[{ href: '/new', words: 'New build' }]} />
      <Main>
        <Title>New build</Title>
        <Lead>What stands on the stand? The rest can wait for the paper page; a number you do not know yet can stay empty.</Lead>
        <Columns>
          <form
            onSubmit={(event) => {
              event.preventDefault()
              void start()
            }}
            style={{ display: 'grid', gap: 20 }}
            aria-label="New build"
          >
            <TextField label="Name of the job" value={name} onChange={setName} error={errors.name} autoFocus />
            <ChoiceRow
              label="Units on its paper"
              value={system}
              onChange={setSystem}
              options={[
                { value: 'metric', label: 'mm' },
                { value: 'inch', label: 'inch' },
              ]}
            />
            <ChoiceRow
              label="Layout"
              value={kind}
              onChange={chooseKind}
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
                onChange={(count) => setCylinders(Number(count))}
                options={COUNTS[kind].map((count) => ({ value: String(count), label: String(count) }))}
              />
            )}
            {kind === 'v' && (
              <TextField
                label={`Bank angle, ° (empty: ${USUAL_BANK_DEG(cylinders)})`}
                value={bankAngle}
                onChange={setBankAngle}
                error={errors.bankAngle}
                numeric
              />
            )}
            {styles.length > 1 && (
              <ChoiceRow
                label="Crank"
                value={style}
                onChange={setCrank}
                options={styles.map((value) => ({ value, label: CRANK_WORDS[value] }))}
              />
            )}
            <ChoiceRow
              label="Bearings of the crank"
              value={bearings}
              onChange={setBearings}
              options={[
                { value: 'plain', label: 'Shells' },
                { value: 'rolling', label: 'Rolling elements' },
              ]}
              hint="Rolling elements have no clearance to measure."
            />
            <ChoiceRow
              label="Valves a cylinder"
              value={valves}
              onChange={setValves}
              options={[
                { value: '2', label: '2' },
                { value: '3', label: '3' },
                { value: '4', label: '4' },
                { value: '5', label: '5' },
              ]}
            />
            <ChoiceRow
              label="Valve drive"
              value={drive}
              onChange={setDrive}
              options={[
                { value: 'pushrod', label: 'Pushrod' },
                { value: 'bucketShimUnder', label: 'Bucket, shim under' },
                { value: 'bucketShimOver', label: 'Bucket, shim over' },
                { value: 'bucketHydraulic', label: 'Bucket, hydraulic' },
                { value: 'fingerFollower', label: 'Finger follower' },
                { value: 'rockerShaft', label: 'Rocker shaft' },
              ]}
            />
            <Numbers>
              <TextField
                label={`Boost, ${system === 'metric' ? 'bar' : 'psi'} (none: empty)`}
                value={boost}
                onChange={setBoost}
                error={errors.boost}
                numeric
              />
            </Numbers>
            <ChoiceRow
              label="Duty"
              value={use}
              onChange={setUse}
              hint={DUTY_CHOICES.find(({ value }) => value === use)!.sets}
              options={DUTY_CHOICES}
            />
            <ChoiceRow label="Fuel" value={fuel} onChange={setFuel} options={FUEL_CHOICES} />
            <SectionTitle>From its paper</SectionTitle>
            <Numbers>
              {FIELDS.map((field) => (
                <TextField
                  key={field.name}
                  label={`${field.label}${field.kind === 'length' ? `, ${system === 'metric' ? 'mm' : 'in'}` : ''}`}
                  value={typed[field.name] ?? ''}
                  numeric
                  onChange={(text) => setTyped((now) => ({ ...now, [field.name]: text }))}
                  error={errors[field.name]}
                  placeholder={field.example[system]}
                />
              ))}
            </Numbers>
            {Object.keys(errors).length > 0 && (
              <Notice data-tone="bad" role="alert">
                Not started yet: look at the fields marked above. What you typed is still here.
              </Notice>
            )}
            {trouble && (
              <Notice data-tone="bad" role="alert">
                {trouble}
              </Notice>
            )}
            <Row>
              <Button type="submit" kind="primary" isDisabled={busy}>
                To the bench
              </Button>
            </Row>
          </form>
          <Section>
            <Plan aria-hidden>
              <EngineDrawing layout={preview} boreMm={85} />
            </Plan>
            <OpenFile by={by} />
            {builds.length > 0 && <CopyBuild builds={builds} copyOf={copyOf} by={by} />}
          </Section>
        </Columns>
      </Main>
    </>
  )
}

/** Opens a build file; when its build is already here, offers a copy. */
function OpenFile({ by }: { by: string }) {
  const [text, setText] = useState('')
  const [trouble, setTrouble] = useState<{ words: string; taken: boolean }>()
  async function open(content: string, asCopy: boolean): Promise<void> {
    setText(content)
    let document: unknown
    try {
      document = JSON.parse(content)
    } catch {
      return setTrouble({ words: 'Not a readable build file: it breaks off or is damaged. Nothing was stored.', taken: false })
    }
    const answer = await send<{ id: string }>('/api/builds', { from: 'file', by, document, asCopy })
    if (answer.ok) window.location.assign(`/builds/${answer.value.id}`)
    else setTrouble({ words: answer.error, taken: answer.status === 409 })
  }
  return (
    <Card>
      <SectionTitle>Or open a build file</SectionTitle>
      <p style={{ margin: '8px 0 12px' }}>
        A <code>.kalibros.json</code> somebody saved, with everything measured so far.
      </p>
      <label>
        <span style={{ position: 'absolute', clip: 'rect(0 0 0 0)', width: 1, height: 1, overflow: 'hidden' }}>Build file</span>
        <input
          type="file"
          accept=".json,application/json"
          onChange={async (event) => {
            const file = event.target.files?.[0]
            if (file) await open(await file.text(), false)
          }}
        />
      </label>
      {trouble && (
        <Notice data-tone="bad" role="alert" style={{ marginTop: 12 }}>
          {trouble.words}
        </Notice>
      )}
      {trouble?.taken && (
        <Button size="small" onPress={() => open(text, true)}>
          Bring it in as a copy
        </Button>
      )}
    </Card>
  )
}

/** Another engine like one that is here: its paper, limits and stock, none of its readings. */
function CopyBuild({ builds, copyOf, by }: { builds: readonly BuildChoice[]; copyOf: string | undefined; by: string }) {
  const [chosen, setChosen] = useState(builds.some(({ id }) => id === copyOf) ? copyOf! : builds[0]!.id)
  const [trouble, setTrouble] = useState('')
  async function copy(): Promise<void> {
    const name = builds.find((build) => build.id === chosen)!.name
    const answer = await send<{ id: string }>('/api/builds', { from: 'build', by, id: chosen, name: `${name}, again` })
    if (answer.ok) window.location.assign(`/builds/${answer.value.id}/paper`)
    else setTrouble(answer.error)
  }
  return (
    <Card>
      <SectionTitle>Or the same engine again</SectionTitle>
      <p style={{ margin: '8px 0 12px' }}>Paper, limits and stock go along; readings do not.</p>
      <Row>
        <BuildPicker id="copy-of" label="Copy of" builds={builds} value={chosen} onChange={setChosen} />
        <Button onPress={copy}>Start the copy</Button>
      </Row>
      {trouble && (
        <Notice data-tone="bad" role="alert" style={{ marginTop: 12 }}>
          {trouble}
        </Notice>
      )}
    </Card>
  )
}

type Made =
  | { readonly ok: true; readonly spec: ReturnType<typeof freshSpec> }
  | { readonly ok: false; readonly errors: Readonly<Record<string, string>> }

/** The answers as a spec, or what is wrong with them field by field. */
function buildSpec(answers: {
  name: string
  system: UnitSystem
  kind: LayoutKind
  cylinders: number
  valves: EngineLayout['valvesPerCylinder']
  drive: ValveDrive
  fuel: Fuel
  use: DutyUse
  boost: string
  bankAngleDeg: number
  crank: CrankStyle
  bearings: BearingKind
  typed: Readonly<Partial<Record<Field, string>>>
}): Made {
  const { name, system, kind, cylinders, typed } = answers
  const errors: Record<string, string> = {}
  if (name.trim() === '') errors.name = 'A name, so that it can be found again.'
  if (kind === 'v' && !(answers.bankAngleDeg > 0 && answers.bankAngleDeg < 180)) errors.bankAngle = 'is between 0 and 180 degrees'
  const numbers: Partial<Record<Field, PaperNumber>> = {}
  for (const field of FIELDS) {
    const text = (typed[field.name] ?? '').trim()
    const unit = field.units[system]
    if (text === '') {
      if (field.required) errors[field.name] = 'is needed for the ratio'
      continue
    }
    const entry = parseEntry(text, { kind: field.kind, unit, signed: true })
    if (!entry.ok) errors[field.name] = entryIssueWords(entry.issue, unit)
    else if (!['pistonVolume', 'deckClearance'].includes(field.name) && entry.value <= 0) errors[field.name] = 'is more than nothing'
    else numbers[field.name] = { value: entry.value, unit: entry.unit, source: 'as stated at the start' }
  }
  const boostUnit = system === 'metric' ? 'bar' : 'psi'
  const boost = answers.boost.trim() === '' ? undefined : parseEntry(answers.boost, { kind: 'pressure', unit: boostUnit, signed: true })
  if (boost && (!boost.ok || boost.value < 0)) errors.boost = 'is a pressure above ambient'
  if (Object.keys(errors).length > 0) return { ok: false, errors }
  const { gasketBoreMm, gasketThicknessMm, ...paper } = numbers
  const layoutWords = kind === 'single' ? 'single' : `${kind === 'v' ? 'V' : kind} ${cylinders}`
  return {
    ok: true,
    spec: freshSpec({
      name: name.trim(),
      description: layoutWords,
      units: system,
      kind,
      cylinders,
      bankAngleDeg: answers.bankAngleDeg,
      crank: answers.crank,
      bearings: answers.bearings,
      use: answers.use,
      valvesPerCylinder: answers.valves,
      valveDrive: answers.drive,
      fuel: answers.fuel,
      boostKpa: boost?.ok ? boost.value : 0,
      paper,
      gasket: gasketBoreMm && gasketThicknessMm && { boreMm: gasketBoreMm.value, thicknessMm: gasketThicknessMm.value },
    }),
  }
}
