'use client'
import { useState } from 'react'
import { centreOut, patternFromCsv, withPattern } from '@/core/joints'
import { Notice } from '@/ui/Page'
import { patternIssueWords } from '@/wording'
import type { ChangeJoint } from './planEdit'

/** Where the fasteners stand, from a table; all of it or nothing, and what is wrong with it row by row. */
export function PatternFile({ change }: { change: ChangeJoint }) {
  const [wrong, setWrong] = useState<readonly string[]>([])
  const take = async (file: File | undefined) => {
    if (!file) return
    const read = patternFromCsv(await file.text())
    if ('issues' in read) return setWrong(read.issues.map(patternIssueWords))
    setWrong([])
    const order = centreOut(read.fasteners).map((index) => index + 1)
    change(`pattern from ${file.name}`, (joint) =>
      withPattern(joint, read.fasteners, order, `from the middle outwards; pattern from ${file.name}`),
    )
  }
  return (
    <>
      <label>
        Or where they stand, from a table (x, y in mm or “x in”, type):{' '}
        <input
          type="file"
          accept=".csv,text/csv"
          onChange={({ target }) => {
            void take(target.files?.[0])
            target.value = ''
          }}
        />
      </label>
      {wrong.length > 0 && (
        <Notice data-tone="bad" role="alert">
          Not taken, the pattern is as it was: {wrong.slice(0, 6).join(' ')}
        </Notice>
      )}
    </>
  )
}
