'use client'
import { Button } from '@/ui/Button'
import { Notice } from '@/ui/Page'
import type { SpecEdit } from './useSpec'

/** A change that is not stored, and why: until the same change goes through, or somebody says that it was read. */
export function RefusedChange({ edit }: { edit: SpecEdit }) {
  if (!edit.trouble) return null
  return (
    <Notice data-tone="bad" role="alert">
      {edit.trouble}{' '}
      <Button size="small" onPress={edit.understood}>
        Read
      </Button>
    </Notice>
  )
}
