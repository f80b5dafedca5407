'use client'
import { useState } from 'react'
import { v7 as uuidV7 } from 'uuid'
import { Button } from '@/ui/Button'
import { Card, Notice, SectionTitle } from '@/ui/Page'
import { send } from '@/features/entries/send'
import { keepPhoto } from '@/features/entries/photos/keptPhotos'
import { sendPhoto } from '@/features/entries/photos/sendPhoto'
import type { OpenedFile } from './archive'

interface Trouble {
  readonly words: string
  /** Its build is here already. */
  readonly taken?: boolean
  /** It came in all the same, under this id. */
  readonly opened?: string
}

const DAMAGED = 'Not a readable build file: it breaks off or is damaged. Nothing was stored.'

/** Opens a build file, or an archive of one with pictures; when its build is already here, offers a copy. */
export function OpenFile({ by }: { by: string }) {
  const [opened, setOpened] = useState<OpenedFile>()
  const [trouble, setTrouble] = useState<Trouble>()
  async function open(file: OpenedFile, asCopy: boolean): Promise<void> {
    setOpened(file)
    let document: unknown
    try {
      document = JSON.parse(file.text)
    } catch {
      return setTrouble({ words: DAMAGED })
    }
    const answer = await send<{ id: string }>('/api/builds', { from: 'file', by, document, asCopy })
    if (!answer.ok) return setTrouble({ words: answer.error, taken: answer.status === 409 })
    const { id } = answer.value
    const missing = await photosNotKept(id, file, asCopy)
    if (missing === 0) window.location.assign(`/builds/${id}`)
    else setTrouble({ words: `The build is here, but ${missing} of its ${file.photos.length} pictures are not.`, opened: id })
  }
  async function read(file: File): Promise<void> {
    const isArchive = file.name.endsWith('.zip')
    try {
      await open(isArchive ? await fromArchive(file) : { text: await file.text(), photos: [] }, false)
    } catch (fault) {
      setTrouble({ words: isBadArchive(fault) ? `${fault.message} Nothing was stored.` : DAMAGED })
    }
  }
  return (
    <Card>
      <SectionTitle>Or open a build file</SectionTitle>
      <p style={{ margin: '8px 0 12px' }}>
        A <code>.kalibros.json</code> somebody saved, with everything measured so far; or a <code>.kalibros.zip</code>, with its pictures.
      </p>
      <label>
        <span style={{ position: 'absolute', clip: 'rect(0 0 0 0)', width: 1, height: 1, overflow: 'hidden' }}>Build file</span>
        <input
          type="file"
          accept=".json,application/json,.zip,application/zip"
          onChange={async ({ target }) => {
            const file = target.files?.[0]
            if (file) await read(file)
          }}
        />
      </label>
      {trouble && (
        <Notice data-tone="bad" role="alert" style={{ marginTop: 12 }}>
          {trouble.words} {trouble.opened && <a href={`/builds/${trouble.opened}`}>Open it</a>}
        </Notice>
      )}
      {trouble?.taken && opened && (
        <Button size="small" onPress={() => open(opened, true)}>
          Bring it in as a copy
        </Button>
      )}
    </Card>
  )
}

async function fromArchive(file: File): Promise<OpenedFile> {
  const { openedArchive } = await import('./archive')
  return openedArchive(file)
}

/** By its name: its class comes with the part that is fetched when an archive is opened. */
function isBadArchive(fault: unknown): fault is Error {
  return fault instanceof Error && fault.name === 'BadArchive'
}

/**
 * Sends the pictures of an archive one by one, those of a copy under ids of their own; how many the server has not. Those that did
 * not reach it stay on this device and are sent from the walk.
 */
async function photosNotKept(buildId: string, { photos }: OpenedFile, asCopy: boolean): Promise<number> {
  let missing = 0
  for (const photo of photos) {
    const own = asCopy ? { ...photo, id: uuidV7() } : photo
    const answer = await sendPhoto(buildId, own)
    if (answer.is !== 'kept') missing++
    if (answer.is === 'unreached') await keepPhoto(buildId, own)
  }
  return missing
}
