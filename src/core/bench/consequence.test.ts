import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Conformity } from '../metrology'
import type { BenchDefinition, Finding, Output, OutputId } from './bench'
import { ofBench, standsOut } from './consequence'

const output = (more: Partial<Output> = {}): Output => ({
  label: 'x',
  kind: 'length',
  units: { metric: 'mm', inch: 'thou' },
  digits: { metric: 3, inch: 1 },
  ...more,
})
const definition = {
  outputs: { 'test.gap': output(), 'test.gapSpread': output({ spread: true }), 'test.hot': output({ estimate: true }) },
} as unknown as BenchDefinition
const figure = { value: { value: 1, components: [] } } as unknown as Finding['figure']
const found = (
  id: string,
  outputId: 'gap' | 'gapSpread' | 'hot',
  verdict?: Conformity['verdict'],
  excess = 0,
  U = 0.01,
  gaugeCannotDecide = false,
): Finding => ({
  id,
  output: `test.${outputId}` as OutputId,
  missing: [],
  remarks: [],
  figure,
  ...(verdict && {
    limit: { lower: 1, source: 'test', reason: '' },
    conformity: { verdict, excess, U, gaugeCannotDecide, rule: 'strict', probability: 0, k: 2 },
  }),
})
const order = (...findings: Finding[]) => [...findings].sort(ofBench(definition)).map(({ id }) => id)

describe('the order of findings by consequence', () => {
  it('puts a part that is out before the spread it makes, however far the spread is out, and both before an estimate', () => {
    expect(
      order(found('estimate', 'hot', 'under', 9), found('spread', 'gapSpread', 'over', 9), found('part', 'gap', 'under', 0.02)),
    ).toEqual(['part', 'spread', 'estimate'])
  })

  it('puts out before in doubt, in doubt before within, what has no limit after that and what is not measured last', () => {
    const open: Finding = { id: 'open', output: 'test.gap' as OutputId, missing: [], remarks: [] }
    expect(
      order(
        open,
        found('free', 'gap'),
        found('fine', 'gap', 'within'),
        found('uncertainty', 'gap', 'inDoubt'),
        found('estimate out', 'hot', 'over', 1),
      ),
    ).toEqual(['estimate out', 'uncertainty', 'fine', 'free', 'open'])
  })

  it('ranks by uncertainties outside the limit, not by length: 0.03 mm known to 0.005 before 0.05 known to 0.04', () => {
    expect(order(found('vague', 'gap', 'under', 0.05, 0.04), found('sure', 'gap', 'under', 0.03, 0.005))).toEqual(['sure', 'vague'])
  })

  it('takes a figure without uncertainty that is out for certain', () => {
    expect(order(found('measured', 'gap', 'over', 0.5, 0.001), found('exact', 'gap', 'over', 0.001, 0))).toEqual(['exact', 'measured'])
  })

  it('is an order: no cycle whatever the findings', () => {
    const any = fc
      .record({
        output: fc.constantFrom('gap', 'gapSpread', 'hot'),
        verdict: fc.constantFrom<Conformity['verdict'] | undefined>('over', 'under', 'inDoubt', 'within', undefined),
        excess: fc.double({ min: 0, max: 1, noNaN: true }),
        U: fc.double({ min: 0, max: 1, noNaN: true }),
      })
      .map(({ output: outputId, verdict, excess, U }) => found('x', outputId, verdict, excess, U))
    const compare = ofBench(definition)
    fc.assert(
      fc.property(any, any, any, (a, b, c) => {
        expect(Math.sign(compare(a, b))).toBe(-Math.sign(compare(b, a)) || 0)
        if (compare(a, b) <= 0 && compare(b, c) <= 0) expect(compare(a, c)).toBeLessThanOrEqual(0)
      }),
    )
  })

  it('lets stand out what is out, and what another reading could settle', () => {
    const list = [
      found('fine', 'gap', 'within'),
      found('uncertainty', 'gap', 'inDoubt'),
      found('blind', 'gap', 'inDoubt', 0, 5, true),
      found('out', 'gap', 'over', 1),
    ]
    expect(standsOut(definition, list).map(({ id }) => id)).toEqual(['out', 'uncertainty'])
  })
})
