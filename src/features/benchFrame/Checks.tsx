'use client'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { benchChecks, type BenchCheck } from '@/core/bench/checks'
import type { Bench, Id } from '@/core/bench/bench'
import type { Build, Place } from '@/core/document'
import { Button } from '@/ui/Button'
import { caption, PHONE } from '@/ui/GlobalStyle'
import { VerdictMark } from '@/ui/VerdictMark'
import { subjectWords } from '@/wording'
import { lazyPart } from '@/ui/lazyPart'
import { Row, Stack } from '@/ui/Layout'

const CheckForm = lazyPart(() => import('./CheckForm').then((module) => module.CheckForm))

const List = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(370px, 1fr));
  gap: 0 28px;
  ${PHONE} {
    grid-template-columns: 1fr;
  }
`
const Item = styled.li`
  display: grid;
  grid-template-columns: 18px 1fr auto;
  gap: 8px;
  align-items: center;
  min-height: 48px;
  border-top: 1px solid var(--hairline);
  padding: 4px 0;
  p {
    line-height: 1.25;
  }
  small {
    display: block;
    color: var(--quiet);
    font-size: 12.5px;
  }
  > form {
    grid-column: 2 / -1;
    display: flex;
    gap: 8px;
    align-items: end;
    padding-bottom: 6px;
  }
`
const Heading = styled.h2`
  ${caption}
`

/** Things looked at, not measured: what was found, by whom, when. A second look stands beside the first, nothing is wiped. */
export function Checks({
  bench,
  build,
  onCheck,
}: {
  bench: Bench
  build: Build
  onCheck: (id: Id, place: Place, passed: boolean, text: string) => void
}) {
  const checks = useMemo(() => benchChecks(bench, build), [bench, build])
  if (checks.length === 0) return null
  return (
    <Stack as="section" $gap={8} aria-label="Checks">
      <Heading>
        Checks · {checks.filter(({ check }) => check).length} of {checks.length}
      </Heading>
      <List>
        {checks.map((one) => (
          <CheckLine key={`${one.id}/${subjectWords(one.place)}`} one={one} onCheck={onCheck} />
        ))}
      </List>
    </Stack>
  )
}

function foundWords({ passed, text, by, at }: NonNullable<BenchCheck['check']>): string {
  return `${passed ? 'right' : 'not right'}${text ? `: ${text}` : ''} · ${by}, ${at.slice(0, 16).replace('T', ' ')}`
}

function CheckLine({ one, onCheck }: { one: BenchCheck; onCheck: (id: Id, place: Place, passed: boolean, text: string) => void }) {
  const { id, label, why, place, check } = one
  const [isWrong, setIsWrong] = useState(false)
  const title = [label, subjectWords(place)].filter(Boolean).join(', ')
  const standingSeen = check?.passed ? 'within' : 'over'
  return (
    <Item>
      <VerdictMark standing={check ? standingSeen : 'notMeasured'} silent />
      <p>
        {title}
        <small>{check ? foundWords(check) : why}</small>
      </p>
      <Row as="span" $gap={6}>
        <Button
          size="small"
          onPress={() => {
            onCheck(id, place, true, '')
            setIsWrong(false)
          }}
          aria-label={`${title}: right`}
        >
          Right
        </Button>
        <Button size="small" kind="plain" onPress={() => setIsWrong(!isWrong)} aria-label={`${title}: not right`}>
          Not right
        </Button>
      </Row>
      {isWrong && (
        <CheckForm
          onFound={(text) => {
            onCheck(id, place, false, text)
            setIsWrong(false)
          }}
        />
      )}
    </Item>
  )
}
