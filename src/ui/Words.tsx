'use client'
import { useState } from 'react'
import { TextField } from './fields'
import { useKeptText } from './useKeptText'

/** A few words, kept on leaving the field. */
export function Words({
  label,
  value,
  onCommit,
  required = false,
  quiet,
  troubleOf = () => '',
}: {
  label: string
  value: string
  onCommit: (text: string) => void
  required?: boolean
  quiet?: boolean
  /** Why such words are not kept; empty where they may be. They stay as typed until mended. */
  troubleOf?: (text: string) => string
}) {
  const [text, setText] = useKeptText(value)
  const [trouble, setTrouble] = useState('')
  const commit = () => {
    const wrong = text.trim() === value ? '' : troubleOf(text)
    setTrouble(wrong)
    if (wrong || text.trim() === value) return
    if (required && text.trim() === '') setText(value)
    else onCommit(text.trim())
  }
  return (
    <TextField
      label={label}
      value={text}
      onChange={setText}
      onBlur={commit}
      error={trouble || undefined}
      quiet={quiet}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
    />
  )
}
