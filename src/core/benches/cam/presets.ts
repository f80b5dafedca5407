import type { Limit, Spec } from '../../document/types'
import type { LimitId } from '../../document/ids'
import type { Presets } from '../../bench/bench'

const PRACTICE = 'Preset: common practice'
const ASSUMED = 'Preset: assumed'

/** What is accepted about a maker's figure where no band stands beside it (common practice). */
const OVERLAP_BAND_MM = 0.1

/** The maker's figure for the lift at overlap TDC, with its band. */
function overlapLimit(paper: Spec['paper']['bore']): Limit | undefined {
  if (!paper) return undefined
  const band = paper.tolerance ?? OVERLAP_BAND_MM
  const from = paper.tolerance === undefined ? `${PRACTICE}; the figure: ${paper.source}` : paper.source
  const round = (mm: number) => Number(mm.toFixed(6))
  return {
    lower: round(paper.value - band),
    upper: round(paper.value + band),
    target: paper.value,
    source: from,
    reason: 'Set by the lift at overlap TDC, a cam is judged by that lift.',
  }
}

export const presets: Presets = ({ paper }) => ({
  ...limitNamed('cam.overlapIntake', overlapLimit(paper.intakeOverlapLift)),
  ...limitNamed('cam.overlapExhaust', overlapLimit(paper.exhaustOverlapLift)),
  'cam.tdcApart': { upper: 0.5, source: PRACTICE, reason: 'Done twice to prove it: everything that follows hangs on it.' },
  'cam.wheelMoved': { lower: -0.5, upper: 0.5, source: PRACTICE, reason: 'Read again at the end, TDC proves that no angle was lost.' },
  'cam.markOff': { lower: -0.5, upper: 0.5, source: ASSUMED, reason: 'Ignition is set by it: one that is off is scribed again.' },
  'cam.throwsApart': {
    lower: -1,
    upper: 1,
    source: ASSUMED,
    reason: 'Bank angle, split pins or the cylinder it was read at are otherwise than the layout says.',
  },
  'cam.advance': {
    lower: -1,
    upper: 1,
    target: 0,
    source: ASSUMED,
    reason: 'What a cam grinder’s card and a wheel can say; the tuner’s figure outranks it.',
  },
  'cam.schoolsApart': { upper: 1.5, source: ASSUMED, reason: 'Two ways that disagree are a question, not an average.' },
  'cam.durationApart': { lower: -2, upper: 2, source: ASSUMED, reason: 'Another lobe, another check lift, or lifters that are not solid.' },
  'cam.outOfLine': { upper: 0.25, source: PRACTICE, reason: 'A chain that runs askew eats its gear.' },
  'cam.depthsApart': {
    upper: 0.1,
    source: ASSUMED,
    reason: 'Three readings of one depth: what differs is the hand, or a sprocket that is loose.',
  },
  'cam.foundOff': {
    lower: -3,
    upper: 3,
    target: 0,
    source: PRACTICE,
    reason: 'Off its marks: valves may have met pistons. Look before anything is turned.',
  },
  'cam.centrelineSpread': { upper: 1.5, source: ASSUMED, reason: 'Lobes of one grind stand alike; more is a bad lobe or a twisted shaft.' },
  'cam.liftSpread': { upper: 0.05, source: ASSUMED, reason: 'Lobes of one grind lift alike; less lift is wear.' },
  'cam.retardApart': { lower: -1, upper: 1, source: ASSUMED, reason: 'The effective ratio goes by where the intake closes.' },
})

function limitNamed(id: LimitId, limit: Limit | undefined): Readonly<Partial<Record<LimitId, Limit>>> {
  return limit ? { [id]: limit } : {}
}
