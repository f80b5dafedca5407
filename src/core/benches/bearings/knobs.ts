import { alike, inThou, nearestOf, paperKnob, type Knob } from '../../bench/knob'
import { definition } from './definition'
import { shellSteps } from './shells'

/** Shells of all journals of a kind that were read, a grade tighter or looser: what pairs on the list come to. */
function shellKnob(kind: 'main' | 'rod'): Knob {
  return {
    id: `shells.${kind}`,
    group: 'fits',
    label: `${kind === 'main' ? 'Main' : 'Rod'} shells looser by`,
    kind: 'length',
    units: { metric: 'um', inch: 'thou' },
    step: inThou(0.001, 0.1),
    part: 'shells',
    today: (build) => (shellSteps(build, kind).size > 1 ? 0 : undefined),
    low: (build) => Math.min(...shellSteps(build, kind).keys()),
    high: (build) => Math.max(...shellSteps(build, kind).keys()),
    choices: (build) => [...shellSteps(build, kind).keys()],
    changes: (build, value) => {
      return Object.entries(nearestOf(shellSteps(build, kind), value)).map(([journal, pair]) => ({ choose: 'shells', journal, pair }))
    },
  }
}

export const knobs: readonly Knob[] = [
  shellKnob('main'),
  shellKnob('rod'),
  paperKnob(definition.paper, 'bearingTemperature', { group: 'running', reach: 40, step: alike(5) }),
]
