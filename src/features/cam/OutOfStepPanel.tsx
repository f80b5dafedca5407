'use client'
import { useCallback, useState } from 'react'
import styled from 'styled-components'
import { shaftsOf } from '@/core/benches/cam/camDrive'
import { gapField, type OtherShaft } from '@/core/benches/clearance/outOfStep'
import { PAPER } from '@/core/benches/paper'
import type { Cam } from '@/core/geometry/valvetrain'
import type { Standing } from '@/core/geometry/valvetrain/crankCamMap'
import type { Leg } from '@/core/geometry/valvetrain/safeRoute'
import { parseEntry } from '@/core/units'
import { documentOf } from '@/features/entries/documentOf'
import { useWork } from '@/features/benchFrame/useWork'
import { WorkRow } from '@/features/benchFrame/WorkRow'
import { ChoiceRow, TextField } from '@/ui/fields'
import { Notice } from '@/ui/Page'
import { SidePanel } from '@/ui/SidePanel'
import { capital, entryIssueWords, missingWords, subjectWords } from '@/wording'
import { blockedWords, legWords } from '@/wording/cam'
import { outOfStepInWorker } from '@/workers/cam'
import type { ToolProps } from '@/features/benchFrame/benchView'
import { CrankCamPicture } from './CrankCamPicture'

const Steps = styled.ol`
  display: grid;
  gap: 6px;
  padding-left: 22px;
  list-style: decimal;
  font-size: 16px;
`

const IN_STEP: Standing = { crankDeg: 0, camDeg: 0 }
const USUAL_MARGIN = { metric: '1', inch: '0.04' } as const

interface OutOfStepQuestion {
  readonly from: Standing | undefined
  readonly marginMm: number
  readonly others: readonly OtherShaft[]
}

/** With chain or belt off and out of step: where a valve would touch, and a way back to the marks on which none does. */
export function OutOfStepPanel({ build, system, onClose }: ToolProps & { onClose: () => void }) {
  const shafts = shaftsOf(build)
  const [shaft, setShaft] = useState<Cam>(shafts[0]!)
  const [typed, setTyped] = useState({ crank: '', cam: '', margin: USUAL_MARGIN[system] as string })
  const unit = system === 'metric' ? 'mm' : 'in'
  const [otherAt, setOtherAt] = useState<Readonly<Partial<Record<Cam, string>>>>({})
  const others = shafts.filter((one) => one !== shaft)
  const asked = askedOf(typed, unit, others, otherAt)
  const field = gapField(build, shaft, 'trouble' in asked ? [] : asked.others)
  const missing = 'missing' in field ? missingWords(field.missing, PAPER, (id) => id) : ''
  const job = useCallback(
    async (signal: AbortSignal) => {
      if ('trouble' in asked) throw new Error(asked.trouble)
      const found = await outOfStepInWorker(documentOf(build), { ...asked, shaft, to: IN_STEP }, signal)
      return { found, asked }
    },
    // The question is what was typed.
    // oxlint-disable-next-line react/exhaustive-deps
    [build, shaft, typed.crank, typed.cam, typed.margin, JSON.stringify(otherAt)],
  )
  const { work, start, stop } = useWork(job)
  const fieldOf = (name: keyof typeof typed, label: string, hint: string) => (
    <TextField label={label} hint={hint} value={typed[name]} onChange={(text) => setTyped((now) => ({ ...now, [name]: text }))} numeric />
  )
  return (
    <SidePanel title="Crank and cam out of step" isOpen onClose={onClose}>
      <Intro />
      {shafts.length > 1 && (
        <ChoiceRow
          label="Shaft"
          value={shaft}
          onChange={setShaft}
          options={shafts.map((value) => ({ value, label: capital(subjectWords({ cam: value })) }))}
        />
      )}
      {fieldOf('crank', 'Crank now, °', 'after number one’s TDC; empty for the map alone')}
      {fieldOf('cam', 'Shaft now, °', 'crank degrees: where the crank would be if the shaft were in step, 0 to 720')}
      {others.map((other) => (
        <TextField
          key={other}
          label={`${capital(subjectWords({ cam: other }))} now, °`}
          hint="it stays there while crank and shaft are turned; “out” where it, or its followers, are out"
          value={otherAt[other] ?? ''}
          onChange={(text) => setOtherAt((now) => ({ ...now, [other]: text }))}
        />
      ))}
      {fieldOf('margin', `Every valve keeps, ${unit}`, 'on the whole way')}
      {'trouble' in asked && <Notice role="alert">{asked.trouble}</Notice>}
      {missing ? (
        <p>{missing}</p>
      ) : (
        <WorkRow label="Map" work={work} start={start} stop={stop} words="Map it, and find the way back to the marks" />
      )}
      <div aria-live="polite">
        {work.state === 'failed' && <p>{work.words}</p>}
        {work.state === 'done' && work.answer.found && <Answer {...work.answer} found={work.answer.found} unit={unit} />}
      </div>
    </SidePanel>
  )
}

function Intro() {
  return (
    <p>
      With the chain or belt off either can be turned alone, and a valve can meet a piston. Plugs out, by hand, and stop at the first touch:
      the map knows the valves over their pistons, less the uncertainty of each, and beside those of the other shafts as they stand; not
      what is bent already.
    </p>
  )
}

function Answer({
  found,
  asked,
  unit,
}: {
  found: NonNullable<Awaited<ReturnType<typeof outOfStepInWorker>>>
  asked: OutOfStepQuestion
  unit: 'mm' | 'in'
}) {
  const { route, synthetic, snatchDeg } = found
  const legs = route && 'legs' in route ? route.legs : []
  return (
    <>
      {route && 'blocked' in route && <Notice role="alert">{blockedWords(route)}</Notice>}
      {route && 'legs' in route && (legs.length === 0 ? <p>It stands at its marks.</p> : <Way legs={legs} unit={unit} />)}
      <CrankCamPicture found={found} marginMm={asked.marginMm} {...(asked.from && { from: asked.from })} legs={legs} />
      <p>Crank along, shaft upwards, both in crank degrees. Full: a valve touches. Pale: nearer than asked. Dashed: in step.</p>
      {snatchDeg.length > 0 && (
        <p>
          Its own springs throw the shaft forward at {snatchDeg.map((deg) => `${Math.round(deg)}°`).join(', ')}: hold it against a spanner
          past each.
        </p>
      )}
      {synthetic.length > 0 && (
        <p>{synthetic.map((cam) => capital(subjectWords({ cam }))).join(', ')}: by a lobe made of the card, not a measured one.</p>
      )}
    </>
  )
}

function Way({ legs, unit }: { legs: readonly Leg[]; unit: 'mm' | 'in' }) {
  return (
    <Steps>
      {legs.map((leg) => (
        <li key={`${leg.turn}/${leg.to.crankDeg}/${leg.to.camDeg}`}>{legWords(leg, unit)}</li>
      ))}
    </Steps>
  )
}

const TURN_DEG = 360
const CYCLE_DEG = 720
const within = (deg: number, most: number) => ((deg % most) + most) % most

/** What was typed, or what is wrong with it; with neither crank nor shaft only the map is asked for. */
function askedOf(
  typed: { crank: string; cam: string; margin: string },
  unit: 'mm' | 'in',
  shafts: readonly Cam[],
  otherAt: Readonly<Partial<Record<Cam, string>>>,
): OutOfStepQuestion | { readonly trouble: string } {
  const margin = parseEntry(typed.margin, { kind: 'length', unit })
  if (!margin.ok) return { trouble: `The gap: ${entryIssueWords(margin.issue, unit)}` }
  if (typed.crank.trim() === '' && typed.cam.trim() === '') return { from: undefined, marginMm: margin.value, others: [] }
  const angle = (text: string) => parseEntry(text, { kind: 'angle', unit: 'deg', signed: true })
  const [crank, cam] = [angle(typed.crank), angle(typed.cam)]
  if (!crank.ok) return { trouble: `The crank: ${entryIssueWords(crank.issue, 'deg')}` }
  if (!cam.ok) return { trouble: `The shaft: ${entryIssueWords(cam.issue, 'deg')}` }
  const others: OtherShaft[] = []
  for (const shaft of shafts) {
    const text = (otherAt[shaft] ?? '').trim().toLowerCase()
    if (text === 'out') continue
    const name = subjectWords({ cam: shaft })
    if (text === '') return { trouble: `The ${name}: where does it stand? An angle, or “out”.` }
    const at = angle(text)
    if (!at.ok) return { trouble: `The ${name}: ${entryIssueWords(at.issue, 'deg')}` }
    others.push({ shaft, camDeg: within(at.value, CYCLE_DEG) })
  }
  return { from: { crankDeg: within(crank.value, TURN_DEG), camDeg: within(cam.value, CYCLE_DEG) }, marginMm: margin.value, others }
}
