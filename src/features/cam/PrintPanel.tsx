'use client'
import { useState } from 'react'
import { WHEEL_NUMBERINGS, WHEEL_TURNS, type WheelNumbering, type WheelTurns } from '@/core/geometry/valvetrain/printedWheel'
import { parseEntry } from '@/core/units'
import { LinkButton } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { SidePanel } from '@/ui/SidePanel'
import { entryIssueWords } from '@/wording'
import type { ToolProps } from '@/features/benchFrame/benchView'
import { Row } from '@/ui/Layout'

const DIAMETERS = { low: 60, high: 600 }
const NUMBERINGS: readonly { readonly value: WheelNumbering; readonly label: string }[] = WHEEL_NUMBERINGS.map((value) => ({
  value,
  label: value.replaceAll('-', ' – '),
}))
const TURNS: readonly { readonly value: WheelTurns; readonly label: string }[] = WHEEL_TURNS.map((value) => ({
  value,
  label: `Numbers grow ${value}`,
}))

/** As the wheel is marked that the engine is degreed with. */
const OWN_NUMBERING: Readonly<Record<360 | 180 | 90, WheelNumbering>> = { 360: '0-360', 180: '0-180-0', 90: '0-90-0-90' }

/** A degree wheel of any diameter, and a tape for a balancer, to print at true scale. */
export function PrintPanel({ build, system, onClose }: ToolProps & { onClose: () => void }) {
  const unit = system === 'metric' ? 'mm' : 'in'
  const [text, setText] = useState(system === 'metric' ? '180' : '7')
  const [numbering, setNumbering] = useState<WheelNumbering>(OWN_NUMBERING[build.spec.methods.camWheel])
  // A wheel on the nose of the crank passes its pointer against the way the crank turns.
  const [turns, setTurns] = useState<WheelTurns>(build.spec.layout.rotation === 'clockwise' ? 'anticlockwise' : 'clockwise')
  const typed = parseEntry(text, { kind: 'length', unit })
  const error = typed.ok ? beyondWords(typed.value) : entryIssueWords(typed.issue, unit)
  const diameterMm = typed.ok ? String(typed.value) : ''
  const href = (kind: 'wheel' | 'tape', size: 'a4' | 'letter') =>
    `/api/degree-wheel.pdf?${new URLSearchParams({ kind, size, numbering, turns, diameterMm }).toString()}`
  return (
    <SidePanel title="A wheel to print" isOpen onClose={onClose}>
      <p>
        Print at 100 %; a line of 100 mm says whether it was. What is larger than the paper comes on several sheets with marks to join them.
      </p>
      <TextField label={`Diameter, ${unit}`} value={text} onChange={setText} error={error} numeric />
      <ChoiceRow label="Numbered" value={numbering} onChange={setNumbering} options={NUMBERINGS} />
      <ChoiceRow label="Seen from the front" value={turns} onChange={setTurns} options={TURNS} />
      {error === undefined && (
        <Row>
          {(['a4', 'letter'] as const).flatMap((size) =>
            (['wheel', 'tape'] as const).map((kind) => (
              <LinkButton key={`${kind}/${size}`} size="small" href={href(kind, size)}>
                {kind === 'wheel' ? 'Degree wheel' : 'Balancer tape'}, {size === 'a4' ? 'A4' : 'Letter'}
              </LinkButton>
            )),
          )}
        </Row>
      )}
    </SidePanel>
  )
}

function beyondWords(mm: number): string | undefined {
  return mm < DIAMETERS.low || mm > DIAMETERS.high ? `From ${DIAMETERS.low} to ${DIAMETERS.high} mm across.` : undefined
}
