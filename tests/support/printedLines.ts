/** Straight lines of a PDF in its own points: what a printer draws, read off the file itself. */
export const MM_PER_PT = 25.4 / 72

export interface Line {
  readonly from: readonly [number, number]
  readonly to: readonly [number, number]
}
export const lengthMm = ({ from, to }: Line) => Math.hypot(to[0] - from[0], to[1] - from[1]) * MM_PER_PT

/** The lines of every page, the size of a page, and the scales that stand between these numbers and the paper. Not compressed. */
export function linesOf(pdf: Uint8Array) {
  const text = Buffer.from(pdf).toString('latin1')
  const streams = [...text.matchAll(/stream\r?\n([\s\S]*?)endstream/g)].map(([, stream]) => stream!).filter((stream) => / l\b/.test(stream))
  const number = '(-?[\\d.]+)'
  const line = new RegExp(`${number} ${number} m\\s+${number} ${number} l\\b`, 'g')
  const pages = streams.map((stream) =>
    [...stream.matchAll(line)].map(([, x1, y1, x2, y2]): Line => ({ from: [Number(x1), Number(y1)], to: [Number(x2), Number(y2)] })),
  )
  const [, width, height] = /\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(text)!
  // No scale of its own between these numbers and the paper but the turning over of the page.
  const scales = [...text.matchAll(/(-?[\d.]+) 0 0 (-?[\d.]+) -?[\d.]+ -?[\d.]+ cm/g)].map(([, x, y]) => [
    Math.abs(Number(x)),
    Math.abs(Number(y)),
  ])
  return { pages, sizeMm: [Number(width) * MM_PER_PT, Number(height) * MM_PER_PT], scales, numbers: text }
}
