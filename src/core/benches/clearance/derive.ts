import type { Build } from '../../document/build'
import type { Subject } from '../../document/place'
import { bankOfCam, camKind, camsOf, isHighProfile, valvesOf, type Cam } from '../../geometry/valvetrain'
import { cylinderNumbers, hasValvesOverPistons } from '../../geometry/crank'
import { apart, type FormulaText } from '../../metrology'
import { spreadAcross } from '../../bench/engineWide'
import type { Finding, Remark } from '../../bench/bench'
import { finding, type Derived } from '../../bench/finding'
import { between, headAtRedline, parked, pistonToHead, radialByClay, radialBySizes } from './around'
import { closest, closestOfCam, roomToMove } from './closest'
import { definition, type ClearanceOutput } from './definition'
import { disagree, isBound, valveDrop, waysOf } from './drop'
import { atRedline } from './redline'

export function derive(build: Build): Finding[] {
  const one = (output: ClearanceOutput, of: (build: Build) => Derived, subject: Subject) => finding(build, definition, output, of, subject)
  const { layout, methods } = build.spec
  if (!hasValvesOverPistons(layout)) return []
  const valves = valvesOf(layout)
  const cams = camsOf(layout).filter((cam) => !isHighProfile(cam))
  return [
    ...valves.flatMap((valve) => [
      one('clearance.closest', (recorded) => closest(recorded, valve), { valve }),
      one('clearance.atRedline', (recorded) => atRedline(recorded, valve), { valve }),
      one('clearance.dropAtTdc', (recorded) => dropNumber(recorded, valve), { valve }),
      ...(waysOf(build, valve).length > 1 ? [one('clearance.waysApart', (recorded) => waysApart(recorded, valve), { valve })] : []),
      ...(methods.clearanceRound && methods.clearanceClay
        ? [one('clearance.radial', (recorded) => radialByClay(recorded, valve), { valve })]
        : []),
    ]),
    ...cams.flatMap((cam) => camFindings(build, cam)),
    ...(methods.clearanceBetween ? betweenFindings(build, cams) : []),
    ...(methods.clearanceHead
      ? cylinderNumbers(layout).flatMap((cylinder) => [
          one('clearance.pistonToHead', (recorded) => pistonToHead(recorded, cylinder), { cylinder }),
          one('clearance.headAtRedline', (recorded) => headAtRedline(recorded, cylinder), { cylinder }),
        ])
      : []),
  ]
}

function camFindings(build: Build, cam: Cam): Finding[] {
  const { methods, limits } = build.spec
  const one = (output: ClearanceOutput, of: (build: Build) => Derived) => finding(build, definition, output, of, { cam })
  return [
    one('clearance.spread', (recorded) => spread(recorded, cam)),
    ...(limits[`clearance.${camKind(cam)}`]?.lower === undefined
      ? []
      : [one('clearance.roomToMove', (recorded) => roomToMove(recorded, cam))]),
    ...(methods.clearanceRound && !methods.clearanceClay ? [one('clearance.radial', (recorded) => radialBySizes(recorded, cam))] : []),
    one('clearance.parked', (recorded) => parked(recorded, cam)),
  ]
}

/** Of one bank, or of the engine: its intake against its exhaust. */
function betweenFindings(build: Build, cams: readonly Cam[]): Finding[] {
  return cams
    .filter((cam) => camKind(cam) === 'intake')
    .map((intake) => {
      const bank = bankOfCam(intake)
      const exhaust = intake.replace('intake', 'exhaust') as Cam
      const subject = bank ? { bank } : {}
      return finding(build, definition, 'clearance.valveToValve', (recorded) => between(recorded, intake, exhaust), subject)
    })
}

/** A drop that is a number; where only feelers bound it there is none. */
function dropNumber(build: Build, valve: string): Derived {
  const drop = valveDrop(build, valve)
  if (!isBound(drop)) return drop
  return { missing: [{ kind: 'reading', stationId: `clearance.drop/v-${valve}` }] }
}

function spread(build: Build, cam: Cam): Derived {
  return spreadAcross('length', new Map(closestOfCam(build, cam).map(({ valve, derived }) => [valve, derived])), 'valve')
}

const APART: FormulaText = { id: 'waysApart', title: 'Ways apart', kind: 'length', expression: 'larger − smaller', source: 'definition' }

/** The first two ways of reading a valve against each other. */
function waysApart(build: Build, valve: string): Derived {
  const [one, other] = waysOf(build, valve)
  if (!one || !other) return { missing: [] }
  const figure = apart(APART, { label: one.way, figure: one.figure }, { label: other.way, figure: other.figure })
  const remarks: Remark[] = disagree(one.figure, other.figure, figure) ? [{ code: 'waysDisagree', one: one.way, other: other.way }] : []
  return { figure, remarks }
}
