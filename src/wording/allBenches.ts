/** The sentences of every bench: for the book, the terminal and whoever shows more than one. */
import { benchWords, type CommonChange, type CommonCost, type CommonRemark } from './benchWords'
import * as bearings from './benches/bearings'
import * as bores from './benches/bores'
import * as cam from './benches/cam'
import * as clearance from './benches/clearance'
import * as compression from './benches/compression'
import * as fasteners from './benches/fasteners'
import * as rings from './benches/rings'
import * as rods from './benches/rods'
import type { ChangeWords, CostWords, RemarkWords } from './vocabulary'

/** A code that no bench has a sentence for does not compile. */
const REMARKS: Omit<RemarkWords, CommonRemark> = {
  ...bores.REMARKS,
  ...bearings.REMARKS,
  ...rings.REMARKS,
  ...rods.REMARKS,
  ...fasteners.REMARKS,
  ...compression.REMARKS,
  ...cam.REMARKS,
  ...clearance.REMARKS,
}
const CHANGES: Omit<ChangeWords, CommonChange> = {
  ...bores.CHANGES,
  ...bearings.CHANGES,
  ...rings.CHANGES,
  ...rods.CHANGES,
  ...fasteners.CHANGES,
  ...compression.CHANGES,
  ...cam.CHANGES,
  ...clearance.CHANGES,
}
const COSTS: Omit<CostWords, CommonCost> = {
  ...bores.COSTS,
  ...bearings.COSTS,
  ...rods.COSTS,
  ...fasteners.COSTS,
  ...compression.COSTS,
  ...cam.COSTS,
  ...clearance.COSTS,
}

export const { remarkWords, changeWords, costWords } = benchWords({ REMARKS, CHANGES, COSTS })
