import { computeSum, sumById } from '@/core/sums'
import { randomStream, type RandomStream } from '@/core/numerics/random'

/**
 * Quick sums beside a second writing of each formula, from the handbook's text and not from the program's files. Everything in
 * mm, cm³, g, degrees and °C.
 */
interface Reference {
  readonly sum: string
  readonly result: string
  readonly inputs: (random: RandomStream) => Record<string, number>
  readonly answer: (typed: Record<string, number>) => number
}

const between = (random: RandomStream, low: number, high: number) => Number((low + (high - low) * random.uniform()).toFixed(3))
const RAD = Math.PI / 180

/** Height of the pin above the crank's centre, found by walking the triangle and not by the closed formula of the program. */
function height({ stroke, rod, pinOffset = 0 }: Record<string, number>, degrees: number): number {
  const throwX = (stroke! / 2) * Math.sin(degrees * RAD)
  const throwY = (stroke! / 2) * Math.cos(degrees * RAD)
  const across = throwX - pinOffset
  return throwY + Math.sqrt((rod! - across) * (rod! + across))
}

/** The highest the pin comes: where its speed, written out, changes sign, by halving. */
function highest(crank: Record<string, number>): { degrees: number; mm: number } {
  const { stroke, rod, pinOffset = 0 } = crank
  const speed = (degrees: number) => {
    const across = (stroke! / 2) * Math.sin(degrees * RAD) - pinOffset
    return -Math.sin(degrees * RAD) - (across * Math.cos(degrees * RAD)) / Math.sqrt((rod! - across) * (rod! + across))
  }
  let [low, high] = [-40, 40]
  for (let halving = 0; halving < 80; halving++) {
    const middle = (low + high) / 2
    if (speed(middle) > 0) low = middle
    else high = middle
  }
  return { degrees: low, mm: height(crank, low) }
}
const disc = (diameterMm: number, thickMm: number) => (diameterMm * diameterMm * thickMm * Math.PI) / 4000
const crankInputs = (random: RandomStream) => {
  const stroke = between(random, 40, 130)
  return { stroke, rod: between(random, stroke * 1.4, stroke * 2.3), pinOffset: between(random, -1.5, 1.5) }
}

const REFERENCES: readonly Reference[] = [
  {
    sum: 'compression',
    result: 'compressionRatio',
    inputs: (random) => {
      const bore = between(random, 60, 120)
      const crank = crankInputs(random)
      return {
        bore,
        ...crank,
        // Of an engine that may be: a ratio above thirty is refused.
        chamber: between(random, 0.08, 0.16) * disc(bore, crank.stroke),
        piston: between(random, -8, 15),
        deck: between(random, -0.3, 1.5),
        gasketBore: between(random, bore, bore + 3),
        gasketThickness: between(random, 0.3, 1.8),
      }
    },
    answer: (typed) => {
      const [top, bottom] = [highest(typed), Math.min(...Array.from({ length: 40_001 }, (_, i) => height(typed, 170 + i * 0.0005)))]
      const clearance = typed.chamber! + typed.piston! + disc(typed.bore!, typed.deck!) + disc(typed.gasketBore!, typed.gasketThickness!)
      return 1 + disc(typed.bore!, top.mm - bottom) / clearance
    },
  },
  {
    sum: 'compression',
    result: 'quench',
    inputs: (random) => ({
      bore: 83,
      stroke: 90,
      chamber: 45,
      gasketBore: 84,
      deck: between(random, -0.3, 1.5),
      gasketThickness: between(random, 0.3, 1.8),
    }),
    answer: ({ deck, gasketThickness }) => deck! + gasketThickness!,
  },
  {
    sum: 'crank',
    result: 'pistonDrop',
    inputs: (random) => ({ ...crankInputs(random), angle: between(random, -180, 180) }),
    answer: (typed) => {
      const top = highest(typed)
      return top.mm - height(typed, top.degrees + typed.angle!)
    },
  },
  {
    sum: 'clearance',
    result: 'clearance',
    inputs: (random) => {
      const bore = between(random, 60, 110)
      return { bore, skirt: between(random, bore - 0.2, bore - 0.01) }
    },
    answer: ({ bore, skirt }) => bore! - skirt!,
  },
  {
    sum: 'ringgap',
    result: 'target',
    inputs: (random) => ({ bore: between(random, 50, 120), factor: between(random, 0.003, 0.012) }),
    answer: ({ bore, factor }) => bore! * factor!,
  },
  {
    sum: 'taper',
    result: 'taper',
    inputs: (random) => ({ topGap: between(random, 0.3, 0.9), bottomGap: between(random, 0.3, 0.9) }),
    answer: ({ topGap, bottomGap }) => (topGap! - bottomGap!) / Math.PI,
  },
  {
    sum: 'bearing',
    result: 'clearance',
    inputs: (random) => {
      const journal = between(random, 30, 80)
      return { journal, inside: between(random, journal + 0.02, journal + 0.1) }
    },
    answer: ({ journal, inside }) => inside! - journal!,
  },
]

const RUNS = 200

/** @returns how many sums differ from their second writing; prints each. */
export function auditSums(): number {
  let differing = 0
  for (const [at, { sum, result, inputs, answer }] of REFERENCES.entries()) {
    const random = randomStream(1000 + at)
    let worst = 0
    for (let run = 0; run < RUNS; run++) {
      const typed = inputs(random)
      const outcome = computeSum(sumById(sum)!, Object.fromEntries(Object.entries(typed).map(([name, value]) => [name, String(value)])))
      if (!outcome.ok) throw new Error(`${sum}: ${JSON.stringify(outcome.issues)} for ${JSON.stringify(typed)}`)
      const got = outcome.results.find(({ id }) => id === result)!.figure.value.value
      worst = Math.max(worst, Math.abs(got - answer(typed)) / Math.max(1e-3, Math.abs(got)))
    }
    const isOff = worst > 1e-6
    if (isOff) differing++
    console.log(`${isOff ? 'OFF  ' : 'ok   '} ${sum} ${result}: ${RUNS} inputs, furthest apart ${worst.toExponential(1)}`)
  }
  return differing
}

/** Numbers on both sides of what can be of one engine; `isSound` by a second writing of each rule. */
interface Edge {
  readonly what: string
  readonly sum: string
  readonly typed: (random: RandomStream) => Record<string, number | string>
  readonly isSound: (typed: Record<string, number | string>) => boolean
}

const aFive = { bore: 83, stroke: 92.8, chamber: 46, deck: 0.05, gasketBore: 84, gasketThickness: 1.1 }
const number = (typed: Record<string, number | string>, key: string) => Number(typed[key])

const EDGES: readonly Edge[] = [
  {
    what: 'a gasket no smaller than its bore',
    sum: 'compression',
    typed: (random) => ({ ...aFive, gasketBore: between(random, 82, 84) }),
    isSound: (typed) => number(typed, 'gasketBore') >= 83,
  },
  {
    what: 'a crown no larger than its bore',
    sum: 'compression',
    typed: (random) => ({ ...aFive, landHeight: 6, crownDiameter: between(random, 82, 84) }),
    isSound: (typed) => number(typed, 'crownDiameter') <= 83,
  },
  {
    what: 'a ratio from 3 to 30',
    sum: 'compression',
    typed: (random) => ({ ...aFive, chamber: random.uniform() < 0.5 ? between(random, 2, 25) : between(random, 200, 300) }),
    isSound: (typed) => {
      const clearance = number(typed, 'chamber') + disc(83, 0.05) + disc(84, 1.1)
      const ratio = 1 + disc(83, 92.8) / clearance
      return ratio >= 3 && ratio <= 30
    },
  },
  {
    what: 'two angles on both sides of TDC',
    sum: 'tdc',
    typed: (random) => ({ stroke: 92.8, rod: 144, method: 'stop', a: between(random, -60, 60), b: between(random, -60, 60) }),
    isSound: (typed) => {
      const [a, b] = [number(typed, 'a'), number(typed, 'b')]
      // Five degrees to each side tell where the top is (common practice); less is the dwell.
      return a * b < 0 && Math.abs(a - b) >= 10
    },
  },
  {
    what: 'a nut factor that is one',
    sum: 'bolt',
    typed: (random) => ({
      thread: '7/16-20',
      torque: '77 lbfft',
      nutFactor: between(random, 0.06, 0.3) * (random.uniform() < 0.5 ? 1 : 100),
    }),
    isSound: (typed) => number(typed, 'nutFactor') < 1,
  },
]

/** @returns at how many edges a sum takes what is none, or refuses what is sound; a refusal is in words and names its field. */
export function auditEdges(): number {
  let wrong = 0
  for (const [at, { what, sum, typed, isSound }] of EDGES.entries()) {
    const random = randomStream(2000 + at)
    let [taken, refused, off] = [0, 0, 0]
    for (let run = 0; run < RUNS; run++) {
      const inputs = typed(random)
      const outcome = computeSum(sumById(sum)!, Object.fromEntries(Object.entries(inputs).map(([name, value]) => [name, String(value)])))
      if (outcome.ok) taken++
      else refused++
      const isWorded = outcome.ok || outcome.issues.every(({ path }) => path.length > 0)
      if (outcome.ok === isSound(inputs) && isWorded) continue
      off++
      if (off <= 3) console.log(`EDGE  ${sum}, ${what}: ${JSON.stringify(inputs)} ${outcome.ok ? 'is taken' : 'is refused'}`)
    }
    if (off > 0 || taken === 0 || refused === 0) wrong++
    console.log(`${off === 0 && taken > 0 && refused > 0 ? 'ok   ' : 'SHORT'} ${sum}, ${what}: ${taken} taken, ${refused} refused`)
  }
  return wrong
}
