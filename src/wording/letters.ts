export function capital(words: string): string {
  return words[0]!.toUpperCase() + words.slice(1)
}

/** In the middle of a sentence. */
export function small(words: string): string {
  return words[0]!.toLowerCase() + words.slice(1)
}
