import 'server-only'
import { EventEmitter } from 'node:events'

const shared = globalThis as { kalibrosPresses?: EventEmitter }

/** Says that presses have come in. Kept on the global object: routes are loaded apart, the news is one. */
export function pressNews(): EventEmitter {
  shared.kalibrosPresses ??= new EventEmitter().setMaxListeners(0)
  return shared.kalibrosPresses
}
