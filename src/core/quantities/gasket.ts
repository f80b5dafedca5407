import type { Build } from '../build/build'
import { stationId } from '../build/place'
import { bankCount, cylinderPlaces } from '../engine'
import { exactly, limitsU, type Figure } from '../metrology'
import { asRead, isKnown, type Derived } from '../bench/finding'
import { isOfOldPart } from './oldParts'

/** The gasket above a cylinder: measured where it was clamped, or as its maker states it. */
export function gasketOf(build: Build, cylinder: number): { gasketBore: Derived; gasketThickness: Derived } {
  const bank = bankCount(build.spec.layout) === 2 ? cylinderPlaces(build.spec.layout)[cylinder - 1]!.bank : 'left'
  const stated = statedGasket(build)
  if (build.spec.methods.gasket === 'paper') return stated
  const measured = (which: keyof typeof stated): Derived => {
    const characteristic = `compression.${which}` as const
    const reading = build.readings.current.get(stationId(characteristic, { bank }))
    if (!isOfOldPart(build, 'gasket', reading?.id)) return asRead(build, characteristic, { bank })
    const maker = stated[which]
    return isKnown(maker) ? { ...maker, isPartial: true, remarks: [{ code: 'oldPart', part: 'gasket' }] } : maker
  }
  return { gasketThickness: measured('gasketThickness'), gasketBore: measured('gasketBore') }
}

function statedGasket(build: Build): { gasketBore: Derived; gasketThickness: Derived } {
  const gasket = build.spec.stock.gaskets.find((option) => option.id === build.spec.choice.gasket)
  if (!gasket) {
    const missing: Derived = { missing: [{ kind: 'choice', what: 'gasket' }] }
    return { gasketBore: missing, gasketThickness: missing }
  }
  return gasketFigures(gasket)
}

/** A stock gasket as figures; its stated tolerance becomes uncertainty shared by every cylinder under it. */
function gasketFigures(gasket: Build['spec']['stock']['gaskets'][number]): {
  gasketBore: { figure: Figure }
  gasketThickness: { figure: Figure }
} {
  const origin = { from: 'stock', id: gasket.id, name: gasket.name, source: gasket.source } as const
  const owner = `stock:${gasket.id}`
  const u = limitsU(gasket.thicknessToleranceMm ?? 0)
  return {
    gasketBore: { figure: { value: exactly(gasket.boreMm), origin } },
    gasketThickness: {
      figure: {
        value: { value: gasket.thicknessMm, components: u === 0 ? [] : [{ source: { id: owner, owner, dof: Infinity }, u }] },
        origin,
      },
    },
  }
}

/**
 * The compressed thickness of the gasket a reading was taken over: of the one fitted now, or of one that was fitted then. Missing where
 * that one has left the shelf.
 */
export function gasketWhenRead(build: Build, cylinder: number, readingId: string): Derived {
  const arrivedAt = (id: string) => build.readings.arrival.get(id) ?? Infinity
  const former = build.spec.choice.formerGaskets?.find(({ until }) => arrivedAt(until) >= arrivedAt(readingId))
  if (!former) return gasketOf(build, cylinder).gasketThickness
  const gasket = build.spec.stock.gaskets.find(({ id }) => id === former.gasket)
  return gasket ? gasketFigures(gasket).gasketThickness : { missing: [{ kind: 'impossible', reason: 'otherGasket' }] }
}
