import type { Limit } from '../document/types'
import type { LimitDefinition } from './bench'

/** Two readings of one bound are the same bound. */
const SLACK = 1e-9

/** Whether a lower bound goes below the least there should be. */
export function isBelowFloor({ lower }: Pick<Limit, 'lower'>, { floor }: Pick<LimitDefinition, 'floor'>): boolean {
  return floor !== undefined && lower !== undefined && lower < floor - SLACK
}

/** Whether somebody gave a reason for a limit, and answers for it. */
export function isAnsweredFor({ by, reason }: Pick<Limit, 'by' | 'reason'>): boolean {
  return by !== undefined && reason.trim() !== ''
}
