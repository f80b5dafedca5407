import { camcard, camcurve, camkey, camtooth, chainretard, tdc } from './cam'
import { park, radial, valvedial, valvegap } from './valve'
import { compression } from './compression'
import { conformity } from './conformity'
import { convert } from './convert'
import { crank } from './crank'
import { bolt, boltangle, boltgrowth, boltlength, clampmargin, warmclamp } from './fasteners'
import { gaugestudy } from './gaugeStudy'
import { bearing, bobweight, clearance, hotgap, ringgap, stack, taper, warmclearance } from './shortBlock'
import { mix } from './mix'
import type { QuickSum } from './sum'

/** Every quick sum, in the order a builder would look for them. */
export const SUMS: readonly QuickSum[] = [
  clearance,
  taper,
  bearing,
  warmclearance,
  ringgap,
  hotgap,
  stack,
  bobweight,
  compression,
  crank,
  bolt,
  boltlength,
  boltgrowth,
  boltangle,
  warmclamp,
  clampmargin,
  tdc,
  camcard,
  camcurve,
  camkey,
  camtooth,
  chainretard,
  valvegap,
  valvedial,
  radial,
  park,
  mix,
  conformity,
  gaugestudy,
  convert,
]

export function sumById(id: string): QuickSum | undefined {
  return SUMS.find((sum) => sum.id === id)
}

export {
  computeSum,
  type Given,
  type QuickSum,
  type SumInput,
  type SumIssue,
  type SumOutcome,
  type SumRemarks,
  type SumResult,
} from './sum'
