import { checkLift, lashOf } from '@/core/shared/camCard'
import { curveOf } from '@/core/shared/camMotion/curve'
import type { Build, UnitSystem } from '@/core/document'
import { gAt, lobeShape, type LobeShape } from '@/core/geometry/valvetrain/lobeShape'
import { isKnown } from '@/core/bench/finding'
import { camsOf, type Cam } from '@/core/geometry/valvetrain'
import { differenceInUnit } from '@/core/units'
import { Table } from '@/ui/Table'
import { capital, subjectWords } from '@/wording'

/** What the measured lobes do between their events. Derivatives are of a smooth curve: the higher, the less is known of them. */
export function ShapeTable({ build, system }: { build: Build; system: UnitSystem }) {
  const shapes = camsOf(build.spec.layout).flatMap((cam) => {
    const shape = shapeOf(build, cam)
    return shape ? [{ cam, shape }] : []
  })
  if (shapes.length === 0) return null
  const rows = rowsFor(system, build.spec.duty.redlineRpm)
  return (
    <Table>
      <thead>
        <tr>
          <th scope="col">The lobe, at the tappet (estimates)</th>
          {shapes.map(({ cam }) => (
            <th key={cam} scope="col">
              {capital(subjectWords({ cam }))}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ words, show }) => (
          <tr key={words}>
            <td>{words}</td>
            {shapes.map(({ cam, shape }) => (
              <td data-figure key={cam}>
                {show(shape)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </Table>
  )
}

function shapeOf(build: Build, cam: Cam): LobeShape | undefined {
  const lobe = curveOf(build, cam)
  const of = lashOf(build, cam)
  const lash = isKnown(of) ? of.figure.value.value : undefined
  return lobe && lobeShape(lobe.curve, checkLift(build).value.value, lash)
}

function rowsFor(
  system: UnitSystem,
  rpm: number | undefined,
): readonly { readonly words: string; readonly show: (shape: LobeShape) => string }[] {
  const unit = system === 'metric' ? 'mm' : 'thou'
  const shown = (mm: number, decimals: number) =>
    differenceInUnit(mm, unit).toFixed(system === 'metric' ? decimals : Math.max(0, decimals - 2))
  return [
    { words: `Area above the check lift, ${unit} · °`, show: ({ areaMmDeg }) => shown(areaMmDeg, 0) },
    { words: 'Peak after the centreline, °', show: ({ unevenDeg }) => unevenDeg.toFixed(1) },
    { words: `Velocity up / down, ${unit}/°`, show: (one) => `${shown(one.opensMmPerDeg, 3)} / ${shown(one.closesMmPerDeg, 3)}` },
    {
      words: `Ramp where the lash is taken up, ${unit}/°`,
      show: ({ rampMmPerDeg }) => (rampMmPerDeg ? `${shown(rampMmPerDeg.up, 3)} / ${shown(rampMmPerDeg.down, 3)}` : 'wants the lash'),
    },
    {
      words: `Acceleration on the flank / over the nose, g${rpm === undefined ? '' : ` at ${rpm.toLocaleString('en-GB')} rpm`}`,
      show: (one) =>
        rpm === undefined ? 'wants the redline' : `${gAt(one.flankMmPerDeg2, rpm).toFixed(0)} / ${gAt(one.noseMmPerDeg2, rpm).toFixed(0)}`,
    },
  ]
}
