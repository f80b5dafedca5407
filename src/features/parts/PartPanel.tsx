'use client'
import { useState } from 'react'
import type { FitAnswer, Part } from '@/core/parts'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { Notice } from '@/ui/Page'
import { SidePanel } from '@/ui/SidePanel'
import { FIT_WORDS } from '@/wording/parts'
import type { PartAct } from './useParts'

/** What is being said of a part that is on the list. */
export type PartAsked = 'ordered' | 'arrived' | 'laid' | 'sentBack' | 'dropped'

const TITLES: Readonly<Record<PartAsked, string>> = {
  ordered: 'Ordered',
  arrived: 'Here',
  laid: 'Lies in',
  sentBack: 'Send it back',
  dropped: 'Not wanted any more',
}

interface PanelProps {
  readonly part: Part
  readonly onSay: (said: PartAct) => void
}

export function PartPanel({ part, asked, onSay, onClose }: PanelProps & { asked: PartAsked; onClose: () => void }) {
  return (
    <SidePanel title={`${TITLES[asked]}: ${part.name}`} isOpen onClose={onClose}>
      {asked === 'ordered' && <Ordered part={part} onSay={onSay} />}
      {asked === 'arrived' && <Arrived part={part} onSay={onSay} />}
      {asked === 'laid' && <Laid part={part} onSay={onSay} />}
      {(asked === 'sentBack' || asked === 'dropped') && <WithReason asked={asked} onSay={onSay} />}
    </SidePanel>
  )
}

function Ordered({ part, onSay }: PanelProps) {
  const [promised, setPromised] = useState(part.promised ?? '')
  const [from, setFrom] = useState(part.from ?? '')
  return (
    <>
      <TextField label="Promised for" type="date" value={promised} onChange={setPromised} />
      <TextField label="Where from" value={from} onChange={setFrom} />
      {part.promised && promised !== '' && promised !== part.promised && <p>It was promised for {part.promised}: that stays on record.</p>}
      <Button
        kind="primary"
        isDisabled={promised !== '' && !/^2\d{3}-/.test(promised)}
        onPress={() => onSay({ did: 'ordered', ...(promised && { promised }), ...(from.trim() && { from: from.trim() }) })}
      >
        Ordered
      </Button>
    </>
  )
}

const ANSWERS = [
  { value: 'fits', label: 'Fits' },
  { value: 'not', label: 'Does not' },
] as const

/** Checked as it arrives, by what goes wrong with its kind; what is not checked yet can be later. */
function Arrived({ part, onSay }: PanelProps) {
  const [answers, setAnswers] = useState<Readonly<Record<string, FitAnswer>>>({})
  const answered = Object.values(answers)
  const wrong = answered.filter(({ fits }) => !fits)
  const isHere = part.state === 'arrived' || part.state === 'failed'
  return (
    <>
      <p>
        What is found out on the bench costs days; here it costs a telephone call. What you cannot look at yet, leave open: its steps wait.
      </p>
      {part.fits.map(({ check, answer }) => {
        const now = answers[check] ?? (isHere ? answer : undefined)
        const put = (more: Partial<FitAnswer>) =>
          setAnswers((all) => ({ ...all, [check]: { ...(all[check] ?? { check, fits: true }), ...more } }))
        return (
          <div key={check}>
            <ChoiceRow
              label={FIT_WORDS[check].ask}
              hint={FIT_WORDS[check].why}
              value={now ? valueOf(now) : ''}
              onChange={(value) => put({ fits: value === 'fits' })}
              options={ANSWERS as readonly { readonly value: '' | 'fits' | 'not'; readonly label: string }[]}
            />
            {now?.fits === false && (
              <TextField label="What is wrong" value={now.note ?? ''} onChange={(note) => put({ fits: false, note })} />
            )}
          </div>
        )
      })}
      {wrong.length > 0 && (
        <Notice role="alert">It does not fit: nothing is built on it, and its steps wait. Send it back with why.</Notice>
      )}
      <Button kind="primary" onPress={() => onSay({ did: isHere ? 'lookedOver' : 'arrived', fits: answered.map(withoutEmpty) })}>
        {isHere ? 'Checked' : 'Here'}
      </Button>
    </>
  )
}

function valueOf({ fits }: FitAnswer): 'fits' | 'not' {
  return fits ? 'fits' : 'not'
}

function withoutEmpty({ check, fits, note = '' }: FitAnswer): FitAnswer {
  return { check, fits, ...(note.trim() && { note: note.trim() }) }
}

function Laid({ part, onSay }: PanelProps) {
  const [pot, setPot] = useState(part.lies?.pot ?? '')
  const [fluid, setFluid] = useState(part.lies?.fluid ?? '')
  return (
    <>
      <TextField label="Pot, box, shelf" value={pot} onChange={setPot} autoFocus />
      <TextField label="In what, if it lies in something" hint="engine oil, spirit, dry in paper" value={fluid} onChange={setFluid} />
      <Button
        kind="primary"
        isDisabled={pot.trim() === ''}
        onPress={() => onSay({ did: 'laid', pot: pot.trim(), ...(fluid.trim() && { fluid: fluid.trim() }) })}
      >
        Lies there
      </Button>
    </>
  )
}

function WithReason({ asked, onSay }: { asked: 'sentBack' | 'dropped'; onSay: PanelProps['onSay'] }) {
  const [reason, setReason] = useState('')
  return (
    <>
      <p>
        {asked === 'sentBack'
          ? 'Another is wanted: what waits for it goes on waiting.'
          : 'Nothing waits for it any more. It stays on record.'}
      </p>
      <TextField label="Why" value={reason} onChange={setReason} autoFocus />
      <Button kind="primary" isDisabled={reason.trim() === ''} onPress={() => onSay({ did: asked, reason: reason.trim() })}>
        {TITLES[asked]}
      </Button>
    </>
  )
}
