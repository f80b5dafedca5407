'use client'
import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import { matchPistons } from '@/core/benches/bores'
import { definition } from '@/core/benches/bores/definition'
import { Button } from '@/ui/Button'
import { FigureTable } from '@/ui/FigureTable'
import { Row } from '@/ui/Page'
import { plainWords } from '@/wording'
import type { ToolProps } from '../bench/benchView'

const SidePanel = dynamic(() => import('@/ui/SidePanel').then((module) => module.SidePanel), { ssr: false })

/** Pistons matched to bores, before and after, taken as a plan that says which mark goes into which bore. */
export function MatchTool({ build, system, edit }: ToolProps) {
  const [isOpen, setOpen] = useState(false)
  const match = useMemo(() => (isOpen ? matchPistons(build) : undefined), [build, isOpen])
  const { pistonInBore } = build.spec.choice
  const show = (mm: number) => plainWords(mm, definition.outputs.clearance, system)
  const take = (plan: readonly number[] | undefined, reason: string) => edit.change(reason, (spec) => {
    const { pistonInBore: _, ...choice } = spec.choice
    return { ...spec, choice: plan ? { ...choice, pistonInBore: [...plan] } : choice }
  })
  if (build.spec.layout.cylinders === 1) return null
  return (
    <>
      <Row>
        <Button size="small" onPress={() => setOpen(true)}>Match pistons to bores</Button>
        {pistonInBore && <span>Planned: {pistonInBore.map((mark, index) => `bore ${index + 1} takes piston ${mark}`).join(', ')}.</span>}
      </Row>
      {isOpen && <SidePanel title="Pistons to bores" isOpen onClose={() => setOpen(false)}>
        {!match && <p>Every bore and every skirt has to be read, and a clearance limit set, before pistons can be matched.</p>}
        {match && (
          <>
            <p>The worst deviation from {show(match.targetMm)} least, then the spread, then the fewest pistons moved.</p>
            <FigureTable>
              <thead><tr><th scope="col">Bore</th><th scope="col">Piston now</th><th scope="col">Clearance</th><th scope="col">Piston then</th><th scope="col">Clearance</th></tr></thead>
              <tbody>
                {match.before.map((mark, index) => (
                  <tr key={index}>
                    <td>{index + 1}</td><td>{mark}</td><td>{show(match.clearanceMm(match.before)[index]!)}</td>
                    <td>{match.after[index] === mark ? match.after[index] : <b>{match.after[index]}</b>}</td><td>{show(match.clearanceMm(match.after)[index]!)}</td>
                  </tr>
                ))}
                <tr><td data-words>spread</td><td /><td>{show(spread(match.clearanceMm(match.before)))}</td><td /><td>{show(spread(match.clearanceMm(match.after)))}</td></tr>
              </tbody>
            </FigureTable>
            <Row>
              <Button kind="primary" isDisabled={match.after.join() === match.before.join()} onPress={() => take(match.after, 'pistons matched to bores')}>Take this plan</Button>
              {pistonInBore && <Button onPress={() => take(undefined, 'each piston into its own bore')}>Each into its own bore</Button>}
            </Row>
            <p>Readings keep the mark they were taken on; the plan says which bore a marked piston goes into. Mark the crowns anew before assembly.</p>
          </>
        )}
      </SidePanel>}
    </>
  )
}

function spread(values: readonly number[]): number {
  return Math.max(...values) - Math.min(...values)
}
