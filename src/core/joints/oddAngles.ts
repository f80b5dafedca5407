import { group, median } from 'd3-array'
import type { Joint, Pull } from '../document/types'
import type { Run } from './run'

/** A fastener whose wrench turned further or less to the same torque than it did with the others of its type. */
export interface OddAngle {
  readonly fastener: number
  readonly stage: number
  readonly angleDeg: number
  readonly usualDeg: number
  /** Further: it may be yielding. Less: dry, or its thread galls. */
  readonly is: 'further' | 'less'
}

/** With fewer nobody can say which is the odd one. */
const LEAST_ALIKE = 5
/** What a wrench's angle and torque leave open, from memory: 2° and 3 %. */
const ANGLE_U_DEG = 2
const TORQUE_U = 0.03
/** Beyond three of these a difference is no longer the wrench's. */
const COVERAGE = 3

/**
 * Compared at each torque stage within a type of fastener, longer ones rightly turning further (common practice). What is called
 * odd stands off the middle of its type by more than the wrench explains.
 */
export function oddAngles({ types, fasteners }: Joint, { done }: Run): readonly OddAngle[] {
  const known = [...done].flatMap(([{ stage, fastener, pull }, { angleDeg, did }]: [Run['steps'][number], Pull]) =>
    pull.pull === 'torque' && did === 'pulled' && angleDeg !== undefined ? [{ stage, fastener, angleDeg }] : [],
  )
  return [...group(known, ({ stage }) => stage).values()].flatMap((atStage) =>
    types.flatMap(({ letter }) => {
      const alike = atStage.filter(({ fastener }) => fasteners[fastener - 1]?.type === letter)
      const usualDeg = median(alike.map(({ angleDeg }) => angleDeg))
      if (usualDeg === undefined || alike.length < LEAST_ALIKE) return []
      const most = COVERAGE * Math.hypot(ANGLE_U_DEG, TORQUE_U * usualDeg)
      return alike
        .filter(({ angleDeg }) => Math.abs(angleDeg - usualDeg) > most)
        .map((one): OddAngle => ({ ...one, usualDeg, is: one.angleDeg > usualDeg ? 'further' : 'less' }))
    }),
  )
}
