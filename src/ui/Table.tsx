'use client'
import type { HTMLAttributes } from 'react'
import styled from 'styled-components'
import { numerals, PHONE } from './GlobalStyle'

/** Every table of the program: words in the text face, cells that hold figures (`data-figure`) in the other. */
const Grid = styled.table`
  width: 100%;
  font-size: 14px;
  & + & {
    margin-top: 14px;
  }
  caption {
    text-align: left;
    font-weight: 650;
    padding-bottom: 6px;
  }
  th {
    text-align: left;
    font-weight: 500;
    font-size: 13px;
    color: var(--quiet);
    padding: 4px 10px 4px 0;
  }
  td,
  tbody th {
    padding: 6px 10px 6px 0;
    border-top: 1px solid var(--hairline);
    vertical-align: baseline;
  }
  tbody th {
    color: var(--ink);
    font-size: inherit;
  }
  thead td {
    border: 0;
    padding: 0;
  }
  td[data-figure] {
    ${numerals} font-size: 13.5px;
  }
  &[data-scrolls] [data-figure] {
    white-space: nowrap;
  }
  &[data-figures='right'] [data-figure] {
    text-align: right;
    padding-inline: 6px;
    white-space: nowrap;
  }
  tr[data-here] {
    background: var(--dye-wash);
  }
  small {
    color: var(--quiet);
  }
  td svg {
    position: relative;
    top: 2px;
  }
  ${PHONE} {
    [data-minor] {
      display: none;
    }
  }
  &[data-size='print'] {
    font-size: 13px;
    th {
      font-size: 12px;
    }
    td {
      padding-block: 3px;
    }
    td[data-figure] {
      font-size: 12.5px;
    }
    small {
      display: block;
      font-size: 11px;
    }
    tr {
      break-inside: avoid;
    }
    @media print {
      font-size: 8.5pt;
      td[data-figure] {
        font-size: 8pt;
      }
    }
  }
`
const Scroll = styled.div`
  overflow-x: auto;
`

interface TableProps extends HTMLAttributes<HTMLTableElement> {
  /** What it is, for a table that may be wider than its place: it then scrolls by itself, also by keys. */
  readonly scrolls?: string
  /** Figures that are compared down a column end under each other; their headings are marked as well. */
  readonly figures?: 'left' | 'right'
  /** `print`: as close as a book sets it. */
  readonly size?: 'screen' | 'print'
}

/** A table. Cells with figures are marked `data-figure`, columns a phone has no room for `data-minor`. */
export function Table({ scrolls, figures = 'left', size = 'screen', ...table }: TableProps) {
  const grid = <Grid {...table} data-figures={figures} data-size={size} data-scrolls={scrolls !== undefined || undefined} />
  if (scrolls === undefined) return grid
  return (
    <Scroll tabIndex={0} role="region" aria-label={scrolls}>
      {grid}
    </Scroll>
  )
}

/** The headings of a table whose columns have words alone. */
export function Heads({ of }: { of: readonly string[] }) {
  return (
    <thead>
      <tr>
        {of.map((words) => (
          <th key={words} scope="col">
            {words}
          </th>
        ))}
      </tr>
    </thead>
  )
}
