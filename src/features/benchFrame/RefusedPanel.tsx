'use client'
import styled from 'styled-components'
import type { Station } from '@/core/bench/bench'
import { entryWords, stationId } from '@/core/document'
import { Button } from '@/ui/Button'
import { numerals } from '@/ui/GlobalStyle'
import { SidePanel } from '@/ui/SidePanel'
import type { KeptEntry } from '@/features/entries/outbox'
import { Row } from '@/ui/Layout'

const Item = styled.li`
  padding: 12px 0;
  border-bottom: 1px solid var(--hairline);
  display: grid;
  gap: 6px;
  b {
    ${numerals} font-size: 18px;
  }
  p {
    color: var(--out);
  }
`

/** What the server would not take, each with its reason: typed again, or dropped. Everything else goes on being sent. */
export function RefusedPanel({
  refused,
  stations,
  onAgain,
  onDrop,
  onClose,
}: {
  refused: readonly KeptEntry[]
  stations: readonly Station[]
  onAgain: (kept: KeptEntry, stationId: string) => void
  onDrop: (entryId: string) => void
  onClose: () => void
}) {
  return (
    <SidePanel title="Not taken by the server" isOpen onClose={onClose}>
      {refused.length === 0 && <p>Nothing is left here.</p>}
      <ul>
        {refused.map((kept) => {
          const { entry, reason } = kept
          const station =
            'characteristic' in entry ? stations.find(({ id }) => id === stationId(entry.characteristic, entry.place)) : undefined
          return (
            <Item key={entry.id}>
              <b>{entryWords(entry)}</b>
              <span>
                {station?.label ?? 'another bench'} · {entry.by}, {entry.at.slice(0, 16).replace('T', ' ')}
              </span>
              <p>{reason}</p>
              <Row>
                {station && entry.kind === 'reading' && <Button onPress={() => onAgain(kept, station.id)}>Type it again</Button>}
                <Button kind="plain" onPress={() => onDrop(entry.id)}>
                  Drop it from this device
                </Button>
              </Row>
            </Item>
          )
        })}
      </ul>
    </SidePanel>
  )
}
