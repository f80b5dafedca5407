'use client'
import { useState } from 'react'
import styled from 'styled-components'
import type { Spec } from '@/core/document'
import type { WalkStep } from '@/core/walk'
import { Button } from '@/ui/Button'
import { EngineDrawing } from '@/ui/EngineDrawing'
import { ChoiceRow, TextField } from '@/ui/fields'
import { Notice } from '@/ui/Page'
import { SidePanel } from '@/ui/SidePanel'
import { ASKED_WORDS, stepTitle, waitsWords } from '@/wording/walk'
import type { StepAct } from './useWalk'

/** What is being said of a step, where a key alone does not say it. */
export type Saying = 'done' | 'waived' | 'leftOut' | 'confirmed'

/** For the drawing, where no paper says it. */
const USUAL_BORE_MM = 85
const Drawn = styled.div`
  svg {
    width: 100%;
    max-height: 220px;
  }
`
const TITLES: Readonly<Record<Saying, string>> = {
  done: 'Done',
  waived: 'Go on all the same',
  leftOut: 'Leave it out',
  confirmed: 'Still true',
}
const HINTS: Readonly<Record<Saying, string>> = {
  done: '',
  waived: 'What it waits for is there for a reason. Who goes on without says why; it stands on record, and in the book.',
  leftOut: 'Nothing waits for it any more. It stands on record, with why.',
  confirmed: 'Something it rests on was changed since. Somebody who looked answers for it.',
}

/** An answer, a reason, a note and a second person, as far as the step wants them. */
export function StepPanel({
  step,
  saying,
  engine,
  by,
  titleOf,
  onSay,
  onClose,
}: {
  step: WalkStep
  saying: Saying
  engine: Spec
  by: string
  titleOf: (id: string) => string
  onSay: (said: StepAct) => void
  onClose: () => void
}) {
  const { asked, said, set, wantsReason, wantsSecond, isSelf, isReady } = useStepAct(step, saying, by)
  return (
    <SidePanel title={`${TITLES[saying]}: ${stepTitle(step)}`} isOpen onClose={onClose}>
      {HINTS[saying] && <p>{HINTS[saying]}</p>}
      {saying === 'waived' && <Notice>{waitsWords(step.waits, titleOf)}</Notice>}
      {asked && (
        <>
          <Drawn>
            <EngineDrawing layout={engine.layout} boreMm={engine.paper.bore?.value ?? USUAL_BORE_MM} />
          </Drawn>
          <ChoiceRow
            label={asked.ask}
            value={said.answer}
            onChange={set('answer')}
            options={asked.answers.map((one) => ({ value: one, label: one }))}
          />
          {said.answer !== '' && said.answer !== asked.right && (
            <Notice role="alert">Then it lies wrong: turn it, look again, and answer again.</Notice>
          )}
        </>
      )}
      {wantsReason && <TextField label="Why" value={said.reason} onChange={set('reason')} autoFocus />}
      {saying === 'done' && <TextField label="A note, if there is one" value={said.text} onChange={set('text')} />}
      {wantsSecond && (
        <TextField
          label="A second person’s initials"
          hint="left empty where there is nobody: that stands on record too"
          value={said.second}
          onChange={set('second')}
          isInvalid={isSelf}
          {...(isSelf && { error: 'That is you: a second person is somebody else.' })}
        />
      )}
      <Button kind="primary" isDisabled={!isReady} onPress={() => onSay(saidOf(saying, said))}>
        {TITLES[saying]}
      </Button>
    </SidePanel>
  )
}

const NOTHING_SAID = { answer: '', reason: '', text: '', second: '' }
type Typed = typeof NOTHING_SAID

/** What is typed, and whether it is enough for what is being said. */
function useStepAct(step: WalkStep, saying: Saying, by: string) {
  const [said, setTyped] = useState<Typed>(NOTHING_SAID)
  const asked = saying === 'done' && step.asks ? ASKED_WORDS[step.asks] : undefined
  const wantsReason = saying !== 'done'
  const isSelf = said.second.trim() !== '' && said.second.trim().toLowerCase() === by.toLowerCase()
  return {
    asked,
    said,
    set: (name: keyof Typed) => (value: string) => setTyped((now) => ({ ...now, [name]: value })),
    wantsReason,
    wantsSecond: saying === 'waived' || (saying === 'done' && step.needsSecond),
    isSelf,
    isReady: (!asked || said.answer === asked.right) && (!wantsReason || said.reason.trim() !== '') && !isSelf,
  }
}

/** What was left empty is not said. */
function saidOf(did: Saying, typed: Typed): StepAct {
  const filled = Object.entries(typed).flatMap(([name, value]) => (value.trim() ? [[name, value.trim()]] : []))
  return { did, ...(Object.fromEntries(filled) as Partial<Typed>) }
}
