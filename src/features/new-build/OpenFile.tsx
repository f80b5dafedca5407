'use client'
import { useState } from 'react'
import { Button } from '@/ui/Button'
import { Card, Notice, SectionTitle } from '@/ui/Page'
import { send } from '../send'

/** Opens a build file; when its build is already here, offers a copy. */
export function OpenFile({ by }: { by: string }) {
  const [text, setText] = useState('')
  const [trouble, setTrouble] = useState<{ words: string; taken: boolean }>()
  async function open(content: string, asCopy: boolean): Promise<void> {
    setText(content)
    let document: unknown
    try {
      document = JSON.parse(content)
    } catch {
      return setTrouble({ words: 'Not a readable build file: it breaks off or is damaged. Nothing was stored.', taken: false })
    }
    const answer = await send<{ id: string }>('/api/builds', { from: 'file', by, document, asCopy })
    if (answer.ok) window.location.assign(`/builds/${answer.value.id}`)
    else setTrouble({ words: answer.error, taken: answer.status === 409 })
  }
  return (
    <Card>
      <SectionTitle>Or open a build file</SectionTitle>
      <p style={{ margin: '8px 0 12px' }}>
        A <code>.kalibros.json</code> somebody saved, with everything measured so far.
      </p>
      <label>
        <span style={{ position: 'absolute', clip: 'rect(0 0 0 0)', width: 1, height: 1, overflow: 'hidden' }}>Build file</span>
        <input
          type="file"
          accept=".json,application/json"
          onChange={async (event) => {
            const file = event.target.files?.[0]
            if (file) await open(await file.text(), false)
          }}
        />
      </label>
      {trouble && (
        <Notice data-tone="bad" role="alert" style={{ marginTop: 12 }}>
          {trouble.words}
        </Notice>
      )}
      {trouble?.taken && (
        <Button size="small" onPress={() => open(text, true)}>
          Bring it in as a copy
        </Button>
      )}
    </Card>
  )
}
