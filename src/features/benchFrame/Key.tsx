'use client'
import styled from 'styled-components'
import { numerals } from '@/ui/GlobalStyle'

/** A key to press, drawn as one. */
export const Key = styled.kbd`
  ${numerals} display: inline-block;
  padding: 0 6px;
  border: 1px solid var(--edge);
  border-radius: 3px;
  background: var(--ground);
  font-size: 12px;
  color: var(--ink);
`
