import type { StockDefinition } from '../../document/stock'

/** Shims of a valve gear, by their thickness: what comes out of one valve goes into another. */
export const stock = {
  shims: {
    title: 'Valve shims in the drawer',
    one: 'shim',
    add: 'Add shims',
    fields: {
      thicknessMm: { label: 'Thick', kind: 'length', units: { metric: 'mm', inch: 'in' }, low: 0.5, high: 6 },
      pieces: { label: 'Pieces', kind: 'ratio', units: { metric: 'one', inch: 'one' }, low: 0, high: 500, isWhole: true },
    },
    counted: { field: 'pieces', one: 'piece' },
  },
} as const satisfies Readonly<Record<string, StockDefinition>>
