import type { Manifest } from '../../bench/manifest'
import { advise } from './advise'
import { boltLives } from './boltLives'
import { bench } from './fasteners'

export const manifest: Manifest = {
  ...bench,
  advise,
  stage: 'final',
  steps: {
    'fasteners.lengthAt': { after: ['final.rodCaps'] },
    'fasteners.tightLength': { after: ['final.rodCaps'] },
    'fasteners.tightTorque': { after: ['final.rodCaps'] },
    'fasteners.lengthAfter': { after: ['joint:rods'] },
  },
  boltLives,
  staleBy: { rodBolts: ['fasteners.'], lube: ['fasteners.'] },
}
