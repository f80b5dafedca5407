/**
 * What a JPEG is made of (ITU-T T.81, annex B): segments, each a marker, its length and what it holds; behind each start of scan the
 * picture itself, up to the next marker; and the end marker, behind which nothing stands.
 */

/** The most a picture of a step may weigh. */
export const MOST_PHOTO_BYTES = 300_000

const MARKER = 0xff
const START = 0xd8
const END = 0xd9
const START_OF_SCAN = 0xda
/** Bytes of a picture that look like a marker: a stuffed 0xff, and the restart markers. */
const isInsideScan = (marker: number) => marker === 0 || (marker >= 0xd0 && marker <= 0xd7)
/** Baseline and progressive pictures. */
const FRAMES: readonly number[] = [0xc0, 0xc1, 0xc2]
/** What a picture needs to be drawn: its frame, tables, scans, restart interval, and the JFIF and Adobe words on its colours. */
const DRAWN_WITH: ReadonlySet<number> = new Set([...FRAMES, 0xc4, 0xdb, 0xdd, START_OF_SCAN, 0xe0, 0xee])

export type JpegFault = 'notJpeg' | 'tooLarge' | 'tellsWhere' | 'cutShort' | 'moreBehind'

interface Segment {
  readonly marker: number
  /** Where it begins, and where the next one does. */
  readonly from: number
  readonly to: number
}

/** The segments of a picture from its first to its end marker; undefined where it breaks off. */
function segmentsOf(bytes: Uint8Array): { readonly segments: readonly Segment[]; readonly end: number } | undefined {
  const segments: Segment[] = []
  let at = 2
  while (at + 1 < bytes.length && bytes[at] === MARKER) {
    const marker = bytes[at + 1]!
    if (marker === END) return { segments, end: at + 2 }
    const to = segmentEnd(bytes, at, marker)
    if (to === undefined) return undefined
    segments.push({ marker, from: at, to })
    at = to
  }
  return undefined
}

function segmentEnd(bytes: Uint8Array, from: number, marker: number): number | undefined {
  const length = from + 3 < bytes.length ? bytes[from + 2]! * 256 + bytes[from + 3]! : 0
  let to = from + 2 + length
  if (length < 2 || to > bytes.length) return undefined
  if (marker !== START_OF_SCAN) return to
  while (to + 1 < bytes.length && (bytes[to] !== MARKER || isInsideScan(bytes[to + 1]!))) to++
  return to + 1 < bytes.length ? to : undefined
}

/**
 * What is wrong with a picture that is to be kept: it is no JPEG, weighs too much, breaks off, has more behind its end, or holds
 * anything beside what it is drawn with: Exif tells where and with what it was taken, and a comment tells whatever its writer liked.
 */
export function jpegFault(bytes: Uint8Array): JpegFault | undefined {
  if (bytes[0] !== MARKER || bytes[1] !== START || bytes[2] !== MARKER) return 'notJpeg'
  if (bytes.length > MOST_PHOTO_BYTES) return 'tooLarge'
  const whole = segmentsOf(bytes)
  if (!whole) return 'cutShort'
  const markers = whole.segments.map(({ marker }) => marker)
  if (!markers.some((marker) => FRAMES.includes(marker)) || !markers.includes(START_OF_SCAN)) return 'notJpeg'
  if (markers.some((marker) => !DRAWN_WITH.has(marker))) return 'tellsWhere'
  return whole.end === bytes.length ? undefined : 'moreBehind'
}

/** The picture with nothing but what it is drawn with; a browser may write colour profiles and Exif of its own. */
export function drawnOnly(bytes: Uint8Array): Uint8Array<ArrayBuffer> {
  const whole = segmentsOf(bytes)
  if (!whole) return Uint8Array.from(bytes)
  const kept = whole.segments.filter(({ marker }) => DRAWN_WITH.has(marker)).map(({ from, to }) => bytes.subarray(from, to))
  const parts = [bytes.subarray(0, 2), ...kept, Uint8Array.of(MARKER, END)]
  const out = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0))
  let at = 0
  for (const part of parts) {
    out.set(part, at)
    at += part.length
  }
  return out
}
