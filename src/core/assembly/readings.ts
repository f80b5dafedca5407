/** The state of the engine that a reading asks for: what is on, how far torqued, and what is off (common practice). */
import type { PartKind, ReadingName } from './partRow'

export interface StateNeed {
  readonly kind: PartKind
  readonly last?: true
  /** One of them will do: a single piston on trial. */
  readonly some?: true
}

export interface ReadingState {
  readonly on?: readonly StateNeed[]
  readonly off?: readonly PartKind[]
  /** Nothing closes these: once it is read, they may have to be moved. */
  readonly uncovered?: readonly PartKind[]
  /** Looked at before cams in a head are turned for it. */
  readonly firstUnderCams?: ReadingName
  /** Readings before it, any of which will do. */
  readonly oneOf?: readonly ReadingName[]
  /** Parts through which it is taken: opened, it says nothing any more. */
  readonly staleBy?: readonly PartKind[]
  /** Parts and figures that move it where they are changed, beside those that are on. */
  readonly movedBy?: readonly string[]
}

const TDC = ['tdcBareDeck', 'tdcPlugHole'] as const
const THROUGH_CRANK: readonly PartKind[] = ['crank', 'mainCaps', 'caseOther', 'sideCover']
const DRIVE: readonly PartKind[] = ['cam', 'cams', 'camDrive', 'lowerWheel', 'chain', 'belt', 'tensioner']
const VALVE_GEAR: readonly PartKind[] = ['valves', 'lifters', 'tappets', 'followers', 'pushrods', 'rockers', 'cams', 'cam', 'head']
const held = { kind: 'mainCaps', last: true } as const

export const READING_STATES: Readonly<Record<ReadingName, ReadingState>> = {
  bores: { on: [{ kind: 'block' }, held], off: ['crank', 'piston'], movedBy: ['barrel'] },
  mainClearance: { on: [{ kind: 'shellsUpper' }, held], movedBy: ['crank', 'block'] },
  endFloat: {
    on: [{ kind: 'crank' }, held, { kind: 'caseOther', last: true }, { kind: 'sideCover' }],
    staleBy: THROUGH_CRANK,
    movedBy: ['block', 'shellsUpper', 'bearings'],
  },
  rodSide: { on: [{ kind: 'rodCap' }], staleBy: ['rodCap'], movedBy: ['crank', 'rod'] },
  ringGap: { off: ['head'], movedBy: ['block', 'barrel', 'rings'] },
  deck: {
    on: [{ kind: 'crank' }, held, { kind: 'piston', some: true }, { kind: 'rodCap', some: true }, { kind: 'barrel', some: true }],
    off: ['head', 'gasket'],
    staleBy: THROUGH_CRANK,
    movedBy: ['deck', 'block', 'rod', 'baseGasket'],
  },
  tdcBareDeck: {
    on: [{ kind: 'crank' }, { kind: 'piston', some: true }, { kind: 'rodCap', some: true }],
    off: ['head'],
    staleBy: ['crank'],
    movedBy: ['rod'],
  },
  tdcPlugHole: {
    on: [{ kind: 'crank' }, { kind: 'piston', some: true }, { kind: 'rodCap', some: true }, { kind: 'head', some: true }],
    off: ['sparkPlugs'],
    staleBy: ['crank'],
    movedBy: ['rod'],
  },
  events: {
    on: DRIVE.map((kind) => ({ kind })).concat([{ kind: 'lifters' }, { kind: 'tappets' }, { kind: 'followers' }]),
    oneOf: TDC,
    firstUnderCams: 'valveDrop',
    staleBy: DRIVE,
    movedBy: ['crank'],
  },
  reDegree: {
    on: [...DRIVE.map((kind) => ({ kind })), { kind: 'camDrive', last: true }, { kind: 'cams', last: true }],
    uncovered: ['camDrive', 'chain', 'belt'],
    oneOf: TDC,
    staleBy: DRIVE,
    movedBy: ['crank'],
  },
  valveDrop: {
    on: [
      { kind: 'head', some: true },
      { kind: 'valves', some: true },
      { kind: 'springs', some: true },
      { kind: 'piston', some: true },
    ],
    off: ['rockers', 'chain', 'belt'],
    oneOf: TDC,
    staleBy: ['head'],
    movedBy: ['deck', 'block', 'crank', 'rod', 'gasket', 'barrel', 'baseGasket'],
  },
  clearance: {
    on: [{ kind: 'head', some: true }, { kind: 'valves', some: true }, { kind: 'piston', some: true }, ...DRIVE.map((kind) => ({ kind }))],
    oneOf: TDC,
    staleBy: ['head', ...DRIVE],
    movedBy: ['deck', 'lash', 'block', 'crank', 'rod', 'gasket', 'barrel', 'baseGasket', 'rockers', 'pushrods'],
  },
  chamber: { on: [{ kind: 'valves', some: true }], off: ['head'] },
  sweep: {
    on: [
      { kind: 'head', some: true },
      { kind: 'lifters', some: true },
    ],
    staleBy: ['head'],
    movedBy: ['deck', 'gasket', 'rockers'],
  },
  lash: {
    on: [{ kind: 'valves' }, { kind: 'cam' }, { kind: 'tappets' }, { kind: 'rockers' }, { kind: 'cams' }, { kind: 'head', last: true }],
    staleBy: VALVE_GEAR,
    movedBy: ['lash', 'camDrive'],
  },
  intakeFit: { on: [{ kind: 'head' }], movedBy: ['deck', 'gasket', 'intake', 'block'] },
  pumpApart: { off: ['pump'], movedBy: ['pump'] },
  pickupToPan: { on: [{ kind: 'pickup' }], off: ['pan'], staleBy: ['pump', 'pickup'], movedBy: ['tray'] },
}
