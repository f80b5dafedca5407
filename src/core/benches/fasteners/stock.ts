import type { StockDefinition } from '../../document/stock'

const LENGTH = { kind: 'length', units: { metric: 'mm', inch: 'in' } } as const

/** Bolts and studs on the shelf; those told apart one by one stand in the bolt ledger. */
export const stock = {
  bolts: {
    title: 'Bolts and studs in stock',
    one: 'bolt',
    add: 'Add bolts',
    fields: {
      diameterMm: { label: 'Thread, across', ...LENGTH, low: 2, high: 40 },
      lengthMm: { label: 'Long, under the head', ...LENGTH, low: 2, high: 600 },
      pieces: { label: 'Pieces', kind: 'ratio', units: { metric: 'one', inch: 'one' }, low: 0, high: 1000, isWhole: true },
    },
    counted: { field: 'pieces', one: 'piece' },
  },
} as const satisfies Readonly<Record<string, StockDefinition>>
