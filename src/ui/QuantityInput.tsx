'use client'
import { useState } from 'react'
import { formatKnown, formatKnownSize, parseEntry, UNITS, type DeadCentre, type Kind, type UnitId } from '@/core/units'
import { TextField } from './fields'
import { entryIssueWords } from '@/wording'

interface QuantityInputProps {
  readonly label: string
  readonly value: number | undefined
  readonly kind: Kind
  readonly unit: UnitId
  readonly size?: boolean
  readonly hint?: string
  readonly bottomCentreDeg?: 180
  /** Degrees about one dead centre, as a cam card writes an event. */
  readonly event?: DeadCentre
  readonly quiet?: boolean
  readonly onCommit: (value: number | undefined, unit: UnitId) => void
  readonly range?: { readonly low: number; readonly high: number }
}

/**
 * A measured or stated number typed as text: our own parser, no rounding, no clamping. Commits on Enter and on leaving;
 * an empty field commits `undefined`. A `size` is a tolerance: never negative, never shifted by an offset.
 */
export function QuantityInput({
  label,
  value,
  kind,
  unit,
  size = false,
  onCommit,
  range,
  hint,
  bottomCentreDeg,
  event,
  quiet,
}: QuantityInputProps) {
  const shown = shownText({ value, unit, size, bottomCentreDeg })
  const [text, setText] = useState(shown)
  const [error, setError] = useState<string>()
  const [seen, setSeen] = useState(shown)
  if (seen !== shown) {
    setSeen(shown)
    setText(shown)
    setError(undefined)
  }

  function commit(): void {
    if (text.trim() === shown) return setError(undefined)
    if (text.trim() === '') return onCommit(undefined, unit)
    const entry = parseEntry(text, { kind, unit, signed: true, bottomCentreDeg, event })
    if (!entry.ok) return setError(entryIssueWords(entry.issue, unit))
    const canonical = size ? entry.value - (UNITS[entry.unit].offset || 0) : entry.value
    if (size && canonical < 0) return setError('A size, never negative.')
    if (range && (canonical < range.low || canonical > range.high))
      return setError(`Not between ${rangeWords(range, unit)}: decimal point, or another unit?`)
    setError(undefined)
    onCommit(canonical, entry.unit)
  }

  return (
    <TextField
      label={label}
      value={text}
      onChange={setText}
      onBlur={commit}
      error={error}
      hint={hint}
      numeric
      quiet={quiet}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit()
        if (event.key === 'Escape') {
          setText(shown)
          setError(undefined)
        }
      }}
    />
  )
}

function rangeWords({ low, high }: { readonly low: number; readonly high: number }, unit: UnitId): string {
  return `${formatKnown(low, unit)} and ${formatKnown(high, unit)} ${UNITS[unit].symbol}`
}

/** A value as somebody would type it: a size without offset, an angle after bottom dead centre by its word. */
function shownText({
  value,
  unit,
  size,
  bottomCentreDeg,
}: {
  value: number | undefined
  unit: UnitId
  size: boolean
  bottomCentreDeg: 180 | undefined
}): string {
  if (value === undefined) return ''
  if (size) return formatKnownSize(value, unit)
  return bottomCentreDeg ? `${value - bottomCentreDeg} ABDC` : formatKnown(value, unit)
}
