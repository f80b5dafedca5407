/** Threads, torque and stretch against published tables and hand calculation. */
import { describe, expect, it } from 'vitest'
import { isThread, readThread } from '@/core/joints/bolts'
import { standardUncertainty } from '@/core/metrology'
import { computeSum, sumById, type SumResult } from '@/core/sums'
import { expectNear } from '../support/expectNear'

function results(id: string, typed: Record<string, string>, system: 'metric' | 'inch' = 'metric'): Map<string, SumResult> {
  const outcome = computeSum(sumById(id)!, typed, system)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return new Map(outcome.results.map((result) => [result.id, result]))
}
const value = (id: string, typed: Record<string, string>, of: string) => results(id, typed).get(of)!.figure.value.value
const issues = (id: string, typed: Record<string, string>) => {
  const outcome = computeSum(sumById(id)!, typed)
  return outcome.ok
    ? []
    : outcome.issues.map((issue) => ('reason' in issue ? [...issue.path, issue.reason] : [issue.code, ...issue.path]).join(' '))
}
const MM2_PER_IN2 = 645.16
const MPA_PER_KSI = 6.894_757

describe('stress areas and proof loads', () => {
  // ISO 898-1:2013, tables 4 to 7: nominal stress area in mm², proof load of class 8.8 in N (580 MPa to M16, 600 above).
  it.each([
    ['M6x1', 20.1, 11_600],
    ['M8x1.25', 36.6, 21_200],
    ['M10x1.5', 58, 33_700],
    ['M12x1.75', 84.3, 48_900],
    ['M14x2', 115, 66_700],
    ['M16x2', 157, 91_000],
    ['M20x2.5', 245, 147_000],
    ['M8x1', 39.2, 22_700],
    ['M10x1.25', 61.2, 35_500],
    ['M12x1.25', 92.1, 53_400],
    ['M12x1.5', 88.1, 51_100],
    ['M14x1.5', 125, 72_500],
  ])('%s: %d mm², and what class 8.8 proves (ISO 898-1)', (thread, areaMm2, proofN) => {
    const area = value('bolt', { thread, load: '1000' }, 'stressArea')
    expectNear(area, areaMm2, 0.006 * areaMm2)
    const classMpa = thread === 'M20x2.5' ? 600 : 580
    expectNear(area * classMpa, proofN, 0.007 * proofN)
    expectNear(value('bolt', { thread, load: `${proofN} N`, proof: `${classMpa} MPa` }, 'ofProof'), 1, 0.007)
  })

  // ASME B1.1, tensile stress areas in square inches.
  it.each([
    ['1/4-20', 0.0318],
    ['1/4-28', 0.0364],
    ['5/16-18', 0.0524],
    ['5/16-24', 0.0581],
    ['3/8-16', 0.0775],
    ['3/8-24', 0.0878],
    ['7/16-14', 0.1063],
    ['7/16-20', 0.1187],
    ['1/2-13', 0.1419],
    ['1/2-20', 0.1599],
    ['9/16-18', 0.203],
    ['5/8-18', 0.256],
    ['#10-32', 0.02],
  ])('%s: %d in² (ASME B1.1)', (thread, areaIn2) =>
    expectNear(value('bolt', { thread, load: '1000' }, 'stressArea') / MM2_PER_IN2, areaIn2, 0.003 * areaIn2),
  )
})

describe('a thread as written', () => {
  it.each([
    ['M10x1.25', 'metric', 10, 1.25],
    ['m10 × 1,25', 'metric', 10, 1.25],
    ['M10*1.25-6g', 'metric', 10, 1.25],
    ['7/16-20', 'unified', 11.1125, 1.27],
    ['7/16"-20 UNF', 'unified', 11.1125, 1.27],
    ['.4375-20', 'unified', 11.1125, 1.27],
    ['#10-32', 'unified', 4.826, 0.79375],
  ])('%s', (text, standard, diameterMm, pitchMm) => {
    const read = readThread(text)
    if (!isThread(read)) throw new Error(read.code)
    expect(read.standard).toBe(standard)
    expectNear(read.diameterMm, diameterMm, 1e-9)
    expectNear(read.pitchMm, pitchMm, 1e-9)
  })

  it.each([
    ['M10', 'noPitch'],
    ['10x1.25', 'unreadable'],
    ['7/16', 'unreadable'],
    ['1 7/16-20', 'unreadable'],
    ['7-16-20', 'unreadable'],
    ['', 'unreadable'],
    ['M1.25x10', 'impossible'],
    ['M10x0.1', 'impossible'],
    ['7/16-2', 'impossible'],
    ['7/0-20', 'impossible'],
    ['M300x6', 'impossible'],
  ])('%s is refused: %s', (text, code) => expect(readThread(text)).toMatchObject({ code }))
})

describe('the edges of what a thread can be', () => {
  // The finest and the coarsest of the standards lie inside: M1×0.25, M100×6, 1/4-20.
  it.each([
    ['M1x0.25', true],
    ['M0.9x0.225', false],
    ['M100x6', true],
    ['M101x6', false],
    ['M6x2', true],
    ['M6x2.01', false],
    ['M60x1', true],
    ['M60x0.99', false],
    ['  M10x1.25  ', true],
  ])('%s: %s', (text, isOne) => expect(isThread(readThread(text))).toBe(isOne))
})

describe('torque and load', () => {
  const rod = { thread: 'M10x1.25', muThread: '.12', muHead: '.12', headDiameter: '13.5' }

  // By hand: 1.25/2π + 0.577 · 0.12 · (10 − 0.6495 · 1.25) + ½ · 0.12 · 13.5 = 0.19894 + 0.63618 + 0.81 = 1.64512 mm (VDI 2230).
  it('40 kN on M10×1.25 at 0.12 wants 65.8 N·m, and 65.8 N·m gives 40 kN again', () => {
    const torqueNm = value('bolt', { ...rod, load: '40 kN' }, 'torque')
    expectNear(torqueNm, 40_000 * 1.645_12e-3, 2e-3)
    expectNear(value('bolt', { ...rod, torque: `${torqueNm}` }, 'load'), 40_000, 1e-6)
    expectNear(value('bolt', { ...rod, load: '40 kN' }, 'nutFactor'), 0.164_512, 1e-5)
  })

  // ISO 16047: K · d · F. K 0.20 dry, 0.13 with moly: +54 % at one torque (common practice).
  it('moly in place of dry threads loads the bolt by half as much again at the same torque', () => {
    const at = (nutFactor: string) => value('bolt', { thread: '7/16-20', torque: '65 lbf·ft', nutFactor }, 'load')
    expectNear(at('.13') / at('.20'), 1.54, 0.005)
    expectNear(at('.10') / at('.20'), 2, 1e-9)
    expectNear(at('.15'), (65 * 1355.8179) / (0.15 * 11.1125), 1)
  })

  // Common practice: at friction 0.12, 75 % of yield in tension stands at 84 to 90 % with the twist; 90 % is past it.
  it('the twist of a torque-tightened bolt is counted', () => {
    const of = (share: number) => {
      const loadN = share * 940 * 61.2
      return value('bolt', { ...rod, load: `${loadN}` }, 'combinedStress') / 940
    }
    expect(of(0.75)).toBeGreaterThan(0.84)
    expect(of(0.75)).toBeLessThan(0.9)
    expect(of(0.9)).toBeGreaterThan(1)
  })

  it('a load wants its torque by the nut factor too, and says what is an estimate', () => {
    const found = results('bolt', { thread: 'M10x1.25', load: '40 kN', nutFactor: '.15' })
    expectNear(found.get('torque')!.figure.value.value, 60, 1e-9)
    expect([found.get('load')!.estimate, found.get('torque')!.estimate]).toEqual([false, true])
    const pulled = results('bolt', { thread: 'M10x1.25', torque: '60', nutFactor: '.15' })
    expect([pulled.get('load')!.estimate, pulled.get('torque')!.estimate]).toEqual([true, false])
    // Without sections nothing is known of the stretch, without strengths nothing of shares, without friction nothing of the torque.
    expect([...results('bolt', { thread: 'M10x1.25', load: '40 kN' }).keys()]).toEqual(['load', 'stressArea', 'stress', 'sectionStress'])
    expect([...pulled.keys()]).toEqual(['load', 'torque', 'nutFactor', 'stressArea', 'stress', 'sectionStress'])
  })

  it('torque and stretch together say the friction', () => {
    const found = results(
      'bolt',
      { thread: '3/8-24', torque: '45 lbf·ft', stretch: '.0058 in', sections: '1.2inx.318in', eModulus: '205 GPa' },
      'inch',
    )
    const areaMm2 = (Math.PI / 4) * (0.318 * 25.4) ** 2
    const loadN = (0.0058 / 1.2) * 205_000 * areaMm2
    expectNear(found.get('load')!.figure.value.value, loadN, 1e-6 * loadN)
    expectNear(found.get('nutFactor')!.figure.value.value, (45 * 1355.8179) / (9.525 * loadN), 1e-6)
    expect(found.get('load')!.estimate).toBe(false)
  })

  it('share of yield is of the smallest section, share of proof of the stress area', () => {
    const waisted = { thread: 'M10x1.25', load: '40 kN', sections: '20x7.5,12x10', proof: '830 MPa', yield: '940 MPa' }
    expectNear(value('bolt', waisted, 'ofProof'), 40_000 / 61.2 / 830, 1e-4)
    expectNear(value('bolt', waisted, 'ofYield'), 40_000 / (Math.PI * 3.75 ** 2) / 940, 1e-9)
    // A shank thicker than the thread is not where it gives.
    expectNear(value('bolt', { ...waisted, sections: '30x10' }, 'ofYield'), 40_000 / 61.2 / 940, 1e-4)
  })
})

describe('stretch', () => {
  // Common practice: 0.0055 to 0.0060 in of stretch is 162 ksi over 1.1 in of effective length and 119 ksi over 1.5.
  it.each([
    ['1.1', 162],
    ['1.5', 119],
  ])('0.0060 in over %s in is %d ksi', (length, ksi) =>
    expectNear(
      value('boltlength', { free: '1.6 in', tight: '1.606 in', sections: `${length}in x .35in`, eModulus: '205 GPa' }, 'stress') /
        MPA_PER_KSI,
      ksi,
      1,
    ),
  )

  it('the smallest section is where it stands highest, wherever it comes', () => {
    const stress = (sections: string) => value('boltlength', { free: '40', tight: '40.1', sections }, 'stress')
    const load = (sections: string) => value('boltlength', { free: '40', tight: '40.1', sections }, 'load')
    for (const sections of ['20x7,20x9', '20x9,20x7', '10x9,20x7,10x8'])
      expectNear(stress(sections), load(sections) / (Math.PI * 3.5 ** 2), 1e-9)
  })

  it('two sections are two springs one behind the other', () => {
    const loadN = 30_000
    const by = (length: number, diameter: number) => (loadN * length) / (205_000 * (Math.PI / 4) * diameter ** 2)
    expectNear(
      value('bolt', { thread: 'M10x1.25', load: `${loadN}`, sections: '33x8.8,12x10' }, 'stretch'),
      by(33, 8.8) + by(12, 10),
      1e-12,
    )
  })

  it('growth is what is left, with the uncertainty of both lengths', () => {
    const { value: growth } = results('boltgrowth', { before: '40.000±.0025', after: '40.013±.0025' }).get('growth')!.figure
    expectNear(growth.value, 0.013, 1e-12)
    // 0.0001 in at 95 % each way, twice: 0.00014 in (common practice).
    expectNear((2 * standardUncertainty(growth)) / 25.4, 0.000_14, 2e-6)
  })
})

describe('angle, warmth, gas', () => {
  it('90° of M10×1.25 on 150 and 600 kN/mm: a quarter of a pitch into two springs', () =>
    expectNear(
      value('boltangle', { thread: 'M10x1.25', angle: '90', boltStiffness: '150000', partsStiffness: '600 kN/mm' }, 'load'),
      0.3125 * 120_000,
      1e-6,
    ))

  // Common practice: 100 mm, 70 K, 150 and 600 kN/mm add 8.8 kN.
  it('an aluminium head under steel studs adds 8.8 kN as it warms by 70 K, in either scale', () => {
    const warm = { length: '100', partAlpha: '22', studAlpha: '11.5', boltStiffness: '150 kN/mm', partsStiffness: '600 kN/mm' }
    expectNear(value('warmclamp', { ...warm, rise: '70' }, 'load'), 8820, 1e-6)
    expectNear(value('warmclamp', { ...warm, rise: '126 °F' }, 'load'), 8820, 1e-6)
    expectNear(value('warmclamp', { ...warm, rise: '-70' }, 'load'), -8820, 1e-6)
  })

  it('ten studs of an inline five, four round a cylinder and each half its own, against 90 bar', () => {
    const of = (studs: string, share: string) =>
      results('clampmargin', { load: '45 kN', studs, share, peakPressure: '90', gasketBore: '84' })
    const gasN = 9 * (Math.PI / 4) * 84 ** 2
    expectNear(of('4', '.5').get('gasForce')!.figure.value.value, gasN, 1e-6)
    expectNear(of('4', '.5').get('margin')!.figure.value.value, 90_000 / gasN, 1e-9)
    expectNear(of('2,2', '1,.5').get('clampForce')!.figure.value.value, 135_000, 1e-6)
    expect([...of('4', '.5').values()].map(({ id, estimate }) => [id, estimate])).toEqual([
      ['clampForce', undefined],
      ['gasForce', true],
      ['margin', true],
    ])
  })
})

describe('what cannot be answered', () => {
  const m10 = { thread: 'M10x1.25' }
  it.each<[string, string, Record<string, string>, string]>([
    ['a thread without its pitch', 'bolt', { thread: 'M10', load: '1000' }, 'thread the pitch is wanted too: M10x1.25 or M10x1.5'],
    ['nothing to go by', 'bolt', m10, 'torque one of torque, load and stretch is wanted'],
    ['torque and load', 'bolt', { ...m10, torque: '60', load: '1000' }, 'load load follows from the other: give one of them'],
    [
      'load and stretch',
      'bolt',
      { ...m10, stretch: '.1', load: '1000', sections: '30x9' },
      'load load follows from the other: give one of them',
    ],
    ['stretch without sections', 'bolt', { ...m10, stretch: '.1' }, 'missing sections'],
    [
      'torque without friction',
      'bolt',
      { ...m10, torque: '60' },
      'nutFactor torque says nothing of the load without friction: the nut factor, or that of thread and head',
    ],
    ['half of the friction', 'bolt', { ...m10, torque: '60', muThread: '.12', headDiameter: '13' }, 'missing muHead'],
    [
      'friction twice',
      'bolt',
      { ...m10, torque: '60', nutFactor: '.15', muThread: '.12' },
      'nutFactor friction is said twice: by the nut factor, or by thread and head',
    ],
    [
      'a friction of 12',
      'bolt',
      { ...m10, torque: '60', muThread: '12', muHead: '.12', headDiameter: '13' },
      'muThread no thread rubs so hard: 0.08 to 0.25 is usual',
    ],
    [
      'friction that follows',
      'bolt',
      { ...m10, torque: '60', stretch: '.1', sections: '30x9', nutFactor: '.2' },
      'nutFactor friction follows from torque and stretch',
    ],
    ['a torque backwards', 'bolt', { ...m10, torque: '-60', nutFactor: '.2' }, 'torque is more than nothing'],
    [
      'a section of one number',
      'bolt',
      { ...m10, load: '1000', sections: '33x8.8,12' },
      'sections section 2 is no length × diameter, as 33x8.8: “12”',
    ],
    [
      'a tight bolt that is shorter',
      'boltlength',
      { free: '40.1', tight: '40', sections: '30x9' },
      'tight a tight bolt is longer than a free one',
    ],
    [
      'half a stud',
      'clampmargin',
      { load: '1', studs: '1.5', share: '1', peakPressure: '1', gasketBore: '80' },
      'studs studs are counted: 10, or 4,6',
    ],
    [
      'shares for fewer',
      'clampmargin',
      { load: '1', studs: '4,6', share: '1', peakPressure: '1', gasketBore: '80' },
      'share a share for each of 2 is wanted, as 1,0.5',
    ],
    [
      'a share of two',
      'clampmargin',
      { load: '1', studs: '4', share: '2', peakPressure: '1', gasketBore: '80' },
      'share a share is more than 0 and at most 1',
    ],
  ])('%s is named', (_, id, typed, issue) => expect(issues(id, typed)).toEqual([issue]))
})
