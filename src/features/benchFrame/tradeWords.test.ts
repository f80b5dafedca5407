import { describe, expect, it } from 'vitest'
import { beginsTradeWord, isTradeWord } from './tradeWords'

describe('letters that are no keys', () => {
  it('two letters of a word are a word, two keys after each other are not', () => {
    for (const word of ['no', 'go', 'pr', 'un', 'bt', 'up', 'ov', 'ze', 'NO']) expect(beginsTradeWord(word), word).toBe(true)
    for (const keys of ['ng', 'bb', 'gg', 'pp', 'zz', 'n', 'bs', 'gu']) expect(beginsTradeWord(keys), keys).toBe(false)
  })

  it('a note that begins like a word is a note still', () => {
    for (const text of ['no go 0.5', 'nogo .5', 'No-Go 0.55', 'standard', 'snug']) expect(isTradeWord(text), text).toBe(true)
    for (const text of ['noil leaks', 'not known', 'sgauge is away', 'no gauge here', 'tool is away'])
      expect(isTradeWord(text), text).toBe(false)
  })
})
