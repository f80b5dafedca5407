'use client'
import { useState } from 'react'
import styled from 'styled-components'
import type { UnitSystem } from '@/core/document'
import { daysLate, isAwaited, type Part } from '@/core/parts'
import { waitsForPart } from '@/core/walk/partSteps'
import { Button, LinkButton } from '@/ui/Button'
import { useDevice } from '@/ui/device'
import { NARROW } from '@/ui/GlobalStyle'
import { useHydrated } from '@/ui/lazyPart'
import { Lead, Main, Notice, Section, SectionTitle, Title, TopBar } from '@/ui/Page'
import { INITIALS_WANTED } from '@/wording/initials'
import { Row } from '@/ui/Layout'
import { ConversionPanel } from './ConversionPanel'
import { PartLine } from './PartLine'
import { PartPanel, type PartAsked } from './PartPanel'
import { PartsSide } from './PartsSide'
import { PrintedLabels } from './PrintedLabels'
import type { ServedParts, StepChoice } from './servedParts'
import { useParts, type PartAct } from './useParts'
import { WantPanel } from './WantPanel'

const Middle = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 32px;
  align-items: start;
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`
const Screen = styled.div`
  @media print {
    display: none;
  }
`

type Open =
  | { readonly is: 'want'; readonly part?: Part }
  | { readonly is: 'convert' }
  | { readonly is: 'part'; readonly id: string; readonly asked: PartAsked }

/** The parts of a build: what is waited for, what does not fit, what is in, and what goes together. */
export function PartsPage({ served, today }: { served: ServedParts; today: string }) {
  const { initials: by, systemFor } = useDevice()
  const system = systemFor(served.spec.units, served.id)
  const { parts, say, undo, trouble, refused } = useParts(served)
  const [open, setOpen] = useState<Open>()
  const [said, setSaid] = useState('')
  const tell = (part: string | undefined, what: PartAct) => {
    if (by === '') setSaid(INITIALS_WANTED)
    else say(by, part, what)
    setOpen(undefined)
  }
  const wrong = [...(said ? [said] : []), ...refused.flatMap(({ reason }) => reason ?? [])]
  return (
    <>
      <PrintedLabels name={served.spec.name} parts={parts} />
      <Screen data-ready={useHydrated() || undefined}>
        <TopBar
          trail={[
            { href: `/builds/${served.id}`, words: served.spec.name },
            { href: '#', words: 'Parts' },
          ]}
          ownSystem={served.spec.units}
          buildId={served.id}
        />
        <Main>
          <Heading buildId={served.id} onOpen={setOpen} />
          {trouble && <Notice role="status">{trouble}</Notice>}
          {wrong.map((words) => (
            <Notice key={words} role="alert" data-tone="bad">
              {words}
            </Notice>
          ))}
          {parts.length === 0 && <Lead>{NOTHING}</Lead>}
          <Middle>
            <div>
              {GROUPS.map(({ title, holds }) => (
                <Group
                  key={title}
                  title={title}
                  parts={sorted(parts.filter(holds), today)}
                  today={today}
                  steps={served.steps}
                  onOpen={setOpen}
                  onUndo={(id) => by !== '' && undo(by, id)}
                />
              ))}
            </div>
            <PartsSide parts={parts} spec={served.spec} asked={served.asked} system={system} />
          </Middle>
        </Main>
        <Panels served={served} parts={parts} open={open} system={system} onTell={tell} onClose={() => setOpen(undefined)} />
      </Screen>
    </>
  )
}

function Heading({ buildId, onOpen }: { buildId: string; onOpen: (open: Open) => void }) {
  return (
    <Row $spread="apart">
      <Title>Parts</Title>
      <Row>
        <Button kind="primary" onPress={() => onOpen({ is: 'want' })}>
          A part is wanted…
        </Button>
        <Button onPress={() => onOpen({ is: 'convert' })}>A conversion…</Button>
        <LinkButton href={`/builds/${buildId}/job`}>Job</LinkButton>
      </Row>
    </Row>
  )
}

/** What is being said of the list, or of one part of it. */
function Panels({
  served,
  parts,
  open,
  system,
  onTell,
  onClose,
}: {
  served: ServedParts
  parts: readonly Part[]
  open: Open | undefined
  system: UnitSystem
  onTell: (part: string | undefined, said: PartAct) => void
  onClose: () => void
}) {
  if (open?.is === 'want')
    return (
      <WantPanel part={open.part} steps={served.steps} system={system} onSay={(what) => onTell(open.part?.id, what)} onClose={onClose} />
    )
  if (open?.is === 'convert')
    return (
      <ConversionPanel
        onBring={(brought) => {
          for (const one of brought) onTell(undefined, { did: 'wanted', ...one })
        }}
        onClose={onClose}
      />
    )
  const part = open && parts.find(({ id }) => id === open.id)
  return part ? <PartPanel part={part} asked={open.asked} onSay={(what) => onTell(part.id, what)} onClose={onClose} /> : null
}

const NOTHING = 'Nothing is on the list yet. What is wanted, on its way or at the machine shop stands here; the steps that want it wait.'

const GROUPS: readonly { readonly title: string; readonly holds: (part: Part) => boolean }[] = [
  { title: 'Does not fit', holds: ({ state }) => state === 'failed' },
  { title: 'Waited for', holds: (part) => isAwaited(part) && part.state !== 'failed' },
  { title: 'In', holds: ({ state }) => state === 'in' },
  { title: 'Not wanted any more', holds: ({ state }) => state === 'dropped' },
]

/** The latest first, then by the day they are promised for. */
function sorted(parts: readonly Part[], today: string): readonly Part[] {
  return parts.toSorted((a, b) => daysLate(b, today) - daysLate(a, today) || (a.promised ?? '9999').localeCompare(b.promised ?? '9999'))
}

function Group({
  title,
  parts,
  today,
  steps,
  onOpen,
  onUndo,
}: {
  title: string
  parts: readonly Part[]
  today: string
  steps: readonly StepChoice[]
  onOpen: (open: Open) => void
  onUndo: (id: string) => void
}) {
  if (parts.length === 0) return null
  return (
    <Section style={{ marginBottom: 24 }}>
      <SectionTitle>{title}</SectionTitle>
      <ul>
        {parts.map((part) => (
          <PartLine
            key={part.id}
            part={part}
            today={today}
            waiting={steps.filter((step) => waitsForPart(part, step)).map(({ title: of }) => of)}
            onAsk={(asked) => onOpen({ is: 'part', id: part.id, asked })}
            onChange={() => onOpen({ is: 'want', part })}
            onUndo={() => onUndo(part.id)}
          />
        ))}
      </ul>
    </Section>
  )
}
