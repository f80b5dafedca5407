import type { Part, StockDefinition } from '../../document/stock'

const MM = { kind: 'length', units: { metric: 'mm', inch: 'in' } } as const

/** Parts this bench chooses among: what lies between block and head, and pistons other than those that were measured. */
export const stock = {
  gaskets: {
    title: 'Gaskets in stock',
    one: 'gasket',
    add: 'Add a gasket',
    fields: {
      kind: {
        label: 'Made of',
        hint: 'The deck’s finish is judged only against a gasket that needs it.',
        options: [
          { value: 'multiLayerSteel', label: 'Multi-layer steel' },
          { value: 'composite', label: 'Composite' },
          { value: 'copper', label: 'Copper' },
          { value: 'steelShim', label: 'Steel shim' },
          { value: 'other', label: 'Other' },
        ],
        optional: true,
      },
      /** Compressed, never the loose one. */
      thicknessMm: { label: 'Compressed', ...MM, isPositive: true },
      boreMm: { label: 'Bore', ...MM, isPositive: true },
      thicknessToleranceMm: { label: '± thickness', ...MM, low: 0, optional: true },
    },
    chosenAs: 'gasket',
  },
  layers: {
    title: 'Layers of a gasket',
    one: 'layer',
    add: 'Add a layer',
    fields: {
      /** Compressed, of the gasket's own bore. */
      thicknessMm: {
        label: 'Compressed',
        hint: 'a spacer, a shim, or what is sprayed on; with the bore of its gasket',
        ...MM,
        isPositive: true,
      },
      thicknessToleranceMm: { label: '± thickness', ...MM, low: 0, optional: true },
    },
    laidInAs: 'gasketLayers',
  },
  pistons: {
    title: 'Other pistons to consider',
    one: 'piston',
    add: 'Add a piston',
    fields: {
      volumeCm3: {
        label: 'Volume',
        hint: 'dish and pockets positive, dome negative',
        kind: 'volume',
        units: { metric: 'cm3', inch: 'cm3' },
      },
      compressionHeightMm: { label: 'Compression height', ...MM, isPositive: true },
    },
  },
} as const satisfies Readonly<Record<string, StockDefinition>>

export type Gasket = Part<'gaskets'>
export type Layer = Part<'layers'>
export type PistonOption = Part<'pistons'>
