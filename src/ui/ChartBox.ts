import styled from 'styled-components'
import { caption, numerals } from './GlobalStyle'

/** A chart with its title above it and a word below. */
export const ChartBox = styled.figure`
  figcaption {
    ${caption}
  }
  svg text {
    ${numerals} font-size: 12px;
    fill: var(--quiet);
  }
  .recharts-surface {
    overflow: visible;
  }
  p {
    font-size: 13px;
    color: var(--quiet);
  }
`
