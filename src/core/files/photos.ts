/** Pictures of steps, which are kept beside a build and not in its document. */
import { z } from 'zod'
import { entryId, initials, stepId } from '../document/schemaFields'

/** What is said with a picture. */
export const photoSchema = z.object({ id: entryId, step: stepId, at: z.iso.datetime(), by: initials }).strict()
export type PhotoCard = z.infer<typeof photoSchema>

/** The build file in an archive. */
export const ARCHIVED_BUILD = 'build.kalibros.json'
const FOLDER = 'photos/'
/** `photos/heads.gasket.left 2026-11-27T09-20-00.000Z KV 0190….jpg`: all that is said with it, so that an archive brings it back. */
export function photoFileName({ id, step, at, by }: PhotoCard): string {
  return `${FOLDER}${step} ${at.replaceAll(':', '-')} ${encodeURIComponent(by)} ${id}.jpg`
}

/** What is said with a picture, off its name in an archive; undefined where it is no picture of a step. */
export function photoOfFileName(name: string): PhotoCard | undefined {
  if (!name.startsWith(FOLDER) || !name.endsWith('.jpg')) return undefined
  const [step, at = '', by = '', id] = name.slice(FOLDER.length, -'.jpg'.length).split(' ')
  const [day, clock = ''] = at.split('T')
  const parsed = photoSchema.safeParse({ id, step, at: `${day}T${clock.replaceAll('-', ':')}`, by: decoded(by) })
  return parsed.success ? parsed.data : undefined
}

function decoded(by: string): string {
  try {
    return decodeURIComponent(by)
  } catch {
    return by
  }
}
