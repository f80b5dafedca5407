'use client'
import { useState } from 'react'
import styled from 'styled-components'
import type { Gasket, PistonOption, Shell, UnitSystem } from '@/core/build'
import { CANONICAL_UNIT, formatExact, parseEntry, UNITS, type Kind, type UnitId } from '@/core/quantity'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { numerals, PHONE } from '@/ui/GlobalStyle'
import type { SpecEdit } from '@/features/spec/useSpec'

const Table = styled.table`
  width: 100%;
  font-size: 14px;
  th {
    text-align: left;
    font-weight: 500;
    font-size: 13px;
    color: var(--quiet);
    padding: 4px 10px 4px 0;
  }
  td {
    padding: 6px 10px 6px 0;
    border-top: 1px solid var(--hairline);
  }
  td[data-number] {
    ${numerals}
  }
  ${PHONE} {
    th:nth-child(5),
    td:nth-child(5) {
      display: none;
    }
  }
`
const Adding = styled.form`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 10px;
  align-items: start;
  > button {
    margin-top: 24px;
  }
`

interface StockField {
  readonly name: string
  readonly label: string
  readonly kind: Kind | 'words'
  readonly optional?: boolean
}

/** A form as filled in: every field that is not optional is there. */
interface Filled {
  readonly words: Readonly<Record<string, string>>
  /** In canonical units. */
  readonly numbers: Readonly<Record<string, number>>
}

const GASKET_KINDS = [
  { value: 'multiLayerSteel', label: 'Multi-layer steel' },
  { value: 'composite', label: 'Composite' },
  { value: 'copper', label: 'Copper' },
  { value: 'steelShim', label: 'Steel shim' },
  { value: 'other', label: 'Other' },
] as const satisfies readonly { value: NonNullable<Gasket['kind']>; label: string }[]

/** Gaskets that can be had; one of them is on the engine. */
export function GasketStock({ edit, system }: { edit: SpecEdit; system: UnitSystem }) {
  const { stock, choice } = edit.spec
  const [kind, setKind] = useState<NonNullable<Gasket['kind']>>('multiLayerSteel')
  const unit = system === 'metric' ? 'mm' : 'in'
  const fields: readonly StockField[] = [
    { name: 'name', label: 'Name', kind: 'words' },
    { name: 'thicknessMm', label: `Compressed, ${UNITS[unit].symbol}`, kind: 'length' },
    { name: 'boreMm', label: `Bore, ${UNITS[unit].symbol}`, kind: 'length' },
    { name: 'thicknessToleranceMm', label: `± thickness, ${UNITS[unit].symbol}`, kind: 'length', optional: true },
    { name: 'source', label: 'Source', kind: 'words' },
  ]
  const add = ({ words, numbers }: Filled) =>
    edit.change(`gasket ${words.name}`, (spec) => {
      const gasket: Gasket = {
        id: freshId('gasket', spec.stock.gaskets),
        name: words.name!,
        source: words.source!,
        thicknessMm: numbers.thicknessMm!,
        boreMm: numbers.boreMm!,
        kind,
        ...(numbers.thicknessToleranceMm !== undefined && { thicknessToleranceMm: numbers.thicknessToleranceMm }),
      }
      return {
        ...spec,
        stock: { ...spec.stock, gaskets: [...spec.stock.gaskets, gasket] },
        choice: { ...spec.choice, gasket: spec.choice.gasket ?? gasket.id },
      }
    })
  return (
    <>
      {stock.gaskets.length > 0 && (
        <Table>
          <thead>
            <tr>
              <th scope="col">Gasket</th>
              <th scope="col">Compressed</th>
              <th scope="col">Bore</th>
              <th scope="col">±</th>
              <th scope="col">Source</th>
              <th scope="col">On the engine</th>
            </tr>
          </thead>
          <tbody>
            {stock.gaskets.map((gasket) => (
              <tr key={gasket.id}>
                <td>{gasket.name}</td>
                <td data-number>{formatExact(gasket.thicknessMm, unit)}</td>
                <td data-number>{formatExact(gasket.boreMm, unit)}</td>
                <td data-number>
                  {gasket.thicknessToleranceMm === undefined ? 'not said' : formatExact(gasket.thicknessToleranceMm, unit)}
                </td>
                <td>{gasket.source}</td>
                <td>
                  {gasket.id === choice.gasket ? (
                    <b>chosen</b>
                  ) : (
                    <>
                      <Button
                        size="small"
                        onPress={() =>
                          edit.change(`gasket ${gasket.name} chosen`, (spec) => ({
                            ...spec,
                            choice: { ...spec.choice, gasket: gasket.id },
                          }))
                        }
                      >
                        Choose
                      </Button>{' '}
                      <Button
                        size="small"
                        kind="plain"
                        onPress={() =>
                          edit.change(`gasket ${gasket.name} out of stock`, (spec) => ({
                            ...spec,
                            stock: { ...spec.stock, gaskets: spec.stock.gaskets.filter((one) => one.id !== gasket.id) },
                          }))
                        }
                      >
                        Take out
                      </Button>
                    </>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
      <ChoiceRow
        label="Made of"
        value={kind}
        onChange={setKind}
        options={GASKET_KINDS}
        hint="The deck’s finish is judged only against a gasket that needs it."
      />
      <StockForm fields={fields} unit={unit} add={add} words="Add a gasket" />
    </>
  )
}

const SHELL_SIZES = [
  { value: 'standard', label: 'Standard', wallThou: 0 },
  { value: 'x', label: 'X, half thou thinner', wallThou: -0.5 },
  { value: 'undersize', label: 'Undersize, half thou thicker', wallThou: 0.5 },
] as const
type ShellSize = (typeof SHELL_SIZES)[number]['value']

/** Shells on the shelf, in halves, each by how much thicker or thinner than standard it is. */
export function ShellStock({ edit, system }: { edit: SpecEdit; system: UnitSystem }) {
  const [fits, setFits] = useState<Shell['fits']>('main')
  const [size, setSize] = useState<ShellSize>('standard')
  const { shells } = edit.spec.stock
  const unit = system === 'metric' ? 'um' : 'thou'
  const fields: readonly StockField[] = [
    { name: 'name', label: 'Name', kind: 'words' },
    { name: 'halves', label: 'Halves on the shelf', kind: 'ratio' },
    { name: 'coatingMm', label: `Coating a half, ${UNITS[unit].symbol}`, kind: 'length', optional: true },
    { name: 'source', label: 'Source', kind: 'words' },
  ]
  const add = ({ words, numbers }: Filled) =>
    edit.change(`shells ${words.name}`, (spec) => {
      const shell: Shell = {
        id: freshId('shell', spec.stock.shells),
        name: words.name!,
        source: words.source!,
        fits,
        wallMm: SHELL_SIZES.find((one) => one.value === size)!.wallThou * UNITS.thou.factor,
        halves: Math.round(numbers.halves!),
        ...(numbers.coatingMm !== undefined && { coatingMm: numbers.coatingMm }),
      }
      return { ...spec, stock: { ...spec.stock, shells: [...spec.stock.shells, shell] } }
    })
  const setHalves = (shell: Shell, halves: number) =>
    edit.change(`${shell.name}: ${halves} halves`, (spec) => ({
      ...spec,
      stock: {
        ...spec.stock,
        shells: spec.stock.shells.map((one) => (one.id === shell.id ? { ...one, halves: Math.max(0, halves) } : one)),
      },
    }))
  return (
    <>
      {shells.length > 0 && (
        <Table>
          <thead>
            <tr>
              <th scope="col">Shell</th>
              <th scope="col">Fits</th>
              <th scope="col">A half, against standard</th>
              <th scope="col">Coating</th>
              <th scope="col">Source</th>
              <th scope="col">Halves</th>
            </tr>
          </thead>
          <tbody>
            {shells.map((shell) => (
              <tr key={shell.id}>
                <td>{shell.name}</td>
                <td>{shell.fits}</td>
                <td data-number>
                  {shell.wallMm === 0
                    ? 'standard'
                    : `${shell.wallMm > 0 ? '+' : '−'}${formatExact(Math.abs(shell.wallMm), unit)} ${UNITS[unit].symbol}`}
                </td>
                <td data-number>{shell.coatingMm ? `${formatExact(shell.coatingMm, unit)} ${UNITS[unit].symbol}` : 'none'}</td>
                <td>{shell.source}</td>
                <td data-number>
                  {shell.halves}{' '}
                  <Button size="small" aria-label={`One half ${shell.name} more`} onPress={() => setHalves(shell, shell.halves + 1)}>
                    +
                  </Button>{' '}
                  <Button
                    size="small"
                    aria-label={`One half ${shell.name} fewer`}
                    isDisabled={shell.halves === 0}
                    onPress={() => setHalves(shell, shell.halves - 1)}
                  >
                    −
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 20 }}>
        <ChoiceRow
          label="Fits"
          value={fits}
          onChange={setFits}
          options={[
            { value: 'main', label: 'Mains' },
            { value: 'rod', label: 'Rods' },
          ]}
        />
        <ChoiceRow label="Size" value={size} onChange={setSize} options={SHELL_SIZES} />
      </div>
      <StockForm fields={fields} unit={unit} add={add} words="Add shells" />
    </>
  )
}

/** Pistons the planner may consider besides the ones measured. */
export function PistonStock({ edit, system }: { edit: SpecEdit; system: UnitSystem }) {
  const { stock } = edit.spec
  const unit = system === 'metric' ? 'mm' : 'in'
  const fields: readonly StockField[] = [
    { name: 'name', label: 'Name', kind: 'words' },
    { name: 'volumeCm3', label: 'Volume, cm³ (dish +, dome −)', kind: 'volume' },
    { name: 'compressionHeightMm', label: `Compression height, ${UNITS[unit].symbol}`, kind: 'length' },
    { name: 'source', label: 'Source', kind: 'words' },
  ]
  const add = ({ words, numbers }: Filled) =>
    edit.change(`piston ${words.name}`, (spec) => {
      const piston: PistonOption = {
        id: freshId('piston', spec.stock.pistons),
        name: words.name!,
        source: words.source!,
        volumeCm3: numbers.volumeCm3!,
        compressionHeightMm: numbers.compressionHeightMm!,
      }
      return { ...spec, stock: { ...spec.stock, pistons: [...spec.stock.pistons, piston] } }
    })
  return (
    <>
      {stock.pistons.length > 0 && (
        <Table>
          <thead>
            <tr>
              <th scope="col">Piston</th>
              <th scope="col">Volume</th>
              <th scope="col">Compression height</th>
              <th scope="col">Source</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {stock.pistons.map((piston) => (
              <tr key={piston.id}>
                <td>{piston.name}</td>
                <td data-number>{formatExact(piston.volumeCm3, 'cm3')} cm³</td>
                <td data-number>{formatExact(piston.compressionHeightMm, unit)}</td>
                <td>{piston.source}</td>
                <td>
                  <Button
                    size="small"
                    kind="plain"
                    onPress={() =>
                      edit.change(`piston ${piston.name} out`, (spec) => ({
                        ...spec,
                        stock: { ...spec.stock, pistons: spec.stock.pistons.filter((one) => one.id !== piston.id) },
                      }))
                    }
                  >
                    Take out
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
      <StockForm fields={fields} unit={unit} add={add} words="Add a piston" />
    </>
  )
}

function StockForm({
  fields,
  unit,
  add,
  words: heading,
}: {
  fields: readonly StockField[]
  unit: UnitId
  add: (filled: Filled) => void
  words: string
}) {
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({})
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({})
  const submit = () => {
    const { filled, wrong } = readFields(fields, typed, unit)
    setErrors(wrong)
    if (Object.keys(wrong).length > 0) return
    add(filled)
    setTyped({})
  }
  return (
    <Adding
      aria-label={heading}
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
    >
      {fields.map((field) => (
        <TextField
          key={field.name}
          label={field.label}
          value={typed[field.name] ?? ''}
          onChange={(text) => setTyped((now) => ({ ...now, [field.name]: text }))}
          error={errors[field.name]}
          numeric={field.kind !== 'words'}
        />
      ))}
      <Button type="submit">{heading}</Button>
    </Adding>
  )
}

/** What was typed, or what is wrong with it, field by field. */
function readFields(
  fields: readonly StockField[],
  typed: Readonly<Record<string, string>>,
  unit: UnitId,
): { filled: Filled; wrong: Readonly<Record<string, string>> } {
  const words: Record<string, string> = {}
  const numbers: Record<string, number> = {}
  const wrong: Record<string, string> = {}
  for (const { name, kind, optional } of fields) {
    const text = (typed[name] ?? '').trim()
    if (text === '') {
      if (!optional) wrong[name] = 'is needed'
    } else if (kind === 'words') words[name] = text
    else {
      const entry = parseEntry(text, { kind, unit: kind === 'length' ? unit : CANONICAL_UNIT[kind], signed: true })
      if (!entry.ok) wrong[name] = 'is not a number in a unit known here'
      else if (kind === 'length' && entry.value <= 0) wrong[name] = 'is more than nothing'
      else numbers[name] = entry.value
    }
  }
  return { filled: { words, numbers }, wrong }
}

function freshId(kind: string, known: readonly { readonly id: string }[]): string {
  let number = known.length + 1
  while (known.some((one) => one.id === `${kind}-${number}`)) number++
  return `${kind}-${number}`
}
