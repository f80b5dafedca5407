/** What turns the cams: its marks as they were found, and whether its sprockets are in line. */
import type { Build } from '../../document/build'
import { stationId } from '../../document/place'
import { camsOf, cylinderOfCam, onOneShaft, type Cam, type CamDrive, type DriveWheel } from '../../geometry/valvetrain'
import { toothDeg } from '../../geometry/valvetrain'
import { apart, resultOf, type Figure, type FormulaText } from '../../metrology'
import { spreadAcross } from '../../bench/engineWide'
import { allOf, asRead, isKnown, type Derived } from '../../bench/finding'
import { asTurnedBack, isOnceProven, tdcOf } from '../../shared/camMotion/wheel'

/** Each depth is read so often (common practice). */
export const DEPTH_REPEATS = [1, 2, 3] as const

/** Cams that are one shaft, each shaft by the first of them. */
export function shaftsOf({ spec: { layout } }: Build): readonly Cam[] {
  return camsOf(layout).filter((cam) => onOneShaft(layout, cam)[0] === cam)
}

/** As it was written down, or a crank sprocket and one for each shaft. */
export function driveOf(build: Build): CamDrive {
  const { drive } = build.spec
  if (drive) return drive as CamDrive
  const shafts = shaftsOf(build)
  return {
    kind: 'chain',
    neverBack: false,
    wheels: [
      { id: 'w1', what: 'crank', name: 'crank' },
      ...shafts.map((cam, index): DriveWheel => ({
        id: `w${index + 2}`,
        what: 'cam',
        name: shafts.length > 1 ? `${cam.replaceAll('-', ' ')} cam` : 'cam',
        cam,
      })),
    ],
  }
}

/** Wheels whose depth is read: those with teeth. */
const TOOTHED = new Set(['crank', 'cam', 'idler', 'pump'])

/** By their place in the drive, from one. */
export function sprockets(build: Build): readonly { readonly number: number; readonly wheel: DriveWheel }[] {
  return driveOf(build).wheels.flatMap((wheel, index) => (TOOTHED.has(wheel.what) ? [{ number: index + 1, wheel }] : []))
}

export function depthPlace({ id }: DriveWheel, repeat: number) {
  return { spot: id, repeat }
}

/** An id for one more wheel: none has it, and nothing was ever read at one that had. */
export function freeWheelId(build: Build, wheels: readonly DriveWheel[]): string {
  const taken = new Set(wheels.map(({ id }) => id))
  for (const station of build.readings.history.keys()) if (station.startsWith('cam.sprocketDepth/')) taken.add(station.split('/')[1]!)
  let number = 1
  while (taken.has(`w${number}`)) number++
  return `w${number}`
}

const DEPTH: FormulaText = {
  id: 'sprocketDepth',
  title: 'Depth of a sprocket below the reference face',
  kind: 'length',
  expression: 'mean of the readings',
  source: 'JCGM 100:2008, 4.2.1',
}

function depthOf(build: Build, wheel: DriveWheel): Derived {
  const reads = DEPTH_REPEATS.map((repeat) => asRead(build, 'cam.sprocketDepth', depthPlace(wheel, repeat)))
  const known = reads.filter(isKnown)
  if (known.length === 0) return { missing: reads.flatMap((read) => (isKnown(read) ? [] : read.missing)) }
  const weight = 1 / known.length
  const terms = known.map(({ figure }, index) => ({ label: `Reading ${index + 1}`, weight, figure }))
  return { figure: resultOf(DEPTH, terms), isPartial: known.length < reads.length }
}

/** Deepest less shallowest sprocket: how far the chain runs askew. */
export function outOfLine(build: Build): Derived {
  const wheels = sprockets(build)
  return spreadAcross('length', new Map(wheels.map(({ number, wheel }) => [wheelKey(number, wheel), depthOf(build, wheel)])), 'wheel')
}

/** Two wheels may have one name. */
const wheelKey = (number: number, { name }: DriveWheel) => `${number}, ${name}`

const DEPTHS_APART: FormulaText = {
  id: 'depthsApart',
  title: 'Readings of one depth apart',
  kind: 'length',
  expression: 'largest − smallest of the readings of one sprocket',
  source: 'definition',
}

/** Furthest apart of three readings of one depth: one that is off is a slip, or a sprocket that is loose. */
export function depthsApart(build: Build): Derived {
  const read = sprockets(build).map(({ wheel }) =>
    DEPTH_REPEATS.map((repeat) => asRead(build, 'cam.sprocketDepth', depthPlace(wheel, repeat))),
  )
  const spreads = read.flatMap((repeats) => {
    const sorted = repeats.flatMap((one) => (isKnown(one) ? [one.figure] : [])).sort((a, b) => a.value.value - b.value.value)
    return sorted.length > 1 ? [{ least: sorted[0]!, most: sorted.at(-1)! }] : []
  })
  const [widest] = spreads.sort((a, b) => spanOf(b) - spanOf(a))
  if (!widest) return { missing: read.flat().flatMap((one) => (isKnown(one) ? [] : one.missing)) }
  // Readings of one depth are held against each other as they stand: what they differ by is what was read.
  const { value, origin } = apart(DEPTHS_APART, { label: 'Largest', figure: widest.most }, { label: 'Smallest', figure: widest.least })
  return { figure: { value: { value: value.value, components: [] }, origin } }
}

const spanOf = ({ least, most }: { readonly least: Figure; readonly most: Figure }) => most.value.value - least.value.value

const FOUND_OFF: FormulaText = {
  id: 'foundOff',
  title: 'Found before its marks',
  kind: 'angle',
  expression: 'true TDC − what the wheel shows where the cam’s mark stands',
  source: 'common practice',
}

/** How far before its marks a cam was found, crank degrees; behind them is negative. */
export function foundOff(build: Build, cam: Cam): Derived {
  const inputs = allOf({ mark: asRead(build, 'cam.markFound', { cam }), tdc: tdcOf(build, cam) })
  if (inputs.missing) return inputs
  const figure = resultOf(FOUND_OFF, [
    { label: 'True TDC', weight: 1, figure: inputs.figures.tdc },
    { label: 'Where its mark stands', weight: -1, figure: inputs.figures.mark },
  ])
  const offDeg = figure.value.value
  const teeth = driveOf(build).wheels.find((wheel) => wheel.cam === cam)?.teeth ?? build.spec.paper.camTeeth?.value
  const isOut = Math.abs(offDeg) > LEAST_OFF_DEG
  return asTurnedBack(build, [stationId('cam.markFound', { cam })], {
    figure,
    isPartial: isOnceProven(build, cylinderOfCam(build.spec.layout, cam)),
    remarks: isOut
      ? [{ code: 'foundOut', offDeg, ...(teeth !== undefined && { teeth: Math.round(Math.abs(offDeg) / toothDeg(teeth)) }) }]
      : [],
  })
}

/** Marks are cut no closer; the tooth of a sprocket of 120 is twice this. */
const LEAST_OFF_DEG = 3
