import { findUnit, formatExact, toCanonical, UNITS, type UnitId } from '../units'

/**
 * What a gauge sends when its button is pressed, one line of plain text:
 * `name;value;unit;sequence;checksum`, for example `bore-metric;83.004;mm;17;1F9C`. A feeler sends `0.53/0.54`.
 * The name is that of a gauge in the drawer, the sequence counts presses, the checksum is Fletcher-16 of everything
 * before its semicolon, in hexadecimal. A torque wrench that knows its angle sends both, `55.2@41`.
 */
export interface GaugeLine {
  readonly name: string
  /** Canonical unit. */
  readonly value: number
  readonly upper?: number
  /** How far a wrench turned to get there. */
  readonly angleDeg?: number
  readonly unit: UnitId
  readonly sequence: number
  /** The value as sent. */
  readonly text: string
}

export type GaugeLineIssue =
  | { readonly code: 'fields'; readonly got: number }
  | { readonly code: 'checksum'; readonly got: string; readonly wanted: string }
  | { readonly code: 'value'; readonly text: string }
  | { readonly code: 'unit'; readonly text: string }
  | { readonly code: 'sequence'; readonly text: string }
  | { readonly code: 'name' }

export type ParsedGaugeLine = { readonly ok: true; readonly line: GaugeLine } | { readonly ok: false; readonly issue: GaugeLineIssue }

const FIELDS = 5
const NUMBER = String.raw`[+-]?\d+(?:\.\d+)?`
const VALUE = new RegExp(`^(${NUMBER})(?:/(${NUMBER})|@(${NUMBER}))?$`)

export function parseGaugeLine(text: string): ParsedGaugeLine {
  const fields = text.trim().split(';')
  if (fields.length !== FIELDS) return failed({ code: 'fields', got: fields.length })
  const [name = '', valueText = '', unitText = '', sequenceText = '', got = ''] = fields
  const wanted = fletcher16(fields.slice(0, -1).join(';'))
  if (got.toUpperCase() !== wanted) return failed({ code: 'checksum', got, wanted })
  if (name.trim() === '' || name.length > 40) return failed({ code: 'name' })
  const match = VALUE.exec(valueText)
  if (!match) return failed({ code: 'value', text: valueText })
  const unit = findUnit(unitText, 'length')
  if (!unit) return failed({ code: 'unit', text: unitText })
  if (!/^\d{1,9}$/.test(sequenceText)) return failed({ code: 'sequence', text: sequenceText })
  const [, low = '', high, angle] = match
  if (high !== undefined && Number(high) <= Number(low)) return failed({ code: 'value', text: valueText })
  return {
    ok: true,
    line: {
      name,
      value: toCanonical(Number(low), unit),
      ...(high !== undefined && { upper: toCanonical(Number(high), unit) }),
      ...(angle !== undefined && { angleDeg: Number(angle) }),
      unit,
      sequence: Number(sequenceText),
      text: valueText,
    },
  }
}

/** The line a gauge sends for a reading in canonical units. */
export function formatGaugeLine({ name, value, upper, angleDeg, unit, sequence }: Omit<GaugeLine, 'text'>): string {
  const second = upper === undefined ? '' : `/${formatExact(upper, unit)}`
  const turned = angleDeg === undefined ? '' : `@${angleDeg}`
  const body = [name, `${formatExact(value, unit)}${second}${turned}`, UNITS[unit].symbol, sequence].join(';')
  return `${body};${fletcher16(body)}`
}

/** J. G. Fletcher, An arithmetic checksum for serial transmissions, IEEE Trans. Communications 30 (1982); over UTF-8, modulo 255. */
export function fletcher16(text: string): string {
  let [low, high] = [0, 0]
  for (const byte of utf8(text)) {
    low = (low + byte) % 255
    high = (high + low) % 255
  }
  return ((high << 8) | low).toString(16).toUpperCase().padStart(4, '0')
}

/** Bytes of a text, without the platform's encoder, which the core does not have. */
function utf8(text: string): readonly number[] {
  return [...unescapePercents(encodeURIComponent(text))]
}

function* unescapePercents(escaped: string): Generator<number> {
  for (let at = 0; at < escaped.length; at++) {
    if (escaped[at] !== '%') {
      yield escaped.charCodeAt(at)
      continue
    }
    yield Number.parseInt(escaped.slice(at + 1, at + 3), 16)
    at += 2
  }
}

function failed(issue: GaugeLineIssue): ParsedGaugeLine {
  return { ok: false, issue }
}
