import { describe, expect, it } from 'vitest'
import { openBuild, type Build, type Spec } from '@/core/build'
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
      'pinClearance',
      'bigEndRound',
      'bigEnd',
      'centreDistance',
      'centreSpread',
      'reciprocating',
      'reciprocatingSpread',
      'rotating',
      'rotatingSpread',
      'stackApart',
    ])
    expect(outputs(layout(tern, { rodBearings: 'rolling' }))).not.toContain('bigEnd')
    for (const missing of ['blockHeight', 'compressionHeight'])
      expect(outputs(paper(tern, { [missing]: undefined })), missing).not.toContain('stackApart')
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
    expectNear(valueOf(rods, tern, 'reciprocating.2'), sum('pistonMass/c2', 'pinMass/c2', 'ringsMass/c2', 'rodSmall/c2'), 1e-9)
    expectNear(valueOf(rods, tern, 'rotating.2'), sum('rodBig/c2', 'shellsMass/c2'), 1e-9)
    expectNear(valueOf(rods, layout(tern, { rodBearings: 'rolling' }), 'rotating.2'), sum('rodBig/c2'), 1e-9)
    expectNear(valueOf(rods, tern, 'pinClearance.2'), reading(tern, 'pinBush/c2') - reading(tern, 'pin/c2'), 1e-6)
    expectNear(valueOf(rods, tern, 'bigEnd.2'), sum('bigEnd/c2/along', 'bigEnd/c2/across') / 2, 1e-6)
    expectNear(valueOf(rods, tern, 'bigEndRound.2'), Math.abs(reading(tern, 'bigEnd/c2/along') - reading(tern, 'bigEnd/c2/across')), 1e-9)
  })

  it('names every part that is not weighed or measured, and no other', () => {
    const bare = without(
      tern,
      ({ characteristic, place }) =>
        place.cylinder === 2 && ['pinMass', 'rodSmall', 'shellsMass', 'pin', 'bigEnd'].includes(characteristic) && place.spot !== 'along',
    )
    expect(find(rods, bare, 'reciprocating.2').missing).toEqual(
      ['pinMass/c2', 'rodSmall/c2'].map((stationId) => ({ kind: 'reading', stationId })),
    )
    expect(find(rods, bare, 'rotating.2').missing).toEqual([{ kind: 'reading', stationId: 'shellsMass/c2' }])
    expect(find(rods, bare, 'pinClearance.2').missing).toEqual([{ kind: 'reading', stationId: 'pin/c2' }])
    for (const id of ['bigEnd.2', 'bigEndRound.2'])
      expect(find(rods, bare, id).missing).toEqual([{ kind: 'reading', stationId: 'bigEnd/c2/across' }])
  })

  it('weighs the piston that is to go onto the rod, with its pin and rings', () => {
    const planned = withSpecOf(tern, (spec): Spec => ({ ...spec, choice: { ...spec.choice, pistonInBore: [1, 4, 3, 2, 5] } }))
    expectNear(
      valueOf(rods, planned, 'reciprocating.2'),
      reading(tern, 'pistonMass/c4') + reading(tern, 'pinMass/c4') + reading(tern, 'ringsMass/c4') + reading(tern, 'rodSmall/c2'),
      1e-9,
    )
  })
})

describe('bobweight', () => {
  const both = (of: (cylinder: number) => number) => of(1) + of(2)

  it('is both rods’ rotating, half of both’s reciprocating, and the oil on the pin', () => {
    const value = (build: Build, id: string) => valueOf(rods, build, id)
    const rotating = both((cylinder) => value(petrel, `rotating.${cylinder}`))
    const reciprocating = both((cylinder) => value(petrel, `reciprocating.${cylinder}`))
    const oil = petrel.spec.paper.oilAllowance?.value ?? 0
    const share = petrel.spec.paper.balanceShare?.value ?? 0.5
    expectNear(value(petrel, 'bobweight.1'), rotating + share * reciprocating + oil, 1e-6)
    const other = paper(petrel, {
      oilAllowance: { value: 4, unit: 'g', source: 'balancer' },
      balanceShare: { value: 0.48, unit: 'percent', source: 'balancer' },
    })
    expectNear(value(other, 'bobweight.1'), rotating + 0.48 * reciprocating + 4, 1e-6)
    const unsaid = paper(petrel, { oilAllowance: undefined, balanceShare: undefined })
    expectNear(value(unsaid, 'bobweight.1'), rotating + 0.5 * reciprocating, 1e-6)
    expect(find(rods, petrel, 'bobweight.1').remarks).toContainEqual({ code: 'rodsOnPin', cylinders: [1, 2] })
  })

  it('wants both rods of a pin', () => {
    const one = without(petrel, ({ characteristic, place }) => characteristic === 'rodBig' && place.cylinder === 2)
    expect(find(rods, one, 'bobweight.1').missing).toEqual([{ kind: 'reading', stationId: 'rodBig/c2' }])
    expectNear(valueOf(rods, one, 'bobweight.3'), valueOf(rods, petrel, 'bobweight.3'), 1e-12)
  })

  it('is for two rods on one unsplit pin of a 90° V: not for one rod a pin, nor for split pins', () => {
    const bobweights = (build: Build) =>
      rods
        .derive(build)
        .filter(({ output }) => output === 'bobweight')
        .map(({ id }) => id)
    expect(bobweights(petrel)).toEqual(['bobweight.1', 'bobweight.3', 'bobweight.5', 'bobweight.7'])
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
    ['front', 'left', 'rear', 'right'].reduce((sum, spot) => sum + reading(build, `deck/c${cylinder}/${spot}`), 0) / 4

  it('is the measured deck less what block, throw, rod as measured and piston add up to', () => {
    expectNear(valueOf(rods, tern, 'stackApart.2'), deck(tern, 2) - stacked(reading(tern, 'centreDistance/c2')), 1e-6)
    const unread = without(tern, ({ characteristic, place }) => characteristic === 'centreDistance' && place.cylinder === 2)
    expectNear(valueOf(rods, unread, 'stackApart.2'), deck(tern, 2) - stacked(144), 1e-6)
    expect(standardUncertainty(find(rods, unread, 'stackApart.2').figure!.value)).toBeGreaterThan(
      standardUncertainty(find(rods, tern, 'stackApart.2').figure!.value),
    )
  })

  it('with the pin off the middle the piston stands lower at the top: √((rod + throw)² − offset²)', () => {
    const offset = paper(tern, { pinOffset: { value: 2, unit: 'mm', source: 'sheet' } })
    const rod = reading(tern, 'centreDistance/c2')
    expectNear(
      valueOf(rods, offset, 'stackApart.2') - valueOf(rods, tern, 'stackApart.2'),
      Math.sqrt((rod + 46.4) ** 2 - 4) - (rod + 46.4),
      1e-6,
    )
  })

  it('names the paper it lacks, and a crank that cannot turn', () => {
    expect(find(rods, paper(tern, { stroke: undefined }), 'stackApart.2').missing).toContainEqual({ kind: 'paper', key: 'stroke' })
    const short = shift(tern, 'centreDistance/c2', -110)
    expect(find(rods, short, 'stackApart.2').missing).toEqual([{ kind: 'impossible', reason: 'crankDoesNotTurn' }])
    expectNear(valueOf(rods, short, 'stackApart.3'), valueOf(rods, tern, 'stackApart.3'), 1e-12)
  })

  it('says who lies: one alone by its own parts, all alike by what they share, nobody where all is well', () => {
    const remarks = (build: Build, cylinder: number) => find(rods, build, `stackApart.${cylinder}`).remarks.map(({ code }) => code)
    for (const cylinder of [1, 2, 3, 4, 5]) expect(remarks(sound, cylinder), String(cylinder)).toEqual([])
    const deep = ['front', 'left', 'rear', 'right'].reduce((build, spot) => shift(build, `deck/c4/${spot}`, 0.2), sound)
    expect(remarks(deep, 4)).toEqual(['stackOwn'])
    expect(remarks(deep, 2)).toEqual([])
    const lower = paper(sound, { blockHeight: { ...sound.spec.paper.blockHeight!, value: 219.7 } })
    for (const cylinder of [1, 2, 3, 4, 5]) expect(remarks(lower, cylinder)).toEqual(['stackShared'])
  })
})
