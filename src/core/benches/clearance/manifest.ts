import type { Finding } from '../../bench/bench'
import { allWithin, type Manifest } from '../../bench/manifest'
import { advise } from './advise'
import { bench } from './clearance'

export const manifest: Manifest = {
  ...bench,
  advise,
  stage: 'clear',
  steps: { 'clearance.travel': { holds: ['tdcProven'] } },
  proofs: {
    crankParked: { isProven: (findings) => allWithin(findings, 'clearance.parked') },
    clearanceProven: { readings: 'clearance.', isProven: clearanceIsProven },
  },
  staleBy: {
    gasket: ['clearance.'],
    deckOrHead: ['clearance.'],
    camMoved: ['clearance.'],
    pistons: ['clearance.'],
    rods: ['clearance.'],
    valves: ['clearance.'],
    seats: ['clearance.'],
    rockers: ['clearance.travel', 'clearance.clay', 'clearance.feeler'],
    lifters: ['clearance.travel', 'clearance.clay', 'clearance.feeler'],
    sprockets: ['clearance.'],
  },
}

/**
 * To the piston at every valve; round it and to other valves where those are asked for; and not too near at redline: that is an
 * estimate, in doubt wherever something it takes is not known, and an uncertainty of it keeps nobody from turning an engine by hand.
 */
function clearanceIsProven(findings: readonly Finding[]): boolean {
  const isAsked = (output: Finding['output']) => findings.some((one) => one.output === output)
  const asked = (['clearance.radial', 'clearance.valveToValve'] as const).filter(isAsked)
  const isTooNearAtRedline = findings.some(({ output, conformity }) => output === 'clearance.atRedline' && conformity?.verdict === 'under')
  return !isTooNearAtRedline && (['clearance.closest', ...asked] as const).every((output) => allWithin(findings, output))
}
