import { describe, expect, it } from 'vitest'
import { withSpec, type Build, type Spec } from '@/core/document'
import { applyChanges, withChanges, withChosenAfter } from '@/core/document/changes'
import { compression } from '@/core/benches/compression'
import { soundBuild, valueOf, withReading, withSpecOf } from '../../../tests/support/builds'
import { expectNear } from '../../../tests/support/expectNear'
import { isKnown } from '../bench/finding'
import { expand } from '../metrology'
import { gasketOf } from './gasket'

/** A gasket with layers laid into it: its thickness is their sum, each with its uncertainty (common practice). */
const tern = soundBuild(0)
const paperOnly = withSpecOf(tern, (spec) => ({ ...spec, methods: { ...spec.methods, gasket: 'paper' } }))
const two: Spec['stock']['layers'] = [
  { id: 'a', name: 'Spacer', thicknessMm: 0.5, thicknessToleranceMm: 0.03, source: 'test' },
  { id: 'b', name: 'Spray', thicknessMm: 0.04, source: 'test' },
]
const stocked = (build: Build) => withSpecOf(build, (spec) => ({ ...spec, stock: { ...spec.stock, layers: two } }))
const laid = (build: Build, ids: readonly string[]) => applyChanges(stocked(build), [{ choose: 'gasketLayers', ids }])

function thickness(build: Build) {
  const found = gasketOf(build, 1).gasketThickness
  if (!isKnown(found)) throw new Error('not known')
  return found
}

describe('a gasket as a stack', () => {
  it('is as thick as its layers together, and as uncertain as all of them, each by itself', () => {
    const { figure } = thickness(laid(paperOnly, ['a', 'b']))
    expectNear(figure.value.value, 1.1 + 0.5 + 0.04, 1e-12)
    // Hard limits are rectangular (JCGM 100:2008, 4.3.7): half-width over root three, layers independent.
    expectNear(expand(figure.value).U, (2 * Math.hypot(0.02, 0.03)) / Math.sqrt(3), 0.0005)
    expectNear(thickness(stocked(paperOnly)).figure.value.value, 1.1, 1e-12)
  })

  it('costs the ratio what its own bore makes of it', () => {
    const sweptCm3 = (Math.PI / 4) * 8.3 ** 2 * 9.28
    const clearanceCm3 = (build: Build) => sweptCm3 / (valueOf(compression, build, 'compression.compressionRatio.1') - 1)
    const moreCm3 = clearanceCm3(laid(paperOnly, ['a'])) - clearanceCm3(stocked(paperOnly))
    expectNear(moreCm3, (Math.PI / 4) * 8.4 ** 2 * 0.05, 0.003)
  })

  it('says nothing of a layer that has left the shelf', () => {
    const found = gasketOf(laid(paperOnly, ['a', 'gone']), 1).gasketThickness
    expect(found).toEqual({ missing: [{ kind: 'choice', what: 'gasket' }] })
  })

  it('is another gasket than the one that was measured: what was clamped before says nothing of it', () => {
    const measured = withReading(
      withSpecOf(stocked(tern), (spec) => ({ ...spec, methods: { ...spec.methods, gasket: 'measured' } })),
      'compression.gasketThickness',
      { bank: 'left' },
      1.13,
      'mic-metric.1',
    )
    expectNear(thickness(measured).figure.value.value, 1.13, 1e-9)
    const more = applyChanges(measured, [{ choose: 'gasketLayers', ids: ['a'] }])
    expectNear(thickness(more).figure.value.value, 1.6, 1e-9)
    expect(thickness(more).remarks).toEqual([{ code: 'oldPart', part: 'gasket' }])
    const again = withReading(withSpec(measured, more.spec), 'compression.gasketThickness', { bank: 'left' }, 1.62, 'mic-metric.1')
    expectNear(thickness(again).figure.value.value, 1.62, 1e-9)
  })

  it('is kept with what lay in it when another one is chosen', () => {
    const one = withSpecOf(stocked(paperOnly), (now) => ({ ...now, choice: { ...now.choice, gasketLayers: ['b'] } }))
    const spec = withChosenAfter(withChanges(one.spec, [{ choose: 'gasketLayers', ids: ['a'] }]), one)
    expect(spec.choice.gasketLayers).toEqual(['a'])
    expect(spec.choice.formerGaskets!.at(-1)).toEqual({ gasket: 'hl-g2', layers: ['b'], until: one.entries.at(-1)!.id })
    expect(withChosenAfter(withChanges(one.spec, [{ choose: 'gasketLayers', ids: ['b'] }]), one)).toEqual(one.spec)
  })
})
