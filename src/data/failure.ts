/** What a write was refused for. Carries no customer's values: those stay out of logs. */
export type RefusalCode = 'noSuchBuild' | 'staleRevision' | 'idTaken' | 'noSuchGauge' | 'noSuchTarget' | 'buildExists'

/** Told by its name: the server's bundles hold more than one copy of this class, so `instanceof` would not know it. */
export function isRefused(error: unknown): error is Refused {
  return error instanceof Error && error.name === 'Refused'
}

export class Refused extends Error {
  constructor(
    readonly code: RefusalCode,
    readonly about: string,
  ) {
    super(`${code}: ${about}`)
    this.name = 'Refused'
  }
}
