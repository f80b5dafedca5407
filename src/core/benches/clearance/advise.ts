import { applyChanges } from '../../document/changes'
import type { Build } from '../../document/build'
import type { EngineChange } from '../../document/types'
import { allWorkOn } from '../../document/work'
import { phasedGapMm } from '../../geometry/valvetrain/closest'
import { camKind, camsOf, isHighProfile, onOneShaft, type Cam, type CamKind } from '../../geometry/valvetrain'
import { expand } from '../../metrology'
import { printed } from '../../numerics/printed'
import { UNITS } from '../../units'
import type { Advice, Cost, Finding, Headline } from '../../bench/bench'
import { isKnown } from '../../bench/finding'
import { pocketCm3PerMm } from '../../shared/pocketWork'
import { closestOfCam } from './closest'
import { camOf } from './drop'
import { alongValve, phasing, valveAngle } from './sweep'

/** What gives valves the room they lack: gasket, pocket, less of a cut, another setting of the cam; a dial where a feeler cannot decide. */
export function advise(build: Build, findings: readonly Finding[]): Advice[] {
  const cams = camsOf(build.spec.layout).filter((cam) => !isHighProfile(cam))
  const short = new Map(cams.map((cam) => [cam, shortMm(build, cam, findings)] as const).filter(([, mm]) => mm > 0))
  return [
    ...undecided(findings),
    ...thickerGaskets(build, short),
    ...pockets(build, short),
    ...lessCut(build, short),
    ...retimings(build, short),
  ]
}

/** What the valves of a cam lack along the valve, mm, so that they keep their limits by their uncertainty, also on the dyno. */
function shortMm(build: Build, cam: Cam, findings: readonly Finding[]): number {
  const own = findings.filter(({ valve }) => valve !== undefined && camOf(build, valve) === cam)
  const ofValves = own.flatMap(({ output, figure, limit, conformity }) => {
    const isJudged = output === 'clearance.closest' || output === 'clearance.atRedline'
    if (!isJudged || !figure || limit?.lower === undefined || conformity?.verdict !== 'under') return []
    return [limit.lower + expand(figure.value).U - figure.value.value]
  })
  return Math.max(0, ...ofValves, shortOnDynoMm(build, cam, findings))
}

function shortOnDynoMm(build: Build, cam: Cam, findings: readonly Finding[]): number {
  const room = findings.find((one) => one.output === 'clearance.roomToMove' && one.cam === cam)
  const curve = phasing(build, cam)
  const limitMm = build.spec.limits[`clearance.${camKind(cam)}`]?.lower
  if (room?.conformity?.verdict !== 'under' || room.limit?.lower === undefined || !curve || limitMm === undefined) return 0
  const moved = (camKind(cam) === 'intake' ? 1 : -1) * room.limit.lower
  const least = leastOf(build, cam)
  return least ? limitMm + least.U - (least.mm + phasedGapMm(curve, moved) - phasedGapMm(curve, 0)) : 0
}

function leastOf(build: Build, cam: Cam): { readonly mm: number; readonly U: number } | undefined {
  const known = closestOfCam(build, cam).flatMap(({ derived }) => (isKnown(derived) ? [derived.figure.value] : []))
  const least = known.toSorted((a, b) => a.value - b.value)[0]
  return least && { mm: least.value, U: expand(least).U }
}

type Short = ReadonlyMap<Cam, number>

function alongOf(build: Build, kind: CamKind): number {
  const angle = valveAngle(build, kind)
  return isKnown(angle) ? alongValve(build, angle.figure.value.value) : 1
}

/** The thinnest gasket of the shelf that gives every valve what it lacks. */
function thickerGaskets(build: Build, short: Short): Advice[] {
  const { stock, choice } = build.spec
  const fitted = stock.gaskets.find(({ id }) => id === choice.gasket)
  if (!fitted || short.size === 0) return []
  const wantedMm = fitted.thicknessMm + Math.max(...[...short].map(([cam, mm]) => mm / alongOf(build, camKind(cam))))
  const thicker = stock.gaskets.filter(({ thicknessMm }) => thicknessMm >= wantedMm).toSorted((a, b) => a.thicknessMm - b.thicknessMm)[0]
  if (!thicker) return []
  const { id, name } = thicker
  return [advice(build, `thickerGasket.${id}`, { code: 'thickerGasket', id, name }, [{ choose: 'gasket', id }], short, [])]
}

/** Pockets are cut to so much. */
const POCKET_STEP_MM = { metric: 0.1, inch: 5 * UNITS.thou.factor }

function stepsUp(mm: number, { spec: { units } }: Build): number {
  const step = POCKET_STEP_MM[units]
  return printed(Math.ceil(mm / step - 1e-9) * step)
}

function pockets(build: Build, short: Short): Advice[] {
  if (build.spec.methods.valveSurface !== 'pocket') return []
  return (['intake', 'exhaust'] as const).flatMap((kind) => {
    const lacks = Math.max(0, ...[...short].flatMap(([cam, mm]) => (camKind(cam) === kind ? [mm] : [])))
    if (lacks === 0) return []
    const byMm = stepsUp(lacks, build)
    const perMm = pocketCm3PerMm(build, kind)
    const costs: Cost[] = [
      ...(perMm === undefined ? [] : [{ code: 'pocketVolume', cm3: perMm * byMm } as const]),
      { code: 'crownLeft', mm: byMm },
    ]
    return [
      advice(
        build,
        `cutPockets.${kind}`,
        { code: 'cutPockets', valves: kind, byMm },
        [{ what: 'cutPocket', valves: kind, by: byMm }],
        short,
        costs,
      ),
    ]
  })
}

/** Of cuts that are planned, as much less as the valves lack. */
function lessCut(build: Build, short: Short): Advice[] {
  if (short.size === 0) return []
  const lackMm = Math.max(...[...short].map(([cam, mm]) => mm / alongOf(build, camKind(cam))))
  return (['deckCut', 'headCut'] as const).flatMap((what) => {
    const plannedMm = allWorkOn(build, what)
    if (plannedMm <= 0) return []
    const byMm = Math.min(plannedMm, stepsUp(lackMm, build))
    return [advice(build, `less.${what}`, { code: 'cutLess', what, byMm }, [{ what, by: -byMm }], short, [])]
  })
}

/** An intake set later, an exhaust earlier, by the least that gives its valves their room; lobes of one shaft turn together. */
function retimings(build: Build, short: Short): Advice[] {
  return [...short].flatMap(([cam, lackMm]) => {
    const curve = phasing(build, cam)
    const way = camKind(cam) === 'intake' ? -1 : 1
    const hereMm = curve ? phasedGapMm(curve, 0) : 0
    const found = curve?.filter(({ advanceDeg, gapMm }) => advanceDeg * way > 0 && gapMm - hereMm >= lackMm)
    const nearest = found?.toSorted((a, b) => Math.abs(a.advanceDeg) - Math.abs(b.advanceDeg))[0]
    if (!nearest) return []
    const byDeg = nearest.advanceDeg
    const changes = onOneShaft(build.spec.layout, cam).map((one): EngineChange => ({ what: 'turnCam', cam: one, by: byDeg }))
    return [advice(build, `retimeCam.${cam}`, { code: 'retimeCam', cam, byDeg }, changes, short, [{ code: 'timingMoves', byDeg }])]
  })
}

function advice(
  build: Build,
  id: string,
  change: Advice['change'],
  changes: readonly EngineChange[],
  short: Short,
  costs: readonly Cost[],
): Advice {
  const after = applyChanges(build, changes)
  return { id, change, changes, costs, headlines: [...short.keys()].flatMap((cam) => headline(after, cam)) }
}

function headline(after: Build, cam: Cam): Headline[] {
  const known = closestOfCam(after, cam).flatMap(({ derived }) => (isKnown(derived) ? [derived.figure.value] : []))
  const ranked = known.toSorted((a, b) => a.value - b.value)
  return ranked.length === 0 ? [] : [{ output: 'clearance.closest', low: ranked[0]!, high: ranked.at(-1)! }]
}

/** A feeler that went or stopped says too little where the limit lies beyond it: a dial does. */
function undecided(findings: readonly Finding[]): Advice[] {
  return findings.flatMap(({ output, valve, conformity, remarks }): Advice[] => {
    const isBound = remarks.some(({ code }) => code === 'feelerBound')
    if (output !== 'clearance.closest' || valve === undefined || !isBound || conformity?.verdict !== 'inDoubt') return []
    return [{ id: `readByDial.${valve}`, change: { code: 'readByDial', valve }, headlines: [], costs: [] }]
  })
}
