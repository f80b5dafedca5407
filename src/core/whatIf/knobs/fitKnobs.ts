/** Fits: what rings are filed to and shells are chosen to. */
import { shellSteps } from '../../benches/bearings'
import { eachCylinder, inThou, MM, nearestOf, upTo, type Knob } from './knob'

export const ringKnob: Knob = {
  id: 'topGap',
  label: 'Top rings filed by',
  ...MM,
  step: inThou(0.02, 1),
  part: 'rings',
  today: () => 0,
  ...upTo(0.4),
  changes: (build, value) => eachCylinder(build, (cylinder) => ({ what: 'ringGap', ring: 'top', cylinder, by: value })),
}

/** Shells of all journals of a kind that were read, a grade tighter or looser: what pairs on the list come to. */
export function shellKnob(kind: 'main' | 'rod'): Knob {
  return {
    id: `shells.${kind}`,
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
