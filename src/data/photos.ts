import 'server-only'
import { and, asc, eq } from 'drizzle-orm'
import type { PhotoCard } from '@/core/files'
import type { Connection } from './connection'
import { Refused } from './failure'
import { buildTable, photoTable } from './schema'

export interface Photo extends PhotoCard {
  readonly bytes: Uint8Array<ArrayBuffer>
}

export interface PhotoStore {
  /** Keeps a picture; one that is there already is the same picture sent twice. @throws Refused if there is no such build. */
  add(buildId: string, photo: Photo): Promise<void>
  /** The pictures of a build, oldest first. */
  cards(buildId: string): Promise<readonly PhotoCard[]>
  bytes(buildId: string, id: string): Promise<Uint8Array<ArrayBuffer> | undefined>
}

export function photoStore(connection: Connection): PhotoStore {
  const { id, step, at, by, bytes } = photoTable
  return {
    async add(buildId, photo) {
      const [build] = await connection.select({ id: buildTable.id }).from(buildTable).where(eq(buildTable.id, buildId))
      if (!build) throw new Refused('noSuchBuild', buildId)
      await connection
        .insert(photoTable)
        .values({ ...photo, bytes: Buffer.from(photo.bytes), buildId, receivedAt: new Date().toISOString() })
        .onConflictDoNothing({ target: id })
    },
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
