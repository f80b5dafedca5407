import type { Build } from '../../build/build'
import type { Advice, Finding } from '../bench'
import { matchMasses } from './match'

/** Piston sets onto other rods where that evens out the masses; else grams to take off the heavy ones. */
export function advise(build: Build, findings: readonly Finding[]): Advice[] {
  const verdict = findings.find(({ output }) => output === 'reciprocatingSpread')?.conformity?.verdict
  const match = verdict !== undefined && verdict !== 'within' ? matchMasses(build) : undefined
  if (!match) return []
  const spread = (masses: readonly number[]) => Math.max(...masses) - Math.min(...masses)
  const gains = spread(match.afterG) < spread(match.beforeG)
  const kept = gains ? match.afterG : match.beforeG
  const lightest = Math.min(...kept)
  const limit = build.spec.limits.reciprocatingSpread?.upper ?? 0
  const heavy = kept.flatMap((mass, index) => (mass - lightest > limit ? [[index + 1, mass - lightest - limit] as const] : []))
  return [
    ...(gains ? [{ id: 'pairMasses', change: { code: 'pairMasses', setOnRod: match.after, fromG: spread(match.beforeG), toG: spread(match.afterG) } as const, headlines: [], costs: [{ code: 'noParts' } as const] }] : []),
    ...(heavy.length > 0 ? [{ id: 'lighten', change: { code: 'lighten', byCylinder: new Map(heavy) } as const, headlines: [], costs: [{ code: 'noParts' } as const] }] : []),
  ]
}
