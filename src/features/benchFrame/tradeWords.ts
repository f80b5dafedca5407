/** Words a reading may begin with although their first letter is a key: what is read by a feeler, beside a nominal, about a centre. */
const TRADE_WORDS =
  'go,no go,no-go,nogo,goes,not read,nominal,standard,std,snug,proud,plus,under,up,below,over,out,zero,loose,tight,btdc,before,bdc'.split(
    ',',
  )

/** Whether two letters begin a word of the trade: the first was then no key. */
export function beginsTradeWord(letters: string): boolean {
  return letters.length > 1 && TRADE_WORDS.some((word) => word.startsWith(letters.toLowerCase()))
}

/** Whether a text begins with a whole word of the trade that is no note, no reason and no temperature. */
export function isTradeWord(text: string): boolean {
  return /^(?:no[\s-]?go|std|standard|nominal|snug|tight)\b/i.test(text.trim())
}
