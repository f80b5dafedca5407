/** Head, valves and what drives them (common practice). */
import { hasValves } from '../geometry/crank'
import * as of from './engine'
import type { Engine } from './engine'
import type { PartRows } from './partRow'

type TopEnd =
  | 'camDrive'
  | 'guides'
  | 'lowerWheel'
  | 'chainHung'
  | 'chain'
  | 'belt'
  | 'beltCover'
  | 'tensioner'
  | 'chestCover'
  | 'studs'
  | 'gasket'
  | 'head'
  | 'valves'
  | 'springs'
  | 'followers'
  | 'tappets'
  | 'lifters'
  | 'cams'
  | 'pushrods'
  | 'rockers'
  | 'cover'

const always = () => true
const valves = ({ layout }: Engine) => hasValves(layout)
const byChain = (engine: Engine) => of.headDrive(engine) === 'chain'
const byBelt = (engine: Engine) => of.headDrive(engine) === 'belt'

/** Solid or mushroom lifters of a splash-oiled engine or one with side valves go in before the cam, which then closes them. */
const liftersBeforeCam = (engine: Engine) => of.isSideValve(engine) || (of.hasPushrods(engine) && of.isSplashed(engine))

export const TOP_END: PartRows<TopEnd> = {
  tappets: { has: liftersBeforeCam, sitsOn: ['block'], movesClearance: true, isNear: true },
  lifters: {
    each: 'bank',
    has: (engine) => of.hasPushrods(engine) && !liftersBeforeCam(engine),
    sitsOn: ['cam'],
    closes: ['cam'],
    movesClearance: true,
    isNear: true,
  },
  camDrive: {
    has: (engine) => of.camInBlock(engine) || of.headDrive(engine) === 'gears',
    sitsOn: ['cam', 'crank'],
    closes: ['cam'],
    hasJoint: true,
    isNear: true,
    movesClearance: true,
  },
  guides: { has: byChain, sitsOn: ['block'], isNear: true },
  lowerWheel: {
    has: (engine) => byChain(engine) || byBelt(engine),
    sitsOn: (engine) => (byBelt(engine) ? ['crank', 'frontCover'] : ['crank']),
    isNear: true,
    movesClearance: true,
  },
  chainHung: { has: byChain, sitsOn: ['lowerWheel'], closes: ['lowerWheel'], isNear: true },
  chain: {
    has: byChain,
    sitsOn: ['chainHung', 'lowerWheel', 'guides', 'cams', 'head'],
    closes: ['chainHung'],
    isNear: true,
    movesClearance: true,
  },
  belt: { has: byBelt, sitsOn: ['lowerWheel', 'cams', 'head'], isNear: true, movesClearance: true },
  tensioner: { has: (engine) => byChain(engine) || byBelt(engine), sitsOn: ['chain', 'belt'], hasJoint: true, isNear: true },
  beltCover: { has: byBelt, sitsOn: ['belt', 'tensioner'], closes: ['belt', 'tensioner', 'lowerWheel'] },
  studs: {
    each: 'bank',
    has: always,
    isOptional: always,
    // Those of separate barrels stand in the case.
    sitsOn: (engine) => (of.hasSeparateBarrels(engine) ? ['block', 'caseOther'] : ['block']),
  },
  gasket: { each: 'bank', has: always, sitsOn: ['block', 'studs', 'barrel'], closes: ['piston', 'studs'], movesClearance: true },
  head: {
    each: 'bank',
    has: always,
    // On trial over no gasket, where what is missing has a known thickness.
    sitsOn: ['block', 'barrel'],
    forGood: ['gasket', 'pumpShaft'],
    closes: (engine) => [
      ...(['gasket', 'piston', 'studs', 'pumpShaft'] as const),
      ...(of.isSideValve(engine) ? [] : (['valves'] as const)),
      ...(engine.ways?.lifters === 'beforeHeads' ? (['lifters'] as const) : []),
    ],
    hasJoint: true,
    isMachined: true,
    isNear: true,
    movesClearance: true,
  },
  // In a head they may be met on the bench; side valves stand in the block.
  valves: {
    each: 'bank',
    has: valves,
    sitsOn: (engine) => (of.isSideValve(engine) ? ['block', 'tappets'] : []),
    isNear: true,
    movesClearance: true,
  },
  springs: { each: 'bank', has: valves, sitsOn: ['valves'], closes: ['valves'], isNear: true },
  followers: {
    each: 'bank',
    has: (engine) => of.camInHead(engine) && !of.rocksOverCams(engine),
    sitsOn: ['valves', 'springs'],
    closes: ['springs'],
    movesClearance: true,
    isNear: true,
  },
  cams: {
    each: 'bank',
    has: of.camInHead,
    sitsOn: ['followers'],
    closes: ['followers'],
    hasJoint: true,
    isNear: true,
    movesClearance: true,
  },
  pushrods: { each: 'bank', has: of.hasPushrods, sitsOn: ['lifters', 'tappets', 'head'], isNear: true, movesClearance: true },
  rockers: {
    each: 'bank',
    has: (engine) => of.hasPushrods(engine) || (of.camInHead(engine) && of.rocksOverCams(engine)),
    sitsOn: ['valves', 'springs', 'pushrods', 'cams', 'head'],
    closes: ['springs', 'pushrods'],
    hasJoint: true,
    isNear: true,
    movesClearance: true,
  },
  cover: {
    each: 'bank',
    has: (engine) => valves(engine) && !of.isSideValve(engine),
    sitsOn: ['head', 'rockers', 'cams'],
    closes: ['rockers', 'cams', 'pushrods', 'followers', 'springs'],
    readFirst: ['lash'],
    hasJoint: true,
  },
  chestCover: { has: of.isSideValve, sitsOn: ['valves', 'springs'], closes: ['valves', 'springs'], readFirst: ['lash'], hasJoint: true },
}
