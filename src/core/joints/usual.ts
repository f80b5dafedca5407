import { bankCount, cylindersPerBank, hasCamInHead, hasValvesOverPistons, type EngineLayout } from '../geometry/crank'
import type { Joint, Spec } from '../document/types'
import { capPattern, circlePattern, headPattern } from '../geometry/patterns/pattern'
import type { Position } from '../geometry/sheets/sheets'
import { drawnSpacingMm } from './pitch'
import { centreOut } from '../geometry/patterns/sequence'

const COMMON = { source: 'common practice: from the middle outwards, opposed' }
const NOT_SAID = { source: 'not said yet' }

/** How far the head's rows of fasteners, and the bolts of a cap, stand from the middle, in bore spacings. */
const HEAD_ROW = 0.62
const CAP_BOLT = 0.42
const ROD_BOLT = 0.3
const CAM_CAP_BOLT = 0.16

/** The joints of a build: those that were planned, or, before anybody has touched one, the usual ones of its layout. */
export function jointsOf({ joints, layout }: Pick<Spec, 'joints' | 'layout'>): readonly Joint[] {
  return joints ?? usualJoints(layout)
}

/** The bank a joint belongs to, by its name. */
export function bankOf({ id }: Pick<Joint, 'id'>): 'left' | 'right' | undefined {
  if (id.endsWith('-left')) return 'left'
  return id.endsWith('-right') ? 'right' : undefined
}

/** The spec with one joint planned otherwise; with the first that is, all that were usual are planned. */
export function withJoint(spec: Spec, id: string, change: (joint: Joint) => Joint): Spec {
  return { ...spec, joints: jointsOf(spec).map((joint) => (joint.id === id ? change(joint) : joint)) }
}

interface Usual {
  readonly id: string
  readonly name: string
  readonly kind: Joint['kind']
  readonly positions: readonly Position[]
}

/**
 * The joints an engine of this layout has, its fasteners where they usually stand and in the usual order. No figure comes with
 * them: what a joint is torqued to stands on its maker's sheet.
 */
export function usualJoints(layout: EngineLayout): Joint[] {
  return [...blockJoints(layout), ...headJoints(layout), ...endJoints(layout)].map(asPlanned)
}

function blockJoints(layout: EngineLayout): Usual[] {
  const { mains, mainBearings, rodBearings, cylinders } = layout
  const spacing = drawnSpacingMm(layout)
  const along = (count: number, pitch: number) => Array.from({ length: count }, (_, index) => index * pitch)
  const joints: Usual[] = []
  if (mainBearings === 'plain')
    joints.push({ id: 'mains', name: 'Main caps', kind: 'mains', positions: capPattern(along(mains, spacing), [CAP_BOLT * spacing]) })
  if (rodBearings === 'plain')
    joints.push({ id: 'rods', name: 'Rod bolts', kind: 'rods', positions: capPattern(along(cylinders, spacing), [ROD_BOLT * spacing]) })
  return joints
}

function headJoints(layout: EngineLayout): Usual[] {
  const spacing = drawnSpacingMm(layout)
  const rows = cylindersPerBank(layout)
  const head = headPattern(rows, spacing, [
    { yMm: HEAD_ROW * spacing, at: 'between' },
    { yMm: -HEAD_ROW * spacing, at: 'between' },
  ])
  const caps = capPattern(
    Array.from({ length: rows + 1 }, (_, gap) => (gap - 0.5) * spacing),
    [CAM_CAP_BOLT * spacing],
  )
  const banks = bankCount(layout) === 2 ? (['left', 'right'] as const) : ([undefined] as const)
  return banks.flatMap((bank): Usual[] => {
    const [end, words] = bank ? [`-${bank}`, `, ${bank} bank`] : ['', '']
    const onTop = hasOwnCamCaps(layout)
      ? (['intake', 'exhaust'] as const).map((cam): Usual => ({
          id: `cam-${cam}${end}`,
          name: `Caps of the ${cam} cam${words}`,
          kind: 'camCaps',
          positions: caps,
        }))
      : [
          {
            id: `rockers${end}`,
            name: `Rockers${words}`,
            kind: 'rockers',
            positions: headPattern(rows, spacing, ROCKERS(spacing)),
          } as const,
        ]
    return [
      { id: `head${end}`, name: `Cylinder head${words}`, kind: 'head', positions: head },
      ...(hasValvesOverPistons(layout) ? onTop : []),
    ]
  })
}

const ROCKERS = (spacing: number) => [{ yMm: spacing * 0.1, at: 'middle' } as const, { yMm: -spacing * 0.1, at: 'middle' } as const]

/** Each kind of valve has a shaft of its own in the head. */
function hasOwnCamCaps(layout: EngineLayout): boolean {
  return hasCamInHead(layout) && layout.valveDrive !== 'rockerShaft'
}

function endJoints({ kind }: EngineLayout): Usual[] {
  const flywheel: Usual = { id: 'flywheel', name: 'Flywheel', kind: 'flywheel', positions: circlePattern(kind === 'single' ? 1 : 6, 76) }
  return [flywheel, { id: 'damper', name: 'Damper or crank pulley', kind: 'damper', positions: [{ xMm: 0, yMm: 0 }] }]
}

function asPlanned({ id, name, kind, positions }: Usual): Joint {
  return {
    id,
    name,
    kind,
    state: 'final',
    types: [{ letter: 'A' }],
    fasteners: positions.map((position) => ({ ...position, type: 'A' })),
    groups: [
      {
        name: 'all',
        // Each rod by itself, its two bolts by turns.
        order: kind === 'rods' ? positions.map((_, index) => index + 1) : centreOut(positions).map((index) => index + 1),
        orderFrom: COMMON,
        method: 'none',
        stages: [],
        stagesFrom: NOT_SAID,
      },
    ],
  }
}
