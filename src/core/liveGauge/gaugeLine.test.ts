import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { expectNear } from '../../../tests/support/expectNear'
import { fletcher16, formatGaugeLine, parseGaugeLine } from './gaugeLine'

describe('the checksum', () => {
  // The published test values of Fletcher-16.
  it.each([
    ['abcde', 'C8F0'],
    ['abcdef', '2057'],
    ['abcdefgh', '0627'],
  ])('of %s is %s', (text, sum) => expect(fletcher16(text)).toBe(sum))

  it('finds any one character changed and any two neighbours swapped', () => {
    const line = formatGaugeLine({ name: 'bore-metric', value: 83.0042, unit: 'mm', sequence: 17 })
    for (let at = 0; at < line.length - 5; at++) {
      const changed = line.slice(0, at) + (line[at] === '7' ? '8' : '7') + line.slice(at + 1)
      expect(parseGaugeLine(changed).ok, changed).toBe(false)
      const swapped = line.slice(0, at) + line[at + 1]! + line[at]! + line.slice(at + 2)
      if (swapped !== line) expect(parseGaugeLine(swapped).ok, swapped).toBe(false)
    }
  })
})

describe('lines', () => {
  it('read back as they were sent, in any unit', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -99_999, max: 99_999_999 }),
        fc.constantFrom('mm' as const, 'in' as const, 'thou' as const, 'cm3' as const, 'g' as const, 'umRa' as const),
        fc.nat(999_999_999),
        (value, unit, sequence) => {
          const parsed = parseGaugeLine(formatGaugeLine({ name: 'gauge µ', value: value / 1e4, unit, sequence }))
          if (!parsed.ok) throw new Error(parsed.issue.code)
          expect(parsed.line).toMatchObject({ name: 'gauge µ', unit, sequence })
          expectNear(parsed.line.value, value / 1e4, 1e-8 * Math.abs(value) + 1e-12)
        },
      ),
    )
  })

  it('carries a feeler’s pair', () => {
    const parsed = parseGaugeLine(formatGaugeLine({ name: 'feeler-fine', value: 0.53, upper: 0.54, unit: 'mm', sequence: 1 }))
    expect(parsed).toMatchObject({ ok: true, line: { value: 0.53, upper: 0.54, text: '0.53/0.54' } })
  })

  it('carries a wrench’s torque with the angle it turned to get there', () => {
    const parsed = parseGaugeLine(formatGaugeLine({ name: 'wrench', value: 55.2, angleDeg: 41.5, unit: 'Nm', sequence: 3 }))
    expect(parsed).toMatchObject({ ok: true, line: { value: 55.2, angleDeg: 41.5, unit: 'Nm', text: '55.2@41.5' } })
    // A pair or an angle, never both.
    expect(parseGaugeLine(sealed('wrench;55/56@41;Nm;3'))).toMatchObject({ ok: false, issue: { code: 'value' } })
  })

  it.each([
    ['bore;83', 'fields'],
    ['', 'fields'],
    ['bore;83.0;mm;1;0000', 'checksum'],
    [sealed('bore;8x;mm;1'), 'value'],
    [sealed('bore;0.54/0.53;mm;1'), 'value'],
    [sealed('bore;83;cubit;1'), 'unit'],
    [sealed('bore;83;mm;-1'), 'sequence'],
    [sealed(`${'x'.repeat(41)};83;mm;1`), 'name'],
    [sealed(';83;mm;1'), 'name'],
  ])('%s is refused for its %s', (text, code) => {
    const parsed = parseGaugeLine(text)
    expect(parsed.ok ? 'ok' : parsed.issue.code).toBe(code)
  })
})

function sealed(body: string): string {
  return `${body};${fletcher16(body)}`
}
