'use client'
import { useState } from 'react'
import { Button } from '@/ui/Button'
import { TextField } from '@/ui/fields'

/** What a check found that is not right, in words. */
export function CheckForm({ onFound }: { onFound: (text: string) => void }) {
  const [text, setText] = useState('')
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        onFound(text.trim())
      }}
    >
      <TextField label="What was found" value={text} onChange={setText} autoFocus />
      <Button type="submit" isDisabled={text.trim() === ''}>
        Write it down
      </Button>
    </form>
  )
}
