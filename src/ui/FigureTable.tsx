'use client'
import styled from 'styled-components'
import { numerals } from './GlobalStyle'

/** A small table of figures in a side panel. */
export const FigureTable = styled.table`
  width: 100%;
  font-size: 14px;
  th {
    text-align: left;
    font-weight: 500;
    font-size: 13px;
    color: var(--quiet);
    padding: 4px 8px 4px 0;
  }
  td {
    ${numerals} padding: 7px 8px 7px 0;
    border-top: 1px solid var(--hairline);
    vertical-align: baseline;
    font-size: 13.5px;
  }
  tbody th {
    border-top: 1px solid var(--hairline);
    vertical-align: baseline;
    padding-block: 7px;
  }
  td[data-words] {
    font-family: inherit;
    letter-spacing: 0;
    font-size: 14px;
  }
`
