import type { Finding } from '@/core/bench/bench'
import { cardCentreline, cardDuration } from '@/core/shared/camCard'
import { opensAt, closesAt, signOf } from '@/core/shared/camMotion/schools'
import { onCurve } from '@/core/shared/camMotion/curve'
import { isKnown, type Derived } from '@/core/bench/finding'
import type { Build } from '@/core/document'
import { camKind, camsOf, type Cam } from '@/core/geometry/valvetrain'
import { expand } from '@/core/metrology'
import { capital, subjectWords } from '@/wording'
import type { PictureProps } from '@/features/benchFrame/benchView'
import { Table } from '@/ui/Table'
import { LobesPicture } from './LobesPicture'
import { LoopTable } from './LoopTable'

const WAYS = [
  ['cam.byCurve', 'Full curve'],
  ['cam.byEvents', 'Events'],
  ['cam.byEqualLift', 'Equal lift'],
  ['cam.byOverlapLift', 'Lift at overlap'],
] as const

/** What each way of reading says of a cam, one under the other, and its card below: two that disagree are a question. */
export function SchoolsTable({ findings, build, system }: PictureProps) {
  return (
    <>
      {camsOf(build.spec.layout).map((cam) => (
        <OfCam key={cam} cam={cam} build={build} findings={findings.filter((one) => one.cam === cam)} />
      ))}
      <LoopTable build={build} system={system} />
      {build.spec.methods.camLobes && <LobesPicture build={build} findings={findings} />}
    </>
  )
}

function OfCam({ cam, build, findings }: { cam: Cam; build: Build; findings: readonly Finding[] }) {
  const isIntake = camKind(cam) === 'intake'
  const rows = WAYS.flatMap(([output, words]) => {
    const figure = findings.find((one) => one.output === output)?.figure
    return figure ? [{ output, words, figure }] : []
  })
  const card = cardCentreline(build, cam)
  const duration = cardDuration(build, cam)
  const half = isKnown(duration) ? duration.figure.value.value / 2 : undefined
  const centre = isKnown(card) ? signOf(cam) * card.figure.value.value : undefined
  return (
    <Table figures="right">
      <caption>{capital(subjectWords({ cam }))}</caption>
      <thead>
        <tr>
          <th scope="col">How read</th>
          <th scope="col" data-figure>
            {isIntake ? 'IO' : 'EO'}
          </th>
          <th scope="col" data-figure>
            {isIntake ? 'IC' : 'EC'}
          </th>
          <th scope="col" data-figure>
            centreline
          </th>
          <th scope="col" data-figure>
            ±
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ output, words, figure }) => (
          <tr key={output}>
            <th scope="row">{words}</th>
            <td data-figure>{eventWords(cam, 'opens', eventOf(build, cam, output, 'open'))}</td>
            <td data-figure>{eventWords(cam, 'closes', eventOf(build, cam, output, 'close'))}</td>
            <td data-figure>{figure.value.value.toFixed(1)}</td>
            <td data-figure>{expand(figure.value).U.toFixed(1)}</td>
          </tr>
        ))}
        {centre !== undefined && (
          <tr data-card>
            <th scope="row">Card</th>
            <td data-figure>{half === undefined ? '' : eventWords(cam, 'opens', centre - half)}</td>
            <td data-figure>{half === undefined ? '' : eventWords(cam, 'closes', centre + half)}</td>
            <td data-figure>{Math.abs(centre).toFixed(1)}</td>
            <td />
          </tr>
        )}
      </tbody>
    </Table>
  )
}

function eventOf(build: Build, cam: Cam, output: string, which: 'open' | 'close'): number | undefined {
  const of = (derived: Derived) => (isKnown(derived) ? derived.figure.value.value : undefined)
  if (output === 'cam.byCurve') return of(onCurve(build, cam, which))
  if (output !== 'cam.byEvents') return undefined
  return of(which === 'open' ? opensAt(build, cam) : closesAt(build, cam))
}

/** As a card writes it: IO before, EC after top, IC after, EO before bottom; across the dead centre it is negative. */
function eventWords(cam: Cam, which: 'opens' | 'closes', deg: number | undefined): string {
  if (deg === undefined) return ''
  const isIntake = camKind(cam) === 'intake'
  if (which === 'opens') return (isIntake ? -deg : -180 - deg).toFixed(1)
  return (isIntake ? deg - 180 : deg).toFixed(1)
}
