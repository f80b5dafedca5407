import 'server-only'
import { EventEmitter } from 'node:events'

/** That entries of a build were stored; with `revision`, that its spec was. */
export interface BuildChange {
  readonly build: string
  readonly revision?: number
}

const shared = globalThis as { kalibrosBuildNews?: EventEmitter<{ change: [BuildChange] }> }

/** Kept on the global object: routes are loaded apart, the news is one. */
export function buildNews(): EventEmitter<{ change: [BuildChange] }> {
  shared.kalibrosBuildNews ??= new EventEmitter<{ change: [BuildChange] }>().setMaxListeners(0)
  return shared.kalibrosBuildNews
}
