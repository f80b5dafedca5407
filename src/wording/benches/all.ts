/**
 * The sentences of every bench, by code; one that is missing does not compile.
 * Written by `npm run benches`: a bench is one line in `core/benches/benches.json`.
 */
import * as bores from './bores'
import * as bearings from './bearings'
import * as rings from './rings'
import * as rods from './rods'
import * as fasteners from './fasteners'
import * as compression from './compression'
import * as cam from './cam'
import * as clearance from './clearance'

export const REMARKS = {
  ...bores.REMARKS,
  ...bearings.REMARKS,
  ...rings.REMARKS,
  ...rods.REMARKS,
  ...fasteners.REMARKS,
  ...compression.REMARKS,
  ...cam.REMARKS,
  ...clearance.REMARKS,
}

export const CHANGES = {
  ...bores.CHANGES,
  ...bearings.CHANGES,
  ...rings.CHANGES,
  ...rods.CHANGES,
  ...fasteners.CHANGES,
  ...compression.CHANGES,
  ...cam.CHANGES,
  ...clearance.CHANGES,
}

export const COSTS = {
  ...bores.COSTS,
  ...bearings.COSTS,
  ...rings.COSTS,
  ...rods.COSTS,
  ...fasteners.COSTS,
  ...compression.COSTS,
  ...cam.COSTS,
  ...clearance.COSTS,
}
