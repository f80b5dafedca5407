'use client'
import styled from 'styled-components'
import { NARROW } from '@/ui/GlobalStyle'

/** One line of the paper page: a number or a limit with its source and reason. */
export const PaperGrid = styled.div`
  display: grid;
  grid-template-columns: 200px minmax(110px, 150px) 110px minmax(140px, 1fr) minmax(140px, 1fr);
  gap: 8px 14px;
  padding: 5px 0;
  border-top: 1px solid var(--hairline);
  align-items: start;
  &[data-limit] {
    grid-template-columns: 200px 100px 100px 100px minmax(140px, 1fr) minmax(160px, 1.3fr);
  }
  > p {
    align-self: center;
    line-height: 1.25;
    b {
      display: block;
      font-weight: 600;
    }
    small {
      color: var(--quiet);
    }
  }
  scroll-margin-top: 64px;
  &:focus {
    outline: none;
    background: var(--dye-wash);
    box-shadow: 0 0 0 6px var(--dye-wash);
  }
  &[data-head] {
    border-top: 0;
    padding: 0;
    font-size: 12.5px;
    color: var(--quiet);
  }
  ${NARROW} {
    &[data-head] {
      display: none;
    }
    &,
    &[data-limit] {
      grid-template-columns: 1fr 1fr;
    }
    > p {
      grid-column: 1 / -1;
      padding: 0;
    }
    > :nth-child(n + 4) {
      grid-column: 1 / -1;
    }
    &[data-limit] > :nth-child(4) {
      grid-column: auto;
    }
  }
`
