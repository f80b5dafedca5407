import type { Build } from '../document/build'
import { paperAt } from '../document/figures'
import type { Derived } from '../bench/finding'

/** A number on paper, or that it is wanted there; `piece`: of which piece, where they vary. */
export function fromPaper(build: Build, key: Parameters<typeof paperAt>[1], piece?: number): Derived {
  const figure = paperAt(build, key, piece)
  return figure ? { figure } : { missing: [{ kind: 'paper', key }] }
}
