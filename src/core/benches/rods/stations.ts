import type { Build } from '../../document/build'
import { stationId } from '../../document/place'
import type { Place } from '../../document/types'
import { cylinderNumbers } from '../../geometry/crank'
import type { Station } from '../../bench/bench'
import { definition, type RodCharacteristic } from './definition'

/** Rods first, a dimension at a time so that the gauge stays in the hand; then the scales. */
export function stations(build: Build): readonly Station[] {
  const numbers = cylinderNumbers(build.spec.layout)
  const { paper } = build.spec
  const around = (mm: number | undefined, by: number) => (mm === undefined ? { low: 10, high: 500 } : { low: mm - by, high: mm + by })
  const all = (
    characteristic: RodCharacteristic,
    words: string,
    row: string,
    expected: Station['expected'],
    y: number,
    nominal?: number,
    spot?: string,
  ) =>
    numbers.map((cylinder): Station =>
      station(characteristic, { cylinder, ...(spot && { spot }) }, `Cylinder ${cylinder}, ${words}`, row, expected, y, nominal),
    )
  const rodMm = paper.rodLength?.value
  const pinMm = paper.pinDiameter?.value
  const isPlain = build.spec.layout.rodBearings === 'plain'
  return [
    ...(isPlain
      ? all('rods.bigEnd', 'big end, bolts tight, along the rod', 'Big end, along', { low: 20, high: 140 }, 0.7, undefined, 'along')
      : []),
    ...(isPlain
      ? all('rods.bigEnd', 'big end, bolts tight, across the rod', 'Big end, across', { low: 20, high: 140 }, 0.7, undefined, 'across')
      : []),
    ...all('rods.pinBush', 'pin bush', 'Pin bush', around(pinMm, 0.3), 0.4, pinMm),
    ...all('rods.pin', 'piston pin', 'Pin', around(pinMm, 0.3), 0.4, pinMm),
    ...all('rods.centreDistance', 'rod, centre to centre', 'Centre to centre', around(rodMm, 0.6), 0.1, rodMm),
    ...all('rods.pistonMass', 'piston, weighed', 'Piston', { low: 60, high: 3000 }, -0.2),
    ...all('rods.pinMass', 'pin, weighed', 'Pin, mass', { low: 15, high: 800 }, -0.2),
    ...all('rods.ringsMass', 'rings and clips, weighed', 'Rings and clips', { low: 5, high: 300 }, -0.2),
    ...all('rods.rodSmall', 'rod, small end, weighed', 'Rod, small end', { low: 40, high: 1500 }, -0.5),
    ...all('rods.rodBig', 'rod, big end, weighed', 'Rod, big end', { low: 80, high: 2500 }, -0.75),
    ...(isPlain ? all('rods.shellsMass', 'rod shells, weighed', 'Rod shells', { low: 5, high: 300 }, -0.75) : []),
  ]
}

function station(
  characteristic: RodCharacteristic,
  place: Place,
  label: string,
  row: string,
  expected: Station['expected'],
  y: number,
  nominal?: number,
): Station {
  const isMass = definition.characteristics[characteristic].kind === 'mass'
  return {
    id: stationId(characteristic, place),
    characteristic,
    place,
    label,
    row,
    expected,
    ...(nominal !== undefined && { nominal, usual: { centre: nominal, stray: 0.1 } }),
    drawnAt: { x: isMass ? 0.35 : -0.35, y },
  }
}
