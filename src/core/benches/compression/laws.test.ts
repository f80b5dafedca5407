import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { expectNear } from '../../../../tests/support/expectNear'
import { expand, standardUncertainty, statedFigure } from '../../metrology'
import { bareRatio, ratioChain, type RatioInputs, type RatioNumbers } from './chain'

const inches = fc.record({
  boreMm: fc.double({ min: 60, max: 120, noNaN: true }),
  strokeMm: fc.double({ min: 50, max: 120, noNaN: true }),
  chamberCm3: fc.double({ min: 20, max: 90, noNaN: true }),
  pistonCm3: fc.double({ min: -8, max: 20, noNaN: true }),
  deckMm: fc.double({ min: -0.3, max: 1.5, noNaN: true }),
  gasketThicknessMm: fc.double({ min: 0.4, max: 2, noNaN: true }),
})

const numbers = (
  random: Pick<RatioNumbers, 'boreMm' | 'strokeMm' | 'chamberCm3' | 'pistonCm3' | 'deckMm' | 'gasketThicknessMm'>,
): RatioNumbers => ({
  ...random,
  gasketBoreMm: random.boreMm + 1,
  rodMm: 200,
  pinOffsetMm: 0,
  crownMm: random.boreMm - 0.6,
  landHeightMm: 5,
})

function inputs(given: RatioNumbers, plusMinus: Partial<RatioNumbers> = {}): RatioInputs {
  const figure = (name: keyof RatioNumbers) => statedFigure(name, given[name], plusMinus[name])
  return {
    bore: figure('boreMm'),
    stroke: figure('strokeMm'),
    chamber: figure('chamberCm3'),
    piston: figure('pistonCm3'),
    deck: figure('deckMm'),
    gasketBore: figure('gasketBoreMm'),
    gasketThickness: figure('gasketThicknessMm'),
    crevice: { crown: figure('crownMm'), landHeight: figure('landHeightMm') },
  }
}

describe('laws of the ratio', () => {
  it.each(['chamberCm3', 'pistonCm3', 'deckMm', 'gasketThicknessMm', 'landHeightMm'] as const)('falls as %s grows', (name) => {
    fc.assert(
      fc.property(inches, fc.double({ min: 0.01, max: 0.5, noNaN: true }), (random, more) => {
        const given = numbers(random)
        expect(bareRatio({ ...given, [name]: given[name] + more })).toBeLessThan(bareRatio(given))
      }),
    )
  })

  it('rises with the stroke, and is more than one', () => {
    fc.assert(
      fc.property(inches, (random) => {
        const given = numbers(random)
        expect(bareRatio({ ...given, strokeMm: given.strokeMm + 1 })).toBeGreaterThan(bareRatio(given))
        expect(bareRatio(given)).toBeGreaterThan(1)
      }),
    )
  })

  it('does not know scale: an engine twice as large in every length has the same ratio', () => {
    fc.assert(
      fc.property(inches, (random) => {
        const given = numbers(random)
        const doubled = Object.fromEntries(
          Object.entries(given).map(([name, value]) => [name, name.endsWith('Cm3') ? value * 8 : value * 2]),
        ) as never as RatioNumbers
        expectNear(bareRatio(doubled), bareRatio(given), 1e-9)
      }),
    )
  })

  it('the chain conserves volume: swept + clearance = ratio · clearance', () => {
    fc.assert(
      fc.property(inches, (random) => {
        const chain = ratioChain(inputs(numbers(random)))
        const { swept, clearance, ratio } = chain
        expectNear(swept.value.value + clearance.value.value, ratio.value.value * clearance.value.value, 1e-6)
      }),
    )
  })
})

describe('uncertainty of the ratio', () => {
  it('by the chain agrees with the derivative by hand for each input alone', () => {
    fc.assert(
      fc.property(inches, (random) => {
        const given = numbers(random)
        const chain = (plusMinus: Partial<RatioNumbers>) => ratioChain(inputs(given, plusMinus))
        const clearance = chain({}).clearance.value.value
        const slope = (chain({}).ratio.value.value - 1) / clearance
        // A stated ± is 2u: u = half of it.
        expectNear(standardUncertainty(chain({ chamberCm3: 0.2 }).ratio.value) / (0.1 * slope), 1, 1e-3)
        const area = ((Math.PI / 4) * given.boreMm ** 2) / 1000
        expectNear(standardUncertainty(chain({ deckMm: 0.02 }).ratio.value) / (0.01 * area * slope), 1, 1e-3)
      }),
      { numRuns: 40 },
    )
  })

  it('never shrinks when an input becomes more uncertain', () => {
    fc.assert(
      fc.property(inches, fc.double({ min: 0.01, max: 1, noNaN: true }), (random, wider) => {
        const given = numbers(random)
        const U = (chamberCm3: number) => expand(ratioChain(inputs(given, { chamberCm3, deckMm: 0.02 })).ratio.value).U
        expect(U(0.1 + wider)).toBeGreaterThan(U(0.1))
      }),
      { numRuns: 40 },
    )
  })
})
