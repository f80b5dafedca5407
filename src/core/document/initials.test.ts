import { describe, expect, it } from 'vitest'
import { initialsFrom } from './initials'

describe('initials', () => {
  it.each([
    ['kv', 'KV'],
    [' Ab ', 'AB'],
    ['å', 'Å'],
    ['abcd', 'ABCD'],
    ['abcde', undefined],
    ['', undefined],
    ['0.06', undefined],
    ['k1', undefined],
    ['k v', undefined],
    ['.5', undefined],
  ])('%s: %s', (typed, given) => expect(initialsFrom(typed)).toBe(given))
})
