import { describe, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build, Spec } from '@/core/document'
import { find, petrelDocument, readingOf, ternDocument, valueOf, withReading, withSpecOf } from '../../../tests/support/builds'
import { expectNear } from '../../../tests/support/expectNear'
import { standardUncertainty, type Figure } from '../metrology'
import { bearings } from './bearings'
import { bores } from './bores'
import { rods } from './rods'

/**
 * A part read warm is longer than at 20 °C by α·L·ΔT (ISO 1); a steel gauge as warm has grown as well. Expansions a kelvin are
 * from memory: steel 11.75e-6, grey iron 10.75e-6, cast aluminium 21e-6, bronze 17.5e-6, forged 2618 22.5e-6.
 */
const [tern, petrel] = [openBuild(ternDocument), openBuild(petrelDocument)]
const STEEL = 11.75e-6
const uOf = (figure: Figure | undefined) => standardUncertainty(figure!.value)

/** What 10 K, on part and on gauge, make of a finding that rests on one reading of the station; mm. */
function warmedBy(build: Build, station: string, value: (build: Build) => number, partTempC: number, gaugeTempC: number): number {
  const { characteristic, place, value: read, gauge } = readingOf(build, station)
  const at = (temperatures: object) => value(withReading(build, characteristic, place, read, gauge, temperatures))
  return at({ partTempC, gaugeTempC }) - at({ partTempC: 20, gaugeTempC: 20 })
}

describe('every length that grows is brought to 20 °C', () => {
  it.each([
    // Station, what rests on it, part grows by, size in mm, share of the reading in the finding.
    ['rods.pin/c2', (build: Build) => valueOf(rods, build, 'rods.pinClearance.2'), STEEL, 21, -1],
    ['rods.pinBush/c2', (build: Build) => valueOf(rods, build, 'rods.pinClearance.2'), 17.5e-6, 21, 1],
    ['rods.bigEnd/c2/along', (build: Build) => valueOf(rods, build, 'rods.bigEnd.2'), STEEL, 53.8, 0.5],
    ['rods.centreDistance/c2', (build: Build) => valueOf(rods, build, 'rods.centreDistance.2'), STEEL, 144, 1],
    ['bores.skirt/c2', (build: Build) => valueOf(bores, build, 'bores.clearance.2'), 22.5e-6, 82.9, -1],
    ['bearings.mainJournal/m2/front-vertical', (build: Build) => valueOf(bearings, build, 'bearings.mainJournal.m2'), STEEL, 58, 0.25],
  ])('%s', (station, value, perK, sizeMm, share) => {
    expectNear(warmedBy(tern, station, value, 30, 20), -share * perK * sizeMm * 10, 2e-5 * Math.abs(share))
    // As warm as the part, a steel gauge has grown with it: only the difference counts.
    expectNear(warmedBy(tern, station, value, 30, 30), -share * (perK - STEEL) * sizeMm * 10, 2e-5 * Math.abs(share))
    // A cold shop works the other way.
    expectNear(warmedBy(tern, station, value, 10, 20), share * perK * sizeMm * 10, 2e-5 * Math.abs(share))
  })

  it('a clearance read as such opens as the housing outgrows the crank, and the gauge has no part in it', () => {
    const value = (build: Build) => valueOf(bearings, build, 'bearings.mainClearance.m3')
    // Aluminium block, steel crank, 58 mm: (21 − 11.75)e-6 · 58 · 10 = 0.00537 mm too much at 30 °C.
    expectNear(warmedBy(tern, 'bearings.mainClearance/m3/vertical', value, 30, 20), -0.005365, 1e-6)
    expectNear(warmedBy(tern, 'bearings.mainClearance/m3/vertical', value, 30, 35), -0.005365, 1e-6)
    // Steel rods on a steel crank keep their clearance.
    expectNear(
      warmedBy(tern, 'bearings.rodClearance/c3/vertical', (build) => valueOf(bearings, build, 'bearings.rodClearance.3'), 30, 20),
      0,
      1e-9,
    )
  })

  it('an iron block and a steel crank close a little when warm: 2.5 in by 10 K is 0.6 µm', () => {
    const value = (build: Build) => valueOf(bearings, build, 'bearings.mainClearance.m3')
    const journalMm = petrel.spec.paper.mainJournal!.value
    expectNear(warmedBy(petrel, 'bearings.mainClearance/m3/vertical', value, 30, 20), journalMm * (STEEL - 10.75e-6) * 10, 1e-6)
  })
})

describe('what is not known of temperatures stays in the uncertainty', () => {
  it('no temperature carries what a shop ± 2 K makes of it, a temperature ± 1 K and the coefficients', () => {
    const station = 'rods.centreDistance/c2'
    const { characteristic, place, value, gauge } = readingOf(tern, station)
    const of = (build: Build) => uOf(find(rods, build, 'rods.centreDistance.2').figure)
    const aluminium = withSpecOf(tern, (spec): Spec => ({ ...spec, materials: { ...spec.materials, rod: 'forgedAluminium' } }))
    // Steel rod and steel gauge: no shop moves it. Aluminium: (23 − 11.75)e-6 · 144 · 2/√3 = 0.00187 mm on top.
    const added = Math.sqrt(of(aluminium) ** 2 - of(tern) ** 2)
    expectNear(added, (23e-6 - STEEL) * value * (2 / Math.sqrt(3)), 1e-6)
    const known = withReading(aluminium, characteristic, place, value, gauge, { partTempC: 20, gaugeTempC: 20 })
    // At 20 °C the coefficients do not matter: part and gauge within 1 K each, not together.
    expectNear(Math.sqrt(of(known) ** 2 - of(tern) ** 2), Math.hypot(23e-6 * value, STEEL * value) / Math.sqrt(3), 1e-5)
  })

  it('the shop is the same for all parts: spreads do not count it twice', () => {
    const aluminium = withSpecOf(tern, (spec): Spec => ({ ...spec, materials: { ...spec.materials, rod: 'forgedAluminium' } }))
    expectNear(uOf(find(rods, aluminium, 'rods.centreSpread').figure), uOf(find(rods, tern, 'rods.centreSpread').figure), 1e-6)
  })

  it('zeroed on the micrometer a direct clearance carries dial, zero, micrometer and setting', () => {
    // Steps of 0.001 and 0.002 mm, repeatabilities 0.0015 and 0.001 mm, each gauge read once and zeroed once: by hand
    // √(2·(0.0015² + 0.001²/12) + (0.001² + 0.002²/12) + 0.001²).
    const card = (id: string, change: object) => ({ ...tern.gauges.get(id)!, ...change })
    const { value, place } = readingOf(tern, 'bearings.rodClearance/c3/vertical')
    const gauges = [
      card('bore-metric.1', { resolution: 0.001, repeatability: 0.0015, repeatabilityDof: 19, biasU: 0.004, scaleU: 0 }),
      card('mic-metric.1', { resolution: 0.002, repeatability: 0.001, repeatabilityDof: 19, biasU: 0.003, scaleU: 0 }),
    ]
    const document = { ...ternDocument, gauges: ternDocument.gauges.map((one) => gauges.find(({ id }) => id === one.id) ?? one) }
    const build = withReading(openBuild(document), 'bearings.rodClearance', place, value, 'bore-metric.1')
    const u = Math.sqrt(2 * (0.0015 ** 2 + 0.001 ** 2 / 12) + (0.001 ** 2 + 0.002 ** 2 / 12) + 0.001 ** 2)
    expectNear(uOf(find(bearings, build, 'bearings.rodClearance.3').figure), u, 1e-6)
  })
})
