'use client'
import { useState } from 'react'
import type { StageId } from '@/core/document/walkStages'
import { Button } from '@/ui/Button'
import { TextField } from '@/ui/fields'
import { SidePanel } from '@/ui/SidePanel'
import { STAGE_WORDS } from '@/wording/walk'

/** A step the shop does and no handbook has: it goes with the build, and into every engine that is started as a copy of it. */
export function OwnStepPanel({
  stage,
  onAdd,
  onClose,
}: {
  stage: StageId
  onAdd: (title: string, why: string) => void
  onClose: () => void
}) {
  const [title, setTitle] = useState('')
  const [why, setWhy] = useState('')
  return (
    <SidePanel title={`Add a step: ${STAGE_WORDS[stage].title}`} isOpen onClose={onClose}>
      <p>It stands in this build’s walk, and in that of every engine that is started as a copy of it.</p>
      <TextField label="What is done" value={title} onChange={setTitle} autoFocus />
      <TextField label="Why, if it is not plain" value={why} onChange={setWhy} />
      <Button kind="primary" isDisabled={title.trim() === ''} onPress={() => onAdd(title.trim(), why.trim())}>
        Add it
      </Button>
    </SidePanel>
  )
}
