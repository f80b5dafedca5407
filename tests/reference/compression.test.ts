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
    bore: '4.155in',
    stroke: '3.750in',
    chamber: '58.4cc',
    piston: '-9.6cc',
    deck: '0.0085in',
    gasketBore: '4.20in',
    gasketThickness: '0.0395in',
  }
  const big = {
    bore: '3.905in',
    stroke: '3.270in',
    chamber: '71.2cc',
    piston: '4.4cc',
    deck: '0.0315in',
    gasketBore: '3.97in',
    gasketThickness: '0.0525in',
  }

  it('4.155 × 3.750 with 58.4 cc and −9.6 cc: 14.967', () => expectNear(value(results(small), 'compressionRatio'), 14.967, 0.0005))
  it('3.905 × 3.270 with 71.2 cc, 0.0525 gasket: 7.943', () => expectNear(value(results(big), 'compressionRatio'), 7.943, 0.0005))
  it('the same with a 0.0315 gasket: 8.279', () =>
    expectNear(value(results({ ...big, gasketThickness: '0.0315in' }), 'compressionRatio'), 8.279, 0.0005))
  it('quench is deck plus gasket', () => expectNear(value(results(small), 'quench'), 0.048 * 25.4, 1e-9))

  it('a ± on the chamber alone goes to the ratio as (CR − 1)/V_c', () => {
    const found = results({ ...small, chamber: '58.4±0.5cc' })
    const ratio = value(found, 'compressionRatio')
    // 0.5 cc at 95 % is a standard uncertainty of 0.25 cc; d(CR)/dV_c = −(CR − 1)/V_c by hand.
    expectNear(
      standardUncertainty(found.get('compressionRatio')!.figure.value),
      (0.25 * (ratio - 1)) / value(found, 'clearanceVolume'),
      1e-5,
    )
  })

  it('the crevice is π/4·(bore² − land²)·height and lowers the ratio', () => {
    const found = results({ ...small, crownDiameter: '4.130in', landHeight: '0.250in' })
    expectNear(value(found, 'crevice'), (Math.PI / 4) * (4.155 ** 2 - 4.13 ** 2) * 0.25 * 16.387064, 1e-9)
    expect(value(found, 'compressionRatio')).toBeLessThan(value(results(small), 'compressionRatio'))
  })

  it('the effective ratio at BDC closing is the static ratio, and falls as the closing comes later', () => {
    const at = (closing: string) => value(results({ ...small, rod: '6.000in', intakeClosing: closing }), 'effectiveRatio')
    expectNear(at('0 ABDC'), value(results(small), 'compressionRatio'), 1e-9)
    expect(at('40 ABDC')).toBeGreaterThan(at('60 ABDC'))
    // Same arithmetic from the centred slider-crank by hand: s(240°) = a(1 − cos θ) + l − √(l² − a² sin² θ).
    const a = 3.75 / 2
    const drop = a * (1 - Math.cos((240 * Math.PI) / 180)) + 6 - Math.sqrt(36 - a ** 2 * Math.sin((240 * Math.PI) / 180) ** 2)
    const swept = (Math.PI / 4) * 4.155 ** 2 * drop * 16.387064
    const clearance = value(results(small), 'clearanceVolume')
    expectNear(at('60 ABDC'), (swept + clearance) / clearance, 1e-9)
  })
})
