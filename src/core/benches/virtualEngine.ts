import { makeEngine, type Aims, type Faults, type TrueEngine } from '../twin'
import type { Spec } from '../document/types'
import { AIMS_OF } from './lists/aims'

const AIMS: Aims = Object.assign({}, ...Object.values(AIMS_OF))

/** An engine as somebody made it who aimed at the limits of every bench. @throws as `makeEngine` does */
export function virtualEngine(spec: Spec, faults: Faults, seed: number): TrueEngine {
  return makeEngine(spec, faults, seed, AIMS)
}
