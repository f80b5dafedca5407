import type { Presets } from '../../bench/bench'

const PRACTICE = 'Preset: common practice'
const ASSUMED = 'Preset: assumed'

export const presets: Presets = () => ({
  'cam.tdcApart': { upper: 0.5, source: PRACTICE, reason: 'Done twice to prove it: everything that follows hangs on it.' },
  'cam.advance': {
    lower: -1,
    upper: 1,
    target: 0,
    source: ASSUMED,
    reason: 'What a cam grinder’s card and a wheel can say; the tuner’s figure outranks it.',
  },
  'cam.schoolsApart': { upper: 1.5, source: ASSUMED, reason: 'Two ways that disagree are a question, not an average.' },
  'cam.durationApart': { lower: -2, upper: 2, source: ASSUMED, reason: 'Another lobe, another check lift, or lifters that are not solid.' },
  'cam.retardApart': { lower: -1, upper: 1, source: ASSUMED, reason: 'The effective ratio goes by where the intake closes.' },
})
