/** Searches beside their whole grid by the full evaluation: the front breaks nothing, and hides nothing that is sound and better. */
import { withSpec, type Build } from '@/core/document'
import { randomStream, type RandomStream } from '@/core/numerics/random'
import { search, type Question, type SearchResult } from '@/core/whatIf/search'
import { todayOf, variantOf, type Today } from '@/core/whatIf/variant'
import { soundBuild } from '../../tests/support/builds'

type Settings = Readonly<Record<string, number>>

const LIMITED = ['compression.quench', 'compression.deckClearance', 'compression.ratioSpread'] as const

/** Everything a search of ratio and room is asked, by chance: what may be turned, how far, and what is wanted. */
function someQuestion(random: RandomStream): Question {
  const between = (low: number, high: number) => Number((low + (high - low) * random.uniform()).toFixed(2))
  const values = (low: number, high: number, count: number) => Array.from({ length: count }, () => between(low, high)).sort((a, b) => a - b)
  return {
    knobs: [
      { id: 'gasket', values: [1, 1.1, 1.25, 1.4] },
      { id: 'deckCut', values: [0, ...values(0.01, 0.1, 2)] },
      { id: 'pistonVolume', values: values(9, 11, 3) },
      { id: 'pocket.intake', values: [0, between(0.1, 0.5)] },
    ],
    goals: [
      { figure: 'compression.compressionRatio', aim: 'near', value: between(8.7, 9.6) },
      { figure: 'clearance.intake', aim: 'most' },
    ],
  }
}

/** With a limit on a figure that the search does not look at, near where the engine stands. */
function boundedBuild(random: RandomStream): Build {
  const tern = soundBuild(0)
  const { low } = headlineOf(variantOf(todayOf(tern), {}), 'compression.effectiveRatio')
  const upper = low.value + 0.4 * random.uniform()
  const bound = { upper, source: 'audit', reason: '' }
  const wide = { lower: 7, upper: 12, source: 'audit', reason: '' }
  const limits = { ...tern.spec.limits, 'compression.compressionRatio': wide, 'compression.effectiveRatio': bound }
  return withSpec(tern, { ...tern.spec, limits })
}

type Variant = ReturnType<typeof variantOf>
function headlineOf({ headlines }: Pick<Variant, 'headlines'>, output: string) {
  return headlines.find((one) => one.output === output)!.next!
}

/** One point of the grid by the full evaluation: whether it keeps every limit, and how good it is at both goals. */
function pointOf(today: Today, build: Build, settings: Settings, wanted: number) {
  const variant = variantOf(today, settings)
  const isKept = LIMITED.every((output) => {
    const next = variant.headlines.find((one) => one.output === output)?.next
    const { lower = -Infinity, upper = Infinity } = build.spec.limits[output] ?? {}
    return !next || (next.low.value >= lower - 1e-9 && next.high.value <= upper + 1e-9)
  })
  const { low, high } = headlineOf(variant, 'compression.compressionRatio')
  return {
    settings,
    isSound: isKept && variant.near.length === 0 && variant.headlines.every(({ breaks }) => breaks.length === 0),
    off: Math.max(Math.abs(low.value - wanted), Math.abs(high.value - wanted)),
    room: headlineOf(variant, 'clearance.closest').low.value,
  }
}

function gridOf({ knobs }: Question): Settings[] {
  return knobs.reduce<Settings[]>((all, { id, values }) => all.flatMap((one) => values.map((value) => ({ ...one, [id]: value }))), [{}])
}

const isAlike = (one: Settings, other: Settings) => Object.entries(one).every(([id, value]) => other[id] === value)

/** What the room of a plan differs by between kernel and full evaluation. */
const ROOM_MM = 0.003

/** What is wrong with the front of one search, in words. */
function wrongOf(build: Build, question: Question): readonly string[] {
  let result: SearchResult | undefined
  for (const step of search(build, question)) result = step.result
  const today = todayOf(build)
  const all = gridOf(question).map((settings) => pointOf(today, build, settings, question.goals[0]!.value!))
  const own = result!.front.map(({ settings }) => all.find((one) => isAlike(one.settings, settings))!)
  const sound = all.filter(({ isSound }) => isSound)
  const words = own.filter(({ isSound }) => !isSound).map(({ settings }) => `shows ${JSON.stringify(settings)}, which breaks a limit`)
  if (sound.length === 0) return words
  const hidden = sound.filter((one) => !own.some(({ off, room }) => off <= one.off + 1e-6 && room >= one.room - ROOM_MM))
  return [...words, ...hidden.map(({ settings }) => `hides ${JSON.stringify(settings)}`)]
}

/** @returns how many searches show what breaks a limit, or hide what is sound. */
export function auditSearches(count: number): number {
  const random = randomStream(34)
  let wrong = 0
  for (let at = 0; at < count; at++) {
    const [build, question] = [boundedBuild(random), someQuestion(random)]
    const words = wrongOf(build, question)
    if (words.length > 0) wrong++
    for (const one of words.slice(0, 3)) console.log(`SEARCH ${at} ${one}`)
  }
  console.log(`${wrong === 0 ? 'ok   ' : 'SHORT'} searches: ${count} beside their whole grid, ${wrong} wrong`)
  return wrong
}
