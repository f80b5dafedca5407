import type { Build } from '../../document/build'
import { stationId } from '../../document/place'
import type { Place } from '../../document/types'
import { rodOfBolt } from '../../geometry/crank'
import { fromCanonical, UNITS } from '../../units'
import { boltLabel } from '../../bench/engineWide'
import { isKnown } from '../../bench/finding'
import type { Station } from '../../bench/bench'
import { definition, type BoltCharacteristic } from './definition'
import { gearStations } from './gearClearance'
import { boltsMeasured, boltsTried, cyclesOf, freeLengthPlaces, stepsIn, torqueIn, wantedStretch, type FreeLength } from './rodBolts'

/** No rod bolt is shorter or longer (common practice). */
const LENGTH = { low: 20, high: 120 }
/** A bolt breaks before it is longer by this. */
const MOST_STRETCH_MM = 1
/** A gauge zeroed between two bolts, or another bolt taken in hand, shows more. */
const STRAY_MM = 0.2
const TORQUE = { low: 5, high: 400 }

/** Every bolt free; the ones that are tried, cycle by cycle; every bolt tight, with the torque it took; every bolt when it comes off. */
export function stations(build: Build): readonly Station[] {
  const bolts = boltsMeasured(build)
  return [
    ...bolts.flatMap((bolt) => freeStations(build, 'fasteners.freeLength', bolt, 'free', 'Free')),
    ...boltsTried(build).flatMap((bolt) => stepStations(build, bolt)),
    ...bolts.flatMap((bolt) => [
      station(build, 'fasteners.tightLength', { bolt }, 'tight', 'Tight'),
      station(build, 'fasteners.tightTorque', { bolt }, 'torque it took', 'Torque'),
    ]),
    ...bolts.flatMap((bolt) => freeStations(build, 'fasteners.lengthAfter', bolt, 'free again, when it comes off', 'After')),
    ...gearStations(build),
  ]
}

function freeStations(build: Build, characteristic: FreeLength, bolt: number, words: string, row: string): readonly Station[] {
  return freeLengthPlaces(build, bolt).map((place) =>
    place.repeat === undefined
      ? station(build, characteristic, { bolt }, words, row)
      : station(build, characteristic, { ...place, bolt }, `${words}, reading ${place.repeat}`, `${row} ${place.repeat}`),
  )
}

function stepStations(build: Build, bolt: number): readonly Station[] {
  const cycles = Array.from({ length: cyclesOf(build, bolt) }, (_, index) => index + 1)
  return cycles.flatMap((cycle) =>
    stepsIn(build, bolt, cycle).map((torque) => {
      const at = torqueWords(build, torque)
      return station(build, 'fasteners.lengthAt', { bolt, cycle, torque }, `cycle ${cycle}, at ${at}`, `${cycle}: ${at}`)
    }),
  )
}

function torqueWords({ spec }: Build, nm: number): string {
  const unit = definition.paper.boltStepFrom.units[spec.units]
  return `${Number(fromCanonical(nm, unit).toFixed(1))} ${UNITS[unit].symbol}`
}

/** On either side of the crank in the plan. */
const DRAWN_Y = 0.4

function station(build: Build, characteristic: BoltCharacteristic, place: Place & { bolt: number }, words: string, row: string): Station {
  return {
    id: stationId(characteristic, place),
    characteristic,
    place,
    label: `${boltLabel(place.bolt)}, ${words}`,
    row,
    ...(characteristic === 'fasteners.tightTorque' ? torqueExpected(build) : lengthExpected(build, characteristic, place)),
    drawnAt: { x: 0, y: rodOfBolt(place.bolt).which === 1 ? -DRAWN_Y : DRAWN_Y },
  }
}

/** Friction differs from bolt to bolt; a unit taken for another is a third off. */
const STRAY_SHARE = 0.2

/** Near the torque that was found, where one was. */
function torqueExpected(build: Build): Pick<Station, 'expected' | 'usual'> {
  const [finder] = boltsTried(build)
  const foundNm = finder === undefined ? undefined : torqueIn(build, finder, cyclesOf(build, finder))?.value.value
  return { expected: TORQUE, ...(foundNm !== undefined && { usual: { centre: foundNm, stray: STRAY_SHARE * foundNm } }) }
}

/** Of the wanted stretch, about where a length usually stands. */
const SHARE_OF_STRETCH: Readonly<Partial<Record<BoltCharacteristic, number>>> = { 'fasteners.tightLength': 1, 'fasteners.lengthAt': 0.5 }

/** A length read again that is further off is another bolt's, or a slip (common practice). */
const STRAY_AGAIN_MM = 0.02

/** A bolt of a known free length is looked for near it: another bolt, or a zero lost, shows at once. */
function lengthExpected(
  build: Build,
  characteristic: BoltCharacteristic,
  { bolt, repeat }: Place & { bolt: number },
): Pick<Station, 'expected' | 'usual' | 'nominal'> {
  const first = characteristic === 'fasteners.lengthAfter' && repeat !== undefined ? characteristic : 'fasteners.freeLength'
  const firstMm = build.readings.current.get(stationId(first, { bolt }))?.value
  const isFirst = characteristic === 'fasteners.freeLength' && repeat === undefined
  if (isFirst || firstMm === undefined) return { expected: LENGTH }
  const wanted = wantedStretch(build, bolt)
  const share = SHARE_OF_STRETCH[characteristic] ?? 0
  const centre = firstMm + share * (isKnown(wanted) ? wanted.figure.value.value : 0)
  return {
    expected: { low: firstMm - MOST_STRETCH_MM, high: firstMm + MOST_STRETCH_MM },
    usual: { centre, stray: repeat === undefined ? STRAY_MM : STRAY_AGAIN_MM },
    nominal: firstMm,
  }
}
