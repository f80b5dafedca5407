'use client'
import styled from 'styled-components'
import { caption, numerals, PHONE } from '@/ui/GlobalStyle'

/** The joint large on the left, what to do on the right; on a phone what to do first, its button under the thumb. */
export const Frame = styled.div`
  display: grid;
  grid-template: auto 1fr / minmax(0, 1fr) 420px;
  height: 100dvh;
  > header {
    grid-column: 1 / -1;
  }
  ${PHONE} {
    grid-template: auto 30dvh 1fr / minmax(0, 1fr);
  }
`
export const Board = styled.main`
  display: grid;
  grid-template-rows: 1fr auto;
  min-height: 0;
  min-width: 0;
  padding: 12px 20px;
  ${PHONE} {
    padding: 4px 8px;
  }
`
export const Side = styled.aside`
  border-left: 1px solid var(--hairline);
  background: var(--raised);
  overflow: auto;
  padding: 24px 26px;
  display: flex;
  flex-direction: column;
  gap: 18px;
  ${PHONE} {
    border-left: 0;
    border-top: 1px solid var(--hairline);
    padding: 12px 16px;
    gap: 10px;
  }
`
export const Ticks = styled.div`
  display: flex;
  gap: 0;
  padding: 12px 0 4px;
  > div {
    flex: 1;
    text-align: center;
    font-weight: 600;
    color: var(--quiet);
    &[data-here] {
      color: var(--scribe);
    }
  }
  p {
    display: flex;
    justify-content: space-between;
    align-items: flex-start;
    height: 26px;
    border-left: 3px solid var(--edge);
    padding: 0 6px;
  }
  i {
    width: 2px;
    height: 16px;
    background: var(--hairline);
    &[data-done] {
      background: var(--dye);
    }
    &[data-here] {
      background: var(--scribe);
      height: 24px;
    }
  }
  ${PHONE} {
    display: none;
  }
`
export const Caption = styled.h2`
  ${caption}
`
/** Read from two metres. */
export const Figure = styled.p`
  ${numerals} font-size: 128px;
  font-weight: 700;
  line-height: 0.95;
  letter-spacing: -0.06em;
  &[data-words] {
    font-size: 84px;
  }
  ${PHONE} {
    font-size: 84px;
    &[data-words] {
      font-size: 56px;
    }
  }
`
export const Unit = styled.p`
  font-size: 26px;
  font-weight: 600;
  span {
    font-weight: 400;
    color: var(--quiet);
  }
  ${PHONE} {
    font-size: 20px;
  }
`
export const Which = styled.p`
  font-size: 26px;
  font-weight: 700;
  small {
    display: block;
    font-size: 17px;
    font-weight: 400;
    color: var(--quiet);
  }
  ${PHONE} {
    font-size: 20px;
    small {
      font-size: 15px;
    }
  }
`
export const About = styled.p`
  font-size: 16px;
  color: var(--quiet);
  b {
    color: var(--ink);
    font-weight: 500;
  }
`
export const Countdown = styled.div`
  border-top: 1px solid var(--hairline);
  padding-top: 14px;
  margin-top: auto;
  [role='timer'] {
    ${numerals} font-size: 42px;
    font-weight: 700;
    line-height: 1.1;
    color: var(--scribe);
    &[data-late] {
      color: var(--out);
    }
  }
`
export const KeyRow = styled.div`
  border-top: 2px solid var(--dye);
  padding-top: 14px;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  font-size: 15px;
  align-items: center;
  > button {
    display: inline-flex;
    align-items: center;
    gap: 6px;
    min-height: 32px;
    padding: 0 4px;
    background: none;
    border: 0;
    cursor: pointer;
  }
  > button[data-main] {
    flex: 1 0 100%;
    justify-content: center;
    min-height: 56px;
    font-size: 19px;
    font-weight: 600;
    background: var(--scribe);
    color: var(--on-scribe);
    border-radius: 3px;
    margin-bottom: 8px;
    /* Something has to be put right first. */
    &:disabled {
      background: none;
      color: var(--quiet);
      border: 1px solid var(--edge);
      cursor: not-allowed;
    }
    kbd {
      background: none;
      color: inherit;
      border-color: currentColor;
    }
  }
  ${PHONE} {
    > button {
      min-height: 48px;
    }
    > button:not([data-main]) {
      text-decoration: underline;
      text-underline-offset: 4px;
    }
    kbd {
      display: none;
    }
  }
`
export const List = styled.ul`
  display: grid;
  gap: 8px;
  font-size: 16px;
  li {
    padding-left: 14px;
    border-left: 3px solid var(--dye);
    &[data-bad] {
      border-color: var(--out);
    }
    &[data-ask] {
      border-color: var(--doubt);
    }
  }
`
