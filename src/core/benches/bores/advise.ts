import type { Build } from '../../document/build'
import type { EngineChange } from '../../document/types'
import { cylinderNumbers } from '../../geometry/crank'
import { judge } from '../../metrology'
import type { Advice, Finding, Headline } from '../../bench/bench'
import { movingCosts, withPistons } from '../../shared/fitted'
import { spreadAcross } from '../../bench/engineWide'
import { isKnown } from '../../bench/finding'
import { worst } from '../../bench/worst'
import { clearanceOf } from './derive'
import { matchPistons, type PistonMatch } from './match'

/** Swap the pistons about when that helps; hone what no swap brings into its limits; look again at what stands alone. */
export function advise(build: Build, findings: readonly Finding[]): Advice[] {
  const match = matchPistons(build)
  const troubled = findings.some(
    ({ output, conformity }) => output.startsWith('bores.clearance') && conformity !== undefined && conformity.verdict !== 'within',
  )
  if (!match || !troubled) return []
  const swaps = match.after.some((mark, index) => mark !== match.before[index])
  return [...(swaps ? [swapAdvice(build, match)] : []), ...honeAdvice(build, match)]
}

function swapAdvice(build: Build, match: PistonMatch): Advice {
  const after = withPistons(build, match.after)
  return {
    id: 'swapPistons',
    change: { code: 'swapPistons', pistonInBore: match.after },
    headlines: headlinesOf(after),
    verdict: verdictOf(after),
    costs: [...movingCosts(build, match.before, match.after), { code: 'noParts' }],
    changes: [moved(match)],
  }
}

function moved({ after }: PistonMatch): EngineChange {
  return { choose: 'pistonInBore', marks: after }
}

/** Bores that are still tight with the best match: how much each wants to reach the target. A loose one cannot be honed back. */
function honeAdvice(build: Build, match: PistonMatch): Advice[] {
  const lower = build.spec.limits['bores.clearance']?.lower
  if (lower === undefined) return []
  const tight = match.clearanceMm(match.after).flatMap((mm, index) => (mm < lower ? [[index + 1, match.targetMm - mm] as const] : []))
  if (tight.length === 0) return []
  return [
    {
      id: 'hone',
      change: { code: 'hone', byCylinder: new Map(tight) },
      headlines: [],
      costs: [{ code: 'honing', cylinders: tight.length }, ...movingCosts(build, match.before, match.after)],
      changes: [
        ...(match.after.join() === match.before.join() ? [] : [moved(match)]),
        ...tight.map(([cylinder, by]) => ({ what: 'hone', cylinder, by }) as const),
      ],
    },
  ]
}

function headlinesOf(build: Build): Headline[] {
  const derived = new Map(cylinderNumbers(build.spec.layout).map((cylinder) => [cylinder, clearanceOf(build, cylinder)]))
  const ranked = [...derived.values()].flatMap((one) => (isKnown(one) ? [one.figure.value] : [])).sort((a, b) => a.value - b.value)
  const spread = spreadAcross('length', derived)
  return [
    ...(ranked.length > 0 ? [{ output: 'bores.clearance' as const, low: ranked[0]!, high: ranked.at(-1)! }] : []),
    ...(isKnown(spread) ? [{ output: 'bores.clearanceSpread' as const, low: spread.figure.value, high: spread.figure.value }] : []),
  ]
}

function verdictOf(build: Build): ReturnType<typeof worst> {
  const { limits, methods } = build.spec
  return worst(
    headlinesOf(build).flatMap(({ output, low, high }) => {
      const limit = limits[output]
      return limit ? [low, high].map((value) => judge(value, limit, methods.rule).verdict) : []
    }),
  )
}
