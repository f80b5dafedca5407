export function capital(words: string): string {
  return words[0]!.toUpperCase() + words.slice(1)
}

/** In the middle of a sentence; what is written in capitals, as TDC, stays so. */
export function small(words: string): string {
  return /^\p{Lu}{2}/u.test(words) ? words : words[0]!.toLowerCase() + words.slice(1)
}
