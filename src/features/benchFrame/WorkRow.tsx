'use client'
import { ProgressBar } from 'react-aria-components'
import styled from 'styled-components'
import { Button } from '@/ui/Button'
import { Row } from '@/ui/Layout'
import type { Work } from './useWork'

const Bar = styled(ProgressBar)`
  flex: 1;
  height: 12px;
  background: var(--dye-wash);
  > div {
    height: 100%;
    background: var(--dye);
  }
`

/** Starts long work, shows how far it has come, stops it. */
export function WorkRow<Answer>({
  label,
  words,
  again = 'Draw again',
  work,
  start,
  stop,
}: {
  label: string
  words: string
  /** What the button says once it was done. */
  again?: string
  work: Work<Answer>
  start: () => void
  stop: () => void
}) {
  return (
    <Row>
      {work.state === 'running' ? (
        <>
          <Bar aria-label={label} value={work.progress * 100}>
            <div style={{ width: `${work.progress * 100}%` }} />
          </Bar>
          <Button onPress={stop}>Stop</Button>
        </>
      ) : (
        <Button kind="primary" onPress={start}>
          {work.state === 'done' ? again : words}
        </Button>
      )}
    </Row>
  )
}
