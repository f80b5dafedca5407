/** Larger valve heads, and deeper pockets. */
import { inThou, MM, paperKnob, upTo, type Knob } from '../../bench/knob'
import type { Build } from '../../document/build'
import { readingAt } from '../../document/figures'
import { allWorkOn } from '../../document/work'
import { camKind, camsOf, type CamKind } from '../../geometry/valvetrain'
import { printed } from '../../numerics/printed'
import { definition } from './definition'

/** Larger valves, as long as their size on paper counts: between valves alone, and until one is measured across. */
function headKnob(valves: CamKind): Knob {
  const knob = paperKnob(definition.paper, `${valves}ValveHead`, { group: 'valves', part: 'head', reach: 4, step: inThou(0.1, 5) })
  const isIdle = (build: Build) =>
    build.spec.paper.valvesApart === undefined ||
    camsOf(build.spec.layout).some((cam) => camKind(cam) === valves && readingAt(build, 'clearance.headSize', { cam }))
  return { ...knob, today: (build) => (isIdle(build) ? undefined : knob.today(build)) }
}

function pocketKnob(valves: CamKind): Knob {
  return {
    id: `pocket.${valves}`,
    group: 'valves',
    label: `${valves === 'intake' ? 'Intake' : 'Exhaust'} pockets deeper`,
    ...MM,
    step: inThou(0.1, 5),
    part: 'pistons',
    today: (build) => (build.spec.methods.valveSurface === 'pocket' ? allWorkOn(build, `cutPocket/${valves}`) : undefined),
    ...upTo(1.5),
    changes: (_, value, today) => [{ what: 'cutPocket', valves, by: printed(value - today) }],
  }
}

export const knobs: readonly Knob[] = [headKnob('intake'), headKnob('exhaust'), pocketKnob('intake'), pocketKnob('exhaust')]
