import type { Build } from '../../document/build'
import { stationId, type Place } from '../../document/place'
import { bankCount, cylinderNumbers } from '../../geometry/crank'
import type { Station } from '../../bench/bench'
import { boreStations } from '../../shared/boreStations'

/** The bores, then the skirts by the mark on each piston, then the deck faces. */
export function stations(build: Build): readonly Station[] {
  const { boreFinish, faces } = build.spec.methods
  return [
    ...boreStations(build),
    ...(boreFinish ? boreFaceStations(build) : []),
    ...skirtStations(build),
    ...deckFinishStations(build),
    ...(faces ? faceStations(build) : []),
  ]
}

function skirtStations(build: Build): Station[] {
  const boreMm = build.spec.paper.bore?.value
  return cylinderNumbers(build.spec.layout).map((cylinder) => {
    const place = { cylinder }
    return {
      id: stationId('bores.skirt', place),
      characteristic: 'bores.skirt',
      place,
      label: `Piston marked ${cylinder}, skirt at the gauge point`,
      row: 'Skirt',
      // From barely free in its bore to four thousandths of it loose: anything else is a slip or the wrong piston.
      expected: boreMm === undefined ? { low: 20, high: 250 } : { low: boreMm * 0.996, high: boreMm * 1.0005 },
      ...(boreMm !== undefined && { nominal: boreMm, usual: { centre: boreMm * 0.9988, stray: boreMm * 0.0012 } }),
      drawnAt: { x: 0, y: 0.5 },
    }
  })
}

/** The deck faces: one, or one a bank. */
export function deckFinishStations(build: Build): Station[] {
  const banks = bankCount(build.spec.layout) === 2 ? (['left', 'right'] as const) : (['left'] as const)
  return banks.map((bank) => {
    const place = banks.length === 2 ? { bank } : {}
    return {
      id: stationId('bores.deckFinish', place),
      characteristic: 'bores.deckFinish',
      place,
      label: banks.length === 2 ? `Deck face, ${bank} bank, finish` : 'Deck face, finish',
      row: 'Deck finish',
      expected: { low: 0.05, high: 6 },
      drawnAt: { x: 0, y: 0 },
    }
  })
}

/** Finish and crosshatch of every bore, in the middle of ring travel. */
function boreFaceStations(build: Build): Station[] {
  return cylinderNumbers(build.spec.layout).flatMap((cylinder): Station[] => {
    const place = { cylinder }
    return [
      {
        id: stationId('bores.boreFinish', place),
        characteristic: 'bores.boreFinish',
        place,
        label: `Cylinder ${cylinder}, finish of the bore`,
        row: 'Bore finish',
        expected: { low: 0.02, high: 4 },
        drawnAt: { x: -0.3, y: 0 },
      },
      {
        id: stationId('bores.crosshatch', place),
        characteristic: 'bores.crosshatch',
        place,
        label: `Cylinder ${cylinder}, crosshatch, between the scratches`,
        row: 'Crosshatch',
        expected: { low: 5, high: 90 },
        drawnAt: { x: 0.3, y: 0 },
      },
    ]
  })
}

/** Directions a straight edge is laid in. */
export const DIRECTIONS = {
  leftEdge: 'along the left edge',
  rightEdge: 'along the right edge',
  frontEnd: 'across the front',
  rearEnd: 'across the rear',
  oneCorner: 'front left to rear right',
  otherCorner: 'front right to rear left',
} as const
export const FACES = ['deck', 'head', 'cover'] as const
export type Face = (typeof FACES)[number]
const FACE_WORDS: Readonly<Record<Face, string>> = { deck: 'Deck', head: 'Head', cover: 'Front cover' }
type Direction = keyof typeof DIRECTIONS

export function facePlace(face: Face, direction: Direction, bank: 'left' | 'right' | undefined): Place {
  return { ...(bank && face !== 'cover' && { bank }), spot: `${face}-${direction}` }
}

/** Banks a face is of: a cover is of the engine. */
export function banksOf(build: Build, face: Face): readonly ('left' | 'right' | undefined)[] {
  return bankCount(build.spec.layout) === 2 && face !== 'cover' ? ['left', 'right'] : [undefined]
}

function faceStations(build: Build): Station[] {
  return FACES.flatMap((face) =>
    banksOf(build, face).flatMap((bank): Station[] => {
      const where = `${FACE_WORDS[face]} face${bank ? `, ${bank} bank` : ''}`
      const gaps = (Object.keys(DIRECTIONS) as Direction[]).map((direction): Station => {
        const place = facePlace(face, direction, bank)
        return {
          id: stationId('bores.faceGap', place),
          characteristic: 'bores.faceGap',
          place,
          label: `${where}, ${DIRECTIONS[direction]}`,
          row: `${FACE_WORDS[face]}, ${DIRECTIONS[direction]}`,
          expected: { low: 0, high: 1 },
          drawnAt: { x: 0, y: 0 },
        }
      })
      if (face !== 'head') return gaps
      const place = { ...(bank && { bank }), spot: 'head' }
      const finish: Station = {
        id: stationId('bores.faceFinish', place),
        characteristic: 'bores.faceFinish',
        place,
        label: `${where}, finish`,
        row: 'Head finish',
        expected: { low: 0.05, high: 6 },
        drawnAt: { x: 0, y: 0 },
      }
      return [...gaps, finish]
    }),
  )
}
