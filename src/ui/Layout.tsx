'use client'
import styled from 'styled-components'

interface StackProps {
  /** Between what stands under each other, px. */
  readonly $gap?: number
  /** As many columns as are at least so wide, px; left out, one. */
  readonly $columnsPx?: number
}

/** Things under each other, or in as many columns as there is room for. */
export const Stack = styled.div<StackProps>`
  display: grid;
  gap: ${({ $gap = 12 }) => $gap}px;
  grid-template-columns: ${({ $columnsPx }) => ($columnsPx ? `repeat(auto-fit, minmax(${$columnsPx}px, 1fr))` : 'minmax(0, 1fr)')};
`

interface RowProps {
  readonly $gap?: number
  /** `apart`: the first at the left edge, the last at the right one. */
  readonly $spread?: 'together' | 'apart'
  readonly $align?: 'center' | 'start' | 'end'
}

/** Things beside each other, on more lines where there is no room. */
export const Row = styled.div<RowProps>`
  display: flex;
  flex-wrap: wrap;
  gap: ${({ $gap = 12 }) => $gap}px;
  align-items: ${({ $align = 'center' }) => $align};
  justify-content: ${({ $spread = 'together' }) => ($spread === 'apart' ? 'space-between' : 'flex-start')};
`

/** A box to tick with its words, as tall as a finger needs. */
export const TickLabel = styled.label`
  display: inline-flex;
  gap: 8px;
  align-items: center;
  min-height: 40px;
  margin-right: 14px;
`

/** Words that say something is out, late or wrong. */
export const Bad = styled.b`
  color: var(--out);
  font-weight: inherit;
`
