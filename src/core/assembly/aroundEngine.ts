/** What is bolted and filled to the engine from outside (common practice). */
import * as of from './engine'
import type { Engine } from './engine'
import type { PartRows } from './partRow'

type Around =
  | 'intake'
  | 'ignitionDrive'
  | 'sparkPlugs'
  | 'waterPump'
  | 'coolant'
  | 'oil'
  | 'filter'
  | 'primed'
  | 'exhaust'
  | 'fuelFeed'
  | 'starterMotor'

/** A pump primed through the hole of the ignition drive gets the drive last. */
export const primesThroughHole = (engine: Engine) => of.hasPushrods(engine) && of.hasPan(engine) && engine.ways?.primedThrough !== 'crank'

const always = () => true

export const AROUND_ENGINE: PartRows<Around> = {
  intake: {
    has: always,
    sitsOn: ['head'],
    forGood: ['head:last'],
    closes: ({ layout }) => (layout.intakeSide === 'valley' ? ['lifters'] : []),
    hasJoint: true,
  },
  sparkPlugs: { has: always, sitsOn: ['head'], hasJoint: true },
  waterPump: { has: (engine) => of.hasPan(engine) && of.isWaterCooled(engine), sitsOn: ['block'], hasJoint: true },
  coolant: { has: (engine) => of.hasPan(engine) && of.isWaterCooled(engine), sitsOn: ['plugs', 'head:last', 'intake', 'waterPump'] },
  filter: { has: of.isPumped, sitsOn: ['block'] },
  oil: {
    has: ({ layout }) => layout.oiling !== 'inFuel',
    sitsOn: ['block', 'caseOther', 'pan', 'sideCover', 'filter'],
    forGood: ['pan:last', 'sideCover:last', 'caseOther:last'],
  },
  // Oil seen at the top.
  primed: { has: of.isPumped, sitsOn: ['oil', 'pump', 'filter'] },
  ignitionDrive: {
    has: always,
    isOptional: (engine) => !primesThroughHole(engine),
    sitsOn: (engine) => (primesThroughHole(engine) ? ['crank', 'camDrive', 'pumpShaft', 'primed'] : ['crank', 'camDrive', 'pumpShaft']),
  },
  exhaust: { has: always, sitsOn: ['head'], hasJoint: true },
  fuelFeed: { has: always, sitsOn: ['intake'] },
  starterMotor: {
    has: ({ layout }) => layout.start === undefined || layout.start === 'starter',
    sitsOn: ['flywheel', 'block'],
    hasJoint: true,
  },
}
