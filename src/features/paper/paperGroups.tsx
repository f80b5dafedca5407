'use client'
import type { ReactNode } from 'react'
import styled from 'styled-components'
import { BENCHES, PAPER_KEYS, type BenchId } from '@/core/benches'
import type { PaperKey } from '@/core/build'

const GroupTitle = styled.h3`
  margin-top: 16px;
`

/** Paper under the first bench that rests on it, in the order of work. */
export const PAPER_GROUPS: readonly { readonly id: BenchId; readonly title: string; readonly keys: readonly PaperKey[] }[] = paperGroups()

function paperGroups() {
  const left = new Set(PAPER_KEYS)
  return BENCHES.map(({ id, definition: { title, paper } }) => ({
    id,
    title,
    keys: (Object.keys(paper) as PaperKey[]).filter((key) => left.delete(key)),
  }))
}

/** Whether a line is looked for: every word of it somewhere in its label or its bench. */
export function matches(find: string, label: string, title: string): boolean {
  const line = `${label} ${title}`.toLowerCase()
  return find
    .toLowerCase()
    .split(/\s+/)
    .every((word) => line.includes(word))
}

/** The lines of one bench under its title; nothing where none of them is looked for. */
export function Group<Row>({ title, rows, children }: { title: string; rows: readonly Row[]; children: (row: Row) => ReactNode }) {
  if (rows.length === 0) return null
  return (
    <>
      <GroupTitle>{title}</GroupTitle>
      {rows.map(children)}
    </>
  )
}
