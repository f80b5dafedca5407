import type { Manifest } from '../../bench/manifest'
import { advise } from './advise'
import { bench } from './rings'

export const manifest: Manifest = { ...bench, advise, stage: 'rings', steps: {}, staleBy: { honed: ['rings.'] } }
