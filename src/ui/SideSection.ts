import styled from 'styled-components'
import { caption } from './GlobalStyle'

/** One of the parts that stand under each other beside a page: a caption, and quiet words or a list under it. */
export const SideSection = styled.section`
  padding: 14px 16px;
  border-bottom: 1px solid var(--hairline);
  h2 {
    ${caption} margin-bottom: 8px;
  }
  li {
    margin-bottom: 6px;
  }
  p {
    font-size: 14px;
    color: var(--quiet);
  }
`
