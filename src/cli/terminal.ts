import { readFileSync } from 'node:fs'

/** What a command reads and says; a test brings its own. */
export interface Terminal {
  readonly out: (text: string) => void
  readonly err: (text: string) => void
  readonly input: () => string
  /** Where the shop's database is; left out, where `npm start` makes it. */
  readonly databaseUrl: string | undefined
  /** How a command ended where nothing was thrown. */
  exitCode: number
}

export const OUT_OF_LIMITS = 1
export const BAD_INPUT = 2

/** Bad input: told on standard error with the path of the fault, exit 2. */
export class BadInput extends Error {}

/** @throws BadInput where there is no such file; `-` is standard input. */
export function readText(terminal: Terminal, file: string): string {
  if (file === '-') return terminal.input()
  try {
    return readFileSync(file, 'utf8')
  } catch (cause) {
    throw new BadInput(`${file}: cannot be read (${(cause as NodeJS.ErrnoException).code ?? 'unknown'})`, { cause })
  }
}

/** @throws BadInput where the file is no JSON. */
export function readJson(terminal: Terminal, file: string): unknown {
  try {
    return JSON.parse(readText(terminal, file))
  } catch (cause) {
    if (cause instanceof BadInput) throw cause
    throw new BadInput(`${file}: breaks off or is damaged (${(cause as Error).message})`, { cause })
  }
}
