import type { Methods } from '../build/methods'
import { freshSpecWith, type FreshEngine } from '../build/fresh'
import type { Spec } from '../build/types'
import { METHODS } from './all'

/** What a build is measured by until somebody chooses. */
export const USUAL_METHODS = {
  rule: 'strict',
  ...Object.fromEntries(Object.entries(METHODS).map(([key, { usual }]) => [key, usual])),
} as Methods

/** The spec with the usual way wherever it says nothing: it may be older than the bench that asks. */
export function withUsualMethods(spec: Spec): Spec {
  return { ...spec, methods: { ...USUAL_METHODS, ...spec.methods } }
}

/** A spec to start measuring with. */
export function freshSpec(engine: FreshEngine): Spec {
  return freshSpecWith(engine, USUAL_METHODS)
}
