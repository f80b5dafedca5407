import { describe, expect, it } from 'vitest'
import { jpegFault, MOST_PHOTO_BYTES } from './jpeg'

const segment = (marker: number, body: readonly number[]) => [0xff, marker, (body.length + 2) >> 8, (body.length + 2) & 255, ...body]
const jpeg = (...segments: readonly number[][]) =>
  Uint8Array.from([0xff, 0xd8, ...segments.flat(), ...segment(0xda, [1, 2]), 9, 9, 0xff, 0xd9])
const jfif = segment(0xe0, [0x4a, 0x46, 0x49, 0x46, 0])

describe('a picture that is to be kept', () => {
  it('is a JPEG that says nothing of where and with what it was taken', () => {
    expect(jpegFault(jpeg(jfif, segment(0xdb, Array(67).fill(7))))).toBeUndefined()
    // Exif of a phone stands first or after the JFIF segment; long ones pass 255 bytes.
    expect(jpegFault(jpeg(segment(0xe1, [0x45, 0x78, 0x69, 0x66])))).toBe('tellsWhere')
    expect(jpegFault(jpeg(segment(0xdb, Array(400).fill(0xff)), segment(0xe1, [0x45])))).toBe('tellsWhere')
    expect(jpegFault(jpeg(jfif, segment(0xed, [1])))).toBe('tellsWhere')
  })

  it('is not anything else, and not half of one', () => {
    expect(jpegFault(Uint8Array.from([0x89, 0x50, 0x4e, 0x47]))).toBe('notJpeg')
    expect(jpegFault(new Uint8Array())).toBe('notJpeg')
    expect(jpegFault(Uint8Array.from([0xff, 0xd8, ...jfif]))).toBe('notJpeg')
    // What looks like Exif behind the scan is picture.
    expect(jpegFault(Uint8Array.from([...jpeg(jfif), ...segment(0xe1, [1])]))).toBeUndefined()
  })

  it('weighs 300 kB at the most', () => {
    const heavy = (length: number) => Uint8Array.from([...jpeg(jfif), ...Array(length - jpeg(jfif).length).fill(3)])
    expect(jpegFault(heavy(MOST_PHOTO_BYTES))).toBeUndefined()
    expect(jpegFault(heavy(MOST_PHOTO_BYTES + 1))).toBe('tooLarge')
  })
})
