import type { Build } from '../../document/build'
import { bareRatio, numbersOf, type RatioNumbers } from './chain'
import type { CylinderState } from './cylinder'

export type Cause = 'bore' | 'chamber' | 'deck' | 'piston'

/** What the deviations from paper did to one cylinder's ratio. */
export interface RatioCost {
  readonly cylinder: number
  readonly nominal: number
  readonly measured: number
  /** What each cause would do to the nominal ratio on its own, largest first. */
  readonly causes: readonly { readonly cause: Cause; readonly change: number }[]
  /** What the causes do together beyond their sum: they multiply, they do not quite add. */
  readonly together: number
}

const CAUSES: Readonly<Record<Cause, (measured: RatioNumbers) => Partial<RatioNumbers>>> = {
  bore: ({ boreMm }) => ({ boreMm }),
  chamber: ({ chamberCm3 }) => ({ chamberCm3 }),
  deck: ({ deckMm }) => ({ deckMm }),
  piston: ({ pistonCm3 }) => ({ pistonCm3 }),
}

/**
 * "What did it cost": the ratio at nominal against the ratio as measured, split by cause. Each cause is put in alone;
 * what is left over is shown, not shared out. Undefined where paper lacks a nominal to compare with or readings are missing.
 */
export function ratioCost(build: Build, state: CylinderState): RatioCost | undefined {
  const { paper } = build.spec
  if (!state.inputs || paper.chamberVolume === undefined || paper.deckClearance === undefined) return undefined
  const as = numbersOf(state.inputs)
  const nominal: RatioNumbers = {
    ...as,
    boreMm: paper.bore?.value ?? as.boreMm,
    chamberCm3: paper.chamberVolume.value,
    deckMm: paper.deckClearance.value,
    pistonCm3: paper.pistonVolume?.value ?? as.pistonCm3,
  }
  const at = bareRatio(nominal)
  const causes = (Object.keys(CAUSES) as Cause[])
    .map((cause) => ({ cause, change: bareRatio({ ...nominal, ...CAUSES[cause](as) }) - at }))
    .filter(({ change }) => change !== 0)
    .sort((a, b) => Math.abs(b.change) - Math.abs(a.change))
  const measured = bareRatio(as)
  const together = measured - at - causes.reduce((sum, { change }) => sum + change, 0)
  return { cylinder: state.cylinder, nominal: at, measured, causes, together }
}
