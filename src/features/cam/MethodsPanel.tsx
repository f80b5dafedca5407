'use client'
import styled from 'styled-components'
import { methods } from '@/core/benches/cam/methods'
import type { MethodKey } from '@/core/document'
import { MethodChoice } from '@/features/fields/MethodChoice'
import { SidePanel } from '@/ui/SidePanel'
import type { ToolProps } from '@/features/benchFrame/benchView'

const Group = styled.section`
  display: grid;
  gap: 16px;
  border-top: 1px solid var(--hairline);
  padding-top: 12px;
`

const GROUPS: readonly { readonly title: string; readonly keys: readonly (MethodKey & keyof typeof methods)[] }[] = [
  { title: 'The cams', keys: ['camReadAt', 'camEvents', 'camEqualLift', 'camOverlapLift', 'camCurve', 'camLobes'] },
  { title: 'The wheel and TDC', keys: ['camWheel', 'camMoves', 'camTdc', 'camDwell', 'camMark'] },
  { title: 'The drive and the valves', keys: ['camAsFound', 'camSprockets', 'camTension', 'valveSurface'] },
]

/** Which ways TDC and cams are read: any of them, each held against the others. */
export function MethodsPanel({ edit, onClose }: ToolProps & { onClose: () => void }) {
  return (
    <SidePanel title="How it is read" isOpen onClose={onClose}>
      <p>Any of the ways, each held against the others; what is asked for is wanted in the sheet at once.</p>
      {GROUPS.map(({ title, keys }) => (
        <Group key={title} aria-label={title}>
          <h3>{title}</h3>
          {keys.map((name) => (
            <MethodChoice key={name} name={name} method={methods[name]} edit={edit} />
          ))}
        </Group>
      ))}
    </SidePanel>
  )
}
