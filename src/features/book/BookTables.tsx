'use client'
import type { ReactNode } from 'react'
import { VerdictMark } from '@/ui/VerdictMark'
import { isMarked } from '@/wording'
import { Table } from '@/ui/Table'
import type { BenchSheet, BookSheet, OutLine } from './bookSheet'

/** A table that scrolls by itself where the page is too narrow for it. */
function Wide({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Table scrolls={label} figures="right" size="print">
      {children}
    </Table>
  )
}
/** What a reader wants first: what is not as it should be, and what was found about it. */
export function StandsOut({ lines }: { lines: readonly OutLine[] }) {
  return (
    <>
      <h2>What stands out</h2>
      {lines.length > 0 ? <OutLines lines={lines} /> : <p>Nothing: all that is measured and has a limit is within it.</p>}
    </>
  )
}

function OutLines({ lines }: { lines: readonly OutLine[] }) {
  return (
    <Wide label="What stands out">
      <thead>
        <tr>
          <th scope="col">Finding</th>
          <th scope="col" data-figure>
            Value
          </th>
          <th scope="col">Limit</th>
          <th scope="col">Verdict</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.label}>
            <td>{line.label}</td>
            <td data-figure>{line.value}</td>
            <td>{line.limit}</td>
            <td>
              <VerdictMark standing={line.standing} size={11} silent /> {line.words}
            </td>
          </tr>
        ))}
      </tbody>
    </Wide>
  )
}

/** What was read at a bench, what was looked at, and what was found. */
export function BenchTables({ bench }: { bench: BenchSheet }) {
  return (
    <>
      <h2>{bench.title}</h2>
      {bench.readings.map((sheet, index) => (
        <Readings key={index} sheet={sheet} label={`${bench.title}: readings ${index + 1}`} />
      ))}
      <WordList lines={bench.checks} />
      {bench.findings.map((sheet, index) => (
        <Findings key={index} sheet={sheet} label={`${bench.title}: findings ${index + 1}`} />
      ))}
    </>
  )
}

function Readings({ sheet, label }: { sheet: BenchSheet['readings'][number]; label: string }) {
  return (
    <Wide label={label}>
      <ColumnHeads first="Readings" columns={sheet.columns} />
      <tbody>
        {sheet.rows.map((row) => (
          <tr key={row.label}>
            <td>{row.label}</td>
            {row.cells.map((cell, at) => (
              <td key={at} data-figure>
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </Wide>
  )
}

function Findings({ sheet, label }: { sheet: BenchSheet['findings'][number]; label: string }) {
  return (
    <Wide label={label}>
      <ColumnHeads first="Findings" columns={sheet.columns} />
      <tbody>
        {sheet.rows.map((row) => (
          <tr key={row.label}>
            <td>
              {row.label}
              {row.under && <small>{row.under}</small>}
            </td>
            {row.cells.map((cell, at) => (
              <td key={at} data-figure>
                {isMarked(cell.standing) && <VerdictMark standing={cell.standing} size={9} />} {cell.words}{' '}
                {cell.plusMinus && <small>{cell.plusMinus}</small>}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </Wide>
  )
}

function ColumnHeads({ first, columns }: { first: string; columns: readonly string[] }) {
  return (
    <thead>
      <tr>
        <th scope="col">{first}</th>
        {columns.map((column) => (
          <th key={column} scope="col" data-figure>
            {column}
          </th>
        ))}
      </tr>
    </thead>
  )
}

export function PaperTable({ lines }: { lines: BookSheet['paper'] }) {
  return (
    <Wide label="Paper">
      <thead>
        <tr>
          <th scope="col">Number</th>
          <th scope="col" data-figure>
            Value
          </th>
          <th scope="col">Source</th>
          <th scope="col">Reason</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.label}>
            <td>{line.label}</td>
            <td data-figure>{line.value}</td>
            <td>{line.source}</td>
            <td>{line.reason}</td>
          </tr>
        ))}
      </tbody>
    </Wide>
  )
}

export function GaugeTable({ gauges }: { gauges: BookSheet['gauges'] }) {
  return (
    <Table size="print">
      <tbody>
        {gauges.map((gauge) => (
          <tr key={gauge.name}>
            <td>{gauge.name}</td>
            <td>{gauge.uncertainty}</td>
            <td>{gauge.checked}</td>
          </tr>
        ))}
      </tbody>
    </Table>
  )
}

/** Lines of words under their title, where there are any. */
export function WordList({ title, lines }: { title?: string; lines: readonly string[] }) {
  if (lines.length === 0) return null
  return (
    <>
      {title && <h2>{title}</h2>}
      <ul>
        {lines.map((words, index) => (
          <li key={index}>{words}</li>
        ))}
      </ul>
    </>
  )
}
