'use client'
import { useState } from 'react'
import { CONVERSIONS, type ConversionId } from '@/core/parts'
import { Button } from '@/ui/Button'
import { SelectField } from '@/ui/SelectField'
import { SidePanel } from '@/ui/SidePanel'
import { BROUGHT_WORDS, CONVERSION_WORDS } from '@/wording/parts'
import type { PartAct } from './useParts'

const IDS = Object.keys(CONVERSIONS) as ConversionId[]

/** What a conversion brings with it, put on the list together: each of them is forgotten by somebody. */
export function ConversionPanel({
  onBring,
  onClose,
}: {
  onBring: (parts: readonly Pick<PartAct, 'what' | 'name'>[]) => void
  onClose: () => void
}) {
  const [id, setId] = useState<ConversionId>(IDS[0]!)
  const { brings } = CONVERSIONS[id]
  return (
    <SidePanel title="A conversion" isOpen onClose={onClose}>
      <SelectField
        label="What is done to this engine"
        value={id}
        onChange={setId}
        options={IDS.map((value) => ({ value, label: CONVERSION_WORDS[value] }))}
      />
      <p>It brings with it:</p>
      <ul>
        {brings.map(([, brought]) => (
          <li key={brought}>{BROUGHT_WORDS[brought]}</li>
        ))}
      </ul>
      <p>Its kit’s maker may ask for more. Whether it may run on a road or in its class, the law and the sanctioning body decide.</p>
      <Button kind="primary" onPress={() => onBring(brings.map(([what, brought]) => ({ what, name: BROUGHT_WORDS[brought] })))}>
        All of them on the list
      </Button>
    </SidePanel>
  )
}
