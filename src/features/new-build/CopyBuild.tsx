'use client'
import { useState } from 'react'
import { Button } from '@/ui/Button'
import { Card, Notice, SectionTitle } from '@/ui/Page'
import { BuildPicker } from '@/features/fields/BuildPicker'
import type { BuildChoice } from '@/shop/latestBuilds'
import { send } from '@/features/entries/send'
import { Row } from '@/ui/Layout'

/** Another engine like one that is here: its paper, limits and stock, none of its readings. */
export function CopyBuild({ builds, copyOf, by }: { builds: readonly BuildChoice[]; copyOf: string | undefined; by: string }) {
  const [chosen, setChosen] = useState(builds.some(({ id }) => id === copyOf) ? copyOf! : builds[0]!.id)
  const [trouble, setTrouble] = useState('')
  async function copy(): Promise<void> {
    const name = builds.find((build) => build.id === chosen)!.name
    const answer = await send<{ id: string }>('/api/builds', { from: 'build', by, id: chosen, name: `${name}, again` })
    if (answer.ok) window.location.assign(`/builds/${answer.value.id}/paper`)
    else setTrouble(answer.error)
  }
  return (
    <Card>
      <SectionTitle>Or the same engine again</SectionTitle>
      <p style={{ margin: '8px 0 12px' }}>Paper, limits and stock go along; readings do not.</p>
      <Row>
        <BuildPicker id="copy-of" label="Copy of" builds={builds} value={chosen} onChange={setChosen} />
        <Button onPress={copy}>Start the copy</Button>
      </Row>
      {trouble && (
        <Notice data-tone="bad" role="alert" style={{ marginTop: 12 }}>
          {trouble}
        </Notice>
      )}
    </Card>
  )
}
