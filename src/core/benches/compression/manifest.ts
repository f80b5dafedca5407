import type { Manifest } from '../../bench/manifest'
import { advise } from './advise'
import { bench } from './compression'

export const manifest: Manifest = {
  ...bench,
  advise,
  stage: 'ratio',
  steps: { 'compression.deck': { stage: 'mockUp', after: ['mockUp.pistons'] } },
  staleBy: {
    gasket: ['compression.gasket'],
    deckOrHead: ['compression.deck', 'compression.chamber'],
    crankGround: ['compression.deck'],
    pistons: ['compression.deck', 'compression.piston'],
    rods: ['compression.deck'],
    valves: ['compression.chamber'],
    seats: ['compression.chamber'],
  },
}
