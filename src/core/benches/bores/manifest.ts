import type { Manifest } from '../../bench/manifest'
import { advise } from './advise'
import { bench } from './bores'

export const manifest: Manifest = {
  ...bench,
  advise,
  stage: 'block',
  steps: {},
  staleBy: { honed: ['bores.bore'], pistons: ['bores.skirt'] },
}
