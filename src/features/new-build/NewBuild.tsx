'use client'
import { useState, type ReactNode } from 'react'
import styled from 'styled-components'
import { Button } from '@/ui/Button'
import { useDevice } from '@/ui/device'
import { EngineDrawing } from '@/ui/EngineDrawing'
import { PHONE } from '@/ui/GlobalStyle'
import { Lead, Main, Notice, Section, Title, TopBar } from '@/ui/Page'
import type { BuildChoice } from '@/shop/latestBuilds'
import { send } from '@/features/entries/send'
import { Row, Stack } from '@/ui/Layout'
import { useForm } from '@/ui/useForm'
import { firstAnswers, layoutOf, specOf, type Answers } from './answers'
import { CopyBuild } from './CopyBuild'
import { OpenFile } from './OpenFile'
import { Questions } from './Questions'

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(280px, 1fr);
  gap: 32px;
  align-items: start;
  ${PHONE} {
    grid-template-columns: 1fr;
  }
`
const Plan = styled.div`
  height: 200px;
  border: 1px solid var(--hairline);
  position: sticky;
  top: 16px;
  background: var(--ground);
`

/** A few questions, then straight to the bench. */
export function NewBuild({ builds, copyOf }: { builds: readonly BuildChoice[]; copyOf?: string }) {
  const device = useDevice()
  const by = device.initials || '—'
  const [start] = useState(() => firstAnswers(device.system ?? 'metric'))
  const { values, wrong, refused, isSending, set, form } = useForm({
    start,
    read: specOf,
    send: async (spec) => {
      const answer = await send<{ id: string }>('/api/builds', { from: 'start', by, spec })
      if (!answer.ok) return answer.error
      window.location.assign(`/builds/${answer.value.id}/compression`)
      // The button stays as it is until the bench is there.
      return new Promise<undefined>(() => {})
    },
  })
  const answer = (change: Partial<Answers>) => {
    for (const [name, value] of Object.entries(change)) set(name as keyof Answers, value)
  }

  return (
    <>
      <TopBar trail={[{ href: '/new', words: 'New build' }]} />
      <Main>
        <Title>New build</Title>
        <Lead>What stands on the stand? The rest can wait for the paper page; a number you do not know yet can stay empty.</Lead>
        <Columns>
          <Stack {...form} as="form" $gap={20} aria-label="New build">
            <Questions answers={values} errors={wrong} onChange={answer} />
            {Object.keys(wrong).length > 0 && !refused && (
              <Bad>Not started yet: look at the fields marked above. What you typed is still here.</Bad>
            )}
            {refused && <Bad>{refused}</Bad>}
            <Row>
              <Button type="submit" kind="primary" isDisabled={isSending}>
                To the bench
              </Button>
            </Row>
          </Stack>
          <Section>
            <Plan aria-hidden>
              <EngineDrawing layout={layoutOf(values)} boreMm={85} />
            </Plan>
            <OpenFile by={by} />
            {builds.length > 0 && <CopyBuild builds={builds} copyOf={copyOf} by={by} />}
          </Section>
        </Columns>
      </Main>
    </>
  )
}

function Bad({ children }: { children: ReactNode }) {
  return (
    <Notice data-tone="bad" role="alert">
      {children}
    </Notice>
  )
}
