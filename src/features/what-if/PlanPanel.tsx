'use client'
import { useState } from 'react'
import styled from 'styled-components'
import type { UnitSystem } from '@/core/document'
import { Button } from '@/ui/Button'
import { TextField } from '@/ui/fields'
import { Notice } from '@/ui/Page'
import { SidePanel } from '@/ui/SidePanel'
import { brokenWords, capital } from '@/wording'
import { planWords } from '@/wording/whatIf'
import { brokenOf, ReadAgain, WouldMove } from './Consequences'
import type { WhatIf } from './useWhatIf'

const Lines = styled.ul`
  display: grid;
  gap: 6px;
  padding-left: 20px;
  list-style: disc;
`

export interface Despite {
  readonly reason: string
  readonly by: string
}

/** What the plan changes, breaks and makes stale; taken once it is confirmed, and with a reason where it must have one. */
export function PlanPanel({
  what,
  system,
  initials,
  onTake,
  onClose,
}: {
  what: WhatIf
  system: UnitSystem
  initials: string
  onTake: (despite: Despite | undefined) => void
  onClose: () => void
}) {
  const { variant, build } = what
  const [reason, setReason] = useState('')
  const [by, setBy] = useState(initials)
  const broken = variant.headlines.flatMap((one) => one.breaks.map((finding) => brokenOf(finding, one)))
  const isNear = variant.near.length > 0
  const isAnswered = reason.trim() !== '' && by.trim() !== ''
  const take = () => onTake(isAnswered ? { reason: reason.trim(), by: by.trim() } : undefined)
  return (
    <SidePanel title="Take as the plan" isOpen onClose={onClose}>
      <p>The build will hold this; everything is counted from then on, and read again once it is done. One press takes it back.</p>
      <Lines aria-label="What the plan changes">
        {planWords(variant.changes, build.spec.stock, system).map((words) => (
          <li key={words}>{words}</li>
        ))}
      </Lines>
      {broken.length > 0 && <Notice role="alert">It breaks: {capital(brokenWords(broken, system))}.</Notice>}
      <WouldMove variant={variant} />
      <ReadAgain build={build} variant={variant} />
      {isNear && (
        <>
          <p>
            What moves at speed would come too near: that is taken only with a reason on record, and on somebody’s word. Without, it is
            refused.
          </p>
          <TextField label="Why it is done all the same" value={reason} onChange={setReason} />
          <TextField label="On whose word, initials" value={by} onChange={setBy} />
        </>
      )}
      <Button kind="primary" isDisabled={isNear && !isAnswered} onPress={take}>
        Take it as the plan
      </Button>
    </SidePanel>
  )
}
