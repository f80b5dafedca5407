/** The headline numbers of an engine as straight arithmetic, over the kernels of all benches. */
import { benchOf, type LimitId, type Output } from '../bench/bench'
import type { SearchedFigure, SearchedRanges } from '../bench/kernel'
import { benchById } from '../benches'
import { KERNEL_OF } from '../benches/lists/kernel'
import type { Build } from '../document/build'
import { knobsOf } from './knobs'

const KERNELS = Object.values(KERNEL_OF)

/** What is searched over, and judged: alike in the kernels and in the evaluation. */
export const SEARCHED: readonly SearchedFigure[] = KERNELS.flatMap(({ figures }) => figures)

/** How a bound of what is searched is written. */
export function shownAs(limit: LimitId): Pick<Output, 'label' | 'kind' | 'units' | 'digits'> {
  return benchById(benchOf(limit)).definition.limits[limit]!
}

/** Knobs all kernels follow; for any other the engine is taken apart again, and the kernel is that of what comes of it. */
export function isKernelKnob(id: string): boolean {
  return KERNELS.every(({ follows }) => follows.includes(id))
}

/** The headline numbers with knobs so set, by their ids; those not named stand as today. */
export function kernelOf(build: Build): (settings: Readonly<Record<string, number>>) => SearchedRanges {
  const today: Readonly<Partial<Record<string, number>>> = Object.fromEntries(
    knobsOf(build).map(({ knob, today: value }) => [knob.id, value]),
  )
  const kernels = KERNELS.map(({ of }) => of(build, (knob) => knob in today))
  return (settings) => {
    const by = (knob: string): number => {
      const [then, now] = [settings[knob], today[knob]]
      return then === undefined || now === undefined ? 0 : then - now
    }
    return Object.assign({}, ...kernels.map((rangesOf) => rangesOf(by))) as SearchedRanges
  }
}
