import { namedEntries } from '../document/ids'
import { openBuildWith, type Build } from '../document/build'
import type { Growth } from '../document/growth'
import { BENCHES } from './all'

/** What each characteristic of any bench is read on, as far as it grows. */
export const GROWTH: Growth = Object.fromEntries(
  BENCHES.flatMap(({ definition }) => namedEntries(definition.characteristics).flatMap(([id, { grows }]) => (grows ? [[id, grows]] : []))),
)

/** A build document opened for every bench. */
export function openBuild(document: Parameters<typeof openBuildWith>[0]): Build {
  return openBuildWith(document, GROWTH)
}
