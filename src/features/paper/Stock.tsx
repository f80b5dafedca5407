'use client'
import type { Spec, StockDefinition, StockKind, UnitSystem } from '@/core/document'
import { STOCK } from '@/core/benches'
import type { SpecEdit } from '@/features/entries/useSpec'
import { Button } from '@/ui/Button'
import { Table } from '@/ui/Table'
import { fieldWords, freshId, isTyped, type AnyPart, type FilledPart } from './stockFields'
import { StockForm } from './StockForm'

/** Parts of one kind that lie on the shelf or can be had, as their bench declares it, and a form for one more. */
export function StockSection({ kind, edit, system }: { kind: StockKind; edit: SpecEdit; system: UnitSystem }) {
  const definition: StockDefinition = STOCK[kind]
  const { one, chosenAs } = definition
  const parts = partsOf(edit.spec, kind)
  const add = (filled: FilledPart) =>
    edit.change(`${one} ${filled.name}`, (spec) => {
      const known = partsOf(spec, kind)
      const part: AnyPart = { id: freshId(one, known), ...filled }
      const more = withParts(spec, kind, [...known, part])
      return chosenAs ? { ...more, choice: { ...spec.choice, [chosenAs]: spec.choice[chosenAs] ?? part.id } } : more
    })
  return (
    <>
      {parts.length > 0 && <Shelf kind={kind} edit={edit} system={system} />}
      <StockForm definition={definition} system={system} add={add} />
    </>
  )
}

function Shelf({ kind, edit, system }: { kind: StockKind; edit: SpecEdit; system: UnitSystem }) {
  const { title, one, fields, chosenAs, laidInAs, counted }: StockDefinition = STOCK[kind]
  const last = counted ? fields[counted.field]!.label : (chosenAs ?? laidInAs) && 'On the engine'
  const shown = Object.entries(fields).filter(([name]) => name !== counted?.field)
  return (
    <Table scrolls={`${title}: the shelf`}>
      <thead>
        <tr>
          <th scope="col">{one[0]!.toUpperCase() + one.slice(1)}</th>
          {shown.map(([name, field]) => (
            <th key={name} scope="col">
              {field.label}
            </th>
          ))}
          <th scope="col" data-minor>
            Source
          </th>
          {last ? <th scope="col">{last}</th> : <td />}
        </tr>
      </thead>
      <tbody>
        {partsOf(edit.spec, kind).map((part) => (
          <tr key={part.id}>
            <td>{part.name}</td>
            {shown.map(([name, field]) => (
              <td key={name} data-figure={isTyped(field) || undefined}>
                {fieldWords(field, part[name], system)}
              </td>
            ))}
            <td data-minor>{part.source}</td>
            <td>{counted ? <Counted kind={kind} part={part} edit={edit} /> : <Chosen kind={kind} part={part} edit={edit} />}</td>
          </tr>
        ))}
      </tbody>
    </Table>
  )
}

/** How many there are, up and down by one. */
function Counted({ kind, part, edit }: { kind: StockKind; part: AnyPart; edit: SpecEdit }) {
  const { field, one } = STOCK[kind].counted!
  const count = Number(part[field])
  const set = (next: number) =>
    edit.change(`${part.name}: ${next} on the shelf`, (spec) =>
      withParts(
        spec,
        kind,
        partsOf(spec, kind).map((other) => (other.id === part.id ? { ...other, [field]: next } : other)),
      ),
    )
  return (
    <>
      {count}{' '}
      <Button size="small" aria-label={`One ${one} ${part.name} more`} onPress={() => set(count + 1)}>
        +
      </Button>{' '}
      <Button size="small" aria-label={`One ${one} ${part.name} fewer`} isDisabled={count === 0} onPress={() => set(count - 1)}>
        −
      </Button>
    </>
  )
}

/** Whether it is the one on the engine; any other can be chosen or taken off the list. */
function Chosen({ kind, part, edit }: { kind: StockKind; part: AnyPart; edit: SpecEdit }) {
  const { one, chosenAs, laidInAs }: StockDefinition = STOCK[kind]
  if (chosenAs && edit.spec.choice[chosenAs] === part.id) return <b>chosen</b>
  const laidIn = (laidInAs && edit.spec.choice[laidInAs]) ?? []
  const layIn = (ids: string[], words: string) =>
    edit.change(`${one} ${part.name} ${words}`, (spec) => ({ ...spec, choice: { ...spec.choice, [laidInAs!]: ids } }))
  if (laidIn.includes(part.id))
    return (
      <>
        <b>laid in</b>{' '}
        <Button
          size="small"
          onPress={() =>
            layIn(
              laidIn.filter((id) => id !== part.id),
              'left out',
            )
          }
        >
          Leave out
        </Button>
      </>
    )
  const choose = () => edit.change(`${one} ${part.name} chosen`, (spec) => ({ ...spec, choice: { ...spec.choice, [chosenAs!]: part.id } }))
  const takeOut = () =>
    edit.change(`${one} ${part.name} out of stock`, (spec) =>
      withParts(
        spec,
        kind,
        partsOf(spec, kind).filter(({ id }) => id !== part.id),
      ),
    )
  return (
    <>
      {laidInAs && (
        <>
          <Button size="small" onPress={() => layIn([...laidIn, part.id], 'laid in')}>
            Lay in
          </Button>{' '}
        </>
      )}
      {chosenAs && (
        <>
          <Button size="small" onPress={choose}>
            Choose
          </Button>{' '}
        </>
      )}
      <Button size="small" kind="plain" onPress={takeOut}>
        Take out
      </Button>
    </>
  )
}

/** The parts of a kind, whatever it is: what each must say is checked at the door. */
function partsOf({ stock }: Spec, kind: StockKind): readonly AnyPart[] {
  return stock[kind] as unknown as readonly AnyPart[]
}

function withParts(spec: Spec, kind: StockKind, parts: readonly AnyPart[]): Spec {
  return { ...spec, stock: { ...spec.stock, [kind]: parts } }
}
