import { stationId } from '../../document/place'
import type { Build } from '../../document/build'
import type { Place } from '../../document/types'
import { bankCount, cylinderNumbers } from '../../geometry/crank'
import type { Station } from '../../bench/bench'
import { chamberRepeats } from '../../shared/chamberVolume'
import { layersOf } from '../../shared/gasket'
import { DECK_SPOTS, deckSpots, type DeckSpot } from '../../shared/deckClearance'
import type { CompressionCharacteristic } from './definition'

export function gasketBanks(build: Build): readonly ('left' | 'right')[] {
  return bankCount(build.spec.layout) === 2 ? ['left', 'right'] : ['left']
}

/** Deck of every piston, then the chambers, the pistons if they are filled, the gasket if it is measured. */
export function stations(build: Build): readonly Station[] {
  const cylinders = cylinderNumbers(build.spec.layout)
  const { methods } = build.spec
  return [
    ...cylinders.flatMap((cylinder) => deckSpots(build).map((spot) => deckStation(build, cylinder, spot))),
    ...cylinders.flatMap((cylinder) => chamberStations(build, cylinder)),
    ...(methods.piston === 'downTheBore' ? cylinders.flatMap((cylinder) => pistonStations(build, cylinder)) : []),
    ...(methods.gasket === 'measured' ? gasketBanks(build).flatMap((bank) => gasketStations(build, bank)) : []),
  ]
}

function deckStation(build: Build, cylinder: number, spot: DeckSpot): Station {
  const { words, x, y } = DECK_SPOTS[spot]
  const nominal = build.spec.paper.deckClearance?.value ?? 0
  // A piston stands within a couple of millimetres of where it is meant to: further is a slip or a wrong part.
  return station({
    characteristic: 'compression.deck',
    place: { cylinder, spot },
    label: `Cylinder ${cylinder}, deck, ${words} of the crown`,
    row: `Deck, ${words}`,
    expected: { low: nominal - 0.6, high: nominal + 0.6 },
    ...(build.spec.paper.deckClearance && { usual: { centre: nominal, stray: 0.15 } }),
    drawnAt: { x, y },
  })
}

function chamberStations(build: Build, cylinder: number): Station[] {
  const nominal = build.spec.paper.chamberVolume?.value
  const near = nominal === undefined ? { low: 5, high: 250 } : { low: nominal * 0.8, high: nominal * 1.2 }
  const middle = { x: 0, y: 0 }
  return chamberRepeats(build).flatMap((repeat) => {
    const place = { cylinder, repeat }
    const fill = build.spec.methods.chamberRepeats > 1 ? `, fill ${repeat}` : ''
    const rowFill = build.spec.methods.chamberRepeats > 1 ? ` ${repeat}` : ''
    const at = (
      characteristic: CompressionCharacteristic,
      words: string,
      row: string,
      expected: Station['expected'],
      nominalHere?: number,
    ) =>
      station({
        characteristic,
        place,
        label: `Cylinder ${cylinder}, chamber${fill}${words}`,
        row: `Chamber${rowFill}${row}`,
        expected,
        drawnAt: middle,
        ...(nominalHere !== undefined && { nominal: nominalHere, usual: { centre: nominalHere, stray: nominalHere * 0.05 } }),
      })
    switch (build.spec.methods.chamber) {
      case 'buretteLevels':
        return [
          at('compression.chamberStart', ', burette before', ', before', { low: 0, high: 250 }),
          at('compression.chamberEnd', ', burette after', ', after', { low: 0, high: 250 }),
        ]
      case 'buretteVolume':
        return [at('compression.chamber', '', '', near, nominal)]
      case 'mass': {
        const density = build.spec.paper.fluidDensity?.value ?? 0.9
        return [at('compression.chamberMass', ', fluid weighed in', ', fluid', { low: near.low * density, high: near.high * density })]
      }
    }
  })
}

function pistonStations(build: Build, cylinder: number): Station[] {
  const { bore, pistonVolume } = build.spec.paper
  const area = ((Math.PI / 4) * (bore?.value ?? 85) ** 2) / 1000
  const dish = pistonVolume?.value ?? 0
  const middle = { x: 0, y: 0 }
  return [
    station({
      characteristic: 'compression.pistonDrop',
      place: { cylinder },
      label: `Cylinder ${cylinder}, how far the piston was lowered`,
      row: 'Piston drop',
      expected: { low: 1, high: 40 },
      drawnAt: middle,
    }),
    station({
      characteristic: 'compression.pistonFill',
      place: { cylinder },
      label: `Cylinder ${cylinder}, fill above the lowered piston`,
      row: 'Fill above piston',
      expected: { low: Math.max(1, area + dish - 20), high: area * 40 + dish + 20 },
      drawnAt: middle,
    }),
  ]
}

function gasketStations(build: Build, bank: 'left' | 'right'): Station[] {
  const chosen = build.spec.stock.gaskets.find((gasket) => gasket.id === build.spec.choice.gasket)
  const layersMm = layersOf(build.spec).reduce((sum, { thicknessMm }) => sum + thicknessMm, 0)
  const where = bankCount(build.spec.layout) === 2 ? `, ${bank} bank` : ''
  const boreMm = chosen?.boreMm ?? build.spec.paper.bore?.value ?? 85
  const middle = { x: 0, y: 0 }
  return [
    station({
      characteristic: 'compression.gasketThickness',
      place: { bank },
      label: `Gasket${where}, thickness where it was clamped`,
      row: `Gasket${where}`,
      expected: { low: 0.2, high: 3.5 + layersMm },
      nominal: chosen && chosen.thicknessMm + layersMm,
      drawnAt: middle,
    }),
    station({
      characteristic: 'compression.gasketBore',
      place: { bank },
      label: `Gasket${where}, fire-ring bore`,
      row: `Gasket bore${where}`,
      expected: { low: boreMm * 0.95, high: boreMm * 1.1 },
      nominal: chosen?.boreMm,
      drawnAt: middle,
    }),
  ]
}

function station(details: Omit<Station, 'id'> & { characteristic: CompressionCharacteristic; place: Place }): Station {
  return { id: stationId(details.characteristic, details.place), ...details }
}
