import type { Manifest } from '../../bench/manifest'
import { advise } from './advise'
import { bench } from './bearings'

export const manifest: Manifest = {
  ...bench,
  advise,
  stage: 'crank',
  steps: {
    // End float is that of caps torqued for good.
    'bearings.endFloat': { stage: 'final', after: ['joint:mains'], holds: ['mainsTight'] },
  },
  staleBy: {
    mainStuds: ['bearings.main'],
    rodBolts: ['bearings.rodClearance'],
    crankGround: ['bearings.'],
    rods: ['bearings.rod'],
    capsSwapped: ['bearings.main', 'bearings.rod'],
  },
}
