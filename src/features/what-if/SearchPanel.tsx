'use client'
import { useCallback, useState } from 'react'
import styled from 'styled-components'
import type { UnitSystem } from '@/core/build'
import {
  combinationsOf,
  KERNEL_KNOBS,
  variantOf,
  type Binding,
  type Goal,
  type KernelKnob,
  type KnobHere,
  type Question,
  type Settings,
} from '@/core/whatIf'
import { parseEntry } from '@/core/quantity'
import { documentOf } from '@/features/bench/documentOf'
import { useWork } from '@/features/bench/useWork'
import { WorkRow } from '@/features/bench/WorkRow'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { FigureTable } from '@/ui/FigureTable'
import { SidePanel } from '@/ui/SidePanel'
import { showFigure } from '@/wording'
import { SEARCHED_WORDS, settingWords } from '@/wording/whatIf'
import { searchInWorker } from '@/workers/whatIf'
import type { FoundVariants } from '@/workers/protocol'
import { stepsAbout } from './KnobRules'
import type { WhatIf } from './useWhatIf'

const Picks = styled.fieldset`
  border: 0;
  padding: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 16px;
  legend {
    padding: 0 0 4px;
    font-weight: 600;
  }
  label {
    display: flex;
    gap: 8px;
    align-items: center;
    min-height: 32px;
  }
`
/** A search takes so many steps of a knob where nobody says otherwise, and no more combinations than it tries in a while. */
const USUAL_STEPS = '12'
const MOST_STEPS = 40
const MOST_TRIED = 400_000
/** What is wanted beside the ratio. */
const WISHES = {
  intake: { label: 'Most room over the intakes', goal: { figure: 'intake', aim: 'most' } },
  exhaust: { label: 'Most room over the exhausts', goal: { figure: 'exhaust', aim: 'most' } },
  quench: { label: 'Least quench', goal: { figure: 'quench', aim: 'least' } },
  spread: { label: 'Ratios alike', goal: { figure: 'ratioSpread', aim: 'least' } },
} as const satisfies Readonly<Record<string, { readonly label: string; readonly goal: Goal }>>
type Wish = keyof typeof WISHES
const USUAL: readonly KernelKnob[] = ['gasket', 'deckCut', 'headCut']

/** Knobs with allowed steps, goals and limits: the front of best variants, or what binds. */
export function SearchPanel({ what, system, onClose }: { what: WhatIf; system: UnitSystem; onClose: () => void }) {
  const { build, knobs, locked } = what
  const there = knobs.filter(({ knob }) => isKernel(knob.id) && !(knob.part && locked.has(knob.part)))
  const [picked, setPicked] = useState<ReadonlySet<string>>(
    new Set(there.filter(({ knob }) => USUAL.includes(knob.id as KernelKnob)).map(({ knob }) => knob.id)),
  )
  const [ratio, setRatio] = useState(String(build.spec.limits['compression.compressionRatio']?.target ?? ''))
  const wanted = parseEntry(ratio, { kind: 'ratio', unit: 'one' })
  const [wish, setWish] = useState<Wish>('intake')
  const [stepsText, setStepsText] = useState(USUAL_STEPS)
  const steps = Math.min(MOST_STEPS, Math.max(1, Math.round(Number(stepsText)) || 1))
  const question: Question = {
    knobs: there
      .filter(({ knob }) => picked.has(knob.id))
      .map((here) => ({ id: here.knob.id as KernelKnob, values: valuesOf(here, what, system, steps) })),
    goals: goalsOf(wanted.ok ? wanted.value : undefined, wish),
  }
  const count = combinationsOf(question)
  const isRatioKnown = what.variant.headlines.some(({ output, today }) => output === 'compression.compressionRatio' && today)
  const job = useCallback(
    (signal: AbortSignal, onProgress: (share: number) => void) =>
      searchInWorker(documentOf(build), question, (done) => onProgress(done / count), signal),
    // The question is what was picked and typed.
    // oxlint-disable-next-line react/exhaustive-deps
    [build, picked, ratio, wish, steps, count],
  )
  const { work, start, stop } = useWork(job)
  const toggle = (id: string) => setPicked((now) => new Set(now.has(id) ? [...now].filter((one) => one !== id) : [...now, id]))
  return (
    <SidePanel title="Find the best" isOpen onClose={onClose}>
      <p>Every combination of the knobs picked, within today’s limits: those no other beats all round, confirmed over all benches.</p>
      <KnobPicks there={there} picked={picked} onToggle={toggle} />
      <TextField
        label="Steps of each"
        hint={`from today on, or to both sides of it; at most ${MOST_STEPS}`}
        value={stepsText}
        onChange={setStepsText}
        numeric
      />
      <TextField label="Ratio wanted" hint="left empty: any within its limit" value={ratio} onChange={setRatio} numeric />
      <ChoiceRow
        label="And beside it"
        value={wish}
        onChange={setWish}
        options={(Object.keys(WISHES) as Wish[]).map((value) => ({ value, label: WISHES[value].label }))}
      />
      {!isRatioKnown && <p>The ratio of this engine is not known yet: it is left out of the search.</p>}
      <p>
        <b>{count.toLocaleString('en')}</b> variants{count > MOST_TRIED && ': too many to try, pick fewer knobs'}.
      </p>
      {picked.size > 0 && count <= MOST_TRIED && (
        <WorkRow label="Search" work={work} start={start} stop={stop} words="Search" again="Search again" />
      )}
      <div aria-live="polite">
        {work.state === 'stopped' && <p>Stopped; nothing was changed.</p>}
        {work.state === 'failed' && <p>{work.words}</p>}
        {work.state === 'done' && <Answer found={work.answer} what={what} system={system} onClose={onClose} />}
      </div>
    </SidePanel>
  )
}

function KnobPicks({
  there,
  picked,
  onToggle,
}: {
  there: readonly KnobHere[]
  picked: ReadonlySet<string>
  onToggle: (id: string) => void
}) {
  return (
    <Picks>
      <legend>Knobs that may be turned</legend>
      {there.map(({ knob }) => (
        <label key={knob.id}>
          <input type="checkbox" checked={picked.has(knob.id)} onChange={() => onToggle(knob.id)} />
          {knob.label}
        </label>
      ))}
    </Picks>
  )
}

function isKernel(id: string): id is KernelKnob {
  return (KERNEL_KNOBS as readonly string[]).includes(id)
}

/** From today upwards where a knob only takes off, else to both sides of it. */
function valuesOf({ knob, today, low, high }: KnobHere, { build }: WhatIf, system: UnitSystem, steps: number): readonly number[] {
  const choices = knob.choices?.(build)
  if (choices) return choices
  const all = stepsAbout(today, low, high, knob.step[system])
  const from = Math.max(
    0,
    Math.min(all.length - steps, all.findIndex((one) => one >= today - 1e-9) - (low < today ? Math.floor(steps / 2) : 0)),
  )
  return all.slice(from, from + steps)
}

function goalsOf(ratio: number | undefined, wish: Wish): readonly Goal[] {
  return [...(ratio === undefined ? [] : [{ figure: 'ratio', aim: 'near', value: ratio } as const]), WISHES[wish].goal]
}

const bindingWords = ({ figure, variants }: Binding) => `${SEARCHED_WORDS[figure]}, alone in the way of ${variants.toLocaleString('en')}`

const SHOWN = ['compression.compressionRatio', 'compression.quench', 'clearance.closest'] as const

function Answer({ found, what, system, onClose }: { found: FoundVariants; what: WhatIf; system: UnitSystem; onClose: () => void }) {
  const { tried, passed, settings, binding, nearest } = found
  const look = (one: Settings) => {
    what.set({ ...what.settings, ...one })
    onClose()
  }
  return (
    <>
      <p>
        {tried.toLocaleString('en')} tried, {passed.toLocaleString('en')} keep their limits.
      </p>
      {passed === 0 && (
        <p role="alert">
          None is left.{' '}
          {binding.length > 0 ? `What binds: ${binding.map(bindingWords).join('; ')}.` : 'Every variant misses several limits at once.'}
        </p>
      )}
      {nearest && (
        <Button size="small" onPress={() => look(nearest)}>
          Look at the nearest miss
        </Button>
      )}
      {settings.length > 0 && (
        <FigureTable>
          <thead>
            <tr>
              <th scope="col">Turn</th>
              <th scope="col">Ratio</th>
              <th scope="col">Quench</th>
              <th scope="col">Closest</th>
              <th scope="col">Breaks</th>
              <th scope="col" aria-label="Look" />
            </tr>
          </thead>
          <tbody>
            {settings.map((one) => (
              <FoundRow key={JSON.stringify(one)} settings={one} what={what} system={system} onLook={() => look(one)} />
            ))}
          </tbody>
        </FigureTable>
      )}
    </>
  )
}

function FoundRow({ settings, what, system, onLook }: { settings: Settings; what: WhatIf; system: UnitSystem; onLook: () => void }) {
  const variant = variantOf(what.today, settings)
  const words = what.knobs.flatMap(({ knob, today }) => {
    const value = settings[knob.id]
    return value === undefined || Math.abs(value - today) < 1e-9
      ? []
      : [`${knob.label} ${settingWords(value, knob.step[system], knob.units[system])}`]
  })
  return (
    <tr>
      <td>{words.join(', ') || 'As today'}</td>
      {SHOWN.map((output) => {
        const headline = variant.headlines.find((one) => one.output === output)
        return <td key={output}>{headline?.next ? showFigure(headline.next.low, headline.shown, system).value : '–'}</td>
      })}
      <td>{variant.headlines.reduce((sum, { breaks }) => sum + breaks.length, 0)}</td>
      <td>
        <Button size="small" onPress={onLook}>
          Look
        </Button>
      </td>
    </tr>
  )
}
