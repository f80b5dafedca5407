'use client'
import Link from 'next/link'
import { memo } from 'react'
import styled from 'styled-components'
import { NARROW, PHONE } from '@/ui/GlobalStyle'
import type { Stage } from './stages'

const TICKS = 10
const Side = styled.nav`
  border-right: 1px solid var(--hairline);
  background: var(--raised);
  overflow: auto;
  padding: 14px 0;
  width: 112px;
  ${NARROW} {
    width: 84px;
  }
  ${PHONE} {
    display: none;
  }
`
const Item = styled(Link)`
  position: relative;
  display: block;
  height: 76px;
  padding: 0 38px 0 8px;
  text-align: right;
  font-size: 13.5px;
  font-stretch: 88%;
  font-weight: 500;
  color: var(--quiet);
  text-decoration: none;
  &[data-done] {
    color: var(--dye);
  }
  &[aria-current] {
    color: var(--scribe);
    font-weight: 700;
  }
  span {
    position: relative;
    top: -9px;
  }
  &:hover span {
    text-decoration: underline;
  }
  ${NARROW} {
    padding-right: 30px;
    font-size: 12.5px;
  }
  svg {
    position: absolute;
    right: 0;
    top: 0;
  }
`

/** The stages as the graduations of a steel rule, inked as far as the work has come. */
export function StageRule({ stages }: { stages: readonly Stage[] }) {
  return (
    <Side aria-label="Stages">
      {stages.map(({ href, words, done, here }) => (
        <StageTicks key={href} href={href} words={words} done={done} here={here} />
      ))}
    </Side>
  )
}

/** One stage, not drawn again for a reading at another one. */
const StageTicks = memo(({ href, words, done, here }: Omit<Stage, 'bench'>) => (
  <Item href={href} prefetch={false} aria-current={here ? 'page' : undefined} data-done={done !== undefined && done > 0 ? '' : undefined}>
    <span>{words}</span>
    <svg width={32} height={76} aria-hidden>
      {Array.from({ length: TICKS }, (_, tick) => (
        <line
          key={tick}
          x1={tick === 0 ? 2 : tick === 5 ? 14 : 21}
          x2={32}
          y1={1 + tick * 7.6}
          y2={1 + tick * 7.6}
          stroke={
            tick === 0 && here ? 'var(--scribe)' : done !== undefined && tick <= done * TICKS && done > 0 ? 'var(--dye)' : 'var(--edge)'
          }
          strokeWidth={tick === 0 ? 1.6 : 1}
        />
      ))}
    </svg>
  </Item>
))
