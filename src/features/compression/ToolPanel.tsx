'use client'
import { useMemo } from 'react'
import { cylinderStates, gasketRack, ratioCost, type Cause, type RatioCost } from '@/core/benches/compression'
import type { Build, UnitSystem } from '@/core/document'
import { SidePanel } from '@/ui/SidePanel'
import { VerdictMark } from '@/ui/VerdictMark'
import { differenceWords, figureWords, plainWords, STANDING_WORDS, type Shown } from '@/wording'
import { Table } from '@/ui/Table'
import type { ToolProps } from '@/features/benchFrame/benchView'
import { PlannerPanel } from './PlannerPanel'
import { DrawsPanel } from './DrawsPanel'

const RATIO: Shown = { units: { metric: 'one', inch: 'one' }, digits: { metric: 2, inch: 2 } }
const LENGTH: Shown = { units: { metric: 'mm', inch: 'thou' }, digits: { metric: 2, inch: 1 } }

export type Tool = 'rack' | 'plan' | 'cost' | 'draws'

const TITLES: Readonly<Record<Tool, string>> = {
  rack: 'Gasket rack',
  plan: 'Plan gasket and cuts',
  cost: 'What did it cost',
  draws: 'The uncertainty by random draws',
}

/** The tool drawn out from the side. Loaded when the first one is asked for. */
export function ToolPanel({
  tool,
  build,
  system,
  onClose,
  onTake,
}: Pick<ToolProps, 'build' | 'system' | 'onTake'> & { tool: Tool; onClose: () => void }) {
  return (
    <SidePanel title={TITLES[tool]} isOpen onClose={onClose}>
      {tool === 'rack' && <Rack build={build} system={system} />}
      {tool === 'plan' && <PlannerPanel build={build} system={system} onTake={onTake} />}
      {tool === 'cost' && <Costs build={build} system={system} />}
      {tool === 'draws' && <DrawsPanel build={build} />}
    </SidePanel>
  )
}

function Rack({ build, system }: { build: Build; system: UnitSystem }) {
  const rack = useMemo(() => gasketRack(build), [build])
  if (rack.length === 0) return <p>No gaskets in stock. Add them on the paper page.</p>
  const cylinders = rack[0]!.outcome.ratios.map(({ cylinder }) => cylinder)
  return (
    <>
      <p>
        Every gasket in stock, with what it would make of the engine as measured. Best verdict first, then the fewest limits broken, then
        nearest the ratio wanted; the chosen one as it was measured, the others by their makers’ figures.
      </p>
      <Table scrolls="Gaskets">
        <thead>
          <tr>
            <th scope="col">Gasket</th>
            <th scope="col">Verdict</th>
            <th scope="col">Out</th>
            {cylinders.map((cylinder) => (
              <th key={cylinder} scope="col">
                {cylinder}
              </th>
            ))}
            <th scope="col">Least quench</th>
          </tr>
        </thead>
        <tbody>
          {rack.map(({ gasket, fitted, outcome }) => (
            <tr key={gasket.id}>
              <td>
                <b>{gasket.name}</b>
                {fitted && ' · chosen'}
                <br />
                <small>{plainWords(gasket.thicknessMm, LENGTH, system)}</small>
              </td>
              <td style={{ whiteSpace: 'nowrap' }}>
                <VerdictMark standing={outcome.verdict === 'notJudged' ? 'noLimit' : outcome.verdict} silent size={12} />{' '}
                {STANDING_WORDS[outcome.verdict === 'notJudged' ? 'noLimit' : outcome.verdict]}
              </td>
              <td data-figure>{outcome.out}</td>
              {outcome.ratios.map(({ cylinder, ratio }) => (
                <td data-figure key={cylinder}>
                  {ratio.value.toFixed(2)}
                </td>
              ))}
              <td data-figure>{outcome.quenchLeast && figureWords(outcome.quenchLeast, LENGTH, system)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      {cylinders.length < build.spec.layout.cylinders && <p>Cylinders that are not measured yet are left out.</p>}
    </>
  )
}

const CAUSE_WORDS: Readonly<Record<Cause, string>> = { bore: 'bore', chamber: 'chamber', deck: 'deck', piston: 'piston' }

function Costs({ build, system }: { build: Build; system: UnitSystem }) {
  const costs = useMemo(() => cylinderStates(build).flatMap((state) => ratioCost(build, state) ?? []), [build])
  if (costs.length === 0) return <p>Needs the chamber volume and deck clearance on paper, and at least one cylinder fully measured.</p>
  const causes = (Object.keys(CAUSE_WORDS) as Cause[]).filter((cause) =>
    costs.some((cost) => cost.causes.some((one) => one.cause === cause)),
  )
  return (
    <>
      <p>
        The ratio the paper promises against the ratio as measured, and what each deviation did on its own. The causes multiply, so a little
        is left that they did together.
      </p>
      <Table>
        <thead>
          <tr>
            <th scope="col">Cylinder</th>
            <th scope="col">On paper</th>
            {causes.map((cause) => (
              <th key={cause} scope="col">
                {CAUSE_WORDS[cause]}
              </th>
            ))}
            <th scope="col">together</th>
            <th scope="col">As measured</th>
          </tr>
        </thead>
        <tbody>
          {costs.map((cost) => (
            <CostRow key={cost.cylinder} cost={cost} causes={causes} system={system} />
          ))}
        </tbody>
      </Table>
    </>
  )
}

function CostRow({ cost, causes, system }: { cost: RatioCost; causes: readonly Cause[]; system: UnitSystem }) {
  const change = (amount: number) =>
    Math.abs(amount) < 0.0005
      ? '0'
      : `${amount > 0 ? '+' : '−'}${differenceWords(Math.abs(amount), { ...RATIO, digits: { metric: 3, inch: 3 } }, system)}`
  return (
    <tr>
      <td data-figure>{cost.cylinder}</td>
      <td data-figure>{cost.nominal.toFixed(2)}</td>
      {causes.map((cause) => (
        <td data-figure key={cause}>
          {change(cost.causes.find((one) => one.cause === cause)?.change ?? 0)}
        </td>
      ))}
      <td data-figure>{change(cost.together)}</td>
      <td data-figure>{cost.measured.toFixed(2)}</td>
    </tr>
  )
}
