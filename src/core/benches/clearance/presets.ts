import { UNITS } from '../../units'
import type { Presets } from '../../bench/bench'

const PRACTICE = 'Preset: common practice'
const ASSUMED = 'Preset: assumed'
const MM_PER_THOU = UNITS.thou.factor

/** Aluminium rods want so much more. */
const ALUMINIUM = { thou: 30, mm: 0.75 }

export const presets: Presets = ({ units, materials, methods }) => {
  const mm = (thou: number, metric: number) => (units === 'inch' ? thou * MM_PER_THOU : metric)
  const isAluminium = materials.rod === 'forgedAluminium'
  const more = isAluminium ? mm(ALUMINIUM.thou, ALUMINIUM.mm) : 0
  const rods = isAluminium ? 'aluminium rods' : 'steel rods'
  const running = `Standing still, with ${rods}: it holds what stretch, slack and heat take.`
  return {
    'clearance.intake': { lower: mm(80, 2) + more, source: PRACTICE, reason: running },
    'clearance.exhaust': {
      lower: mm(100, 2.5) + more,
      source: PRACTICE,
      reason: `${running} The exhaust is chased by its piston, and hot.`,
    },
    'clearance.atRedline': { lower: 0, source: PRACTICE, reason: 'They must not meet: above zero by its uncertainty.' },
    'clearance.roomToMove': {
      lower: 4,
      source: PRACTICE,
      reason: 'A cam is moved by as much on the dyno: enough there too, or it is not tried.',
    },
    'clearance.waysApart': { upper: mm(10, 0.25), source: ASSUMED, reason: 'Two ways that disagree are a question, not an average.' },
    'clearance.parked': { lower: mm(40, 1), source: ASSUMED, reason: 'Room for a hand that passes the angle.' },
    ...(methods.clearanceRound && {
      'clearance.radial': { lower: mm(50, 1.27), source: PRACTICE, reason: 'About 0.050 in: valves do not run true.' },
    }),
    ...(methods.clearanceBetween && { 'clearance.valveToValve': { lower: mm(60, 1.5), source: PRACTICE, reason: '0.060 to 0.080 in.' } }),
    ...(methods.clearanceHead && {
      'clearance.pistonToHead': {
        lower: isAluminium ? mm(50, 1.3) : mm(35, 0.9),
        source: PRACTICE,
        reason: isAluminium ? 'Aluminium rods stretch more.' : 'Steel rods: less may touch when hot.',
      },
      'clearance.headAtRedline': { lower: 0, source: PRACTICE, reason: 'They must not meet: above zero by its uncertainty.' },
    }),
  }
}
