import type { Build } from '../document/build'
import { stationId } from '../document/place'
import type { Part } from '../document/stock'
import { bankCount, cylinderPlaces } from '../geometry/crank'
import { exactly, limitsU, resultOf, type Figure, type FormulaText } from '../metrology'
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
  const { gasket, gasketLayers } = build.spec.choice
  const stated = stackFigures(build, gasket, gasketLayers)
  if (stated) return stated
  const missing: Derived = { missing: [{ kind: 'choice', what: 'gasket' }] }
  return { gasketBore: missing, gasketThickness: missing }
}

type Stated = { readonly gasketBore: { readonly figure: Figure }; readonly gasketThickness: { readonly figure: Figure } }

const STACK: FormulaText = {
  id: 'gasketStack',
  title: 'Gasket with its layers',
  kind: 'length',
  expression: 'sum of the layers, each compressed',
  source: 'definition',
}

/** What is laid into the gasket, as far as it is on the shelf. */
export function layersOf({ stock, choice }: Build['spec']): readonly Part<'layers'>[] {
  return layersNamed(stock, choice.gasketLayers)
}

function layersNamed(stock: Build['spec']['stock'], ids: readonly string[] = []): readonly Part<'layers'>[] {
  return ids.flatMap((id) => stock.layers.find((layer) => layer.id === id) ?? [])
}

/** A gasket of the stock with what is laid into it; undefined where any of it has left the shelf. */
function stackFigures({ spec: { stock } }: Build, id: string | undefined, layerIds: readonly string[] = []): Stated | undefined {
  const gasket = stock.gaskets.find((option) => option.id === id)
  const layers = layersNamed(stock, layerIds)
  if (!gasket || layers.length < layerIds.length) return undefined
  const alone = gasketFigures(gasket)
  if (layers.length === 0) return alone
  const thickness = resultOf(STACK, [
    { label: gasket.name, weight: 1, figure: alone.gasketThickness.figure },
    ...layers.map((layer) => ({ label: layer.name, weight: 1, figure: thicknessFigure(layer) })),
  ])
  return { ...alone, gasketThickness: { figure: thickness } }
}

/** A stock gasket as figures; its stated tolerance becomes uncertainty shared by every cylinder under it. */
function gasketFigures(gasket: Part<'gaskets'>): Stated {
  return {
    gasketBore: { figure: { value: exactly(gasket.boreMm), origin: originOf(gasket) } },
    gasketThickness: { figure: thicknessFigure(gasket) },
  }
}

function originOf({ id, name, source }: Part<'gaskets'> | Part<'layers'>) {
  return { from: 'stock', id, name, source } as const
}

function thicknessFigure(part: Part<'gaskets'> | Part<'layers'>): Figure {
  const owner = `stock:${part.id}`
  const u = limitsU(part.thicknessToleranceMm ?? 0)
  return {
    value: { value: part.thicknessMm, components: u === 0 ? [] : [{ source: { id: owner, owner, dof: Infinity }, u }] },
    origin: originOf(part),
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
  return stackFigures(build, former.gasket, former.layers)?.gasketThickness ?? { missing: [{ kind: 'impossible', reason: 'otherGasket' }] }
}
