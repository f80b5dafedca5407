'use client'
import { createContext, useContext } from 'react'
import { benchWords, type BenchWords } from '@/wording'

/** The sentences of the bench that is open; those of the others are not fetched. */
export const BenchWordsContext = createContext<BenchWords>(benchWords({}))

export function useBenchWords(): BenchWords {
  return useContext(BenchWordsContext)
}
