import 'server-only'
import { and, asc, eq } from 'drizzle-orm'
import type { PhotoCard } from '@/core/files'
import type { Connection } from './connection'
import { againIfOvertaken, Refused } from './failure'
import { buildTable, photoTable } from './schema'

export interface Photo extends PhotoCard {
  readonly bytes: Uint8Array<ArrayBuffer>
}

export interface PhotoStore {
  /**
   * Keeps a picture; the same bytes under the same id for the same build are the same picture sent twice.
   * @throws Refused if there is no such build, or another picture goes by this id.
   */
  add(buildId: string, photo: Photo): Promise<void>
  /** The pictures of a build, oldest first. */
  cards(buildId: string): Promise<readonly PhotoCard[]>
  bytes(buildId: string, id: string): Promise<Uint8Array<ArrayBuffer> | undefined>
}

export function photoStore(connection: Connection): PhotoStore {
  const { id, step, at, by, bytes } = photoTable
  return {
    add: (buildId, photo) => againIfOvertaken(() => addPhoto(connection, buildId, photo)),
    cards: (buildId) =>
      connection.select({ id, step, at, by }).from(photoTable).where(eq(photoTable.buildId, buildId)).orderBy(asc(photoTable.seq)),
    async bytes(buildId, photoId) {
      const [row] = await connection
        .select({ bytes })
        .from(photoTable)
        .where(and(eq(photoTable.buildId, buildId), eq(id, photoId)))
      return row && Uint8Array.from(row.bytes)
    },
  }
}

async function addPhoto(connection: Connection, buildId: string, photo: Photo): Promise<void> {
  const [build] = await connection.select({ id: buildTable.id }).from(buildTable).where(eq(buildTable.id, buildId))
  if (!build) throw new Refused('noSuchBuild', buildId)
  const bytes = Buffer.from(photo.bytes)
  const [stored] = await connection
    .select({ buildId: photoTable.buildId, bytes: photoTable.bytes })
    .from(photoTable)
    .where(eq(photoTable.id, photo.id))
  if (stored && !(stored.buildId === buildId && bytes.equals(stored.bytes))) throw new Refused('photoTaken', photo.id)
  if (!stored) await connection.insert(photoTable).values({ ...photo, bytes, buildId, receivedAt: new Date().toISOString() })
}
