import { createStore, del, entries, set, type UseStore } from 'idb-keyval'
import type { PhotoCard } from '@/core/files'

/** A picture this device keeps until the server has it. */
export interface KeptPhoto extends PhotoCard {
  readonly picture: Blob
}

let opened: UseStore | undefined
/** Apart from the readings a device keeps: a picture weighs as much as two thousand of them. */
const store = () => (opened ??= createStore('kalibros-photos', 'waiting'))
const keyOf = (buildId: string, id: string) => `${buildId}/${id}`

export async function keepPhoto(buildId: string, photo: KeptPhoto): Promise<void> {
  await set(keyOf(buildId, photo.id), photo, store())
}

export async function dropPhoto(buildId: string, id: string): Promise<void> {
  await del(keyOf(buildId, id), store())
}

/** Those of a build that wait, oldest first: their ids are made in order. */
export async function waitingPhotos(buildId: string): Promise<readonly KeptPhoto[]> {
  const all = await entries<string, KeptPhoto>(store())
  return all.flatMap(([key, photo]) => (key.startsWith(`${buildId}/`) ? [photo] : [])).sort((a, b) => (a.id < b.id ? -1 : 1))
}
