import type { Build } from '../../document/build'
import { span } from '../../numerics/span'
import type { Advice, Finding } from '../../bench/bench'
import { movingCosts } from '../../shared/fitted'
import { matchMasses } from './match'

/** Piston sets onto other rods where that evens out the masses; else grams to take off the heavy ones. */
export function advise(build: Build, findings: readonly Finding[]): Advice[] {
  const verdict = findings.find(({ output }) => output === 'rods.reciprocatingSpread')?.conformity?.verdict
  const match = verdict !== undefined && verdict !== 'within' ? matchMasses(build) : undefined
  if (!match) return []
  const [fromG, toG] = [span(match.massG(match.before)), span(match.massG(match.after))]
  const plan = toG < fromG ? match.after : match.before
  const heavy = tooHeavy(match.massG(plan), build.spec.limits['rods.reciprocatingSpread']?.upper ?? 0)
  const moved = [{ choose: 'pistonInBore', marks: match.after } as const]
  const pair: Advice = {
    id: 'pairMasses',
    change: { code: 'pairMasses', setOnRod: match.after, fromG, toG },
    headlines: [],
    costs: [...movingCosts(build, match.before, match.after), { code: 'otherBores' }],
    changes: moved,
  }
  const lighten: Advice = {
    id: 'lighten',
    change: { code: 'lighten', byCylinder: heavy },
    headlines: [],
    changes: [...(toG < fromG ? moved : []), ...[...heavy].map(([cylinder, by]) => ({ what: 'lighten', cylinder, by }) as const)],
    costs: [{ code: 'noParts' }, ...(toG < fromG ? movingCosts(build, match.before, match.after) : [])],
  }
  return [...(toG < fromG ? [pair] : []), ...(heavy.size > 0 ? [lighten] : [])]
}

/** Grams to take off each cylinder that is heavier than the lightest by more than the limit. */
function tooHeavy(massesG: readonly number[], limitG: number): ReadonlyMap<number, number> {
  const allowed = Math.min(...massesG) + limitG
  return new Map(massesG.flatMap((mass, index) => (mass > allowed ? [[index + 1, mass - allowed] as const] : [])))
}
