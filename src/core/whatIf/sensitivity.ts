/** Which knob moves a figure, and by how much a step. */
import type { Build } from '../document/build'
import type { OutputId, Finding } from '../bench/bench'
import { benchById } from '../benches'
import { benchOf } from '../bench/bench'
import { PARTS_MEET } from '../evaluation/tooNear'
import { changedBuild, type Headline } from './variant'
import { changesOf, knobsOf, type Settings } from './knobs'

export interface Effect {
  readonly knob: string
  /** What a step up does to the figure, canonical unit of the output. */
  readonly by: number
}

/** The output that is watched before anybody says which: of parts that must not meet, else the first that is judged. */
export function watchedFirst(headlines: readonly Headline[]): OutputId {
  const known = headlines.filter(({ today }) => today !== undefined)
  const meets = known.find(({ output }) => PARTS_MEET.has(output))
  return (meets ?? known.find(({ today }) => today!.verdict !== undefined) ?? known[0] ?? headlines[0]!).output
}

/** Which of an output's figures is watched: the one nearest to its limit, else the least. */
export function watchedOf(findings: readonly Finding[], output: OutputId): Finding | undefined {
  const known = findings.filter((one) => one.output === output && one.figure)
  return known.toSorted((a, b) => roomOf(a) - roomOf(b))[0]
}

/** How far inside its nearest bound, negative outside. */
function roomOf({ figure, limit }: Finding): number {
  const value = figure!.value.value
  const rooms = [limit?.lower === undefined ? [] : [value - limit.lower], limit?.upper === undefined ? [] : [limit.upper - value]].flat()
  return rooms.length > 0 ? Math.min(...rooms) : value
}

/** What a step of each knob does to one figure, with the others set as they are; the one that moves it most first. */
export function* sensitivity(
  build: Build,
  settings: Settings,
  findingId: string,
): Generator<{ readonly done: number; readonly of: number }, readonly Effect[]> {
  const output = findingId.split('.').slice(0, 2).join('.') as OutputId
  const bench = benchById(benchOf(output))
  const valueWith = (more: Settings): number | undefined =>
    bench.derive(changedBuild(build, changesOf(build, { ...settings, ...more }))).find(({ id }) => id === findingId)?.figure?.value.value
  const here = valueWith({})
  const knobs = knobsOf(build)
  const effects: Effect[] = []
  for (const [index, { knob, today, high }] of knobs.entries()) {
    const step = knob.choices ? undefined : knob.step[build.spec.units]
    const at = settings[knob.id] ?? today
    const next = step === undefined ? nextChoice(knob.choices!(build), at) : at + (at + step <= high ? step : -step)
    const then = next === undefined ? undefined : valueWith({ [knob.id]: next })
    if (here !== undefined && then !== undefined && next !== undefined) {
      const by = (then - here) * Math.sign(next - at)
      if (Math.abs(by) > LEAST) effects.push({ knob: knob.id, by })
    }
    yield { done: index + 1, of: knobs.length }
  }
  return effects.sort((a, b) => Math.abs(b.by) - Math.abs(a.by))
}

/** Less than this is not moved. */
const LEAST = 1e-9

function nextChoice(choices: readonly number[], at: number): number | undefined {
  return choices.find((one) => one > at + LEAST) ?? choices.findLast((one) => one < at - LEAST)
}
