/** What a write to the data was refused for, by its code. */
export const REFUSAL_WORDS = {
  noSuchBuild: () => 'There is no such build here. Nothing was stored.',
  staleRevision: () => 'Somebody saved this build in between. Nothing was overwritten: load it again and repeat the change.',
  idTaken: () => 'Readings of this file are already here, in another build. Nothing was stored; it can come in as a copy.',
  noSuchGauge: (gauge: string) => `Gauge “${gauge}” is not in the drawer. Nothing was stored.`,
  noSuchTarget: () => 'It points at an entry that is not stored. Nothing was stored.',
  wrongTarget: () => 'It points at an entry of another kind: a pull is not undone, and only a reading is struck. Nothing was stored.',
  buildExists: () => 'This build is already here. Open it, or bring it in as a copy.',
  newerBuild: () => 'This build was written by a newer Kalibros. Nothing was changed: open it with that one.',
  photoTaken: () => 'Another picture is kept under this id. This one was not stored.',
} as const satisfies Readonly<Record<string, (about: string) => string>>

export function refusalWords(code: keyof typeof REFUSAL_WORDS, about: string): string {
  return REFUSAL_WORDS[code](about)
}
