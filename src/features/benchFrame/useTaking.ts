'use client'
import { useCallback, useState } from 'react'
import type { JudgedAdvice } from '@/core/bench/bench'
import type { UnitSystem } from '@/core/document'
import { withChanges } from '@/core/document/changes'
import type { BenchWords } from '@/wording'
import type { SpecEdit } from '@/features/entries/useSpec'

/** A way to put something right, taken into the build as it stands, and given back: said when it is stored, not before. */
export function useTaking({ change, undo }: SpecEdit, { changeWords }: BenchWords, system: UnitSystem) {
  const [taken, setTaken] = useState('')
  const take = useCallback(
    (one: JudgedAdvice) => {
      const words = changeWords(one, system)
      void change(words, (spec) => withChanges(spec, one.changes ?? [])).then((isStored) => {
        if (isStored) setTaken(words)
      })
    },
    [change, changeWords, system],
  )
  const giveBack = useCallback(() => {
    setTaken('')
    void undo()
  }, [undo])
  return { taken, take, giveBack }
}
