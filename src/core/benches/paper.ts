import type { PaperDefinition, PaperKey } from '../document/paper'
import { BENCHES } from './all'

/** Every number a bench rests on, in the order of work; one that several rest on stands with the first. */
export const PAPER = Object.assign({}, ...BENCHES.map(({ definition }) => definition.paper)) as Readonly<Record<PaperKey, PaperDefinition>>

export const PAPER_KEYS = Object.keys(PAPER) as PaperKey[]
