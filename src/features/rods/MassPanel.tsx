'use client'
import { useMemo } from 'react'
import { matchPistons } from '@/core/benches/bores'
import { definition as boresDefinition } from '@/core/benches/bores/definition'
import { matchMasses } from '@/core/benches/rods'
import { definition } from '@/core/benches/rods/definition'
import { SidePanel } from '@/ui/SidePanel'
import { columnWords } from '@/wording'
import type { ToolProps } from '@/features/benchFrame/benchView'
import { PistonPlan, type PlanFigure } from '@/features/benchFrame/PistonPlan'

/** Piston sets matched to rods by mass, with what that does to the piston-to-wall clearances; taken as the plan of the pistons. */
export function MassPanel({ build, system, edit, onClose }: ToolProps & { onClose: () => void }) {
  const match = useMemo(() => matchMasses(build), [build])
  const walls = useMemo(() => matchPistons(build), [build])
  const masses: PlanFigure[] = match
    ? [{ title: 'Mass', of: match.massG, show: (g) => columnWords(g, definition.outputs['rods.reciprocating'], system) }]
    : []
  const clearances: PlanFigure[] = walls
    ? [{ title: 'To the wall', of: walls.clearanceMm, show: (mm) => columnWords(mm, boresDefinition.outputs['bores.clearance'], system) }]
    : []
  return (
    <SidePanel title="Piston sets to rods" isOpen onClose={onClose}>
      {!match && <p>Every piston, pin, set of rings and small end has to be weighed before masses can be matched.</p>}
      {match && (
        <>
          <p>
            The reciprocating masses as even as whole sets allow; the rods stay on their journals. A set that changes rods changes bores
            too: look at piston to wall beside it.
          </p>
          <PistonPlan
            build={build}
            before={match.before}
            after={match.after}
            figures={[...masses, ...clearances]}
            reason="piston sets matched by mass"
            edit={edit}
          />
        </>
      )}
    </SidePanel>
  )
}
