import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build, Spec } from '@/core/document'
import { find, readingOf, soundBuild, ternDocument, valueOf, withReading, withSpecOf, without } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { bores } from '.'

const tern = openBuild(ternDocument)
const sound = soundBuild(0)
const v8 = soundBuild(1)
const ids = (build: Build) => bores.derive(build).map(({ id }) => id)
const outputs = (build: Build) => [...new Set(bores.derive(build).map(({ output }) => output))]

/** Both axes of a depth, as what is wanted. */
const wanted = (cylinder: number, depth: string) =>
  ['thrust', 'pin'].map((axis) => ({ kind: 'reading', stationId: `bores.bore/c${cylinder}/${depth}-${axis}` }))

/** A bore read at six places; the rest of the engine as it was. */
function bored(build: Build, cylinder: number, places: Readonly<Record<string, number>>): Build {
  return Object.entries(places).reduce((now, [spot, mm]) => withReading(now, 'bores.bore', { cylinder, spot }, mm, 'bore-metric.1'), build)
}
const SHAPED = {
  'top-thrust': 83.02,
  'top-pin': 83.012,
  'middle-thrust': 83.009,
  'middle-pin': 83.004,
  'bottom-thrust': 83.002,
  'bottom-pin': 83.006,
}
const shaped = bored(sound, 2, SHAPED)

describe('what the bench finds', () => {
  it('is the same for every engine with more than one cylinder; a single has nothing to compare', () => {
    expect(outputs(tern)).toEqual([
      'bores.clearance',
      'bores.clearanceSpread',
      'bores.outOfRound',
      'bores.taper',
      'bores.boreDiameter',
      'bores.boreSpread',
      'bores.boreOffPaper',
      'bores.deckFinish',
    ])
    const single = openBuild({
      ...ternDocument,
      entries: [],
      spec: {
        ...tern.spec,
        choice: {},
        layout: { ...tern.spec.layout, kind: 'single', cylinders: 1, mains: 2, firingOrder: [1], pins: [{ angleDeg: 0, cylinders: [1] }] },
      },
    })
    expect(outputs(single)).toEqual(['bores.clearance', 'bores.outOfRound', 'bores.taper', 'bores.boreDiameter', 'bores.deckFinish'])
  })

  it('holds bores against paper only once a bore is read and one is on paper', () => {
    expect(
      ids(without(sound, ({ characteristic }) => characteristic === 'bores.bore')).some((id) => id.startsWith('bores.boreOffPaper')),
    ).toBe(false)
    const bare = withSpecOf(sound, (spec): Spec => ({ ...spec, paper: { ...spec.paper, bore: undefined } }))
    expect(ids(bare).some((id) => id.startsWith('bores.boreOffPaper'))).toBe(false)
    const one = without(sound, ({ characteristic, place }) => characteristic === 'bores.bore' && place.cylinder !== 2)
    expectNear(valueOf(bores, one, 'bores.boreOffPaper.2'), valueOf(bores, one, 'bores.boreDiameter.2') - 83, 1e-12)
    expect(find(bores, one, 'bores.boreOffPaper.3').missing).toEqual(wanted(3, 'middle'))
  })
})

describe('a bore of six places', () => {
  it('its shape: worst depth, worst axis, smallest place, mean of all', () => {
    expectNear(valueOf(bores, shaped, 'bores.outOfRound.2'), 0.008, 1e-9)
    expectNear(valueOf(bores, shaped, 'bores.taper.2'), 0.018, 1e-9)
    expectNear(valueOf(bores, shaped, 'bores.boreDiameter.2'), Object.values(SHAPED).reduce((sum, mm) => sum + mm, 0) / 6, 1e-9)
    expectNear(valueOf(bores, shaped, 'bores.clearance.2'), 83.002 - readingOf(shaped, 'bores.skirt/c2').value, 1e-6)
    for (const id of ['bores.outOfRound.2', 'bores.taper.2', 'bores.clearance.2'])
      expect(find(bores, shaped, id).remarks.map(({ code }) => code)).not.toContain('incomplete')
  })

  it.each([
    // Places left; out of round, taper, and of how many each is.
    [
      ['top-thrust', 'top-pin'],
      [0.008, 1],
      [undefined, 0],
    ],
    [
      ['top-thrust', 'bottom-thrust'],
      [undefined, 0],
      [0.018, 1],
    ],
    [
      ['top-thrust', 'top-pin', 'bottom-thrust', 'bottom-pin'],
      [0.008, 2],
      [0.018, 2],
    ],
    [
      ['middle-thrust', 'middle-pin'],
      [0.005, 1],
      [undefined, 0],
    ],
  ] as const)('read at %s', (places, [round, rounds], [taper, tapers]) => {
    const build = without(
      shaped,
      ({ characteristic, place }) => characteristic === 'bores.bore' && place.cylinder === 2 && !places.includes(place.spot as never),
    )
    const found = (id: string) => find(bores, build, id)
    if (round === undefined) expect(found('bores.outOfRound.2').missing).toEqual([...wanted(2, 'top'), ...wanted(2, 'bottom')])
    else expectNear(found('bores.outOfRound.2').figure!.value.value, round, 1e-9)
    if (taper === undefined) expect(found('bores.taper.2').missing).toEqual([...wanted(2, 'top'), ...wanted(2, 'bottom')])
    else expectNear(found('bores.taper.2').figure!.value.value, taper, 1e-9)
    const incomplete = (id: string) => found(id).remarks.find(({ code }) => code === 'incomplete')
    if (rounds > 0) expect(incomplete('bores.outOfRound.2')).toEqual({ code: 'incomplete', used: rounds, wanted: 3 })
    if (tapers === 1) expect(incomplete('bores.taper.2')).toEqual({ code: 'incomplete', used: 1, wanted: 2 })
    if (tapers === 2) expect(incomplete('bores.taper.2')).toBeUndefined()
  })
})

describe('piston to wall', () => {
  it('names what is wanted: the skirt of the piston that is to go in, the bore where it is not read', () => {
    const moved = withSpecOf(sound, (spec): Spec => ({ ...spec, choice: { ...spec.choice, pistonInBore: [1, 3, 2, 4, 5] } }))
    const noSkirt = without(moved, ({ characteristic, place }) => characteristic === 'bores.skirt' && place.cylinder === 3)
    expect(find(bores, noSkirt, 'bores.clearance.2').missing).toEqual([{ kind: 'reading', stationId: 'bores.skirt/c3' }])
    expectNear(
      valueOf(bores, moved, 'bores.clearance.2'),
      valueOf(bores, sound, 'bores.clearance.2') + readingOf(sound, 'bores.skirt/c2').value - readingOf(sound, 'bores.skirt/c3').value,
      1e-6,
    )
    expect(find(bores, moved, 'bores.clearance.2').remarks).toContainEqual({ code: 'pistonMarked', mark: 3 })
    expect(find(bores, moved, 'bores.clearance.1').remarks.map(({ code }) => code)).not.toContain('pistonMarked')
    const noBore = without(sound, ({ characteristic, place }) => characteristic === 'bores.bore' && place.cylinder === 2)
    expect(find(bores, noBore, 'bores.clearance.2').missing).toEqual(
      ['thrust', 'pin'].map((axis) => ({ kind: 'reading', stationId: `bores.bore/c2/middle-${axis}` })),
    )
    const neither = without(noBore, ({ characteristic, place }) => characteristic === 'bores.skirt' && place.cylinder === 2)
    expect(find(bores, neither, 'bores.clearance.2').missing).toContainEqual({ kind: 'reading', stationId: 'bores.skirt/c2' })
  })
})

describe('the top ring as a gauge', () => {
  const remark = (build: Build) =>
    find(bores, build, 'bores.taper.2').remarks.find(({ code }) => code === 'ringOnTaper') as
      | { agrees: boolean; gauge: { value: { value: number } }; ring: { value: { value: number } } }
      | undefined
  const gapped = (build: Build, spot: string, goes: number) =>
    withReading(build, 'rings.topGap', { cylinder: 2, spot }, goes, 'feeler-fine.1', { upper: goes + 0.01 })

  it('stands beside the mean taper of both axes', () => {
    // Mean at the top 83.016, at the bottom 83.004: 12 µm, which opens a gap by π · 0.012 = 0.0377.
    const agreeing = gapped(gapped(shaped, 'top', 0.6), 'bottom', 0.56)
    expectNear(remark(agreeing)!.gauge.value.value, 0.012, 1e-9)
    expectNear(remark(agreeing)!.ring.value.value, 0.04 / Math.PI, 1e-9)
    expect(remark(agreeing)!.agrees).toBe(true)
    expect(remark(gapped(gapped(shaped, 'top', 0.7), 'bottom', 0.56))!.agrees).toBe(false)
  })

  it('says nothing without both ends by both gauges', () => {
    const noBottom = without(
      shaped,
      ({ characteristic, place }) => characteristic === 'bores.bore' && place.cylinder === 2 && place.spot === 'bottom-pin',
    )
    expect(remark(noBottom)).toBeUndefined()
    const noRing = without(
      shaped,
      ({ characteristic, place }) => characteristic === 'rings.topGap' && place.cylinder === 2 && place.spot === 'bottom',
    )
    expect(remark(noRing)).toBeUndefined()
  })
})

describe('the finish of the deck', () => {
  const place = bores
    .stations(v8)
    .filter(({ characteristic }) => characteristic === 'bores.deckFinish')
    .map(({ place: { bank } }) => bank)

  it('is the rougher face of two banks; both are wanted', () => {
    expect(place).toEqual(['left', 'right'])
    const gauge = [...v8.gauges.values()].find(({ use }) => use === 'roughness')!.id
    const at = (build: Build, bank: 'left' | 'right', value: number) =>
      withReading(build, 'bores.deckFinish', { bank }, value, gauge, { unit: 'um' })
    expectNear(valueOf(bores, at(at(v8, 'left', 0.3), 'right', 0.45), 'bores.deckFinish'), 0.45, 1e-9)
    const one = without(v8, ({ characteristic, place: { bank } }) => characteristic === 'bores.deckFinish' && bank === 'right')
    expect(find(bores, one, 'bores.deckFinish').missing).toEqual([{ kind: 'reading', stationId: 'bores.deckFinish/right' }])
  })
})
