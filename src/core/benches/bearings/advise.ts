import type { Build } from '../../document/build'
import { judge } from '../../metrology'
import { withSpec } from '../../document/build'
import type { Advice, Cost, Finding, Headline } from '../../bench/bench'
import { worst } from '../../bench/worst'
import type { BearingOutput } from './definition'
import { derive } from './derive'
import type { Journal } from './journals'
import { pendingPair, plannedShells, selectShells, type ShellSelection } from './shells'
import { journalsOf } from './journals'

/** Other shells where a clearance is out or in doubt, for mains and rods apart. */
export function advise(build: Build, findings: readonly Finding[]): Advice[] {
  return (['main', 'rod'] as const).flatMap((kind) => {
    const troubled = findings.some(
      ({ output, conformity }) =>
        [`bearings.${kind}Clearance`, `bearings.${kind}Spread`].includes(output) &&
        conformity !== undefined &&
        conformity.verdict !== 'within',
    )
    const isPlanned = journalsOf(build, kind).some((journal) => pendingPair(build, journal))
    const selection = troubled && !isPlanned ? selectShells(build, kind) : undefined
    return selection ? [shellAdvice(build, selection)] : []
  })
}

/** The build with the shells of a selection planned. */
export function withShells(build: Build, selection: ShellSelection): Build {
  const { choice } = build.spec
  return withSpec(build, { ...build.spec, choice: { ...choice, shells: { ...choice.shells, ...plannedShells(build, selection) } } })
}

function shellAdvice(build: Build, selection: ShellSelection): Advice {
  const after = withShells(build, selection)
  const planned = derive(after).filter(({ output, figure }) => output === PLANNED[selection.kind] && figure)
  const ranked = planned.map(({ figure }) => figure!.value).sort((a, b) => a.value - b.value)
  const headlines: Headline[] = ranked.length > 0 ? [{ output: PLANNED[selection.kind], low: ranked[0]!, high: ranked.at(-1)! }] : []
  const costs: Cost[] =
    selection.toBuy.length > 0
      ? selection.toBuy.map(({ shell, halves }) => ({ code: 'buyHalves', name: shell.name, halves }))
      : [{ code: 'fromShelf' }]
  return {
    id: `shells.${selection.kind}`,
    headlines,
    costs,
    changes: Object.entries(plannedShells(build, selection)).map(([journal, pair]) => ({ choose: 'shells', journal, pair })),
    change: {
      code: 'shells',
      kind: selection.kind,
      lands: selection.lands,
      pairs: selection.choices.map(({ journal, upper, lower }) => ({ number: journal.number, upper: upper.name, lower: lower.name })),
    },
    verdict: worst(planned.flatMap(({ figure, limit }) => (limit ? [judge(figure!.value, limit, build.spec.methods.rule).verdict] : []))),
  }
}

const PLANNED: Readonly<Record<Journal['kind'], BearingOutput>> = { main: 'bearings.mainPlanned', rod: 'bearings.rodPlanned' }
