import type { OtherPaper } from '@/core/document/paperConflict'

/** Whose word a number is. */
export const WORD_WORDS: Readonly<Record<OtherPaper['word'], string>> = {
  maker: 'the maker’s own',
  preset: 'a preset',
  hearsay: 'what somebody says',
}
