import styled from 'styled-components'
import type { Part } from '@/core/parts'

/** On paper alone: 90 by 40 mm, two across, to be cut along their lines. */
const Sheet = styled.div`
  display: none;
  @media print {
    display: grid;
    grid-template-columns: 90mm 90mm;
    gap: 0;
  }
`
const Label = styled.section`
  width: 90mm;
  height: 40mm;
  padding: 4mm;
  border: 0.2mm dashed;
  break-inside: avoid;
  overflow: hidden;
  font-size: 10pt;
  b {
    display: block;
    font-size: 16pt;
  }
  p {
    font-size: 12pt;
  }
`

/** A label for each pot: what lies in it, of which engine, in what, since when. */
export function PrintedLabels({ name, parts }: { name: string; parts: readonly Part[] }) {
  return (
    <Sheet>
      {parts
        .filter(({ lies }) => lies)
        .map(({ id, name: part, count, lies, owner }) => (
          <Label key={id}>
            <b>{lies!.pot}</b>
            <p>
              {part}
              {count > 1 && `, ${count}`}
            </p>
            <p>
              {name}
              {owner === 'owner' && ' · the owner’s'}
              {owner === 'lent' && ' · lent'}
            </p>
            {lies!.fluid ? `In ${lies!.fluid}, since` : 'Since'} {lies!.since.slice(0, 10)}, {lies!.by}
          </Label>
        ))}
    </Sheet>
  )
}
