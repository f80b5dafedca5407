import { describe, it, expect } from 'vitest'
import { SUMS, computeSum, type SumResult } from '@/core/sums'
import { standardUncertainty } from '@/core/metrology'
import { expectNear } from '../support/expectNear'

const compression = SUMS.find((sum) => sum.id === 'compression')!

function results(typed: Record<string, string>): Map<string, SumResult> {
  const outcome = computeSum(compression, typed)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return new Map(outcome.results.map((result) => [result.id, result]))
}

const value = (found: Map<string, SumResult>, id: string) => found.get(id)!.figure.value.value

/** Worked values of the trade (common practice), to the digits they are quoted with. */
describe('worked compression ratios', () => {
  const small = {
    bore: '4.030in',
    stroke: '3.750in',
    chamber: '64cc',
    piston: '7cc',
    deck: '0.015in',
    gasketBore: '4.06in',
    gasketThickness: '0.040in',
  }
  const big = { bore: '4.280in', stroke: '3.375in', chamber: '88cc', deck: '0.074in', gasketBore: '4.415in', gasketThickness: '0.044in' }

  it('4.030 × 3.750 with 64 cc and 7 cc: 10.49', () => expectNear(value(results(small), 'compressionRatio'), 10.49, 0.005))
  it('4.280 × 3.375 with 88 cc, 0.044 gasket: 7.83', () => expectNear(value(results(big), 'compressionRatio'), 7.83, 0.005))
  it('the same with a 0.020 gasket: 8.20', () =>
    expectNear(value(results({ ...big, gasketThickness: '0.020in' }), 'compressionRatio'), 8.2, 0.005))
  it('quench is deck plus gasket', () => expectNear(value(results(small), 'quench'), 0.055 * 25.4, 1e-9))

  it('a ± on the chamber alone goes to the ratio as (CR − 1)/V_c', () => {
    const found = results({ ...small, chamber: '64±0.5cc' })
    const ratio = value(found, 'compressionRatio')
    // 0.5 cc at 95 % is a standard uncertainty of 0.25 cc; d(CR)/dV_c = −(CR − 1)/V_c by hand.
    expectNear(
      standardUncertainty(found.get('compressionRatio')!.figure.value),
      (0.25 * (ratio - 1)) / value(found, 'clearanceVolume'),
      1e-5,
    )
  })

  it('the crevice is π/4·(bore² − land²)·height and lowers the ratio', () => {
    const found = results({ ...small, crownDiameter: '4.005in', landHeight: '0.250in' })
    expectNear(value(found, 'crevice'), (Math.PI / 4) * (4.03 ** 2 - 4.005 ** 2) * 0.25 * 16.387064, 1e-9)
    expect(value(found, 'compressionRatio')).toBeLessThan(value(results(small), 'compressionRatio'))
  })

  it('the effective ratio at BDC closing is the static ratio, and falls as the closing comes later', () => {
    const at = (closing: string) => value(results({ ...small, rod: '6.000in', intakeClosing: closing }), 'effectiveRatio')
    expectNear(at('0 ABDC'), value(results(small), 'compressionRatio'), 1e-9)
    expect(at('40 ABDC')).toBeGreaterThan(at('60 ABDC'))
    // Same arithmetic from the centred slider-crank by hand: s(240°) = a(1 − cos θ) + l − √(l² − a² sin² θ).
    const a = 3.75 / 2
    const drop = a * (1 - Math.cos((240 * Math.PI) / 180)) + 6 - Math.sqrt(36 - a ** 2 * Math.sin((240 * Math.PI) / 180) ** 2)
    const swept = (Math.PI / 4) * 4.03 ** 2 * drop * 16.387064
    const clearance = value(results(small), 'clearanceVolume')
    expectNear(at('60 ABDC'), (swept + clearance) / clearance, 1e-9)
  })
})
