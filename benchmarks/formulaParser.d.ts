/** As much of the formula engine as the benchmark asks of it; the package has no types of its own. */
declare module 'hot-formula-parser' {
  interface Cell {
    readonly row: { readonly index: number }
    readonly column: { readonly index: number }
  }

  export class Parser {
    on(event: 'callCellValue', answer: (cell: Cell, done: (value: number) => void) => void): void
    on(event: 'callRangeValue', answer: (from: Cell, to: Cell, done: (values: readonly (readonly number[])[]) => void) => void): void
    parse(formula: string): { readonly result: number }
  }
}
