import { millisecondsInDay } from 'date-fns/constants'
import { createStore, del, entries, set, type UseStore } from 'idb-keyval'
import type { PhotoCard } from '@/core/files'

/** A picture this device keeps. */
export interface KeptPhoto extends PhotoCard {
  readonly picture: Blob
  /** When the server said it had it, ms; none: it waits to be sent. A server put back from a backup may lack it again. */
  readonly sentAt?: number
}

const KEEP_SENT_MS = 30 * millisecondsInDay

let opened: UseStore | undefined
/** Apart from the readings a device keeps: a picture weighs as much as two thousand of them. */
const store = () => (opened ??= createStore('kalibros-photos', 'waiting'))
const keyOf = (buildId: string, id: string) => `${buildId}/${id}`

/** Keeps a picture; where the device is full, pictures the server has make room for it, the oldest first. */
export async function keepPhoto(buildId: string, photo: KeptPhoto): Promise<void> {
  try {
    await set(keyOf(buildId, photo.id), photo, store())
  } catch (full) {
    const all = await entries<string, KeptPhoto>(store())
    const [oldest] = all.filter(([, { sentAt }]) => sentAt !== undefined).sort(([, a], [, b]) => a.sentAt! - b.sentAt!)
    if (!oldest) throw full
    await del(oldest[0], store())
    await keepPhoto(buildId, photo)
  }
}

/** Those of a build this device holds, oldest first: their ids are made in order. What the server has had for a month is dropped. */
export async function keptPhotos(buildId: string): Promise<readonly KeptPhoto[]> {
  const all = (await entries<string, KeptPhoto>(store())).filter(([key]) => key.startsWith(`${buildId}/`))
  const isLongSent = ({ sentAt }: KeptPhoto) => sentAt !== undefined && Date.now() - sentAt > KEEP_SENT_MS
  await Promise.all(all.filter(([, photo]) => isLongSent(photo)).map(([key]) => del(key, store())))
  return all.flatMap(([, photo]) => (isLongSent(photo) ? [] : [photo])).sort((a, b) => (a.id < b.id ? -1 : 1))
}
