'use client'
import Link from 'next/link'
import { memo } from 'react'
import styled from 'styled-components'
import { NARROW, PHONE } from '@/ui/GlobalStyle'
import type { Stage } from './stages'

const TICKS = 10
/** A stage is as high as a thumb where there is room, and no lower than its word and ticks can be told apart at. */
const STAGE_PX = { most: 76, least: 30 }
const Side = styled.nav`
  border-right: 1px solid var(--hairline);
  background: var(--raised);
  display: flex;
  flex-direction: column;
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
  flex: 1 1 ${STAGE_PX.most}px;
  min-height: ${STAGE_PX.least}px;
  max-height: ${STAGE_PX.most}px;
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

/** Long at the stage, half as long in its middle, as on a rule. */
function startOf(tick: number): number {
  if (tick === 0) return 2
  return tick === TICKS / 2 ? 14 : 21
}

function inkOf(tick: number, done = 0): string {
  return done > 0 && tick <= done * TICKS ? 'var(--dye)' : 'var(--edge)'
}

/** One stage, not drawn again for a reading at another one. */
const StageTicks = memo(({ href, words, done, here }: Omit<Stage, 'bench'>) => (
  <Item href={href} prefetch={false} aria-current={here ? 'page' : undefined} data-done={done !== undefined && done > 0 ? '' : undefined}>
    <span>{words}</span>
    <svg width={32} height="100%" viewBox={`0 0 32 ${STAGE_PX.most}`} preserveAspectRatio="none" aria-hidden>
      {Array.from({ length: TICKS }, (_, tick) => (
        <line
          key={tick}
          x1={startOf(tick)}
          x2={32}
          y1={1 + tick * 7.6}
          y2={1 + tick * 7.6}
          stroke={tick === 0 && here ? 'var(--scribe)' : inkOf(tick, done)}
          strokeWidth={tick === 0 ? 1.6 : 1}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  </Item>
))
