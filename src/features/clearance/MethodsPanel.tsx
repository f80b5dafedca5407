'use client'
import { methods } from '@/core/benches/clearance/methods'
import { MethodChoice } from '@/features/fields/MethodChoice'
import { SidePanel } from '@/ui/SidePanel'
import type { ToolProps } from '@/features/benchFrame/benchView'

/** Which ways valves are read over their pistons, and how the engine stood while they were. */
export function MethodsPanel({ edit, onClose }: ToolProps & { onClose: () => void }) {
  return (
    <SidePanel title="How it is read" isOpen onClose={onClose}>
      <p>Any of the ways, each held against the others. Numbers they rest on are on the paper page: gasket, lash, preload.</p>
      {(Object.keys(methods) as (keyof typeof methods)[]).map((name) => (
        <MethodChoice key={name} name={name} method={methods[name]} edit={edit} />
      ))}
    </SidePanel>
  )
}
