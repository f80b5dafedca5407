import 'server-only'
import { database } from '@/data/database'
import { KEPT } from './kept'

/** A build to choose. */
export interface BuildChoice {
  readonly id: string
  readonly name: string
}

const OFFERED = 24

/** The builds last worked on, to choose one from. */
export async function latestBuilds(): Promise<readonly BuildChoice[]> {
  const { builds } = await database()
  const { rows } = await builds.board({ offset: 0, size: OFFERED }, KEPT)
  return rows.flatMap(({ id, summary }) => (summary ? [{ id, name: summary.name }] : []))
}
