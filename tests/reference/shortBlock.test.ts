import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hotGapMm } from '@/core/benches/rings'
import { goNoGoReading, judgeInterval, standardUncertainty, type GaugeCard } from '@/core/metrology'
import { randomStream } from '@/core/numerics/random'
import { computeSum, sumById } from '@/core/sums'
import { expectNear } from '../support/expectNear'

/** Values of a quick sum by result id, canonical units. */
function sum(id: string, typed: Record<string, string>): Record<string, { value: number; u: number }> {
  const outcome = computeSum(sumById(id)!, typed)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return Object.fromEntries(
    outcome.results.map(({ id: name, figure }) => [name, { value: figure.value.value, u: standardUncertainty(figure.value) }]),
  )
}

describe('ring closure', () => {
  it.each([
    [0.004, 246],
    [0.005, 272],
    [0.006, 299],
    [0.007, 326],
  ])('a factor of %s butts at %s °C with the wall at 150 (common practice), whatever the bore', (factor, butts) => {
    for (const boreMm of [50, 83, 105.5]) {
      // Iron bore at 11e-6 and a ring at 12e-6, from memory.
      const { buttingTemperature } = sum('hotgap', {
        bore: `${boreMm}mm`,
        gap: `${boreMm * factor}mm`,
        ringAlpha: '12',
        boreAlpha: '11',
        boreTemp: '150C',
      })
      expectNear(buttingTemperature!.value, butts, 0.7)
    }
  })

  it('by hand: π·100·(1 + 11e-6·130) − (π·100 − 0.5)·(1 + 12e-6·230)', () => {
    // 314.15927 · 1.00143 = 314.60851; 313.65927 · 1.00276 = 314.52497.
    expectNear(hotGapMm({ boreMm: 100, gapMm: 0.5, ringPerK: 12e-6, borePerK: 11e-6, boreTempC: 150, ringTempC: 250 }), 0.08354, 2e-5)
  })

  it('free of stress and of change: ring and bore alike, at one temperature, keep the gap in proportion, exactly', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 50, max: 110, noNaN: true }),
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        fc.double({ min: -20, max: 400, noNaN: true }),
        (boreMm, gapMm, tempC) => {
          const alpha = 12e-6
          expectNear(
            hotGapMm({ boreMm, gapMm, ringPerK: alpha, borePerK: alpha, boreTempC: tempC, ringTempC: tempC }),
            gapMm * (1 + alpha * (tempC - 20)),
            1e-10,
          )
        },
      ),
    )
  })

  it('closes with a hotter ring, opens with a hotter wall, and is zero where it says it butts', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 0.8, noNaN: true }), fc.double({ min: 80, max: 200, noNaN: true }), (gapMm, boreTempC) => {
        const at = (ringTempC: number, wall = boreTempC) =>
          hotGapMm({ boreMm: 83, gapMm, ringPerK: 12.25e-6, borePerK: 10.75e-6, boreTempC: wall, ringTempC })
        expect(at(260)).toBeLessThan(at(240))
        expect(at(240, boreTempC + 10)).toBeGreaterThan(at(240))
        const { buttingTemperature } = sum('hotgap', {
          bore: '83mm',
          gap: `${gapMm}mm`,
          ringAlpha: '12.25',
          boreAlpha: '10.75',
          boreTemp: `${boreTempC}C`,
        })
        expectNear(at(buttingTemperature!.value), 0, 1e-9)
      }),
      { numRuns: 40 },
    )
  })

  it('takes a coefficient as 12, as 12e-6 and as 0.000012', () => {
    const butts = (ringAlpha: string) =>
      sum('hotgap', { bore: '83mm', gap: '0.5mm', ringAlpha, boreAlpha: '11', boreTemp: '150C' }).buttingTemperature!.value
    expectNear(butts('12e-6'), butts('12'), 1e-9)
    expectNear(butts('0.000012'), butts('12'), 1e-9)
  })
})

describe('gaps, tapers and clearances', () => {
  it('0.001 in of taper shows as 0.0031 in of gap (common practice)', () => {
    expectNear(sum('taper', { topGap: '0.0231in', bottomGap: '0.0200in' }).taper!.value / 25.4, 0.001, 2e-5)
  })

  it.each([
    ['83mm', '0.0065', 0.5395],
    ['4.155in', '0.0055', 0.5805],
    ['96mm', '0.0050', 0.48],
  ])('bore %s × %s', (bore, factor, mm) => expectNear(sum('ringgap', { bore, factor }).target!.value, mm, 1e-4))

  it('subtracts, with the uncertainty of both', () => {
    const { clearance, perBore } = sum('clearance', { bore: '83.000±0.004mm', skirt: '82.900±0.003mm' })
    expectNear(clearance!.value, 0.1, 1e-9)
    expectNear(clearance!.u, 0.0025, 1e-9)
    expectNear(perBore!.value, 0.1 / 83, 1e-9)
    expectNear(sum('bearing', { journal: '2.7500in', inside: '2.7525in' }).clearance!.value / 25.4, 0.0025, 1e-9)
  })

  it('warm: an aluminium housing opens by the difference of the expansions, an iron one hardly', () => {
    // 58 mm · 75 K · (21 − 11.75)e-6 = 0.0402 mm, and the clearance itself grows by a ten-thousandth of that.
    const warm = (more: Record<string, string>) =>
      sum('warmclearance', { clearance: '0.06mm', journal: '58mm', temp: '95C', crankAlpha: '11.75', ...more }).warmClearance!.value
    expectNear(warm({ blockAlpha: '21' }) - 0.06, 0.0402, 2e-4)
    expectNear(warm({ blockAlpha: '11.75' }) - 0.06, 0, 1e-4)
    // Two walls of 1.9 mm between housing and journal widen the housing: 3.8 · 75 · (21 − 11.75)e-6 = 0.0026 mm more.
    expectNear(warm({ blockAlpha: '21', wall: '1.9mm' }) - warm({ blockAlpha: '21' }), 0.00264, 2e-5)
  })

  it('cold is cold: nothing changes at 20 °C', () =>
    expectNear(sum('warmclearance', { clearance: '0.06mm', journal: '58mm', temp: '20C' }).warmClearance!.value, 0.06, 1e-12))
})

describe('crank stack and bobweight', () => {
  it('220.00 − 46.40 − 144.00 − 29.55 = 0.05', () =>
    expectNear(
      sum('stack', { blockHeight: '220mm', stroke: '92.8mm', rod: '144mm', compressionHeight: '29.55mm' }).deckClearance!.value,
      0.05,
      1e-9,
    ))

  it('9.025 − 1.875 − 6.000 − 1.140 = 0.010 in, and an offset pin sits a little lower', () => {
    const typed = { blockHeight: '9.025in', stroke: '3.75in', rod: '6in', compressionHeight: '1.14in' }
    expectNear(sum('stack', typed).deckClearance!.value / 25.4, 0.01, 1e-9)
    // √((l + a)² − e²) falls short of l + a by e²/2(l + a) = 1.5²/(2 · 200.03) mm.
    expectNear(sum('stack', { ...typed, pinOffset: '1.5mm' }).deckClearance!.value - 0.254, 1.5 ** 2 / (2 * 200.025), 1e-5)
  })

  it('two rods on a pin, half the reciprocating mass (common practice): 2·462 + ½·2·824 + 4 = 1752 g', () => {
    const { bobweight } = sum('bobweight', {
      rodBig: '420g',
      shells: '42g',
      piston: '480g',
      pin: '118g',
      rings: '46g',
      rodSmall: '180g',
      oil: '4g',
    })
    expectNear(bobweight!.value, 2 * 462 + 0.5 * 2 * 824 + 4, 1e-9)
  })
})

describe('a go/no-go interval against random draws', () => {
  const leaves: GaugeCard = { id: 'g', resolution: 0.0254, repeatability: 0, repeatabilityDof: 19, bias: 0, biasU: 0, scaleU: 0 }
  it('has the uncertainty of a uniform spread between the leaves: 17/18 is ±0.29 thou', () => {
    const reading = goNoGoReading('r', 17 * 0.0254, 18 * 0.0254, leaves)
    const random = randomStream(3)
    const draws = Array.from({ length: 40_000 }, () => (17 + random.uniform()) * 0.0254)
    const mean = draws.reduce((all, one) => all + one, 0) / draws.length
    const sd = Math.sqrt(draws.reduce((all, one) => all + (one - mean) ** 2, 0) / (draws.length - 1))
    expectNear(reading.value, mean, (4 * sd) / Math.sqrt(draws.length))
    expectNear(standardUncertainty(reading) / sd, 1, 0.01)
    expectNear(standardUncertainty(reading) / 0.0254, 0.2887, 1e-3)
  })

  it('keeps its bound in the share of the draws that do', () => {
    const random = randomStream(4)
    const lower = 17.3 * 0.0254
    const judged = judgeInterval(17 * 0.0254, 18 * 0.0254, { lower }, 'strict')
    const kept = Array.from({ length: 40_000 }, () => (17 + random.uniform()) * 0.0254).filter((gap) => gap >= lower).length / 40_000
    expectNear(judged.probability, kept, 0.01)
    expect(judged.verdict).toBe('inDoubt')
    // A feeler that goes at the minimum is within (common practice).
    expect(judgeInterval(17 * 0.0254, 18 * 0.0254, { lower: 17 * 0.0254 }, 'strict').verdict).toBe('within')
  })
})
