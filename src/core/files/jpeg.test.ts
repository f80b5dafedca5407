import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { drawnOnly, jpegFault, MOST_PHOTO_BYTES } from './jpeg'

const segment = (marker: number, body: readonly number[]) => [0xff, marker, (body.length + 2) >> 8, (body.length + 2) & 255, ...body]
const frame = segment(0xc0, [8, 0, 1, 0, 1, 1, 1, 0x11, 0])
const scan = [...segment(0xda, [1, 2]), 9, 0xff, 0, 0xff, 0xd3, 9]
const end = [0xff, 0xd9]
const jpeg = (...segments: readonly number[][]) => Uint8Array.from([0xff, 0xd8, ...segments.flat(), ...frame, ...scan, ...end])
const jfif = segment(0xe0, [0x4a, 0x46, 0x49, 0x46, 0])
const exif = segment(0xe1, [0x45, 0x78, 0x69, 0x66])
const comment = segment(0xfe, [...Buffer.from('owner: 12 Long Lane')])

describe('a picture that is to be kept', () => {
  it('holds nothing but what it is drawn with', () => {
    expect(jpegFault(jpeg(jfif, segment(0xdb, Array(67).fill(7))))).toBeUndefined()
    // Exif of a phone stands first or after the JFIF segment; long ones pass 255 bytes.
    expect(jpegFault(jpeg(exif))).toBe('tellsWhere')
    expect(jpegFault(jpeg(segment(0xdb, Array(400).fill(0xff)), exif))).toBe('tellsWhere')
    for (const marker of [0xe2, 0xe5, 0xed, 0xef, 0xfe]) expect(jpegFault(jpeg(jfif, segment(marker, [1])))).toBe('tellsWhere')
  })

  it('is looked through to its end: what stands between two scans is told of as well', () => {
    const between = Uint8Array.from([0xff, 0xd8, ...frame, ...scan, ...exif, ...scan, ...end])
    expect(jpegFault(between)).toBe('tellsWhere')
    const progressive = Uint8Array.from([
      0xff,
      0xd8,
      ...segment(0xc2, [8, 0, 1, 0, 1, 1, 1, 0x11, 0]),
      ...scan,
      ...segment(0xc4, [1]),
      ...scan,
      ...end,
    ])
    expect(jpegFault(progressive)).toBeUndefined()
  })

  it('is whole, with nothing behind its end, and no other file', () => {
    expect(jpegFault(Uint8Array.from([0x89, 0x50, 0x4e, 0x47]))).toBe('notJpeg')
    expect(jpegFault(new Uint8Array())).toBe('notJpeg')
    expect(jpegFault(Uint8Array.from([0xff, 0xd8, ...jfif, ...end]))).toBe('notJpeg')
    const whole = jpeg(jfif)
    for (let length = 4; length < whole.length; length++) expect(jpegFault(whole.subarray(0, length))).toBe('cutShort')
    expect(jpegFault(Uint8Array.from([...whole, 0]))).toBe('moreBehind')
    expect(jpegFault(Uint8Array.from([...whole, ...Buffer.from('<script>')]))).toBe('moreBehind')
  })

  it('weighs 300 kB at the most', () => {
    const heavy = (length: number) => {
      const rest = length - jpeg(jfif).length
      return Uint8Array.from([0xff, 0xd8, ...jfif, ...frame, ...scan, ...Array(rest).fill(3), ...end])
    }
    expect(heavy(MOST_PHOTO_BYTES)).toHaveLength(300_000)
    expect(jpegFault(heavy(MOST_PHOTO_BYTES))).toBeUndefined()
    expect(jpegFault(heavy(MOST_PHOTO_BYTES + 1))).toBe('tooLarge')
  })

  it('is judged whatever bytes come, without an error', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 80 }), (bytes) => {
        expect(() => jpegFault(Uint8Array.from([0xff, 0xd8, 0xff, ...bytes]))).not.toThrow()
        expect(drawnOnly(bytes).length).toBeLessThanOrEqual(bytes.length + 2)
      }),
    )
  })
})

describe('what a browser wrote beside a picture', () => {
  it('is taken off, the picture stays to the byte', () => {
    const told = Uint8Array.from([...jpeg(jfif, exif, comment, segment(0xe2, [1, 2, 3])), 1, 2, 3])
    expect(jpegFault(told)).toBe('tellsWhere')
    expect(drawnOnly(told)).toEqual(jpeg(jfif))
    expect(jpegFault(drawnOnly(told))).toBeUndefined()
    expect(drawnOnly(jpeg(jfif))).toEqual(jpeg(jfif))
  })

  it('stays on what breaks off: it is refused as it is', () => {
    const half = jpeg(exif).subarray(0, 20)
    expect(drawnOnly(half)).toEqual(half)
  })
})
