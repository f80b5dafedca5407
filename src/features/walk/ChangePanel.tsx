'use client'
import { useState } from 'react'
import { CHANGE_IDS, type ChangeId } from '@/core/document/walkStages'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { SidePanel } from '@/ui/SidePanel'
import { CHANGE_WORDS } from '@/wording/walk'

/** Something on the engine is another than it was: what rests on it is stale from now on. */
export function ChangePanel({ onChange, onClose }: { onChange: (what: ChangeId, text: string) => void; onClose: () => void }) {
  const [what, setWhat] = useState<ChangeId | ''>('')
  const [text, setText] = useState('')
  return (
    <SidePanel title="Something was changed" isOpen onClose={onClose}>
      <p>Readings, runs and steps that rest on it are stale from now on, until they are taken again or somebody confirms them.</p>
      <ChoiceRow
        label="What is another than it was"
        value={what}
        onChange={(next) => setWhat(next)}
        options={CHANGE_IDS.map((id) => ({ value: id, label: CHANGE_WORDS[id] }))}
      />
      <TextField label="What was done, in a few words" value={text} onChange={setText} />
      <Button kind="primary" isDisabled={what === '' || text.trim() === ''} onPress={() => what !== '' && onChange(what, text.trim())}>
        Put on record
      </Button>
    </SidePanel>
  )
}
