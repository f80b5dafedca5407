'use client'
import { TextField } from '@/ui/fields'
import { useKeptText } from '@/ui/useKeptText'

/** A few words, kept on leaving the field. */
export function Words({
  label,
  value,
  onCommit,
  required = false,
  quiet,
}: {
  label: string
  value: string
  onCommit: (text: string) => void
  required?: boolean
  quiet?: boolean
}) {
  const [text, setText] = useKeptText(value)
  const commit = () => {
    if (text.trim() === value) return
    if (required && text.trim() === '') setText(value)
    else onCommit(text.trim())
  }
  return (
    <TextField
      label={label}
      value={text}
      onChange={setText}
      onBlur={commit}
      quiet={quiet}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
    />
  )
}
