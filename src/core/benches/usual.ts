import type { Methods } from '../document/methods'
import { freshSpecWith, type FreshEngine } from '../document/fresh'
import type { Stock } from '../document/stock'
import type { Spec } from '../document/types'
import { METHODS } from './methods'
import { STOCK } from './stock'

/** What a build is measured by until somebody chooses. */
export const USUAL_METHODS = {
  rule: 'strict',
  ...Object.fromEntries(Object.entries(METHODS).map(([key, { usual }]) => [key, usual])),
} as Methods

/** A shelf with room for every kind of part, and nothing on it. */
export const NO_STOCK = Object.fromEntries(Object.keys(STOCK).map((kind) => [kind, []])) as unknown as Stock

/** The spec with the usual way, or nothing on the shelf, wherever it says nothing: it may be older than the bench that asks. */
export function withUsual(spec: Spec): Spec {
  return { ...spec, methods: { ...USUAL_METHODS, ...spec.methods }, stock: { ...NO_STOCK, ...spec.stock } }
}

/** A spec to start measuring with. */
export function freshSpec(engine: FreshEngine): Spec {
  return freshSpecWith(engine, USUAL_METHODS, NO_STOCK)
}
