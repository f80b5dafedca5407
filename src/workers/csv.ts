import type { BuildDocument } from '@/core/document'
import type { CsvReport } from '@/core/files'
import { runInWorker } from './run'

/** What the reader of tables does. */
export interface CsvWorker {
  read(document: BuildDocument, text: string, asCopy: boolean): Promise<CsvReport>
}

const start = () => new Worker(new URL('./csv.worker.ts', import.meta.url), { type: 'module' })

/** Reads a table of readings against a build, off the page: tens of thousands of rows are read as easily as ten. */
export function readCsvInWorker(document: BuildDocument, text: string, asCopy: boolean, signal: AbortSignal): Promise<CsvReport> {
  return runInWorker(start, (worker: CsvWorker) => worker.read(document, text, asCopy), signal)
}
