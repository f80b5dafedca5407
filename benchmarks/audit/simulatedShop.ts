import { DEFAULT_GAUGES } from '@/core/benches/gauges'
import { BENCHES, gaugesFor, GROWTH, openBuild, TRUTHS } from '@/core/benches'
import { withSpec, type Build, type Entry, type Gauge, type Id, type Place, type Spec } from '@/core/document'
import { growingParts } from '@/core/document/growth'
import { trueClosestMm } from '@/core/benches/clearance/twin'
import { camsOf, valvePlaces } from '@/core/geometry/valvetrain'
import { cylinderNumbers } from '@/core/geometry/crank'
import { EXPANSION } from '@/core/geometry/materials'
import { randomStream, seedOf, type RandomStream } from '@/core/numerics/random'
import { virtualEngine } from '@/core/benches/virtualEngine'
import { SET_BY_EYE_DEG, SimulatedGauges, type TrueEngine } from '@/core/twin'

/** One engine measured twice: by gauges as their cards say they err, in a shop a little warm or cold, and as it truly is. */
export interface Measured {
  readonly measured: Build
  /** The engine as it truly is; each cylinder with its own pieces, where those differ. */
  readonly truthOf: (cylinder: number | undefined) => Build
  /** How near a valve truly comes to its piston: by the engine's own lobes, which no build knows of. */
  readonly trueClosestMm: (valve: string) => number
}

/** How far a shop nobody wrote the temperature of may be from 20 °C; the same assumption as the readings are taken with. */
const SHOP_K = 2
const IDEAL_STEP = 1e-9

/** What a gauge of the drawer truly is: one of the many that its card allows. */
interface TrueGauge {
  readonly card: Gauge
  readonly bias: number
  readonly scale: number
  readonly sigma: number
}

export function measure(nominal: Spec, seed: number): Measured {
  const random = randomStream(seed)
  const trueSpec = specWithin(nominal, random)
  const pieces = new Map(cylinderNumbers(nominal.layout).map((cylinder) => [cylinder, piecesWithin(trueSpec, random)]))
  const engine = virtualEngine(trueSpec, { lobePower: lobePowers(nominal, seed), seatMm: seatsApart(nominal, seed) }, seed + 1)
  const warmK = SHOP_K * (2 * random.uniform() - 1)
  const gauges = new Map(DEFAULT_GAUGES.map((card) => [card.id, trueGauge(card, random)]))
  const truth = buildFrom(trueSpec, reader(trueSpec, engine, seed + 2, undefined, gauges, 0))
  const own = new Map([...pieces].map(([cylinder, spec]) => [cylinder, withSpec(truth, spec)]))
  return {
    measured: buildFrom(nominal, reader(nominal, engine, seed + 2, random, gauges, warmK)),
    truthOf: (cylinder) => own.get(cylinder ?? Number.NaN) ?? truth,
    trueClosestMm: (valve) =>
      trueClosestMm({ engine, spec: trueSpec, unread: withSpec(truth, trueSpec), random, buretteLevelCm3: 0 }, valve),
  }
}

/** Lobes are as pointed as they are assumed to be, give or take, evenly. */
const POWER_TOLERANCE = 0.3

function lobePowers({ layout }: Spec, seed: number): Readonly<Record<number, number>> {
  const { uniform } = randomStream(seedOf(seed))
  return Object.fromEntries(camsOf(layout).map((_, index) => [index + 1, POWER_TOLERANCE * (2 * uniform() - 1)]))
}

/**
 * What is assumed of seats nobody read, and of how clay is cut: of neither anybody knows the form, and each is drawn normally with the
 * standard deviation it is assumed to have.
 */
const SEATS_APART_MM = 0.15 / Math.sqrt(3)
const CLAY_OFF_MM = 0.1 / Math.sqrt(3)

/** Where only the first cylinder's valves are read, the seats of the others stand where nobody knows. */
function seatsApart({ layout, methods }: Spec, seed: number): Readonly<Record<number, number>> {
  if (methods.clearanceValves !== 'first' || methods.clearanceSeats) return {}
  const { normal } = randomStream(seedOf(seed + 3))
  return Object.fromEntries(valvePlaces(layout).map(({ cylinder }, index) => [index + 1, cylinder === 1 ? 0 : SEATS_APART_MM * normal()]))
}

type Read = (characteristic: Id, place: Place, gauge: Gauge) => { value: number; upper?: number }

const within = (random: RandomStream, value: number, tolerance = 0) => value + tolerance * (2 * random.uniform() - 1)

/** Every number on paper that is common to the set within its tolerance, evenly. */
function specWithin(spec: Spec, random: RandomStream): Spec {
  const gaskets = spec.stock.gaskets.map((gasket) => ({
    ...gasket,
    thicknessMm: within(random, gasket.thicknessMm, gasket.thicknessToleranceMm),
  }))
  return { ...paperWithin(spec, random, 'set'), stock: { ...spec.stock, gaskets } }
}

/** The pieces of one cylinder: what varies piece by piece within its tolerance, evenly. */
function piecesWithin(spec: Spec, random: RandomStream): Spec {
  return paperWithin(spec, random, 'piece')
}

/** Their tolerance is a band for the engine to land in: nothing is left open of what stands on paper. */
const TO_LAND_IN: ReadonlySet<string> = new Set(['boltStretch', 'gearClearance'])

function paperWithin(spec: Spec, random: RandomStream, which: 'set' | 'piece'): Spec {
  const paper = Object.entries(spec.paper).map(([key, number]) => {
    const isDrawn = (number.varies ?? 'set') === which && !TO_LAND_IN.has(key)
    return [key, isDrawn ? { ...number, value: within(random, number.value, number.tolerance) } : number]
  })
  return { ...spec, paper: Object.fromEntries(paper) }
}

function trueGauge(card: Gauge, random: RandomStream): TrueGauge {
  const dof = card.repeatabilityDof
  // The card's s is an estimate: the scatter behind it is s·√(ν/χ²).
  const chiSquared =
    Number.isFinite(dof) && dof < 200
      ? Array.from({ length: Math.max(1, Math.round(dof)) }, () => random.normal() ** 2).reduce((sum, one) => sum + one, 0)
      : dof
  return {
    card,
    bias: card.bias + card.biasU * random.normal(),
    scale: card.scaleU * random.normal(),
    sigma: card.repeatability * Math.sqrt(dof < 200 ? Math.round(dof) / chiSquared : 1),
  }
}

/** Without `random` a reader reads the truth. */
function reader(
  spec: Spec,
  engine: TrueEngine,
  seed: number,
  random: RandomStream | undefined,
  gauges: ReadonlyMap<string, TrueGauge>,
  warmK: number,
): Read {
  const hand = new SimulatedGauges({ engine, spec, seed, truths: TRUTHS })
  const micrometer = gaugeFor(spec, 'bearings.mainJournal')
  const off = random && wheelOff(random)
  return (characteristic, place, gauge) => {
    const exact = hand.read(characteristic, random && off ? setByEye(place, random, off) : place, {
      ...gauge,
      use: 'other',
      resolution: IDEAL_STEP,
      repeatability: 0,
      bias: 0,
    }).value
    if (!random) return { value: exact }
    const { bias, scale, sigma } = gauges.get(gauge.id)!
    const isZeroed =
      spec.methods.bearings === 'direct' && (characteristic === 'bearings.mainClearance' || characteristic === 'bearings.rodClearance')
    // Zeroed on the micrometer that read the journal: its bias is not seen, its step, its noise and the setting are; so is the zero.
    const own = isZeroed ? zeroError(gauges.get(micrometer.id)!, gauges.get(gauge.id)!, random) : bias
    const clay = characteristic === 'clearance.clay' ? CLAY_OFF_MM * random.normal() : 0
    const err = clay + (off && gauge.use === 'wheel' ? wheelErr(off, exact) : 0)
    const shown = exact * (1 + scale) + err + grown(spec, characteristic, exact, warmK) + own + sigma * random.normal()
    const steps = shown / gauge.resolution
    if (gauge.use === 'feeler') return { value: Math.floor(steps) * gauge.resolution, upper: (Math.floor(steps) + 1) * gauge.resolution }
    return { value: Math.round(steps) * gauge.resolution }
  }
}

/** How far a wheel put on by eye is off its centre, as what it errs by: along and across, degrees. */
interface WheelOff {
  readonly along: number
  readonly across: number
}
const WHEEL_OFF_DEG = 0.25

function wheelOff(random: RandomStream): WheelOff {
  const one = () => WHEEL_OFF_DEG * (2 * random.uniform() - 1)
  return { along: one(), across: one() }
}

function wheelErr({ along, across }: WheelOff, deg: number): number {
  const at = (deg * Math.PI) / 180
  return along * Math.cos(at) + across * Math.sin(at)
}

/** A wheel stands a little off the angle it was set to, and off where its centre is not on its bolt. */
function setByEye(place: Place, random: RandomStream, off: WheelOff): Place {
  if (place.degree === undefined) return place
  return { ...place, degree: place.degree - wheelErr(off, place.degree) + SET_BY_EYE_DEG * random.normal() }
}

function zeroError(micrometer: TrueGauge, bore: TrueGauge, random: RandomStream): number {
  const step = ({ card }: TrueGauge) => card.resolution * (random.uniform() - 0.5)
  return (
    micrometer.sigma * random.normal() + step(micrometer) + micrometer.sigma * random.normal() + bore.sigma * random.normal() + step(bore)
  )
}

/** What part and steel gauge at the same temperature, off 20 °C, make of a length or a clearance. */
function grown(spec: Spec, characteristic: Id, lengthMm: number, warmK: number): number {
  const parts = growingParts(GROWTH[characteristic], spec)
  if (!parts) return 0
  if (parts.kind === 'length') return lengthMm * (parts.part.perK - EXPANSION.part.steel.perK) * warmK
  return parts.diameter.value * (parts.outer.perK - parts.inner.perK) * warmK
}

function gaugeFor(spec: Spec, characteristic: Id): Gauge {
  const definition = BENCHES.map((bench) => bench.definition.characteristics[characteristic]).find((one) => one !== undefined)!
  return gaugesFor(definition, DEFAULT_GAUGES, spec.units)[0]!
}

function buildFrom(spec: Spec, read: Read): Build {
  const bare = openBuild({ id: '01920000-0000-7000-8000-0000000000ff', spec, gauges: [...DEFAULT_GAUGES], entries: [] })
  const entries = BENCHES.flatMap((bench) => bench.stations(bare)).map(({ characteristic, place }, index): Entry => {
    const gauge = gaugeFor(spec, characteristic)
    return {
      kind: 'reading',
      id: `01920000-0000-7000-8000-${String(index).padStart(12, '0')}`,
      at: '2026-03-01T10:00:00Z',
      by: 'KV',
      characteristic,
      place,
      unit: gauge.unit,
      asTyped: 'x',
      gauge: gauge.id,
      ...read(characteristic, place, gauge),
    }
  })
  return openBuild({ id: bare.id, spec, gauges: [...DEFAULT_GAUGES], entries })
}
