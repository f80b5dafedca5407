import { wantedRatio } from '@/core/shared/wantedRatio'
import { clampEstimates, clampMarginOf, type Range } from '@/core/joints/bolts'
import type { Joint, Spec, UnitSystem } from '@/core/document'
import { cylinderPlaces } from '@/core/geometry/crank'
import { bankOf } from '@/core/joints'
import { formatQuantity, fromCanonical, UNITS } from '@/core/units'
import { Heads, Table } from '@/ui/Table'
import { Section, SectionTitle } from '@/ui/Page'
import { lubeSentence } from '@/wording'

/** What the torque makes of every fastener, and of a head all together: from least to most, for friction decides it. */
export function ClampSection({ joint, spec, system }: { joint: Joint; spec: Spec; system: UnitSystem }) {
  const estimates = joint.groups.flatMap((group) => clampEstimates(joint, group).map((estimate) => ({ group: group.name, ...estimate })))
  if (estimates.length === 0) return null
  return (
    <Section aria-label="What it clamps">
      <SectionTitle>What it clamps: an estimate, for friction decides it</SectionTitle>
      <Table>
        <Heads of={['Type', 'Load', 'of proof', 'of yield, in tension', 'of yield, twisted too']} />
        <tbody>
          {estimates.map((estimate) => (
            <tr key={`${estimate.group}/${estimate.letter}`}>
              <td>
                {joint.groups.length > 1 && `${estimate.group}, `}
                {estimate.letter}
              </td>
              <td data-figure>{forceWords(estimate.loadN, system)}</td>
              <td data-figure>{shareWords(estimate.ofProof)}</td>
              <td data-figure>{shareWords(estimate.ofYield)}</td>
              <td data-figure>{shareWords(estimate.combinedOfYield)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      <p>{lubeSentence(estimates[0]!.lube, estimates[0]!.onOtherLubes)}</p>
      <Margin joint={joint} spec={spec} system={system} />
    </Section>
  )
}

/** A head against the gas of one cylinder, where all that it takes is known. */
function Margin({ joint, spec, system }: { joint: Joint; spec: Spec; system: UnitSystem }) {
  if (joint.kind !== 'head') return null
  const ratio = wantedRatio(spec)
  const gasket = spec.stock.gaskets?.find(({ id }) => id === spec.choice.gasket)
  const gasketBoreMm = gasket?.boreMm ?? spec.paper.bore?.value
  const bank = bankOf(joint)
  const cylinders = cylinderPlaces(spec.layout).filter((place) => bank === undefined || place.bank === bank).length
  const margin =
    ratio !== undefined && typeof gasketBoreMm === 'number' ? clampMarginOf(joint, spec, { ratio, gasketBoreMm, cylinders }) : undefined
  if (!margin) return <p>Clamp against gas wants the ratio meant, the gasket’s bore, and the load of every fastener.</p>
  const peak = system === 'metric' ? 'bar' : 'psi'
  return (
    <p>
      All {joint.fasteners.length} over {cylinders === 1 ? 'one cylinder' : `${cylinders} cylinders`}: {forceWords(margin.clampN, system)} a
      cylinder, against {forceWords(margin.gasN, system)} of gas at a peak of {Math.round(fromCanonical(margin.peakKpa.low, peak))} to{' '}
      {formatQuantity(margin.peakKpa.high, peak, 0)} for this boost and ratio: {margin.margin.low.toFixed(1)} to{' '}
      {margin.margin.high.toFixed(1)} times. The gasket’s maker and the tuner know better.
    </p>
  )
}

function forceWords({ low, high }: Range, system: UnitSystem): string {
  const unit = system === 'metric' ? 'kN' : 'lbf'
  const shown = (newton: number) => {
    const value = fromCanonical(newton, unit)
    return system === 'metric' ? value.toFixed(value < 10 ? 1 : 0) : String(Math.round(value / 100) * 100)
  }
  return `${shown(low)}–${shown(high)} ${UNITS[unit].symbol}`
}

function shareWords(range: Range | undefined): string {
  return range ? `${Math.round(range.low * 100)}–${Math.round(range.high * 100)} %` : 'not known'
}
