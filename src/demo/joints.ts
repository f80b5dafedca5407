import type { Joint, Spec } from '@/core/document'
import { centreOut, drawnSpacingMm, headPattern, stagesOf, usualJoints } from '@/core/joints'

const MM_PER_IN = 25.4
const NM_PER_LBFFT = 1.355_817_948_331_4
const inch = (value: number) => value * MM_PER_IN
const feet = (value: number) => value * NM_PER_LBFFT
const source = (words: string) => ({ source: words })

/** Stages and their figure, from the sheet that came with the fasteners. */
function pulled(nm: readonly number[], from: string): Partial<Joint['groups'][number]> {
  return {
    method: 'torque',
    stages: nm.map((one) => ({ pull: 'torque', nm: one })),
    stagesFrom: source(from),
    targetNm: nm.at(-1)!,
    targetFrom: source(from),
  }
}

function planned(joint: Joint, group: Partial<Joint['groups'][number]>, more: Partial<Joint> = {}): Joint {
  return { ...joint, placed: true, ...more, groups: [{ ...joint.groups[0]!, ...group }] }
}

/** The usual joints of a layout, some of them planned. */
function jointsWith(layout: Spec['layout'], plans: Readonly<Record<string, (joint: Joint) => Joint>>): Joint[] {
  return usualJoints(layout).map((joint) => plans[joint.id]?.(joint) ?? joint)
}

const STUD_SHEET = 'stud set, its own card'
const LUBED: NonNullable<Joint['groups'][number]['dress']> = {
  on: ['thread', 'nutFace'],
  with: 'maker’s lube',
  lube: 'moly',
  from: source(STUD_SHEET),
}

const ROD_SHEET = 'rod maker’s card'
/** At its card's 0.154 mm it bears 72 % of its yield. */
const TERN_ROD_BOLT = {
  letter: 'A',
  thread: 'M9x1',
  yieldMpa: 1300,
  sections: [
    { lengthMm: 27, diameterMm: 7.6 },
    { lengthMm: 8, diameterMm: 8.35 },
  ],
  source: ROD_SHEET,
}
/** Each with its mark: the letter of the set, the rod, and which of its bolts. */
function marked({ fasteners }: Joint, set: string): Joint['fasteners'] {
  return fasteners.map((fastener, index) => ({ ...fastener, mark: `${set}${Math.floor(index / 2) + 1}${index % 2 === 0 ? 'a' : 'b'}` }))
}

/** 7/16-20; 0.0064 in is 72 % of its yield. */
const PETREL_ROD_BOLT = {
  letter: 'A',
  thread: '7/16-20',
  yieldMpa: 1310,
  sections: [
    { lengthMm: inch(1.05), diameterMm: inch(0.388) },
    { lengthMm: inch(0.35), diameterMm: inch(0.3888) },
  ],
  source: ROD_SHEET,
}

/** Twelve studs in three stages; main caps likewise; the flywheel into the crankcase, with sealer. */
export function ternJoints(layout: Spec['layout']): Joint[] {
  const stud = { letter: 'A', thread: 'M10x1.25', yieldMpa: 1310, source: STUD_SHEET }
  const wrenches = [
    { name: '5–25', leastNm: 5, mostNm: 25 },
    { name: '20–100', leastNm: 20, mostNm: 100 },
  ]
  const capBolt = { letter: 'A', thread: 'M7x1', source: 'engine’s manual' }
  const caps = (joint: Joint) => planned(joint, pulled([5, 10], 'engine’s manual'), { types: [capBolt], wrenches })
  return jointsWith(layout, {
    head: (joint) => planned(joint, { ...pulled([30, 55, 80], STUD_SHEET), dress: LUBED }, { types: [stud], wrenches }),
    mains: (joint) =>
      planned(joint, { ...pulled([30, 60, 85], STUD_SHEET), dress: LUBED }, { types: [{ ...stud, thread: 'M11x1.5' }], wrenches }),
    rods: (joint) => planned(joint, {}, { types: [TERN_ROD_BOLT], toldApartBy: 'mark', fasteners: marked(joint, 'T') }),
    'cam-intake': caps,
    'cam-exhaust': caps,
    flywheel: (joint) => intoCrankcase(joint, wrenches),
  })
}

/** Eight bolts on a circle whose holes are open to the crankcase: sealer on their threads. */
function intoCrankcase(joint: Joint, wrenches: Joint['wrenches']): Joint {
  const { from, on } = { from: source('engine’s manual'), on: ['thread' as const] }
  const fasteners = Array.from({ length: 8 }, (_, index) => {
    const angle = (index / 8) * 2 * Math.PI
    return { xMm: 38 * Math.cos(angle), yMm: 38 * Math.sin(angle), type: 'A', hole: { opensTo: 'oil' as const } }
  })
  return planned(
    joint,
    {
      ...pulled([20, 40, 65], 'engine’s manual'),
      order: centreOut(fasteners).map((index) => index + 1),
      dress: { on, with: 'thread sealer', from },
    },
    {
      fasteners,
      types: [{ letter: 'A', thread: 'M10x1', source: 'engine’s manual' }],
      sealer: { name: 'Thread sealer', openMinutes: 20, from: source('the tube') },
      wrenches,
    },
  )
}

/** Seventeen bolts a bank in three lengths, with sealer into the water. */
export function petrelJoints(layout: Spec['layout']): Joint[] {
  const rows = [
    { yMm: inch(1.9), at: 'between', type: 'A' },
    { yMm: inch(-1.9), at: 'between', type: 'B' },
    { yMm: inch(3.1), at: 'middle', type: 'C' },
    { yMm: inch(-3.1), at: 'betweenOnly', type: 'B' },
  ] as const
  const fasteners = rows.flatMap((row) =>
    headPattern(layout.cylinders / 2, drawnSpacingMm(layout), [row]).map((position) => ({
      ...position,
      type: row.type,
      hole: { opensTo: row.type === 'C' ? ('oil' as const) : ('water' as const) },
    })),
  )
  const bolt = (letter: string, lengthIn: number) => ({ letter, thread: '7/16-14', lengthMm: inch(lengthIn), source: 'gasket maker' })
  const head = (joint: Joint) =>
    planned(
      joint,
      {
        ...pulled([35, 55, 70].map(feet), 'gasket maker’s sheet'),
        order: centreOut(fasteners).map((index) => index + 1),
        dress: { on: ['thread', 'underHead'], with: 'thread sealer', from: source('gasket maker’s sheet') },
      },
      {
        fasteners,
        types: [bolt('A', 4), bolt('B', 3), bolt('C', 1.75)],
        sealer: { name: 'Thread sealer', openMinutes: 20, from: source('the tube') },
        wrenches: [{ name: '10–80', leastNm: feet(10), mostNm: feet(80) }],
      },
    )
  const wrenches = [{ name: '20–150', leastNm: feet(20), mostNm: feet(150) }]
  const sheet = 'engine’s manual'
  const mains = (joint: Joint) =>
    planned(joint, pulled([40, 70, 100].map(feet), sheet), { types: [{ letter: 'A', thread: '1/2-13', source: sheet }], wrenches })
  return jointsWith(layout, {
    mains,
    rods: (joint) => planned(joint, {}, { types: [PETREL_ROD_BOLT] }),
    'head-left': (joint) => withStickOut(head(joint)),
    'head-right': head,
  }).flatMap((joint) => (joint.id === 'mains' ? [joint, sideBolts(joint, layout, wrenches)] : [joint]))
}

/** Through the skirt into the three middle caps, from both sides, once the caps are at their last stage. */
function sideBolts(mains: Joint, layout: Spec['layout'], wrenches: Joint['wrenches']): Joint {
  const sheet = 'engine’s manual'
  const fasteners = [1, 2, 3].flatMap((row) =>
    [1, -1].map((side) => ({ xMm: row * drawnSpacingMm(layout), yMm: side * inch(3.6), type: 'A' })),
  )
  return {
    ...planned(mains, { ...pulled([18, 35].map(feet), sheet), order: centreOut(fasteners).map((index) => index + 1) }),
    id: 'side-bolts',
    name: 'Side bolts of the main caps',
    kind: 'sideBolts',
    fasteners,
    types: [{ letter: 'A', thread: '3/8-16', source: sheet }],
    after: ['mains'],
    wrenches: [{ ...wrenches![0]!, name: '10–80', leastNm: feet(10), mostNm: feet(80) }],
  }
}

/** What stands out of the left head: a bolt of three inches went where one of four belongs, and stands an inch lower. */
const SHORT_ONE = 4
const STANDS_OUT_IN: Readonly<Record<string, number>> = { A: 1.22, B: 1.18, C: 1.2 }

function withStickOut(joint: Joint): Joint {
  const seated = (index: number) => ((index % 3) - 1) * 0.008
  return {
    ...joint,
    fasteners: joint.fasteners.map((fastener, index) => ({
      ...fastener,
      stickOutMm: inch(STANDS_OUT_IN[fastener.type]! + seated(index) - (index + 1 === SHORT_ONE ? 1 : 0)),
    })),
  }
}

/** Four studs in two stages, and two small screws in a group of their own. */
export function wrenJoints(layout: Spec['layout']): Joint[] {
  return jointsWith(layout, {
    head: (joint) => {
      const y = Math.max(...joint.fasteners.map(({ yMm }) => yMm))
      const screws = [0.3, -0.3].map((along) => ({ xMm: along * drawnSpacingMm(layout), yMm: y * 1.5, type: 'B' }))
      const [studs] = joint.groups
      return {
        ...joint,
        types: [
          { letter: 'A', thread: 'M10x1.25', source: 'engine’s manual' },
          { letter: 'B', thread: 'M6x1', source: 'engine’s manual' },
        ],
        fasteners: [...joint.fasteners, ...screws],
        groups: [
          { ...studs!, name: 'studs', ...pulled([25, 45], 'engine’s manual') },
          { ...studs!, name: 'chain side', order: [5, 6], ...pulled([10], 'engine’s manual'), stages: stagesOf(10, [1]) },
        ],
      }
    },
  })
}
