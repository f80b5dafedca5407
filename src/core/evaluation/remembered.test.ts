/** What is remembered is never other than what a build opened for the first time would be found to be. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Build, BuildDocument } from '@/core/document'
import { restsOn } from '@/core/document/remembered'
import { anyChange, anyEngine, CHANGES, fresh, said } from '../../../tests/support/anyBuild'
import { cases } from '../../../tests/support/cases'
import { find, ternDocument, withReading, withSpecOf } from '../../../tests/support/builds'
import { openBuild } from '../benches'
import { bores } from '../benches/bores'
import { evaluate } from './evaluate'

const SEEDS = cases()

describe('an evaluation remembered', () => {
  it(`is that of the build opened for the first time, whatever was changed, in whatever order (${SEEDS} times)`, () => {
    const opened = new Map<BuildDocument, Build>()
    fc.assert(
      fc.property(anyEngine, fc.array(anyChange, { minLength: 1, maxLength: 4 }), (document, changes) => {
        // One memory for all that is ever made of an engine: the longest one there could be.
        const start = opened.get(document) ?? openBuild(document)
        opened.set(document, start)
        let build: Build = start
        for (const { kind, which, by } of changes) {
          build = CHANGES[kind]!(build, which, by)
          evaluate(build)
        }
        expect(said(build)).toBe(said(fresh(build)))
      }),
      { numRuns: SEEDS, seed: 2026 },
    )
  })

  it('gives back the very findings that nothing has touched', () => {
    const tern = openBuild(ternDocument)
    const before = new Map(evaluate(tern).map((finding) => [finding.id, finding]))
    const after = evaluate(withReading(tern, 'bores.skirt', { cylinder: 2 }, 82.91, 'mic-metric.1'))
    const others = after.filter((finding) => before.get(finding.id) !== finding).map(({ id }) => id)
    expect(others).toEqual(['bores.clearance.2', 'bores.clearanceSpread'])
    expect(evaluate(tern).every((finding) => before.get(finding.id) === finding)).toBe(true)
  })

  it('knows what each finding rests on: readings, paper, methods, limits and other quantities, itself or through them', () => {
    const tern = openBuild(ternDocument)
    evaluate(tern)
    const names = (id: string, source: string) =>
      restsOn(tern, id)
        .filter((use) => use.source === source)
        .map(({ key }) => key)
    expect(names('bores.clearance.2', 'reading').sort()).toEqual([
      ...['bottom', 'middle', 'top'].flatMap((depth) => [`bores.bore/c2/${depth}-pin`, `bores.bore/c2/${depth}-thrust`]),
      'bores.skirt/c2',
    ])
    expect(names('bores.clearance.2', 'derivation')).toContain('smallestBore/2')
    expect(names('bores.clearance.2', 'limits')).toEqual(['bores.clearance'])
    expect(names('bores.clearance.2', 'choice')).toEqual(['pistonInBore'])
    expect(names('compression.compressionRatio.1', 'paper')).toEqual(expect.arrayContaining(['stroke', 'rodLength', 'landHeight']))
    expect(names('compression.compressionRatio.1', 'methods')).toEqual(expect.arrayContaining(['bore', 'chamber', 'gasket', 'rule']))
    expect(restsOn(tern, 'never.derived')).toEqual([])
  })

  it('asks of the spec by name: a derivation that asks for all of it is told so', () => {
    const tern = openBuild(ternDocument)
    const { finding } = { finding: find(bores, tern, 'bores.clearance.2') }
    expect(finding.limit).toBe(tern.spec.limits['bores.clearance'])
    const unlimited = withSpecOf(tern, (spec) => ({ ...spec, limits: {} }))
    expect(find(bores, unlimited, 'bores.clearance.2').limit).toBeUndefined()
  })
})
