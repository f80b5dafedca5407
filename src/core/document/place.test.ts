import { describe, expect, it } from 'vitest'
import { freshLayout } from './fresh'
import type { Id } from './ids'
import { axesBeyond, findingId, stationId, subjectAxis, subjectOf, subjectsOn, type Place } from './place'

const engine = (kind: 'single' | 'inline' | 'v' | 'flat', cylinders: number) =>
  freshLayout({ kind, cylinders, bankAngleDeg: 90, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder' })

describe('names of places', () => {
  it.each<[Id, Place, string]>([
    ['compression.deck', { cylinder: 3, spot: 'front' }, 'compression.deck/c3/front'],
    ['compression.chamberEnd', { cylinder: 12, repeat: 2 }, 'compression.chamberEnd/c12/r2'],
    ['bearings.mainJournal', { main: 5, spot: 'rear-vertical' }, 'bearings.mainJournal/m5/rear-vertical'],
    ['compression.gasketThickness', { bank: 'left' }, 'compression.gasketThickness/left'],
    ['bearings.endFloat', {}, 'bearings.endFloat'],
    ['all.axes', { repeat: 4, spot: 'x', bank: 'right', main: 2, cylinder: 1 }, 'all.axes/c1/m2/right/x/r4'],
  ])('%s of %j is %s, whatever the order it was written in', (characteristic, place, id) =>
    expect(stationId(characteristic, place)).toBe(id),
  )

  it.each<[Id, Place, string]>([
    ['bores.clearance', { cylinder: 3 }, 'bores.clearance.3'],
    ['bearings.mainClearance', { main: 2 }, 'bearings.mainClearance.m2'],
    ['compression.deckFall', { bank: 'left' }, 'compression.deckFall.left'],
    ['bearings.runOut', {}, 'bearings.runOut'],
  ])('%s of %j is found as %s', (output, subject, id) => expect(findingId(output, subject)).toBe(id))

  it('say whom they are about, without the spot', () => {
    expect(subjectOf({ cylinder: 3, spot: 'front', repeat: 2 })).toEqual({ cylinder: 3 })
    expect(subjectOf({ bank: 'right', spot: 'x' })).toEqual({ bank: 'right' })
    expect(subjectOf({ spot: 'x' })).toEqual({})
    expect([subjectAxis({ main: 1 }), subjectAxis({})]).toEqual(['main', undefined])
  })
})

describe('places an engine has', () => {
  it('counts them in order, by its layout', () => {
    expect(subjectsOn('cylinder', engine('inline', 3))).toEqual([{ cylinder: 1 }, { cylinder: 2 }, { cylinder: 3 }])
    expect(subjectsOn('main', engine('inline', 4)).length).toBe(5)
    expect(subjectsOn('bank', engine('v', 6))).toEqual([{ bank: 'left' }, { bank: 'right' }])
    expect(subjectsOn('bank', engine('single', 1))).toEqual([{ bank: 'left' }])
  })

  it.each<[Place, 'single' | 'inline' | 'v' | 'flat', number, readonly [string, string, number][]]>([
    [{ cylinder: 1, spot: 'anything', repeat: 9 }, 'single', 1, []],
    [{ cylinder: 16 }, 'single', 1, [['cylinder', '16', 1]]],
    [{ cylinder: 8 }, 'v', 8, []],
    [{ cylinder: 9 }, 'v', 8, [['cylinder', '9', 8]]],
    [{ main: 6 }, 'inline', 4, [['main', '6', 5]]],
    [{ bank: 'right' }, 'flat', 2, []],
    [{ bank: 'right' }, 'inline', 6, [['bank', 'right', 1]]],
    [
      { cylinder: 7, main: 9 },
      'inline',
      6,
      [
        ['cylinder', '7', 6],
        ['main', '9', 7],
      ],
    ],
    [{}, 'inline', 4, []],
  ])('%j on %s %i', (place, kind, cylinders, beyond) =>
    expect(axesBeyond(place, engine(kind, cylinders)).map(({ axis, got, most }) => [axis, got, most])).toEqual(beyond),
  )
})
