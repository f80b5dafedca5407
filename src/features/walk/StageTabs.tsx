'use client'
import styled from 'styled-components'
import { WALK_STAGES, type StageId } from '@/core/document/walkStages'
import type { WalkStep } from '@/core/walk'
import { NARROW, PHONE } from '@/ui/GlobalStyle'
import { STAGE_WORDS } from '@/wording/walk'

const Side = styled.nav`
  display: flex;
  flex-direction: column;
  width: 112px;
  padding: 14px 0;
  border-right: 1px solid var(--hairline);
  background: var(--raised);
  ${NARROW} {
    width: 92px;
  }
  ${PHONE} {
    flex-direction: row;
    width: auto;
    padding: 6px 8px;
    overflow-x: auto;
    border-right: 0;
    border-bottom: 1px solid var(--hairline);
  }
`
const Stage = styled.button`
  position: relative;
  flex: 1 1 40px;
  min-height: 30px;
  max-height: 44px;
  padding: 0 38px 0 8px;
  border: 0;
  background: none;
  font: inherit;
  font-size: 13.5px;
  font-stretch: 88%;
  font-weight: 500;
  text-align: right;
  color: var(--quiet);
  cursor: pointer;
  &[data-begun] {
    color: var(--dye);
  }
  &[aria-current] {
    color: var(--scribe);
    font-weight: 700;
  }
  svg {
    position: absolute;
    right: 0;
    top: 0;
    height: 100%;
  }
  ${PHONE} {
    flex: none;
    min-height: 40px;
    padding: 0 10px;
    svg {
      display: none;
    }
  }
`
const TICKS = 5
const WIDE = 32
const HIGH = 40

/** The stages as graduations of a rule, inked as far as their steps are done. */
export function StageTabs({ steps, stage, onPick }: { steps: readonly WalkStep[]; stage: StageId; onPick: (stage: StageId) => void }) {
  return (
    <Side aria-label="Stages">
      {WALK_STAGES.map((id) => {
        const own = steps.filter((one) => one.stage === id && !one.isOptional)
        const done = own.filter(({ standing }) => standing === 'done' || standing === 'leftOut').length
        const share = own.length === 0 ? 0 : done / own.length
        return own.length === 0 ? null : (
          <Stage
            key={id}
            type="button"
            data-begun={done > 0 || undefined}
            aria-current={id === stage ? 'step' : undefined}
            aria-label={`${STAGE_WORDS[id].title}: ${done} of ${own.length}`}
            onClick={() => onPick(id)}
          >
            {STAGE_WORDS[id].short}
            <svg width={WIDE} viewBox={`0 0 ${WIDE} ${HIGH}`} preserveAspectRatio="none" aria-hidden="true">
              {Array.from({ length: TICKS }, (_, tick) => (
                <line
                  key={tick}
                  x1={tick === 0 ? 2 : 20}
                  x2={WIDE}
                  y1={(tick * HIGH) / TICKS + 1}
                  y2={(tick * HIGH) / TICKS + 1}
                  stroke={tick < share * TICKS ? 'var(--dye)' : 'var(--edge)'}
                  strokeWidth={tick === 0 ? 1.6 : 1}
                />
              ))}
            </svg>
          </Stage>
        )
      })}
    </Side>
  )
}
