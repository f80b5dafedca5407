import { describe, expect, it } from 'vitest'
import { photoFileName, photoOfFileName } from './photos'

const card = { id: '0190f6a2-7c1e-7a50-8a51-2f1d6f0e9b11', step: 'heads.gasket.left', at: '2026-11-27T09:20:05.123Z', by: 'K V/2' }

describe('the name of a picture in an archive', () => {
  it('brings back all that was said with it, whatever stands in initials', () => {
    expect(photoFileName(card)).toBe('photos/heads.gasket.left 2026-11-27T09-20-05.123Z K%20V%2F2 0190f6a2-7c1e-7a50-8a51-2f1d6f0e9b11.jpg')
    expect(photoOfFileName(photoFileName(card))).toEqual(card)
    expect(photoOfFileName(photoFileName({ ...card, by: 'ÅÖ%' }))).toEqual({ ...card, by: 'ÅÖ%' })
  })

  it('is none where it is another file, or says less', () => {
    for (const name of [
      'build.kalibros.json',
      'photos/holiday.jpg',
      photoFileName(card).replace('heads', '../heads'),
      photoFileName({ ...card, id: 'x' }),
    ])
      expect(photoOfFileName(name)).toBeUndefined()
  })
})
