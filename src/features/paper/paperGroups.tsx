'use client'
import { ChevronDown, ChevronRight } from 'lucide-react'
import type { ReactNode } from 'react'
import styled from 'styled-components'
import { BENCHES, PAPER_KEYS, type BenchId } from '@/core/benches'
import type { PaperKey } from '@/core/document'

const GroupTitle = styled.h3`
  border-bottom: 1px solid var(--hairline);
  button {
    display: flex;
    align-items: center;
    gap: 8px;
    width: 100%;
    min-height: 40px;
    padding: 6px 0;
    border: 0;
    background: none;
    font: inherit;
    color: inherit;
    text-align: left;
    cursor: pointer;
    &:hover {
      background: var(--dye-wash);
    }
    small {
      margin-left: auto;
      font-size: 13px;
      font-weight: 400;
      color: var(--quiet);
    }
  }
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

interface GroupProps<Row> {
  readonly title: string
  /** How much of it there is, for whoever does not open it. */
  readonly said: string
  readonly rows: readonly Row[]
  readonly isOpen: boolean
  readonly onToggle: () => void
  readonly children: (row: Row) => ReactNode
}

/** The lines of one bench under its title, closed until they are asked for; nothing where none of them is looked for. */
export function Group<Row>({ title, said, rows, isOpen, onToggle, children }: GroupProps<Row>) {
  if (rows.length === 0) return null
  const Mark = isOpen ? ChevronDown : ChevronRight
  return (
    <>
      <GroupTitle>
        <button type="button" aria-expanded={isOpen} onClick={onToggle}>
          <Mark size={18} aria-hidden />
          {title}
          <small>{said}</small>
        </button>
      </GroupTitle>
      {isOpen && rows.map(children)}
    </>
  )
}
