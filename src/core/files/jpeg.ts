/**
 * What a JPEG says of itself beside its picture (ITU-T T.81, annex B): segments, each a marker, its length and
 * what it holds, up to the scan.
 */

/** The most a picture of a step may weigh. */
export const MOST_PHOTO_BYTES = 300_000

const MARKER = 0xff
const START_OF_SCAN = 0xda
/** APP1: Exif and XMP, with place, time and maker of the camera; APP13: captions and names of editors. */
const TELLING = new Set([0xe1, 0xed])

export type JpegFault = 'notJpeg' | 'tooLarge' | 'tellsWhere'

/** What is wrong with a picture that is to be kept: it is no JPEG, weighs too much, or still says where and with what it was taken. */
export function jpegFault(bytes: Uint8Array): JpegFault | undefined {
  if (bytes[0] !== MARKER || bytes[1] !== 0xd8 || bytes[2] !== MARKER) return 'notJpeg'
  if (bytes.length > MOST_PHOTO_BYTES) return 'tooLarge'
  for (let at = 2; at + 4 <= bytes.length && bytes[at] === MARKER; at += 2 + bytes[at + 2]! * 256 + bytes[at + 3]!) {
    if (TELLING.has(bytes[at + 1]!)) return 'tellsWhere'
    if (bytes[at + 1] === START_OF_SCAN) return undefined
  }
  // It ended before its picture began.
  return 'notJpeg'
}
