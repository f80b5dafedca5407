import type { Build } from '../../build/build'
import { stationId } from '../../build/place'
import { bankCount, cylinderNumbers } from '../../engine'
import type { Station } from '../../bench/bench'
import { boreStations } from '../../quantities/boreStations'

/** The bores, then the skirts by the mark on each piston, then the deck faces. */
export function stations(build: Build): readonly Station[] {
  return [...boreStations(build), ...skirtStations(build), ...deckFinishStations(build)]
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
