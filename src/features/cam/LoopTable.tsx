import { loopOf, stopAt, type LoopRound, type StopAt } from '@/core/benches/cam/loop'
import type { Build, UnitSystem } from '@/core/document'
import { camsOf } from '@/core/geometry/valvetrain'
import { formatQuantity } from '@/core/units'
import { Table } from '@/ui/Table'
import { capital, subjectWords } from '@/wording'

/** Less is no move anybody reads off a wheel. */
const STRAYED_DEG = 0.25

/** Every time a cam was read by its events, what had been set before, how far it strayed from that, and where to stop next time. */
export function LoopTable({ build, system }: { build: Build; system: UnitSystem }) {
  return (
    <>
      {camsOf(build.spec.layout).map((cam) => {
        const rounds = loopOf(build, cam)
        // Read once there is no loop yet.
        if (rounds.length < 2) return null
        const aim = aimWords(rounds)
        const stop = stopAt(build, cam)
        return (
          <section key={cam} aria-label={`${capital(subjectWords({ cam }))}, set and read again`}>
            <Table>
              <thead>
                <tr>
                  <th scope="col">{capital(subjectWords({ cam }))}</th>
                  <th scope="col">set by</th>
                  <th scope="col">against its card</th>
                  <th scope="col">strayed</th>
                </tr>
              </thead>
              <tbody>
                {rounds.map(({ at, by, lateDeg, setDeg, strayedDeg }, index) => (
                  <tr key={at}>
                    <td data-figure>
                      {index + 1}, {by}, {at.slice(0, 10)}
                    </td>
                    <td data-figure>{setDeg === undefined ? '' : signed(setDeg)}</td>
                    <td data-figure>{signed(-lateDeg)}</td>
                    <td data-figure>{strayedDeg === undefined ? '' : signed(strayedDeg)}</td>
                  </tr>
                ))}
              </tbody>
            </Table>
            {aim && <p>{aim}</p>}
            {stop && <p>{stopWords(stop, system)}</p>}
          </section>
        )
      })}
    </>
  )
}

function signed(deg: number): string {
  return `${deg > 0 ? '+' : ''}${deg.toFixed(1)}°`
}

/** What tightening moved it last time is aimed off by the next. */
function aimWords(rounds: readonly LoopRound[]): string {
  const strayed = rounds.at(-1)?.strayedDeg
  if (strayed === undefined || Math.abs(strayed) < STRAYED_DEG) return ''
  const by = `${Math.abs(strayed).toFixed(1)}°`
  const [moved, further] = strayed > 0 ? ['forward', 'back'] : ['back', 'forward']
  return `Tightening moved it ${by} ${moved} last time: aim ${by} further ${further}.`
}

/** Set with the crank held still: where it is held, and what the dial shows when the cam is right. */
function stopWords({ wheelDeg, liftMm, aimedOffDeg }: StopAt, system: UnitSystem): string {
  const lift = system === 'metric' ? formatQuantity(liftMm, 'mm', 2) : formatQuantity(liftMm, 'in', 3)
  const aimed = Math.abs(aimedOffDeg) < STRAYED_DEG ? '' : ', aimed off by that'
  const held = `hold the crank where the wheel shows ${wheelDeg.toFixed(1)}°`
  return `To set it: ${held}, and turn the cam forward until the dial shows ${lift}${aimed}.`
}
