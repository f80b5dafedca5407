/** Setting a cam is a loop: read, set, torqued, read again; tightening can move it, and the next time it is aimed off by that. */
import type { Build } from '../../document/build'
import { stationId } from '../../document/place'
import type { Reading } from '../../document/types'
import type { Cam } from '../../geometry/valvetrain'
import { isKnown } from '../../bench/finding'
import { cardCentreline, cardDuration, checkLift, ratioRead } from '../../shared/camCard'
import { signOf } from '../../shared/camMotion/schools'
import { tdcOf } from '../../shared/camMotion/wheel'

/** One round: where the events were read, and what had been set since the round before. */
export interface LoopRound {
  readonly at: string
  readonly by: string
  /** Crank degrees after its card, as the events say; earlier is negative. */
  readonly lateDeg: number
  /** What was planned between the round before and this one, positive is earlier; none: nothing, it was only read again. */
  readonly setDeg?: number
  /** How much further it moved than it was set. */
  readonly strayedDeg?: number
}

/**
 * The rounds of a cam by its events, each with the TDC that stands now: opening and closing in the order they were read, as many as
 * both were. Empty without a card or a TDC.
 */
export function loopOf(build: Build, cam: Cam): readonly LoopRound[] {
  const [card, tdc] = [cardCentreline(build, cam), tdcOf(build, cam)]
  if (!isKnown(card) || !isKnown(tdc)) return []
  const [opens, closes] = [eventsOf(build, cam, 'opens'), eventsOf(build, cam, 'closes')]
  const cardDeg = signOf(cam) * card.figure.value.value
  const rounds: LoopRound[] = []
  for (let index = 0; index < Math.min(opens.length, closes.length); index++) {
    const [open, close] = [opens[index]!, closes[index]!]
    const lateDeg = (open.value + close.value) / 2 - tdc.figure.value.value - cardDeg
    const setDeg = index === 0 ? undefined : setBetween(build, cam, later(opens[index - 1]!, closes[index - 1]!), later(open, close))
    const before = rounds.at(-1)
    rounds.push({
      at: later(open, close).at,
      by: later(open, close).by,
      lateDeg,
      ...(setDeg && before && { setDeg, strayedDeg: before.lateDeg - lateDeg - setDeg }),
    })
  }
  return rounds
}

/** Every reading of an event that was not struck out or taken back, in the order in which they came. */
function eventsOf({ readings }: Build, cam: Cam, spot: string): readonly Reading[] {
  const lines = readings.history.get(stationId('cam.event', { cam, spot })) ?? []
  return lines.flatMap(({ entry, state }) => (entry.kind === 'reading' && COUNTED.has(state) ? [entry] : []))
}

const COUNTED: ReadonlySet<string> = new Set(['current', 'superseded', 'conflicting', 'earlier'])

function later(a: Reading, b: Reading): Reading {
  return a.at > b.at ? a : b
}

/** Work planned on the engine as it was read up to one round, and read again by the next. */
function setBetween({ spec, readings }: Build, cam: Cam, from: Reading, to: Reading): number {
  const arrival = (id: string) => readings.arrival.get(id) ?? -1
  return (spec.planned ?? []).reduce((sum, { work, after }) => {
    if (work.what !== 'turnCam' || work.cam !== cam || after === undefined) return sum
    const at = arrival(after)
    return at >= arrival(from.id) && at < arrival(to.id) ? sum + work.by : sum
  }, 0)
}

/** What wheel and dial show where a cam is to be left when it is set: its opening, aimed off by what tightening moved it last time. */
export interface StopAt {
  readonly wheelDeg: number
  readonly liftMm: number
  readonly aimedOffDeg: number
}

/** Undefined without a card or a TDC. */
export function stopAt(build: Build, cam: Cam): StopAt | undefined {
  const [card, duration, tdc] = [cardCentreline(build, cam), cardDuration(build, cam), tdcOf(build, cam)]
  if (!isKnown(card) || !isKnown(duration) || !isKnown(tdc)) return undefined
  // What came further forward than it was set is left so much later.
  const aimedOffDeg = loopOf(build, cam).at(-1)?.strayedDeg ?? 0
  const opensDeg = signOf(cam) * card.figure.value.value - duration.figure.value.value / 2
  return { wheelDeg: opensDeg + tdc.figure.value.value + aimedOffDeg, liftMm: checkLift(build).value.value * ratioRead(build), aimedOffDeg }
}
