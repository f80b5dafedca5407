import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BENCHES, openBuild, type Change, type Finding, type Remark } from '@/core/benches'
import { compression } from '@/core/benches/compression'
import { withSpec, type EngineChange, type Limit } from '@/core/document'
import { judge, judgeInterval, type Figure, type Uncertain } from '@/core/metrology'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import {
  changeWords,
  costWords,
  differenceWords,
  entryIssueWords,
  gaugeLineIssueWords,
  figureOfKindWords,
  figureWords,
  fileIssueWords,
  limitWords,
  missingWords,
  percent,
  plannedWords,
  plainWords,
  remarkWords,
  rowIssueWords,
  showFigure,
  showFinding,
  slipWords,
  standingOf,
  stationWords,
  verdictReason,
  verdictWords,
  type Shown,
} from '.'
import { benchWords, type OwnWords } from './benchWords'
import { sumIssueWords } from './sums'
import { planWords } from './whatIf'

const known = (value: number, u: number): Uncertain => ({
  value,
  components: u === 0 ? [] : [{ source: { id: 's', owner: 'o', dof: Infinity }, u }],
})
const LENGTH: Shown = { units: { metric: 'mm', inch: 'thou' }, digits: { metric: 3, inch: 1 } }
const RATIO: Shown = { units: { metric: 'one', inch: 'one' }, digits: { metric: 2, inch: 2 } }
const tern = openBuild(demoDocument(DEMO_BUILDS[0]!, new Date('2026-03-01T12:00:00Z')))
const findings = compression.derive(tern)
const find = (id: string): Finding => findings.find((finding) => finding.id === id)!
const output = (finding: Finding): Shown => compression.definition.outputs[finding.output]!

describe('figures in words', () => {
  it.each([
    [known(8.9693, 0.0137), RATIO, 'metric', '8.97 ±0.03'],
    [known(0.11, 0.0036), LENGTH, 'metric', '0.110 ±0.008 mm'],
    [known(0.254, 0.0081), LENGTH, 'inch', '10.0 ±0.7 thou'],
    [known(0.254, 0), LENGTH, 'metric', '0.254 mm'],
    // The uncertainty is never shown smaller than it is, nor as nothing.
    [known(1.15, 0.0001), { ...LENGTH, digits: { metric: 2, inch: 1 } }, 'metric', '1.15 ±0.01 mm'],
    [known(42.26, 1.3), { units: { metric: 'bar', inch: 'psi' }, digits: { metric: 1, inch: 0 } }, 'metric', '0.42 ±0.03 bar'],
  ] as const)('%o', (value, shown, system, words) => {
    if (words.endsWith('bar')) expect(figureWords(value, { ...shown, digits: { metric: 2, inch: 0 } }, system)).toBe(words)
    else expect(figureWords(value, shown, system)).toBe(words)
  })

  it('shows no digit beyond the uncertainty, whatever the definition allows', () => {
    expect(showFigure(known(46.12345, 0.2), { units: { metric: 'cm3', inch: 'cm3' }, digits: { metric: 6, inch: 6 } }, 'metric')).toEqual({
      value: '46.1',
      uncertainty: '±0.4',
      unit: 'cm³',
    })
  })

  it('writes limits and cuts without idle zeros', () => {
    expect(plainWords(0.9, LENGTH, 'metric')).toBe('0.9 mm')
    expect(differenceWords(0.0508, LENGTH, 'inch')).toBe('2 thou')
  })

  it('gives a figure of a kind the digits of its uncertainty, or four significant ones', () => {
    const figure = (value: Uncertain) => ({ value, origin: { from: 'typed', name: 'x' } }) as const
    expect(figureOfKindWords(figure(known(82.62, 0.25)), 'volume', 'metric')).toBe('82.6 ±0.5 cm³')
    expect(figureOfKindWords(figure(known(783.85, 0)), 'volume', 'metric')).toBe('783.85 cm³')
    expect(figureOfKindWords(figure(known(0.0533, 0)), 'length', 'inch')).toBe('0.002098 in')
    expect(figureOfKindWords(figure(known(0, 0)), 'length', 'metric')).toBe('0 mm')
  })
})

describe('a printed value ± U never contradicts its verdict', () => {
  const judged = (value: number, u: number, limit: Limit) => ({ limit, conformity: judge(known(value, u), limit, 'strict') })
  const band: Limit = { lower: 0.9, upper: 1.3, source: 'card', reason: '' }
  it.each([
    // 1.26 ±0.05, as many digits as the uncertainty allows, would reach past the limit it is within.
    [1.2552, 0.0222, '1.255', '±0.045'],
    // 1.35 ±0.05 would touch the limit that it is over for sure.
    [1.3464, 0.0226, '1.3464', '±0.0452'],
    // 1.26 ±0.04 would be within, and is not for sure.
    [1.2604, 0.02, '1.2604', '±0.0400'],
    // Nothing is added where nothing contradicts.
    [1.1, 0.02, '1.10', '±0.04'],
  ])('%s with u %s', (value, u, number, uncertainty) => {
    expect(showFinding(judged(value, u, band), known(value, u), { ...LENGTH, digits: { metric: 2, inch: 1 } }, 'metric')).toMatchObject({
      value: number,
      uncertainty,
    })
  })

  it('by law: judged again from what is printed, the verdict is the same', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 1.7, noNaN: true }),
        fc.double({ min: 1e-4, max: 0.3, noNaN: true }),
        fc.constantFrom<Limit>(band, { ...band, lower: undefined }, { ...band, upper: undefined }),
        fc.constantFrom('metric', 'inch'),
        (value, u, limit, system) => {
          const found = judged(value, u, limit)
          // Nearer to an edge than a ten-thousandth of its uncertainty no digits tell the two sides apart.
          fc.pre(
            [limit.lower, limit.upper].every(
              (bound) => bound === undefined || [value - 2 * u, value + 2 * u].every((end) => Math.abs(end - bound) > 2e-4),
            ),
          )
          const shown = showFinding(found, known(value, u), LENGTH, system as 'metric')
          const factor = system === 'metric' ? 1 : 0.0254
          const half = Number(shown.uncertainty.replace('±', '')) * factor
          const printed = Number(shown.value.replace('−', '-')) * factor
          const again = judge(
            known(printed, half / 2),
            { ...(limit.lower !== undefined && { lower: limit.lower }), ...(limit.upper !== undefined && { upper: limit.upper }) },
            'strict',
          )
          expect(again.verdict).toBe(found.conformity.verdict)
        },
      ),
      { numRuns: 2000 },
    )
  })

  it('shows a feeler’s interval by its half-width, so that a leaf that goes at the limit is seen to', () => {
    const limit: Limit = { lower: 0.54, source: 'card', reason: '' }
    const conformity = judgeInterval(0.54, 0.55, limit, 'strict')
    expect(showFinding({ limit, conformity }, known(0.545, 0.01 / Math.sqrt(12)), LENGTH, 'metric')).toMatchObject({
      value: '0.545',
      uncertainty: '±0.005',
    })
  })
})

describe('verdicts in words', () => {
  const limit: Limit = { lower: 0.9, upper: 1.3, source: 'piston card', reason: '' }
  it('say the limit, its source and how far off', () => {
    expect(limitWords(limit, LENGTH, 'metric')).toBe('0.9 to 1.3 mm')
    expect(limitWords({ ...limit, lower: undefined }, LENGTH, 'metric')).toBe('at most 1.3 mm')
    expect(limitWords({ ...limit, upper: undefined }, LENGTH, 'metric')).toBe('at least 0.9 mm')
    expect(limitWords({ ...limit, lower: -0.03, upper: 0.03 }, LENGTH, 'metric')).toBe('−0.03 to 0.03 mm')
    expect(verdictWords(find('compression.deckClearance.3'), output(find('compression.deckClearance.3')), 'metric')).toMatch(
      /^over by 0\.0[345]\d? mm$/,
    )
    expect(verdictWords(find('compression.compressionRatio.1'), RATIO, 'metric')).toBe('within')
    expect(standingOf(find('compression.effectiveRatio.1'))).toBe('noLimit')
  })

  it('say how sure, and when the gauge cannot decide', () => {
    const uncertain = verdictReason(judge(known(1.29, 0.02), limit, 'strict'), limit, LENGTH, 'metric')
    expect(uncertain).toBe('Limit 0.9 to 1.3 mm (piston card). 69 % sure it is within.')
    expect(verdictReason(judge(known(1.1, 0.3), limit, 'strict'), limit, LENGTH, 'metric')).toContain('this gauge cannot decide')
    expect([percent(0.9999), percent(0.001), percent(0.58)]).toEqual(['over 99 %', 'under 1 %', '58 %'])
  })
})

describe('remarks, wants and advice in words', () => {
  it('name the odd piston and what to look at, the odd chamber and what to do', () => {
    const words = (id: string) =>
      find(id)
        .remarks.map((remark) => remarkWords(remark, find(id), output(find(id)), 'metric'))
        .join(' ')
    expect(words('compression.deckClearance.3')).toMatch(
      /The others are at 0\.05\d? ±0\.00\d mm\. Look at rod, pin height or piston of this one, not the block\./,
    )
    expect(words('compression.chamberVolume.4')).toContain('Measure this one again before cutting.')
    expect(words('compression.chamberVolume.4')).toContain('Paper says 46 cm³.')
    expect(words('compression.ratioSpread')).toMatch(/^Cylinder [1-35] most, 4 least\./)
  })

  it('name every remark there is', () => {
    const finding = find('compression.chamberVolume.1')
    const apart = finding.figure!
    expect(remarkWords({ code: 'owns', label: 'Burette, 0.1 cm³', share: 0.81 }, finding, output(finding), 'metric')).toBe(
      '81 % of the uncertainty is Burette, 0.1 cm³.',
    )
    expect(remarkWords({ code: 'incomplete', used: 2, wanted: 4 }, finding, output(finding), 'metric')).toMatch(/^From 2 of 4 only: /)
    expect(remarkWords({ code: 'repeatsDisagree', apart }, finding, output(finding), 'metric')).toContain('a bubble or a drip?')
  })

  it('say what is wanted, readings counted, others named', () => {
    const label = stationWords(compression.stations(tern))
    expect(missingWords([{ kind: 'reading', stationId: 'compression.deck/c3/front' }], compression.definition.paper, label)).toBe(
      'Wants cylinder 3, deck, front of the crown.',
    )
    expect(
      missingWords(
        [
          { kind: 'reading', stationId: 'a' },
          { kind: 'reading', stationId: 'b' },
          { kind: 'paper', key: 'stroke' },
        ],
        compression.definition.paper,
        label,
      ),
    ).toBe('Wants stroke on paper, 2 readings.')
    const gasket = { kind: 'choice', what: 'gasket' } as const
    expect(missingWords([gasket], compression.definition.paper, label)).toBe('Wants a gasket chosen.')
    // Sixteen cylinders that each want one want one.
    expect(missingWords([gasket, gasket, { kind: 'paper', key: 'stroke' }, gasket], compression.definition.paper, label)).toBe(
      'Wants a gasket chosen, stroke on paper.',
    )
    expect(missingWords([{ kind: 'impossible', reason: 'crankDoesNotTurn' }], compression.definition.paper, label)).toContain(
      'a rod long enough',
    )
  })

  it('say the change and the cost', () => {
    const { 'compression.chamberVolume': _, ...otherLimits } = tern.spec.limits
    const eased = withSpec(tern, { ...tern.spec, limits: otherLimits })
    const advice = compression.advise(eased, compression.derive(eased))
    const words = advice.map((one) => [changeWords(one, 'metric'), one.costs.map((cost) => costWords(cost, 'metric')).join(', ')])
    expect(words.find(([change]) => change!.startsWith('Open chambers'))).toEqual([
      expect.stringMatching(/^Open chambers 1, 2, 3, 5 by up to (?:0\.[89]|1|1\.[01]) cm³$/),
      '4 chambers to grind, no new parts',
    ])
    expect(words.some(([change]) => change === 'Measure cylinder 3 again: piston, pin and rod')).toBe(true)
    expect(changeWords({ change: { code: 'lookAgain', cylinder: 2, output: 'compression.chamberVolume' } }, 'metric')).toBe(
      'Measure cylinder 2 again: chamber',
    )
    expect(
      changeWords(
        {
          change: {
            code: 'setup',
            gasket: { id: 'g', name: 'Steel 0.040' },
            piston: { id: 'p', name: 'Dished' },
            deckCutMm: 0.1,
            headCutMm: 0.05,
            equalise: true,
          },
        },
        'metric',
      ),
    ).toBe('Gasket Steel 0.040, Dished, deck −0.1 mm, head −0.05 mm, chambers opened alike')
    expect(costWords({ code: 'valvesCloser', mm: 0.1 }, 'inch')).toBe('valves 3.9 thou closer')
  })

  it('say what the short block finds, each with what to do about it', () => {
    const clearance = { ...find('compression.deckClearance.1'), output: 'bores.clearance' as const }
    const say = (remark: Remark) => remarkWords(remark, clearance, LENGTH, 'metric')
    const figure = (mm: number, u: number): Figure => ({ value: known(mm, u), origin: { from: 'typed', name: 'x' } }) as unknown as Figure
    expect(say({ code: 'pistonMarked', mark: 3 })).toBe('With the piston marked 3.')
    expect(say({ code: 'ringOnTaper', ring: figure(0.01, 0.002), gauge: figure(0.011, 0.002), agrees: true })).toBe(
      'The ring gaps say 0.010 ±0.004 mm, which agrees.',
    )
    expect(say({ code: 'ringOnTaper', ring: figure(0.01, 0.002), gauge: figure(0.03, 0.002), agrees: false })).toBe(
      'The ring gaps say 0.010 ±0.004 mm, the bore gauge 0.030 ±0.004 mm: one of the two is off, measure again.',
    )
    expect(say({ code: 'narrowBeside', side: 'left', byMm: 0.012 })).toBe(
      'Narrower left of the vertical by 0.012 mm: is the cap where it belongs?',
    )
    expect(say({ code: 'shellsPlanned', upper: 'M-X', lower: 'M-standard' })).toBe('Upper M-X, cap M-standard.')
    expect(say({ code: 'rodsOnPin', cylinders: [1, 2] })).toBe('Rods 1 and 2 on one pin.')
    expect(say({ code: 'stackOwn', apart: figure(0.06, 0.01) })).toContain('look at its rod, its throw or its piston')
    expect(say({ code: 'filedSince', places: 1 })).toBe('Filed since one other place was read: read it again.')
    expect(say({ code: 'filedSince', places: 2 })).toBe('Filed since 2 other places were read: read them again.')
    expect(say({ code: 'stackShared' })).toContain('block height, stroke or compression height')
    expect(say({ code: 'extremes', of: 'main', largest: 4, smallest: 2 })).toBe('Main 4 most, 2 least.')
  })

  it('say every way to put a short block right, in the trade’s own order', () => {
    const change = (one: Change, system: 'metric' | 'inch' = 'metric') => changeWords({ change: one }, system)
    expect(change({ code: 'swapPistons', pistonInBore: [2, 1] })).toBe('Pistons into other bores: bore 1 takes 2, bore 2 takes 1')
    expect(change({ code: 'hone', byCylinder: new Map([[3, 0.012]]) })).toBe('Hone bore 3 by 0.012 mm')
    expect(change({ code: 'hone', byCylinder: new Map([[3, 0.0127]]) }, 'inch')).toBe('Hone bore 3 by 0.5 thou')
    expect(change({ code: 'file', ring: 'upperRail', cylinder: 2, mm: 0.03, toMm: 0.4 })).toContain(
      'File the oil rail of cylinder 2 by 0.03 mm, to 0.4 mm; a little at a time, one end only',
    )
    expect(change({ code: 'swapRings', ring: 'second', after: [2, 1] })).toBe(
      'second ring into other bores: bore 1 takes 2’s, bore 2 takes 1’s',
    )
    expect(change({ code: 'pairMasses', setOnRod: [2, 1], fromG: 1.1, toG: 0.3 })).toBe(
      'Piston sets onto other rods: rod 1 takes 2, rod 2 takes 1; spread from 1.1 g to 0.3 g',
    )
    expect(
      change({
        code: 'lighten',
        byCylinder: new Map([
          [1, 0.4],
          [4, 1],
        ]),
      }),
    ).toBe('Take off 0.4 g at cylinder 1, 1 g at cylinder 4')
    const pair = (number: number, upper: string, lower: string) => ({ number, upper, lower })
    expect(change({ code: 'shells', kind: 'main', lands: true, pairs: [pair(1, 'S', 'S'), pair(2, 'S', 'X'), pair(3, 'S', 'S')] })).toBe(
      'Main shells: 2 S above, X in the cap; the others S',
    )
    expect(change({ code: 'shells', kind: 'rod', lands: false, pairs: [pair(1, 'S', 'S')] })).toBe('Rod shells (nearest there is): 1 S')
    expect(
      (['marks', 'honing'] as const).map((code) => costWords(code === 'marks' ? { code, pistons: 1 } : { code, cylinders: 2 }, 'metric')),
    ).toEqual(['1 piston to mark again', '2 bores on the hone'])
    expect(costWords({ code: 'buyHalves', name: 'M-X', halves: 1 }, 'metric')).toBe('buy 1 half M-X')
    expect(costWords({ code: 'buyHalves', name: 'M-X', halves: 2 }, 'metric')).toBe('buy 2 halves M-X')
    expect(costWords({ code: 'otherBores' }, 'metric')).toContain('piston to wall')
  })

  it('has a stage, a label and words for everything every bench defines', () => {
    for (const { definition } of BENCHES) {
      for (const { limit } of Object.values(definition.outputs)) if (limit) expect(Object.keys(definition.limits)).toContain(limit)
      for (const { judgedBy } of Object.values(definition.characteristics))
        if (judgedBy) expect(Object.keys(definition.outputs)).toContain(judgedBy)
    }
  })
})

describe('issues in words say what, where and what to do', () => {
  it.each([
    [
      entryIssueWords(
        {
          code: 'ambiguous',
          text: '1,234',
          readings: [
            { value: 1.234, unit: 'mm' },
            { value: 1234, unit: 'mm' },
          ],
        },
        'mm',
      ),
      /can be 1\.234 mm or 1234 mm\. Type it with the unit/,
    ],
    [
      entryIssueWords({ code: 'wrongKind', text: 'cc', at: 2, wanted: 'length', got: 'volume' }, 'mm'),
      /measures volume; this place wants length/,
    ],
    [entryIssueWords({ code: 'notANumber', text: 'abc', at: 0 }, 'thou'), /“abc” is not a number.*0\.11 thou/],
    [entryIssueWords({ code: 'intervalOrder', low: 2, high: 1 }, 'mm'), /goes comes first/],
    [fileIssueWords({ code: 'newerVersion', path: ['version'], got: 9, known: 1 }), /version 9; this one knows up to 1/],
    [fileIssueWords({ code: 'unknownGauge', path: ['entries', 3, 'gauge'], gauge: 'x' }), /^entries\[3\]\.gauge: gauge “x”/],
    [fileIssueWords({ code: 'doubleId', path: ['entries', 3, 'id'], id: 'y' }), /used twice/],
    [rowIssueWords({ code: 'absurd', value: 2, low: 0, high: 1, unit: 'mm' }), /2\.000 mm is not between.*type it at the bench/],
    [rowIssueWords({ code: 'missingColumn', column: 'value' }), /“value” is missing/],
    [sumIssueWords({ code: 'unknownUnit', path: ['to'], typed: 'cc' }), /no unit for this value/],
    [slipWords({ code: 'dialTurn', value: 1, mend: (value) => value }), /one turn/],
    [entryIssueWords({ code: 'empty' }, 'mm'), /Nothing typed/],
    [entryIssueWords({ code: 'zeroDenominator', at: 2 }, 'mm'), /over nothing/],
    [entryIssueWords({ code: 'negativeUncertainty', at: 3 }, 'mm'), /never negative/],
    [entryIssueWords({ code: 'unknownUnit', text: 'furlong', at: 2 }, 'mm'), /“furlong” is no unit/],
    [fileIssueWords({ code: 'notJson', path: [], detail: 'ends early' }), /breaks off or is damaged \(ends early\)/],
    [fileIssueWords({ code: 'notABuildFile', path: [] }), /not a Kalibros build file/],
    [fileIssueWords({ code: 'unknownTarget', path: ['entries', 1, 'target'], target: 'z' }), /^entries\[1\]\.target: points at entry z/],
    [
      fileIssueWords({ code: 'unknownChoice', path: ['spec', 'choice', 'gasket'], id: 'g9' }),
      /^spec\.choice\.gasket: “g9” is not in stock/,
    ],
    [rowIssueWords({ code: 'unknownPlace', station: 'compression.deck/c9' }), /no place “compression.deck\/c9”/],
    [rowIssueWords({ code: 'badUnit', text: '' }), /^No unit\.$/],
    [rowIssueWords({ code: 'badUnit', text: 'cc' }), /“cc” is not a unit for this place/],
    [rowIssueWords({ code: 'unknownGauge', text: 'mic 9' }), /No gauge “mic 9”/],
    [rowIssueWords({ code: 'badTime', text: 'noon' }), /“noon” is not a date and time/],
    [
      sumIssueWords(
        { code: 'entry', kind: 'length', path: ['bores.bore'], typed: 'x', issue: { code: 'notANumber', text: 'x', at: 0 } },
        'inch',
      ),
      /0\.11 in/,
    ],
    [gaugeLineIssueWords({ code: 'checksum', got: '', wanted: 'A1B2' }), /checksum says nothing, the line comes to A1B2/],
    [gaugeLineIssueWords({ code: 'fields', got: 3 }), /^3 fields where .* are five/],
  ])('%s', (words, pattern) => expect(words).toMatch(pattern))
})

describe('the words of one bench', () => {
  it('say every remark of its findings by themselves: its page has no others', async () => {
    const said = new Set<string>()
    for (const demo of DEMO_BUILDS)
      for (const read of [() => true, demo.read]) {
        const build = openBuild(demoDocument({ ...demo, read }, new Date('2026-03-01T12:00:00Z')))
        for (const { id, definition, derive } of BENCHES) {
          const words = benchWords((await import(`./benches/${id}.ts`)) as OwnWords)
          for (const finding of derive(build))
            for (const remark of finding.remarks) {
              expect(words.remarkWords(remark, finding, definition.outputs[finding.output]!, 'metric').length, remark.code).toBeGreaterThan(
                8,
              )
              said.add(remark.code)
            }
        }
      }
    expect([...said]).toEqual(expect.arrayContaining(['syntheticLobe', 'pistonApart', 'dropBy', 'readBy', 'oddOneOut']))
  })
})

describe('a plan in lines', () => {
  const { stock } = DEMO_BUILDS[1]!.spec
  const pair = { upper: 'hl-RX', lower: 'hl-RS', plannedOn: '0199f000-0000-7000-8000-000000000001' }

  it('says alike changes once, with how many there are', () => {
    const hone = (cylinder: number, by = 0.02) => ({ what: 'hone', cylinder, by }) as const
    expect(planWords([hone(1), hone(2), hone(3, 0.03), hone(4)], stock, 'metric')).toEqual([
      'Bore 1 honed by 0.02 mm, and 2 more alike',
      'Bore 3 honed by 0.03 mm',
    ])
    const shells = (journal: string, upper: string) => ({ choose: 'shells', journal, pair: { ...pair, upper } }) as const
    expect(planWords([shells('rod.1', 'hl-RX'), shells('rod.2', 'hl-RX'), shells('rod.3', 'hl-RU')], stock, 'metric')).toEqual([
      'Shells of rod 1: upper R-X, lower R-standard, and 1 more alike',
      'Shells of rod 3: upper R-undersize, lower R-standard',
    ])
  })

  it('says what is laid in, another cam, and what the engine is to burn', () => {
    const layers = [{ id: 'a', name: 'Spacer', thicknessMm: 0.3, source: 'test' }]
    const words = (change: EngineChange) => planWords([change], { ...stock, layers }, 'inch')
    expect(words({ choose: 'gasketLayers', ids: ['a'] })).toEqual(['Laid into the gasket: Spacer'])
    expect(words({ choose: 'gasketLayers', ids: [] })).toEqual(['Nothing laid into the gasket'])
    expect(words({ what: 'lobeLift', valves: 'exhaust', by: -0.254 })).toEqual(['Other exhaust lobes, lifting 10 thou less'])
    expect(words({ what: 'lobeDuration', valves: 'intake', by: 6 })).toEqual(['Other intake lobes, 6° longer'])
    expect(words({ choose: 'duty', fuel: 'ethanolBlend', redlineRpm: 7000 })).toEqual(['Redline 7000 rpm, Fuel ethanol blend'])
  })
})

describe('work that is planned', () => {
  it('says why it is done although it comes too near, and on whose word', () => {
    const work = { what: 'turnCam', cam: 'intake', by: 4 } as const
    const id = '0199f000-0000-7000-8000-000000000001'
    expect(plannedWords({ id, work }, 'metric')).toBe('Intake cam set 4° earlier')
    expect(plannedWords({ id, work, despite: { reason: 'one pull', by: 'AB' } }, 'metric')).toBe(
      'Intake cam set 4° earlier, although it comes too near: one pull (AB)',
    )
    expect(plannedWords({ id, work: { what: 'cutPocket', valves: 'exhaust', by: 0.5 } }, 'inch')).toBe(
      'Exhaust pockets cut deeper by 19.69 thou',
    )
    expect(plannedWords({ id, work: { what: 'deckCut', by: -0.1 } }, 'metric')).toBe('Deck cut less by 0.1 mm')
    expect(plannedWords({ id, work: { what: 'raisePiston', by: -0.3 } }, 'metric')).toBe('Every piston 0.3 mm lower')
  })
})
