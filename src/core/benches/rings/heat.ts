import type { Build } from '../../document/build'
import { paperAt } from '../../document/figures'
import { EXPANSION, type Expansion } from '../../geometry/materials'
import { assumedFigure, exactly, type Figure } from '../../metrology'
import { boreOf } from '../../shared/boreDiameter'
import { allOf, type Derived } from '../../bench/finding'

/** Everything but the gap that decides whether a top ring butts. */
export interface RingHeat {
  readonly boreMm: Figure
  readonly ringPerK: Figure
  readonly borePerK: Figure
  readonly boreTempC: Figure
  readonly ringTempC: Figure
}

/** Iron bores, and the liner in an aluminium block, grow as iron: the cautious choice. */
export function ringExpansion(build: Build): { ring: Expansion; bore: Expansion } {
  const { materials } = build.spec
  return { ring: EXPANSION.ring[materials.topRing], bore: EXPANSION.part[materials.bore] }
}

/** The upper ring value and the lower bore value, the wall as stated: the cautious choice for a verdict (common practice). */
export function cautiousHeat(build: Build, heat: RingHeat): RingHeat {
  const { ring, bore } = ringExpansion(build)
  const exact = (name: string, at: number, source: string): Figure => ({ value: exactly(at), origin: { from: 'assumed', name, source } })
  return {
    ...heat,
    ringPerK: exact(`ring: ${ring.label}`, ring.perK + ring.tolerancePerK, 'from memory, the upper end'),
    borePerK: exact(`bore: ${bore.label}`, bore.perK - bore.tolerancePerK, 'from memory, the lower end'),
    boreTempC: { ...heat.boreTempC, value: exactly(heat.boreTempC.value.value) },
  }
}

export function ringHeat(
  build: Build,
  cylinder: number,
): { readonly heat: RingHeat } | { readonly missing: Extract<Derived, { missing: unknown }>['missing'] } {
  const paper = (key: 'ringTemperature' | 'boreTemperature'): Derived => {
    const figure = paperAt(build, key)
    return figure ? { figure } : { missing: [{ kind: 'paper', key }] }
  }
  const inputs = allOf({ boreMm: boreOf(build, cylinder), ringTempC: paper('ringTemperature'), boreTempC: paper('boreTemperature') })
  if (inputs.missing) return { missing: inputs.missing }
  const { ring, bore } = ringExpansion(build)
  const grows = (name: string, { label, perK, tolerancePerK }: Expansion) =>
    assumedFigure(`${name}: ${label}`, { value: perK, tolerance: tolerancePerK, source: 'from memory' })
  return { heat: { ringPerK: grows('ring', ring), borePerK: grows('bore', bore), ...inputs.figures } }
}
