'use client'
import { useMemo } from 'react'
import { matchPistons } from '@/core/benches/bores'
import { definition } from '@/core/benches/bores/definition'
import { SidePanel } from '@/ui/SidePanel'
import { columnWords } from '@/wording'
import type { ToolProps } from '@/features/benchFrame/benchView'
import { PistonPlan } from '@/features/benchFrame/PistonPlan'

/** Pistons matched to bores, before and after, taken as a plan that says which mark goes into which bore. */
export function MatchPanel({ build, system, edit, onClose }: ToolProps & { onClose: () => void }) {
  const match = useMemo(() => matchPistons(build), [build])
  const show = (mm: number) => columnWords(mm, definition.outputs['bores.clearance'], system)
  return (
    <SidePanel title="Pistons to bores" isOpen onClose={onClose}>
      {!match && <p>Every bore and every skirt has to be read, and a clearance limit set, before pistons can be matched.</p>}
      {match && (
        <>
          <p>The worst deviation from {show(match.targetMm)} least, then the spread, then the fewest pistons moved.</p>
          <PistonPlan
            build={build}
            before={match.before}
            after={match.after}
            figures={[{ title: 'Clearance', of: match.clearanceMm, show }]}
            reason="pistons matched to bores"
            edit={edit}
          />
        </>
      )}
    </SidePanel>
  )
}
