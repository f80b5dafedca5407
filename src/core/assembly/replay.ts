/** Acts one after another on an engine: what each lacks, and where the engine stands at the end. */
import type { Act } from './acts'
import { mayDo } from './mayDo'
import type { Missing } from './missing'
import { partsNamed, type EngineParts } from './parts'
import { after, type Standing } from './standing'

export interface Replayed {
  readonly standing: Standing
  /** In the order of the acts; nothing missing: it was done. A refused act changes nothing. */
  readonly missing: readonly (readonly Missing[])[]
}

export function replay(parts: EngineParts, from: Standing, acts: readonly Act[]): Replayed {
  let standing = from
  const missing = acts.map((act) => {
    const done = doAct(parts, standing, act)
    if (done.missing.length === 0) standing = done.standing
    return done.missing
  })
  return { standing, missing }
}

/** An act upon all parts of a kind is done to one after the other, or to none. */
function doAct(parts: EngineParts, standing: Standing, act: Act): { readonly standing: Standing; readonly missing: readonly Missing[] } {
  let now = standing
  const missing = actsUpon(parts, act).flatMap((one) => {
    const lacks = mayDo(parts, now, one)
    now = after(parts, now, one)
    return lacks
  })
  return { standing: now, missing }
}

function actsUpon(parts: EngineParts, act: Act): readonly Act[] {
  if (!('part' in act)) return [act]
  const named = partsNamed(parts, act.part)
  return named.length > 0 ? named.map((part) => ({ ...act, part })) : [act]
}
