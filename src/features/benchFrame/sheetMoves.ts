import type { KeyboardEvent } from 'react'

/** Few columns have room enough by themselves; of many each holds its longest figure and a mark, set close. */
export const ROOM_FOR = 9
const BESIDE_PX = 144
const LABEL_PX = 104
const COLUMN_PX = 46
const FIGURE_PX = 6.6
const MARK_PX = 16

export function leastWidthPx(columns: number, longestWords: number): number | undefined {
  return columns > ROOM_FOR ? BESIDE_PX + columns * Math.max(COLUMN_PX, MARK_PX + FIGURE_PX * longestWords) : undefined
}

const STEPS: Readonly<Record<string, readonly [columns: number, rows: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** Arrow keys go from cell to cell, over rows of totals and places an engine has not; Enter takes the cell's place up. */
export function moveInSheet(event: KeyboardEvent<HTMLTableElement>): void {
  const step = STEPS[event.key]
  const cell = (event.target as HTMLElement).closest('td')
  if (!step || !cell) return
  event.preventDefault()
  const [columns, rows] = step
  const { rows: all } = event.currentTarget
  const row = cell.parentElement as HTMLTableRowElement
  for (let at = row.rowIndex + rows, column = cell.cellIndex + columns; ; at += rows, column += columns) {
    const next = all[at]?.cells[column]
    if (!next) return
    const button = next.querySelector('button')
    if (button) return button.focus()
  }
}

/** Brings the current cell of a sheet that is wider than its place into view, sideways alone: nothing else moves. */
export function showHere(scroller: HTMLDivElement | null): void {
  const cell = scroller?.querySelector<HTMLElement>('[data-here]')
  if (!scroller || !cell) return
  const [box, here] = [scroller.getBoundingClientRect(), cell.getBoundingClientRect()]
  if (here.right > box.right) scroller.scrollLeft += here.right - box.right + COLUMN_PX
  else if (here.left < box.left + LABEL_PX) scroller.scrollLeft -= box.left + LABEL_PX - here.left
  if (here.bottom > box.bottom) scroller.scrollTop += here.bottom - box.bottom
  else if (here.top < box.top) scroller.scrollTop -= box.top - here.top
}
