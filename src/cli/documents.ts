import type { BuildDocument } from '@/core/document'
import { readBuildFile } from '@/core/files'
import { fileIssueWords } from '@/wording'
import { BadInput, readText, type Terminal } from './terminal'

/** @throws BadInput naming every fault of the file and its path. */
export function readDocument(terminal: Terminal, file: string): BuildDocument {
  const read = readBuildFile(readText(terminal, file))
  if (!read.ok) throw new BadInput(read.issues.map((issue) => `${file}: ${fileIssueWords(issue)}`).join('\n'))
  return read.document
}
