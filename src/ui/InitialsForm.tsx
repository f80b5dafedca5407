'use client'
import { useState } from 'react'
import { initialsFrom, MOST_INITIALS } from '@/core/document/initials'
import { Button } from './Button'
import { TextField } from './fields'
import { Row, Stack } from './Layout'

/** Who works here, asked once for a device, in a field that takes letters alone: a reading typed into it signs nothing. */
export function InitialsForm({ onGiven, onLater }: { onGiven: (initials: string) => void; onLater?: () => void }) {
  const [text, setText] = useState('')
  const [isWrong, setWrong] = useState(false)
  const give = () => {
    const given = initialsFrom(text)
    setWrong(given === undefined)
    if (given !== undefined) onGiven(given)
  }
  return (
    <Stack
      onSubmit={(event) => {
        event.preventDefault()
        give()
      }}
      as="form"
      $gap={12}
    >
      <TextField
        label="Who is working? Your initials, once for this device"
        value={text}
        onChange={(next) => {
          setText(next.toUpperCase())
          setWrong(/[^\p{L}\s]/u.test(next))
        }}
        maxLength={MOST_INITIALS + 4}
        autoFocus
        error={isWrong ? `Letters only, ${MOST_INITIALS} at the most: initials first, then the reading.` : undefined}
        onKeyDown={(event) => event.key === 'Escape' && onLater?.()}
      />
      <Row>
        <Button type="submit" kind="primary" isDisabled={text.trim() === ''}>
          Go on
        </Button>
        {onLater && <Button onPress={onLater}>Only look around</Button>}
      </Row>
    </Stack>
  )
}
