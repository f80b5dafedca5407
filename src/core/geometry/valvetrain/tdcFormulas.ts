import { formula } from '../../metrology'
import { bothSides, dropAtMm, middleOffDeg } from './trueTdc'

const GEOMETRY = 'geometry of crank and rod'

export const tdcInputs = {
  strokeMm: { label: 'Stroke', kind: 'length' },
  rodMm: { label: 'Rod length', kind: 'length' },
  pinOffsetMm: { label: 'Pin offset', kind: 'length' },
  before: { label: 'Read before the top', kind: 'angle' },
  after: { label: 'Read after the top', kind: 'angle' },
} as const

interface Read {
  readonly strokeMm: number
  readonly rodMm: number
  readonly pinOffsetMm: number
  readonly before: number
  readonly after: number
}

export const trueTdc = formula({
  id: 'trueTdc',
  title: 'What the wheel shows at true TDC',
  kind: 'angle',
  expression: 'middle of both on the circle − how far the middle of equal drops is off the top',
  source: GEOMETRY,
  inputs: tdcInputs,
  evaluate({ before, after, ...crank }: Read) {
    const { middleDeg, halfDeg } = bothSides(before, after)
    return middleDeg - middleOffDeg(crank, halfDeg)
  },
})
export const stopDrop = formula({
  id: 'stopDrop',
  title: 'Piston below its top where it was read',
  kind: 'length',
  expression: 's(half the way between both)',
  source: GEOMETRY,
  inputs: tdcInputs,
  evaluate: ({ before, after, ...crank }: Read) => dropAtMm(crank, bothSides(before, after).halfDeg),
})
