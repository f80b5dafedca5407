/** The lash of valves as they run, and as it was while they were read. */
import type { Build } from '../../document/build'
import { paperAt } from '../../document/figures'
import type { Cam } from '../../geometry/valvetrain'
import { leftOut, resultOf, type FormulaText } from '../../metrology'
import { isKnown, type Derived } from '../../bench/finding'
import { fromPaper } from '../../shared/fromPaper'
import { runningLash, valveRatio } from '../../shared/camMotion/valveMotion'

const HELD_OPEN: FormulaText = {
  id: 'heldOpen',
  title: 'Lash of a lifter that is pumped up',
  kind: 'length',
  expression: '−preload · ratio',
  source: 'common practice',
}

/** At the valve: nothing where it was read without, below nothing where lifters that are pumped up held it open. */
export function lashWhenRead(build: Build): Derived {
  if (build.spec.methods.clearanceLifters === 'solid') return { figure: paperAt(build, 'lashWhenRead') ?? leftOut() }
  const [preload, ratio] = [fromPaper(build, 'lifterPreload'), valveRatio(build)]
  if (!isKnown(preload)) return preload
  if (!isKnown(ratio)) return ratio
  return { figure: resultOf(HELD_OPEN, [{ label: 'Preload', weight: -ratio.figure.value.value, figure: preload.figure }]) }
}

/** The lash valves are judged at. */
export function judgedLash(build: Build, cam: Cam): Derived {
  return build.spec.methods.clearanceAtLash === 'none' ? { figure: leftOut() } : runningLash(build, cam)
}
