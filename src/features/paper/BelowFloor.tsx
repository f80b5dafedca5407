'use client'
import { useState } from 'react'
import type { LimitDefinition } from '@/core/benches'
import type { Limit, UnitSystem } from '@/core/document'
import { formatQuantity } from '@/core/units'
import { Button } from '@/ui/Button'
import { TextField } from '@/ui/fields'
import { Bad } from '@/ui/Layout'

/** What a limit below the least that is common practice wants before it is stored: a reason, and who answers for it. */
export function BelowFloor({
  definition: { floor = 0, units, digits },
  system,
  onAnswer,
}: {
  definition: LimitDefinition
  system: UnitSystem
  onAnswer: (answer: Pick<Limit, 'reason' | 'by'>) => void
}) {
  const [reason, setReason] = useState('')
  const [by, setBy] = useState('')
  const isWhole = reason.trim() !== '' && by.trim() !== ''
  return (
    <>
      <Bad role="alert" as="small">
        Below {formatQuantity(floor, units[system], digits[system])}, the least that is common practice: not stored until a reason and
        initials stand beside it.
      </Bad>
      <TextField label="Why less is enough here" value={reason} onChange={setReason} />
      <TextField label="Initials" value={by} onChange={setBy} />
      <Button size="small" isDisabled={!isWhole} onPress={() => onAnswer({ reason: reason.trim(), by: by.trim() })}>
        Answer for it
      </Button>
    </>
  )
}
