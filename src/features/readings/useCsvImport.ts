'use client'
import { useMemo, useState } from 'react'
import { openBuild } from '@/core/benches'
import type { BuildDocument, Reading } from '@/core/document'
import type { CsvReport } from '@/core/files'
import { documentOf } from '@/features/entries/documentOf'
import { readCsvInWorker } from '@/workers/csv'
import { send } from '@/features/entries/send'

const MOST_A_SEND = 4000
const TAKEN = 409

/** A table of readings on its way in: looked at in a worker, said what came of it, stored when asked for. */
export function useCsvImport(document: BuildDocument) {
  const build = useMemo(() => openBuild(document), [document])
  const [text, setText] = useState('')
  /** Some of the ids are another build's: the table may be read as a copy. */
  const [taken, setTaken] = useState(false)
  const [report, setReport] = useState<CsvReport>()
  const [said, setSaid] = useState<{ words: string; tone: 'good' | 'bad' }>()

  async function look(file: File | undefined): Promise<void> {
    if (!file) return
    const content = await file.text()
    setText(content)
    await read(content, false)
  }

  async function read(content: string, asCopy: boolean): Promise<void> {
    setSaid({ words: 'Reading…', tone: 'good' })
    setReport(undefined)
    try {
      setReport(await readCsvInWorker(documentOf(build), content, asCopy, new AbortController().signal))
      setSaid(undefined)
    } catch (fault) {
      setSaid({ words: `The table could not be read: ${(fault as Error).message} Nothing was stored.`, tone: 'bad' })
    }
  }

  function readAsCopy(): void {
    setTaken(false)
    void read(text, true)
  }

  async function store(): Promise<void> {
    const good = report?.rows.flatMap(({ outcome }) => (outcome.state === 'good' ? [outcome.reading] : [])) ?? []
    const bad = report?.rows.filter(({ outcome }) => outcome.state === 'bad') ?? []
    const { added, refusal } = await storeRows(document.id, good)
    if (refusal) {
      setTaken(refusal.status === TAKEN)
      return setSaid({ words: `${refusal.error}${added > 0 ? ` ${added} rows before it are stored.` : ''}`, tone: 'bad' })
    }
    setSaid({ words: `${added} readings stored.${bad.length > 0 ? ` ${bad.length} rows were left out, as listed.` : ''}`, tone: 'good' })
    setReport(report && { ...report, rows: bad })
  }

  return { build, report, said, taken, look, readAsCopy, store }
}

/** Each send is stored whole or not at all, and a repeated one is the same readings; the first that is refused ends it. */
async function storeRows(
  buildId: string,
  good: readonly Reading[],
): Promise<{ readonly added: number; readonly refusal?: { readonly status: number | undefined; readonly error: string } }> {
  let added = 0
  for (let from = 0; from < good.length; from += MOST_A_SEND) {
    const answer = await send<{ added: number }>(`/api/builds/${buildId}/entries`, {
      entries: good.slice(from, from + MOST_A_SEND),
      whole: true,
    })
    if (!answer.ok) return { added, refusal: answer }
    added += answer.value.added
  }
  return { added }
}
