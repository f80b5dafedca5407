import type { Build } from '../../document/build'
import { isKnown, type Derived } from '../../bench/finding'
import { sized, type Truth, type TwinState } from '../../twin/truth'
import { smallestAreaOf, stiffnessOf, threadOf, yieldOf } from './boltPaper'
import type { BoltCharacteristic } from './definition'

/** Where the joint's sheet says nothing: a steel bolt of 9 mm. */
const USUAL = { diameterMm: 9, nPerMm: 270_000, yieldN: 59_000, stretchMm: 0.15 }

/** What friction is above its settled value at the first pull, and what is left of that at each further one. */
const UNSETTLED = 0.04
const LEFT_EACH_CYCLE = 0.3
const SETTLED_CYCLE = 4

/** A virtual bolt: its stiffness, where it gives, and what it turns with. */
function boltOf({ engine, unread }: TwinState, bolt: number) {
  const numberOf = (of: (build: Build, bolt: number) => Derived) => {
    const derived = of(unread, bolt)
    return isKnown(derived) ? derived.figure.value.value : undefined
  }
  const [nPerMm = USUAL.nPerMm, areaMm2, yieldMpa] = [stiffnessOf, smallestAreaOf, yieldOf].map(numberOf)
  const yieldN = areaMm2 && yieldMpa ? areaMm2 * yieldMpa : USUAL.yieldN
  return {
    nPerMm,
    givesAtN: yieldN * engine.boltYieldShare.get(bolt)!,
    diameterMm: threadOf(unread, bolt)?.diameterMm.value.value ?? USUAL.diameterMm,
    nutFactor: engine.boltNutFactor.get(bolt)!,
  }
}

/** Standard deviation of what one hand pulls by one wrench. */
const WRENCH_REPEATS = 0.005

const frictionAt = (cycle: number) => 1 + UNSETTLED * LEFT_EACH_CYCLE ** (cycle - 1)

/** Past its yield a bolt goes on at half its stiffness, and keeps what it went beyond its elastic stretch. */
export function stretchAtLoad({ nPerMm, givesAtN }: { readonly nPerMm: number; readonly givesAtN: number }, loadN: number) {
  const forGoodMm = Math.max(0, loadN - givesAtN) / nPerMm
  return { stretchMm: loadN / nPerMm + forGoodMm, forGoodMm }
}

/** The load at which a bolt has a stretch. */
function loadAtStretch({ nPerMm, givesAtN }: { readonly nPerMm: number; readonly givesAtN: number }, stretchMm: number): number {
  const elasticN = stretchMm * nPerMm
  return elasticN <= givesAtN ? elasticN : (elasticN + givesAtN) / 2
}

const wantedMm = ({ spec }: TwinState) => spec.paper.boltStretch?.value ?? USUAL.stretchMm

/** The stretch a bolt was left with. */
const tightMm = (twin: TwinState, bolt: number) => wantedMm(twin) + twin.engine.boltOverpullMm.get(bolt)!
const N_MM_PER_N_M = 1000

const lengthAt: Truth = (twin, { bolt = 1, cycle = 1, torque = 0 }) => {
  const one = boltOf(twin, bolt)
  const pulledNm = torque * (1 + WRENCH_REPEATS * twin.random.normal())
  const loadN = (pulledNm * N_MM_PER_N_M) / (one.nutFactor * frictionAt(cycle) * one.diameterMm)
  return twin.engine.boltFreeMm.get(bolt)! + stretchAtLoad(one, loadN).stretchMm
}

/** What a virtual engine has where this bench reads. Every bolt is torqued until it has its stretch, or a little more or less. */
export const truths: Readonly<Record<BoltCharacteristic, Truth>> = {
  'fasteners.freeLength': sized('boltFreeMm'),
  'fasteners.lengthAt': lengthAt,
  'fasteners.tightLength': (twin, { bolt = 1 }) => twin.engine.boltFreeMm.get(bolt)! + tightMm(twin, bolt),
  'fasteners.tightTorque': (twin, { bolt = 1 }) => {
    const one = boltOf(twin, bolt)
    return (loadAtStretch(one, tightMm(twin, bolt)) * one.nutFactor * frictionAt(SETTLED_CYCLE) * one.diameterMm) / N_MM_PER_N_M
  },
  'fasteners.gearGap': ({ spec }) => spec.paper.gearClearance?.value ?? 0.2,
  'fasteners.lengthAfter': (twin, { bolt = 1 }) => {
    const one = boltOf(twin, bolt)
    return twin.engine.boltFreeMm.get(bolt)! + stretchAtLoad(one, loadAtStretch(one, tightMm(twin, bolt))).forGoodMm
  },
}
