import type { Manifest } from '../../bench/manifest'
import { advise } from './advise'
import { bench } from './rods'

export const manifest: Manifest = {
  ...bench,
  advise,
  stage: 'rods',
  steps: {},
  staleBy: { rodBolts: ['rods.bigEnd'], crankGround: ['rods.'], pistons: ['rods.'], rods: ['rods.'], flywheel: ['rods.'] },
}
