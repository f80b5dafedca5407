import styled from 'styled-components'
import { caption, NARROW, PHONE } from '@/ui/GlobalStyle'

/** How the parts of a bench share the screen. */
export const Frame = styled.div`
  height: 100dvh;
  display: grid;
  grid-template: auto minmax(0, 1fr) auto / minmax(0, 1fr);
  ${PHONE} {
    height: 100dvh;
  }
`
export const Middle = styled.div`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) 316px;
  min-height: 0;
  ${NARROW} {
    grid-template-columns: auto minmax(0, 1fr) 280px;
  }
  ${PHONE} {
    display: block;
    overflow: auto;
  }
`
export const Work = styled.main`
  min-height: 0;
  overflow: auto;
  display: grid;
  grid-template-rows: auto auto 1fr;
  align-content: start;
  ${PHONE} {
    display: block;
    overflow: visible;
    > [data-part='sheet'],
    > [data-part='advice'] {
      display: none;
      &[data-shown] {
        display: grid;
      }
    }
  }
`
/** Parts that do not move each other: what changes in one is laid out and painted for it alone. */
export const Plan = styled.section`
  contain: content;
  height: 196px;
  border-bottom: 1px solid var(--hairline);
  ${PHONE} {
    height: 132px;
  }
  /* A wheel and its curves. */
  &[data-tall] {
    height: 312px;
    ${PHONE} {
      height: 190px;
    }
  }
`
export const Readings = styled.section`
  contain: content;
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(250px, 0.75fr);
  border-bottom: 1px solid var(--hairline);
  /* Many cylinders want the whole width; their picture stands below. */
  &[data-wide] {
    grid-template-columns: minmax(0, 1fr);
    > div:first-child {
      border-right: 0;
    }
  }
  > div {
    padding: 12px 16px;
    min-width: 0;
    overflow-x: auto;
    &:first-child {
      border-right: 1px solid var(--hairline);
    }
  }
  h2 {
    ${caption} margin-bottom: 8px;
  }
  ${NARROW} {
    grid-template-columns: 1fr;
    > div:first-child {
      border-right: 0;
    }
  }
`
export const Bad = styled.p`
  padding: 8px 16px;
  color: var(--on-scribe);
  background: var(--out);
`
/** On a phone the sheet, and the advice with checks and tools, are one tap away. */
export const Parts = styled.div`
  display: none;
  ${PHONE} {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 6px;
    padding: 6px 12px;
    border-bottom: 1px solid var(--hairline);
  }
`
export const Done = styled.p`
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: flex-end;
  padding: 6px 20px;
  background: var(--dye-wash);
  border-top: 1px solid var(--hairline);
`
export const Waiting = styled.span`
  color: var(--scribe);
  font-weight: 600;
  white-space: nowrap;
`
