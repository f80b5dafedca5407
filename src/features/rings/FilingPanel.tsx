'use client'
import { useState } from 'react'
import { filingLog } from '@/core/benches/rings'
import { definition } from '@/core/benches/rings/definition'
import { RINGS, type Ring } from '@/core/shared/ringNames'
import type { Build, UnitSystem } from '@/core/document'
import { cylinderNumbers } from '@/core/geometry/crank'
import { ChoiceRow } from '@/ui/fields'
import { Heads, Table } from '@/ui/Table'
import { differenceWords, plainWords, type Shown } from '@/wording'

const RING_WORDS: Readonly<Record<Ring, string>> = { top: 'Top', second: 'Second', upperRail: 'Upper rail', lowerRail: 'Lower rail' }
const LIMIT_OF = {
  top: 'rings.topGap',
  second: 'rings.secondGap',
  upperRail: 'rings.railGap',
  lowerRail: 'rings.railGap',
} as const satisfies Record<Ring, string>
const GAP: Shown = definition.outputs['rings.topGap']

/** What each pass on the file took, and how many strokes are left: a ring cannot be un-filed. */
export function FilingPanel({ build, system }: { build: Build; system: UnitSystem }) {
  const [ring, setRing] = useState<Ring>('top')
  const [cylinder, setCylinder] = useState('1')
  const log = filingLog(build, ring, Number(cylinder), build.spec.limits[LIMIT_OF[ring]])
  return (
    <>
      <ChoiceRow label="Ring" value={ring} onChange={setRing} options={RINGS.map((value) => ({ value, label: RING_WORDS[value] }))} />
      <ChoiceRow
        label="Cylinder"
        value={cylinder}
        onChange={setCylinder}
        options={cylinderNumbers(build.spec.layout).map((number) => ({ value: String(number), label: String(number) }))}
      />
      {!log && <p>This ring is not gapped yet, or no limit is set for it.</p>}
      {log && (
        <>
          <Table>
            <Heads of={['Pass', 'Strokes', 'Gap after', 'A stroke took', 'By']} />
            <tbody>
              {log.passes.map(({ reading, gapMm, strokes, perStrokeMm }, index) => (
                <tr key={reading.id}>
                  <td data-figure>{index === 0 ? 'as bought' : index}</td>
                  <td data-figure>{strokes ?? (index === 0 ? '' : 'not said')}</td>
                  <td data-figure>{plainWords(gapMm, GAP, system)}</td>
                  <td data-figure>
                    {perStrokeMm === undefined ? '' : differenceWords(perStrokeMm, { ...GAP, digits: { metric: 4, inch: 2 } }, system)}
                  </td>
                  <td>{reading.by}</td>
                </tr>
              ))}
            </tbody>
          </Table>
          <p>
            <b>{leftWords()}</b>
          </p>
        </>
      )}
      <p>
        Say the strokes with the gap: after ten strokes type the new gap and <b>10s</b> behind it, as <b>.53/.54 10s</b>. One end only,
        square, deburr, measure again.
      </p>
    </>
  )

  function leftWords(): string {
    const { toFileMm, uncertaintyMm, strokesSafe, strokesLeft } = log!
    if (toFileMm <= 0) return `At its target or past it by ${differenceWords(-toFileMm, GAP, system)}: file no more.`
    const amount = `${differenceWords(toFileMm, GAP, system)} (±${differenceWords(uncertaintyMm, GAP, system)}) still to come off.`
    if (strokesSafe === undefined) return `${amount} File a few strokes, count them, and measure: then the rest can be estimated.`
    if (strokesSafe < 1) return `${amount} Nearly there: one stroke may be too many. Measure with a finer leaf before each stroke.`
    return `${amount} About ${strokesLeft} strokes at the rate so far; stop and measure after ${strokesSafe}.`
  }
}
