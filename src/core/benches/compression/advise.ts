import type { Build } from '../../document/build'
import type { Advice, Cost, Finding } from '../../bench/bench'
import { equalisingCm3, headlines, knobChanges, outcomeOf, withKnobs } from './change'
import type { CylinderState } from './cylinder'
import { gasketRack } from './gasketRack'
import type { Plan } from './planner'
import { cylinderStates } from './derive'

/** Gaskets worth a line besides the fitted one. */
const GASKETS_SHOWN = 2

/** The quick ways: another gasket from the rack, chambers opened to match, a second look at what stands apart. */
export function advise(build: Build, findings: readonly Finding[]): Advice[] {
  const states = cylinderStates(build)
  if (states.some((state) => state.missing.length > 0)) return []
  const troubled = findings.some((finding) => finding.conformity !== undefined && finding.conformity.verdict !== 'within')
  if (!troubled) return []
  return [...lookAgain(findings), ...openChambers(build, states), ...otherGaskets(build)]
}

/** A piston or chamber that stands apart from the others is measured again before metal is cut for it. */
function lookAgain(findings: readonly Finding[]): Advice[] {
  return findings.flatMap((finding) => {
    if (finding.cylinder === undefined || !finding.remarks.some((remark) => remark.code === 'oddOneOut')) return []
    return [
      {
        id: `look.${finding.id}`,
        change: { code: 'lookAgain', cylinder: finding.cylinder, output: finding.output },
        headlines: [],
        costs: [{ code: 'noParts' }],
      },
    ]
  })
}

function openChambers(build: Build, states: readonly CylinderState[]): Advice[] {
  const opened = equalisingCm3(states, build.spec.limits['compression.chamberVolume']?.upper)
  if (opened.size === 0) return []
  const most = Math.max(...opened.values())
  const changes = knobChanges(build, { openedCm3: opened })
  const outcome = outcomeOf(withKnobs(build, { openedCm3: opened }))
  return [
    {
      id: 'openChambers',
      change: { code: 'openChambers', byCylinder: opened },
      headlines: headlines(outcome),
      verdict: outcome.verdict,
      changes,
      costs: [{ code: 'grinding', cylinders: opened.size, cm3: most }, { code: 'noParts' }],
    },
  ]
}

function otherGaskets(build: Build): Advice[] {
  const fitted = build.spec.stock.gaskets.find((gasket) => gasket.id === build.spec.choice.gasket)
  return gasketRack(build)
    .filter((row) => !row.fitted)
    .slice(0, GASKETS_SHOWN)
    .map((row): Advice => ({
      id: `gasket.${row.gasket.id}`,
      change: { code: 'setup', gasket: row.gasket, deckCutMm: 0, headCutMm: 0, equalise: false },
      headlines: headlines(row.outcome),
      verdict: row.outcome.verdict,
      changes: [{ choose: 'gasket', id: row.gasket.id }],
      costs: [...valvesCloser(fitted ? fitted.thicknessMm - row.gasket.thicknessMm : 0), { code: 'spreadStays' }],
    }))
}

/** A plan of the planner in the shape of any other advice. */
export function planAdvice(build: Build, plan: Plan): Advice {
  const { setup, opened } = plan
  const fitted = build.spec.stock.gaskets.find((gasket) => gasket.id === build.spec.choice.gasket)
  const thinner = fitted ? fitted.thicknessMm - setup.gasket.thicknessMm : 0
  const costs: Cost[] = [
    ...(plan.metalMm > 0 ? [{ code: 'metal', mm: plan.metalMm } as const] : []),
    ...(setup.piston ? ([{ code: 'newPistons' }, { code: 'checkPockets' }] as const) : []),
    ...valvesCloser(plan.metalMm + thinner),
  ]
  return {
    id: `plan.${setup.gasket.id}.${setup.piston?.id ?? ''}.${setup.deckCutMm.toFixed(2)}.${setup.headCutMm.toFixed(2)}.${setup.equalise}`,
    change: { code: 'setup', ...setup },
    headlines: headlines(plan.outcome),
    verdict: plan.outcome.verdict,
    costs,
    changes: knobChanges(build, { ...setup, openedCm3: opened }),
  }
}

/** Deck cuts, head cuts and thinner gaskets all bring the valves nearer to the pistons. */
function valvesCloser(mm: number): Cost[] {
  return mm > 0 ? [{ code: 'valvesCloser', mm }] : []
}
