import type { Build } from '../document/build'
import type { CharacteristicId } from '../document/ids'
import { stationId } from '../document/place'
import { derivation } from '../document/remembered'
import type { Methods } from '../document/types'
import { workOn } from '../document/work'
import { difference, expand, formula, resultOf, type Figure, type FormulaText } from '../metrology'
import type { Remark } from '../bench/bench'
import { allOf, asRead, isKnown, type Derived } from '../bench/finding'
import { afterWork } from './afterWork'
import { fromPaper } from './fromPaper'

export const buretteDifference: FormulaText = {
  id: 'buretteDifference',
  title: 'Volume run in',
  kind: 'volume',
  expression: 'difference of the burette before and after',
  source: 'definition',
}

export const repeatMean: FormulaText = {
  id: 'repeatMean',
  title: 'Mean of the fills',
  kind: 'volume',
  expression: 'mean of the repeats',
  source: 'JCGM 100:2008, 4.2.1',
}

export const volumeByMass = formula({
  id: 'volumeByMass',
  title: 'Volume by mass',
  kind: 'volume',
  expression: 'mass of fluid ÷ its density',
  source: 'definition of density',
  inputs: { massG: { label: 'Fluid weighed in', kind: 'mass' }, densityGPerCm3: { label: 'Density of the fluid', kind: 'density' } },
  evaluate: ({ massG, densityGPerCm3 }) => massG / densityGPerCm3,
})

export function chamberRepeats(build: Build): readonly number[] {
  return Array.from({ length: build.spec.methods.chamberRepeats }, (_, index) => index + 1)
}

/** Chamber volume: the mean of the fills that are complete, by whichever method the build uses. */
export const chamberVolume = derivation('chamber', (build, cylinder: number): Derived => {
  const fills = chamberRepeats(build).map((repeat) => workedFill(build, cylinder, repeat))
  const known = fills.flatMap((fill) => (isKnown(fill) ? [fill.figure] : []))
  if (known.length === 0) return { missing: fills.flatMap((fill) => (isKnown(fill) ? [] : fill.missing)) }
  const mean =
    known.length === 1
      ? known[0]!
      : resultOf(
          repeatMean,
          known.map((fill, index) => ({ label: `Fill ${index + 1}`, weight: 1 / known.length, figure: fill })),
        )
  return {
    figure: mean,
    isPartial: known.length < fills.length,
    remarks: [...missingFills(fills.length, known.length), ...repeatsDisagree(known)],
  }
})

/** The reading that ends a fill, by the method of the build. */
const LAST_OF_FILL = {
  buretteLevels: 'compression.chamberEnd',
  buretteVolume: 'compression.chamber',
  mass: 'compression.chamberMass',
} as const satisfies Record<Methods['chamber'], CharacteristicId>

/** A fill as it was read, or as it will be once the head is cut and the chamber opened. */
function workedFill(build: Build, cylinder: number, repeat: number): Derived {
  const fill = oneFill(build, cylinder, repeat)
  if (!isKnown(fill)) return fill
  const station = stationId(LAST_OF_FILL[build.spec.methods.chamber], { cylinder, repeat })
  const cutCm3 = ((build.spec.paper.chamberOpenArea?.value ?? 0) * workOn(build, 'headCut', station)) / MM_PER_CM
  const changeCm3 = workOn(build, `openChamber/${cylinder}`, station) - cutCm3
  return { ...fill, figure: afterWork(fill.figure, changeCm3, 'volume', 'Head cut and chamber work') }
}

const MM_PER_CM = 10

function missingFills(wanted: number, used: number): Remark[] {
  return used < wanted ? [{ code: 'incomplete', used, wanted }] : []
}

/** Two fills further apart than their own uncertainty: a bubble, a drip or a slip of the pen. */
function repeatsDisagree(fills: readonly Figure[]): Remark[] {
  const ranked = [...fills].sort((a, b) => a.value.value - b.value.value)
  const apart = difference(ranked.at(-1)!.value, ranked[0]!.value)
  if (apart.value <= expand(apart).U) return []
  const text = { id: 'apart', title: 'Fills apart', kind: 'volume', expression: 'largest − smallest', source: 'definition' } as const
  return [
    {
      code: 'repeatsDisagree',
      apart: resultOf(text, [
        { label: 'Largest fill', weight: 1, figure: ranked.at(-1)! },
        { label: 'Smallest fill', weight: -1, figure: ranked[0]! },
      ]),
    },
  ]
}

function oneFill(build: Build, cylinder: number, repeat: number): Derived {
  const place = { cylinder, repeat }
  switch (build.spec.methods.chamber) {
    case 'buretteVolume':
      return asRead(build, 'compression.chamber', place)
    case 'mass': {
      const inputs = allOf({ massG: asRead(build, 'compression.chamberMass', place), densityGPerCm3: fromPaper(build, 'fluidDensity') })
      return inputs.missing ? inputs : { figure: volumeByMass.of(inputs.figures) }
    }
    case 'buretteLevels': {
      const inputs = allOf({ start: asRead(build, 'compression.chamberStart', place), end: asRead(build, 'compression.chamberEnd', place) })
      if (inputs.missing) return inputs
      const { start, end } = inputs.figures
      // Some burettes count down as they empty, some up: the volume run in is the difference either way.
      const sign = start.value.value >= end.value.value ? 1 : -1
      return {
        figure: resultOf(buretteDifference, [
          { label: 'Burette before', weight: sign, figure: start },
          { label: 'Burette after', weight: -sign, figure: end },
        ]),
      }
    }
  }
}
