import type { Part, StockDefinition } from '../../document/stock'

const WALL = { kind: 'length', units: { metric: 'um', inch: 'thou' } } as const
const HALF_THOU_MM = 0.0127

/** Bearing shells on the shelf, counted in halves: a pair is two. */
export const stock = {
  shells: {
    title: 'Bearing shells in stock',
    one: 'shell',
    add: 'Add shells',
    fields: {
      fits: {
        label: 'Fits',
        options: [
          { value: 'main', label: 'Mains' },
          { value: 'rod', label: 'Rods' },
        ],
      },
      /** How much thicker one half is than a standard one; an X half is thinner. */
      wallMm: {
        label: 'A half, against standard',
        ...WALL,
        low: -0.1,
        high: 0.5,
        sizes: [
          { value: 0, label: 'Standard' },
          { value: -HALF_THOU_MM, label: 'X, half thou thinner' },
          { value: HALF_THOU_MM, label: 'Undersize, half thou thicker' },
        ],
      },
      /** Put on one half after the wall was measured. */
      coatingMm: { label: 'Coating a half', ...WALL, low: 0, high: 0.05, optional: true, ifEmpty: 'none' },
      halves: { label: 'Halves on the shelf', kind: 'ratio', units: { metric: 'one', inch: 'one' }, low: 0, high: 200, isWhole: true },
    },
    counted: { field: 'halves', one: 'half' },
  },
} as const satisfies Readonly<Record<string, StockDefinition>>

export type Shell = Part<'shells'>
