import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build, Spec } from '@/core/document'
import {
  find,
  petrelDocument,
  readingOf,
  soundBuild,
  ternDocument,
  valueOf,
  withReading,
  withSpecOf,
  without,
} from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { standardUncertainty } from '../../metrology'
import { rods } from '.'

const [tern, petrel] = [openBuild(ternDocument), openBuild(petrelDocument)]
const sound = soundBuild(0)
const paper = (build: Build, more: Partial<Spec['paper']>) =>
  withSpecOf(build, (spec): Spec => ({ ...spec, paper: { ...spec.paper, ...more } }))
const layout = (build: Build, more: Partial<Spec['layout']>) =>
  withSpecOf(build, (spec): Spec => ({ ...spec, layout: { ...spec.layout, ...more } }))
const outputs = (build: Build) => [...new Set(rods.derive(build).map(({ output }) => output))]
const reading = (build: Build, station: string) => readingOf(build, station).value
const shift = (build: Build, station: string, by: number) => {
  const { characteristic, place, value, gauge, unit } = readingOf(build, station)
  return withReading(build, characteristic, place, value + by, gauge, { unit })
}

describe('what the bench finds', () => {
  it('has big ends only where they are plain, spreads only where there is more than one, a stack only with its paper', () => {
    expect(outputs(tern)).toEqual([
      'rods.pinClearance',
      'rods.bigEndRound',
      'rods.bigEnd',
      'rods.centreDistance',
      'rods.centreSpread',
      'rods.reciprocating',
      'rods.reciprocatingSpread',
      'rods.rotating',
      'rods.rotatingSpread',
      'rods.stackApart',
    ])
    expect(outputs(layout(tern, { rodBearings: 'rolling' }))).not.toContain('rods.bigEnd')
    for (const missing of ['blockHeight', 'compressionHeight'])
      expect(outputs(paper(tern, { [missing]: undefined })), missing).not.toContain('rods.stackApart')
    const single = openBuild({
      ...ternDocument,
      entries: [],
      spec: {
        ...tern.spec,
        choice: {},
        layout: { ...tern.spec.layout, kind: 'single', cylinders: 1, mains: 2, firingOrder: [1], pins: [{ angleDeg: 0, cylinders: [1] }] },
      },
    })
    expect(outputs(single).filter((output) => output.endsWith('Spread'))).toEqual([])
  })

  it('adds up what it reads', () => {
    const sum = (...stations: string[]) => stations.reduce((total, station) => total + reading(tern, station), 0)
    expectNear(
      valueOf(rods, tern, 'rods.reciprocating.2'),
      sum('rods.pistonMass/c2', 'rods.pinMass/c2', 'rods.ringsMass/c2', 'rods.rodSmall/c2'),
      1e-9,
    )
    expectNear(valueOf(rods, tern, 'rods.rotating.2'), sum('rods.rodBig/c2', 'rods.shellsMass/c2'), 1e-9)
    expectNear(valueOf(rods, layout(tern, { rodBearings: 'rolling' }), 'rods.rotating.2'), sum('rods.rodBig/c2'), 1e-9)
    expectNear(valueOf(rods, tern, 'rods.pinClearance.2'), reading(tern, 'rods.pinBush/c2') - reading(tern, 'rods.pin/c2'), 1e-6)
    expectNear(valueOf(rods, tern, 'rods.bigEnd.2'), sum('rods.bigEnd/c2/along', 'rods.bigEnd/c2/across') / 2, 1e-6)
    expectNear(
      valueOf(rods, tern, 'rods.bigEndRound.2'),
      Math.abs(reading(tern, 'rods.bigEnd/c2/along') - reading(tern, 'rods.bigEnd/c2/across')),
      1e-9,
    )
  })

  it('names every part that is not weighed or measured, and no other', () => {
    const bare = without(
      tern,
      ({ characteristic, place }) =>
        place.cylinder === 2 &&
        ['rods.pinMass', 'rods.rodSmall', 'rods.shellsMass', 'rods.pin', 'rods.bigEnd'].includes(characteristic) &&
        place.spot !== 'along',
    )
    expect(find(rods, bare, 'rods.reciprocating.2').missing).toEqual(
      ['rods.pinMass/c2', 'rods.rodSmall/c2'].map((stationId) => ({ kind: 'reading', stationId })),
    )
    expect(find(rods, bare, 'rods.rotating.2').missing).toEqual([{ kind: 'reading', stationId: 'rods.shellsMass/c2' }])
    expect(find(rods, bare, 'rods.pinClearance.2').missing).toEqual([{ kind: 'reading', stationId: 'rods.pin/c2' }])
    for (const id of ['rods.bigEnd.2', 'rods.bigEndRound.2'])
      expect(find(rods, bare, id).missing).toEqual([{ kind: 'reading', stationId: 'rods.bigEnd/c2/across' }])
  })

  it('weighs the piston that is to go onto the rod, with its pin and rings', () => {
    const planned = withSpecOf(tern, (spec): Spec => ({ ...spec, choice: { ...spec.choice, pistonInBore: [1, 4, 3, 2, 5] } }))
    expectNear(
      valueOf(rods, planned, 'rods.reciprocating.2'),
      reading(tern, 'rods.pistonMass/c4') +
        reading(tern, 'rods.pinMass/c4') +
        reading(tern, 'rods.ringsMass/c4') +
        reading(tern, 'rods.rodSmall/c2'),
      1e-9,
    )
  })
})

describe('bobweight', () => {
  const both = (of: (cylinder: number) => number) => of(1) + of(2)

  it('is both rods’ rotating, half of both’s reciprocating, and the oil on the pin', () => {
    const value = (build: Build, id: string) => valueOf(rods, build, id)
    const rotating = both((cylinder) => value(petrel, `rods.rotating.${cylinder}`))
    const reciprocating = both((cylinder) => value(petrel, `rods.reciprocating.${cylinder}`))
    const oil = petrel.spec.paper.oilAllowance?.value ?? 0
    const share = petrel.spec.paper.balanceShare?.value ?? 0.5
    expectNear(value(petrel, 'rods.bobweight.1'), rotating + share * reciprocating + oil, 1e-6)
    const other = paper(petrel, {
      oilAllowance: { value: 4, unit: 'g', source: 'balancer' },
      balanceShare: { value: 0.48, unit: 'percent', source: 'balancer' },
    })
    expectNear(value(other, 'rods.bobweight.1'), rotating + 0.48 * reciprocating + 4, 1e-6)
    const without = paper(petrel, { oilAllowance: undefined, balanceShare: undefined })
    expectNear(value(without, 'rods.bobweight.1'), rotating + 0.5 * reciprocating, 1e-6)
    expect(find(rods, petrel, 'rods.bobweight.1').remarks).toContainEqual({ code: 'rodsOnPin', cylinders: [1, 2] })
  })

  it('wants both rods of a pin', () => {
    const one = without(petrel, ({ characteristic, place }) => characteristic === 'rods.rodBig' && place.cylinder === 2)
    expect(find(rods, one, 'rods.bobweight.1').missing).toEqual([{ kind: 'reading', stationId: 'rods.rodBig/c2' }])
    expectNear(valueOf(rods, one, 'rods.bobweight.3'), valueOf(rods, petrel, 'rods.bobweight.3'), 1e-12)
  })

  it('is for two rods on one unsplit pin of a 90° V: not for one rod a pin, nor for split pins', () => {
    const bobweights = (build: Build) =>
      rods
        .derive(build)
        .filter(({ output }) => output === 'rods.bobweight')
        .map(({ id }) => id)
    expect(bobweights(petrel)).toEqual(['rods.bobweight.1', 'rods.bobweight.3', 'rods.bobweight.5', 'rods.bobweight.7'])
    expect(
      bobweights(
        layout(petrel, {
          pins: petrel.spec.layout.pins.flatMap((pin) => pin.cylinders.map((cylinder) => ({ ...pin, cylinders: [cylinder] }))),
        }),
      ),
    ).toEqual([])
    expect(bobweights(layout(petrel, { pins: petrel.spec.layout.pins.map((pin) => ({ ...pin, splitDeg: 18 })) }))).toEqual([])
    expect(bobweights(layout(petrel, { kind: 'flat', bankAngleDeg: 180 }))).toEqual([])
  })
})

describe('the stack', () => {
  // Block 220 − half of 92.8 − rod − 29.55, at top dead centre.
  const stacked = (rodMm: number) => 220 - 46.4 - rodMm - 29.55
  const deck = (build: Build, cylinder: number) =>
    ['front', 'left', 'rear', 'right'].reduce((sum, spot) => sum + reading(build, `compression.deck/c${cylinder}/${spot}`), 0) / 4

  it('is the measured deck less what block, throw, rod as measured and piston add up to', () => {
    expectNear(valueOf(rods, tern, 'rods.stackApart.2'), deck(tern, 2) - stacked(reading(tern, 'rods.centreDistance/c2')), 1e-6)
    const unread = without(tern, ({ characteristic, place }) => characteristic === 'rods.centreDistance' && place.cylinder === 2)
    expectNear(valueOf(rods, unread, 'rods.stackApart.2'), deck(tern, 2) - stacked(144), 1e-6)
    expect(standardUncertainty(find(rods, unread, 'rods.stackApart.2').figure!.value)).toBeGreaterThan(
      standardUncertainty(find(rods, tern, 'rods.stackApart.2').figure!.value),
    )
  })

  it('with the pin off the middle the piston stands lower at the top: √((rod + throw)² − offset²)', () => {
    const offset = paper(tern, { pinOffset: { value: 2, unit: 'mm', source: 'sheet' } })
    const rod = reading(tern, 'rods.centreDistance/c2')
    expectNear(
      valueOf(rods, offset, 'rods.stackApart.2') - valueOf(rods, tern, 'rods.stackApart.2'),
      Math.sqrt((rod + 46.4) ** 2 - 4) - (rod + 46.4),
      1e-6,
    )
  })

  it('names the paper it lacks, and a crank that cannot turn', () => {
    expect(find(rods, paper(tern, { stroke: undefined }), 'rods.stackApart.2').missing).toContainEqual({ kind: 'paper', key: 'stroke' })
    const short = shift(tern, 'rods.centreDistance/c2', -110)
    expect(find(rods, short, 'rods.stackApart.2').missing).toEqual([{ kind: 'impossible', reason: 'crankDoesNotTurn' }])
    expectNear(valueOf(rods, short, 'rods.stackApart.3'), valueOf(rods, tern, 'rods.stackApart.3'), 1e-12)
  })

  it('says who lies: one alone by its own parts, all alike by what they share, nobody where all is well', () => {
    const remarks = (build: Build, cylinder: number) => find(rods, build, `rods.stackApart.${cylinder}`).remarks.map(({ code }) => code)
    for (const cylinder of [1, 2, 3, 4, 5]) expect(remarks(sound, cylinder), String(cylinder)).toEqual([])
    const deep = ['front', 'left', 'rear', 'right'].reduce((build, spot) => shift(build, `compression.deck/c4/${spot}`, 0.2), sound)
    expect(remarks(deep, 4)).toEqual(['stackOwn'])
    expect(remarks(deep, 2)).toEqual([])
    const lower = paper(sound, { blockHeight: { ...sound.spec.paper.blockHeight!, value: 219.7 } })
    for (const cylinder of [1, 2, 3, 4, 5]) expect(remarks(lower, cylinder)).toEqual(['stackShared'])
  })
})
