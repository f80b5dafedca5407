/** What the sources of a figure's uncertainty are like: drawn by the simulated shop or assumed, evenly between hard ends or normal. */
import type { Spec } from '@/core/document'
import { expand, type Figure } from '@/core/metrology'
import type { RandomStream } from '@/core/numerics/random'

type Source = Figure['value']['components'][number]['source']

/** Of a wheel put on by eye, of lobes, seats, chambers and clay that nobody read: the simulated shop draws it beside the paper. */
const DRAWN_BY_THE_SHOP = /^paper:(?:wheelCos|wheelSin|wheel for |lobe form|lobePower|lobe of |seat of |chamber of |clay of |throw-)/
const EVENLY_BY_THE_SHOP = /^(?:paper:wheel(?:Cos|Sin)|paper:lobe form|temperature)/
/** What is assumed of a bolt that nobody pulled here: no number of a paper, and no reading. */
const ASSUMED_OF_BOLTS: ReadonlySet<string> = new Set(['friction of another bolt', 'two wrenches, ±4 % each', 'friction still settling'])

/** A number that stands on paper, of the set or of one cylinder: `paper:rodLength`, `paper:rodLength/3`. */
function isOnPaper({ owner }: Source, { paper }: Spec): boolean {
  const [key] = owner.slice('paper:'.length).split('/')
  return owner.startsWith('paper:') && key !== undefined && key in paper
}

/** Heat, friction, what gives at redline: nobody reads it, and the simulated shop has it as it is assumed. */
function isAssumed(source: Source, spec: Spec): boolean {
  const { owner } = source
  if (ASSUMED_OF_BOLTS.has(owner)) return true
  return owner.startsWith('paper:') && !isOnPaper(source, spec) && !DRAWN_BY_THE_SHOP.test(owner)
}

/** Between hard ends: a step of a gauge, a tolerance, a wheel no further off its centre than an eye lets pass. */
function isEven(source: Source, spec: Spec): boolean {
  const { id, owner } = source
  return id.endsWith('/step') || owner.startsWith('stock:') || EVENLY_BY_THE_SHOP.test(owner) || isOnPaper(source, spec)
}

/** @returns how far a figure is off by what is assumed of this engine, each assumption as wrong as it is said it may be. */
export function assumedErr(spec: Spec, random: RandomStream): (figure: Figure) => number {
  const drawn = new Map<string, number>()
  return ({ value: { components } }) =>
    components.reduce((sum, { source, u }) => {
      if (!isAssumed(source, spec)) return sum
      if (!drawn.has(source.id)) drawn.set(source.id, random.normal())
      return sum + u * drawn.get(source.id)!
    }, 0)
}

const DRAWS = 40
const EVEN_HALF_WIDTH = Math.sqrt(3)

/** The share of draws of a figure's own sources, each of its shape, that its expanded uncertainty covers. */
export function expectedShare({ value }: Figure, spec: Spec, random: RandomStream): number {
  const { U } = expand(value)
  const even = value.components.map(({ source }) => isEven(source, spec))
  const scales = value.components.map(
    ({ source: { dof } }) =>
      () =>
        scaleOf(dof, random),
  )
  let covered = 0
  for (let draw = 0; draw < DRAWS; draw++) {
    let off = 0
    for (const [at, { u }] of value.components.entries())
      off += u * (even[at] ? EVEN_HALF_WIDTH * (2 * random.uniform() - 1) : random.normal() * scales[at]!())
    if (Math.abs(off) <= U + 1e-9) covered++
  }
  return covered / DRAWS
}

/** What a deviation estimated from few readings is of the true one: √(ν/χ²). */
function scaleOf(dof: number, random: RandomStream): number {
  if (dof > 200) return 1
  let squares = 0
  for (let i = 0; i < Math.max(1, Math.round(dof)); i++) squares += random.normal() ** 2
  return Math.sqrt(Math.round(dof) / squares)
}
