/** As many letters as stand on a tag or in a column of the book. */
export const MOST_INITIALS = 4

/** Initials as somebody typed them: one to four letters, in capitals; undefined where a digit or anything else stands among them. */
export function initialsFrom(text: string): string | undefined {
  const given = text.trim().toUpperCase()
  return given.length <= MOST_INITIALS && /^\p{L}+$/u.test(given) ? given : undefined
}
