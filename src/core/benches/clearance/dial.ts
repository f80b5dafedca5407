/** Free travel of a valve to its piston by a dial on its retainer, at chosen crank angles, with the cam in. */
import { median } from 'd3-array'
import type { Build } from '../../document/build'
import { figureAt } from '../../document/figures'
import { stationId } from '../../document/place'
import { derivation } from '../../document/remembered'
import { dropFromDial } from '../../geometry/valvetrain/dialDrop'
import { gapMm, type ValveSweep } from '../../geometry/valvetrain/closest'
import { valvePlaces } from '../../geometry/valvetrain'
import { type EngineLayout } from '../../geometry/crank'
import { assumedFigure, formula, standardUncertainty, type Figure } from '../../metrology'
import type { Remark } from '../../bench/bench'
import { isKnown, type Derived } from '../../bench/finding'
import { wheelUncertaintyDeg } from '../../shared/camMotion/curve'
import { lashWhenRead } from './lash'
import { nearestOfValveWhenRead } from './ownLobe'

/** Where a dial is read: about the closest approach, the nearer to it the more a reading says of the drop. */
const ANGLES_DEG = { ten: [10], several: [0, 4, 8, 12, 16, 20, 24] } as const

/** Crank angles after overlap TDC that a dial is asked for at a valve: after it for an intake, before it for an exhaust. */
export function degreesAsked(build: Build, valve: string): readonly number[] {
  const how = build.spec.methods.clearanceDial
  const kind = valve.startsWith('intake') ? 'intake' : 'exhaust'
  const isAsked = how !== 'none' && (how !== 'one' || firstOfKind(build.spec.layout, kind) === valve)
  if (!isAsked) return []
  return ANGLES_DEG[how === 'ten' ? 'ten' : 'several'].map((deg) => (deg === 0 || kind === 'intake' ? deg : -deg))
}

function firstOfKind(layout: EngineLayout, kind: 'intake' | 'exhaust'): string | undefined {
  return valvePlaces(layout).find((place) => place.kind === kind)?.valve
}

export function travelStation(valve: string, degree: number): string {
  return stationId('clearance.travel', { valve, degree })
}

const SEPARATOR = ' '

/**
 * Angles at which valves were read, a line a valve: looked for once among all readings. As one text, so that what has the same text is
 * the same to who asks.
 */
const degreesText = derivation('valveDialDegrees', (build): string => {
  const byValve = new Map<string, number[]>()
  for (const { characteristic, place } of build.readings.current.values()) {
    const { degree, valve } = place
    if (characteristic !== 'clearance.travel' || degree === undefined || valve === undefined) continue
    // Moved to a place that is none of this bench, a reading says nothing of the valve.
    if (stationId(characteristic, place) === travelStation(valve, degree)) byValve.set(valve, [...(byValve.get(valve) ?? []), degree])
  }
  return [...byValve].map(([valve, degrees]) => [valve, ...degrees.sort((a, b) => a - b)].join(SEPARATOR)).join(LINE)
})
const LINE = '\n'

export function dialDegrees(build: Build, valve: string): readonly number[] {
  const text = degreesText(build)
  if (text === '') return []
  const line = text.split(LINE).find((one) => one.startsWith(`${valve}${SEPARATOR}`))
  return line === undefined ? [] : line.split(SEPARATOR).slice(1).map(Number)
}

/** The drop at TDC by the dial readings of a valve, with the gasket that lay there; slips among them are named. */
export function dropByDial(build: Build, valve: string): Derived {
  const degrees = dialDegrees(build, valve)
  if (degrees.length === 0) return { missing: degreesAsked(build, valve).map((degree) => wanted(valve, degree)) }
  const station = travelStation(valve, degrees[0]!)
  const lobe = nearestOfValveWhenRead(build, valve, station)
  const lash = lashWhenRead(build)
  if ('missing' in lobe) return lobe
  if (!isKnown(lash)) return lash
  const read = degrees.map((deg) => ({ deg, figure: figureAt(build, travelStation(valve, deg))! }))
  const sweep = withLash(lobe.sweep, lash.figure.value.value)
  const readings = read.map(({ deg, figure }) => ({ deg, travelMm: figure.value.value }))
  const uncertainty = { dialMm: standardUncertainty(read[0]!.figure.value), wheelDeg: wheelUncertaintyDeg(build) }
  const found = dropFromDial(sweep, readings, uncertainty)
  const slips = slipsOf(
    readings.map(({ deg, travelMm }) => ({ deg, drop: travelMm - gapMm(sweep, deg) })),
    found.ownU,
  )
  return {
    figure: dropFigure({
      valve,
      sweep,
      lobe: lobe.figure,
      lash: lash.figure,
      read,
      weights: found.weights,
      wheelDeg: uncertainty.wheelDeg,
    }),
    isPartial: lobe.isPartial || slips.length > 0,
    remarks: [...lobe.remarks, ...slips],
  }
}

function wanted(valve: string, degree: number) {
  return { kind: 'reading', stationId: travelStation(valve, degree) } as const
}

/** The same valve with lash in it; below nothing, held open. */
export function withLash(sweep: ValveSweep, lashMm: number): ValveSweep {
  return { ...sweep, liftMm: (deg) => Math.max(0, sweep.liftMm(deg) - lashMm) }
}

/**
 * Σ w · (reading + lift − piston's fall along the valve). What the lobe leaves open at these angles is taken as it is at the closest
 * approach, where they are read about; what the wheel leaves open is each reading's own.
 */
function dropFigure({
  valve,
  sweep,
  lobe,
  lash,
  read,
  weights,
  wheelDeg,
}: {
  valve: string
  sweep: ValveSweep
  lobe: Figure
  lash: Figure
  read: readonly { readonly deg: number; readonly figure: Figure }[]
  weights: readonly number[]
  wheelDeg: number
}): Figure {
  const names = read.map((_, index) => String(index))
  const nearestMm = lobe.value.value
  const lashMm = lash.value.value
  const inputs = Object.fromEntries([
    ...read.flatMap(({ deg }, index) => [
      [`r${index}`, { label: `Travel at ${deg}°`, kind: 'length' }],
      [`w${index}`, { label: `Wheel at ${deg}°`, kind: 'angle' }],
    ]),
    ['lobe', { label: 'What the lobe takes of the drop', kind: 'length' }],
    ['lash', { label: 'Lash while it was read', kind: 'length' }],
  ])
  return formula({
    id: 'dropByDial',
    title: 'Drop at TDC by the dial',
    kind: 'length',
    expression: 'Σ w · (travel + lift − s · cos α), w by the slope of the gap',
    source: 'weighted least squares, JCGM 102:2011; geometry of valve, bore, crank and rod',
    inputs,
    evaluate: (values) => {
      const each = names.map((name, index) => values[`r${name}`]! - gapMm(sweep, read[index]!.deg + values[`w${name}`]!))
      const drop = each.reduce((sum, one, index) => sum + weights[index]! * one, 0)
      return drop - (values.lobe! - nearestMm) - (values.lash! - lashMm)
    },
  }).of(
    Object.fromEntries([
      ...read.flatMap(({ deg, figure }, index) => [
        [`r${index}`, figure],
        [`w${index}`, wheelAt(valve, deg, wheelDeg)],
      ]),
      ['lobe', lobe],
      ['lash', lash],
    ]) as Record<string, Figure>,
  )
}

/** An angle set by eye: nothing off, and as far as a wheel is read. */
function wheelAt(valve: string, deg: number, wheelDeg: number): Figure {
  return assumedFigure(`wheel for ${valve} at ${deg}`, {
    value: 0,
    tolerance: wheelDeg * Math.sqrt(3),
    source: 'how closely a wheel is read',
  })
}

/** Readings of so many standard uncertainties off are named, from three on: of two nobody can say which. */
const FAR_OFF = 3.5
const LEAST_READINGS = 3
/** A turn of the hand of a dial: in millimetres of one or half, in inches of a tenth or a twentieth. */
const TURNS_MM = [1, 0.5, 2.54, 1.27]

function slipsOf(readings: readonly { readonly deg: number; readonly drop: number }[], ownU: readonly number[]): Remark[] {
  if (readings.length < LEAST_READINGS) return []
  const middle = median(readings, ({ drop }) => drop)!
  const off = readings.flatMap(({ deg, drop }, index) => {
    const offMm = drop - middle
    return Math.abs(offMm) > FAR_OFF * ownU[index]! ? [{ deg, offMm, ...lostTurn(offMm, ownU[index]!) }] : []
  })
  return off.length > 0 ? [{ code: 'dialOff', readings: off }] : []
}

function lostTurn(offMm: number, u: number): { readonly turnMm?: number } {
  const turnMm = TURNS_MM.find((turn) => Math.abs(Math.abs(offMm) - turn) < FAR_OFF * u)
  return turnMm === undefined ? {} : { turnMm }
}
