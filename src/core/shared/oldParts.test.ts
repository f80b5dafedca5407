import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { BuildDocument, Spec } from '@/core/document'
import { stamp, ternDocument, withReading, withSpecOf } from '../../../tests/support/builds'
import { withChosenAfter } from '../document/changes'
import { isOfOldPart } from './oldParts'

const choose = (document: BuildDocument, choice: Partial<Spec['choice']>): BuildDocument => {
  const spec = { ...document.spec, choice: { ...document.spec.choice, ...choice } }
  return { ...document, spec: withChosenAfter(spec, document) }
}
/** An undo stores the spec as it stood before. */
const goBack = (document: BuildDocument, spec: Spec): BuildDocument => ({ ...document, spec: withChosenAfter(spec, document) })
const measured = (document: BuildDocument, value: number): BuildDocument => ({
  ...document,
  entries: [
    ...document.entries,
    {
      kind: 'reading',
      ...stamp(),
      characteristic: 'compression.gasketThickness',
      place: {},
      value,
      unit: 'mm',
      asTyped: String(value),
      gauge: 'mic-metric.1',
    },
  ],
})
const isOld = (document: BuildDocument) => {
  const build = openBuild(document)
  return isOfOldPart(build, 'gasket', build.readings.current.get('compression.gasketThickness')?.id)
}

describe('parts chosen after others were measured', () => {
  const first = measured(ternDocument, 1.12)

  it('makes what was measured of the old gasket say nothing of the new one, and a reading after it say it again', () => {
    expect(isOld(first)).toBe(false)
    const other = choose(first, { gasket: 'hl-g3' })
    expect(isOld(other)).toBe(true)
    expect(isOld(measured(other, 1.27))).toBe(false)
  })

  it('gives the old gasket its readings back when the choice is undone before anything else is measured', () => {
    expect(isOld(goBack(choose(first, { gasket: 'hl-g3' }), first.spec))).toBe(false)
    // Two choices, two steps back.
    const twice = choose(choose(first, { gasket: 'hl-g3' }), { gasket: 'hl-g4' })
    expect(isOld(goBack(twice, choose(first, { gasket: 'hl-g3' }).spec))).toBe(true)
  })

  it('does not take the new gasket’s reading for the old one’s when the choice is undone after it', () => {
    expect(isOld(goBack(measured(choose(first, { gasket: 'hl-g3' }), 1.27), first.spec))).toBe(true)
  })

  it('notes nothing for other changes of the spec, and keeps pistons and gasket apart', () => {
    const renamed = withChosenAfter({ ...first.spec, name: 'Other' }, first)
    expect(renamed.choice.chosenAfter).toBeUndefined()
    const pistons = choose(first, { pistonInBore: [2, 1, 3, 4, 5] })
    expect(Object.keys(pistons.spec.choice.chosenAfter!)).toEqual(['pistons'])
    expect(isOld(pistons)).toBe(false)
    expect(withChosenAfter({ ...first.spec, choice: { gasket: 'hl-g3' } }, { ...first, entries: [] }).choice.chosenAfter).toBeUndefined()
  })

  it('reads a build as old or new by the order of arrival, not by the clock', () => {
    const other = openBuild(choose(first, { gasket: 'hl-g3' }))
    const late = withReading(
      withSpecOf(other, (spec) => spec),
      'compression.gasketThickness',
      {},
      1.27,
      'mic-metric.1',
      { at: '2020-01-01T00:00:00Z' },
    )
    expect(isOfOldPart(late, 'gasket', late.readings.current.get('compression.gasketThickness')!.id)).toBe(false)
  })
})
