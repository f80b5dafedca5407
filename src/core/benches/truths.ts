import type { CharacteristicId } from '../document/ids'
import type { Truth } from '../twin/truth'
import { TRUTHS_OF } from './lists/truths'

/** What a virtual engine shows, bench by bench. Apart from the benches, so that their pages need not fetch it. */
export const TRUTHS = Object.assign({}, ...Object.values(TRUTHS_OF)) as Readonly<Record<CharacteristicId, Truth>>
