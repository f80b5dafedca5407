import { unit as mathUnit } from 'mathjs'
import { describe, expect, it } from 'vitest'
import { fromCanonical, toCanonical, type UnitId } from '@/core/units'

/** Our unit → mathjs' own names for it and for our canonical unit. */
const CASES: readonly [UnitId, string, string][] = [
  ['in', 'inch', 'mm'],
  ['um', 'um', 'mm'],
  ['thou', 'mil', 'mm'],
  ['in3', 'cuin', 'cm^3'],
  ['cm2', 'cm^2', 'cm^2'],
  ['in2', 'sqin', 'cm^2'],
  ['oz', 'oz', 'g'],
  ['lb', 'lb', 'g'],
  ['kg', 'kg', 'g'],
  ['degF', 'degF', 'degC'],
  ['bar', 'bar', 'kPa'],
  ['psi', 'psi', 'kPa'],
  ['lbf', 'lbf', 'N'],
  ['lbfft', 'lbf ft', 'N m'],
  ['lbfin', 'lbf in', 'N m'],
  ['hp', 'hp', 'kW'],
  ['ftPerS', 'ft/s', 'm/s'],
]

describe('units against mathjs', () => {
  it.each(CASES)('%s', (ours, theirs, canonical) => {
    for (const value of [1, 17.5, 451]) {
      const reference = mathUnit(value, theirs).toNumber(canonical)
      // mathjs carries hp and psi to ten digits or so.
      expect(Math.abs(toCanonical(value, ours) - reference) / Math.abs(reference)).toBeLessThan(1e-8)
      expect(Math.abs(fromCanonical(reference, ours) - value) / value).toBeLessThan(1e-8)
    }
  })

  it('has the exact values of the handbooks (NIST SP 811; ISO 80000)', () => {
    expect(toCanonical(1, 'lbf')).toBeCloseTo(4.4482216152605, 13)
    expect(toCanonical(1, 'lbfft')).toBeCloseTo(1.3558179483314004, 14)
    expect(toCanonical(1, 'psi') * 1000).toBeCloseTo(6894.757293168361, 9)
    expect(toCanonical(1, 'in3')).toBeCloseTo(16.387064, 12)
    expect(toCanonical(1, 'hp') * 1000).toBeCloseTo(745.69987158227022, 10)
    expect(toCanonical(1, 'metricHp') * 1000).toBeCloseTo(735.49875, 9)
  })
})
