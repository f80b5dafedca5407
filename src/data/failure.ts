/** What a write was refused for. Carries no customer's values: those stay out of logs. */
export type RefusalCode =
  | 'noSuchBuild'
  | 'staleRevision'
  | 'idTaken'
  | 'noSuchGauge'
  | 'noSuchTarget'
  | 'wrongTarget'
  | 'buildExists'
  | 'photoTaken'
  | 'newerBuild'

/** Told by its name: the server's bundles hold more than one copy of this class, so `instanceof` would not know it. */
export function isRefused(error: unknown): error is Refused {
  return error instanceof Error && error.name === 'Refused'
}

export class Refused extends Error {
  /** What the page of a fault is told by: Next hides the words of an error of the server, and passes this on. */
  readonly digest: string

  constructor(
    readonly code: RefusalCode,
    readonly about: string,
  ) {
    super(`${code}: ${about}`)
    this.name = 'Refused'
    this.digest = code
  }
}

/** What the triggers say of a row that is there already (migration 0017). */
const STORED_ALREADY = /is stored already/

/** Work that looks which rows are missing and adds them, done once more where another request added some of them in between. */
export async function againIfOvertaken<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    if (!STORED_ALREADY.test(causesOf(error))) throw error
    return work()
  }
}

/** An error with all it was caused by, in words: the libraries between here and SQLite each wrap it once. */
export function causesOf(error: unknown): string {
  return error instanceof Error ? `${error.message} ${causesOf(error.cause)}` : ''
}
