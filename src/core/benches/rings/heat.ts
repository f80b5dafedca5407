import { paperAt, type Build } from '../../build/build'
import { EXPANSION, type Expansion } from '../../engine'
import { assumedFigure, type Figure } from '../../metrology'
import { boreOf } from '../boreDiameter'
import { allOf, type Derived } from '../finding'

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

export function ringHeat(build: Build, cylinder: number): { readonly heat: RingHeat } | { readonly missing: Extract<Derived, { missing: unknown }>['missing'] } {
  const paper = (key: 'ringTemperature' | 'boreTemperature'): Derived => {
    const figure = paperAt(build, key)
    return figure ? { figure } : { missing: [{ kind: 'paper', key }] }
  }
  const inputs = allOf({ boreMm: boreOf(build, cylinder), ringTempC: paper('ringTemperature'), boreTempC: paper('boreTemperature') })
  if (inputs.missing) return { missing: inputs.missing }
  const { ring, bore } = ringExpansion(build)
  const grows = (name: string, { label, perK, tolerancePerK }: Expansion) => assumedFigure(`${name}: ${label}`, { value: perK, tolerance: tolerancePerK, source: 'from memory' })
  return { heat: { ...inputs.figures, ringPerK: grows('ring', ring), borePerK: grows('bore', bore) } }
}
