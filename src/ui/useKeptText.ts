'use client'
import { useState } from 'react'

/** The text of a field that is kept on leaving it: what is typed, until what is stored becomes another. */
export function useKeptText(stored: string): readonly [text: string, setText: (text: string) => void] {
  const [text, setText] = useState(stored)
  const [seen, setSeen] = useState(stored)
  if (seen !== stored) {
    setSeen(stored)
    setText(stored)
  }
  return [text, setText]
}
