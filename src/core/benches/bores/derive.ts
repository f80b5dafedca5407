import type { Build } from '../../document/build'
import { readingAt } from '../../document/figures'
import { derivation } from '../../document/remembered'
import { stationId } from '../../document/place'
import { apart, difference, expand, resultOf, type Figure } from '../../metrology'
import { largestOf, smallestOf } from '../../bench/extremeFigure'
import { paperAt } from '../../document/figures'
import type { Finding, Missing, Remark } from '../../bench/bench'
import { boreReading, boreReadings, incompleteBore, measuredBore, missingBore } from '../../shared/boreDiameter'
import { BORE_AXES, BORE_DEPTHS } from '../../shared/boreStations'
import { perCylinder } from '../../bench/engineWide'
import { asRead, finding, isKnown, type Derived } from '../../bench/finding'
import { pistonIn } from '../../shared/fitted'
import { taperByRing } from '../../shared/ringGap'
import { definition, type BoreOutput } from './definition'
import { boreOffPaper, outOfRound, pistonClearance, taper } from './formulas'
import { banksOf, deckFinishStations, DIRECTIONS, facePlace, FACES, type Face } from './stations'

export function derive(build: Build): Finding[] {
  const { numbers, each, spreadOf } = perCylinder<BoreOutput>(build, definition)
  return [
    ...each('bores.clearance', clearanceOf),
    ...spreadOf('bores.clearanceSpread', 'length', clearanceOf),
    ...each('bores.outOfRound', outOfRoundOf),
    ...each('bores.taper', taperOf),
    ...each('bores.boreDiameter', measuredBore),
    ...spreadOf('bores.boreSpread', 'length', measuredBore),
    ...(build.spec.paper.bore && numbers.some((cylinder) => isKnown(measuredBore(build, cylinder)))
      ? each('bores.boreOffPaper', offPaper)
      : []),
    finding(build, definition, 'bores.deckFinish', deckFinish),
    ...(build.spec.methods.boreFinish
      ? [...each('bores.boreFinish', ofBore('bores.boreFinish')), ...each('bores.crosshatch', ofBore('bores.crosshatch'))]
      : []),
    ...(build.spec.methods.faces ? faceFindings(build) : []),
  ]
}

/** Piston to wall of a cylinder with the piston that is to go into it. */
export const clearanceOf = derivation('pistonClearance', (build, cylinder: number): Derived => {
  const mark = pistonIn(build, cylinder)
  const bore = smallestBore(build, cylinder)
  const skirt = readingAt(build, 'bores.skirt', { cylinder: mark })
  if (!isKnown(bore) || !skirt) {
    const wantsSkirt: Missing[] = skirt ? [] : [{ kind: 'reading', stationId: stationId('bores.skirt', { cylinder: mark }) }]
    return { missing: [...(isKnown(bore) ? [] : bore.missing), ...wantsSkirt] }
  }
  const remarks: Remark[] = mark === cylinder ? [] : [{ code: 'pistonMarked', mark }]
  return {
    figure: pistonClearance.of({ boreMm: bore.figure, skirtMm: skirt }),
    isPartial: bore.isPartial,
    remarks: [...remarks, ...(bore.remarks ?? [])],
  }
})

/** The smallest diameter read, once at least one depth was read on both axes. */
export const smallestBore = derivation('smallestBore', (build, cylinder: number): Derived => {
  const read = boreReadings(build, cylinder)
  if (!isKnown(measuredBore(build, cylinder))) return { missing: missingBore(cylinder, 'middle') }
  return {
    figure: smallestOf(
      'Smallest bore',
      read.map(({ depth, axis, figure }) => ({ label: `${depth}, ${axis}`, figure })),
    ),
    ...incompleteBore(read.length),
  }
})

/** How far the bore as measured stands from the one on paper: a wrong oversize, or a sheet of another engine. */
function offPaper(build: Build, cylinder: number): Derived {
  const measured = measuredBore(build, cylinder)
  const paper = paperAt(build, 'bore', cylinder)
  if (!isKnown(measured) || !paper) return isKnown(measured) ? { missing: [{ kind: 'paper', key: 'bore' }] } : measured
  return {
    figure: resultOf(boreOffPaper, [
      { label: 'Measured', weight: 1, figure: measured.figure },
      { label: 'Paper', weight: -1, figure: paper },
    ]),
  }
}

function outOfRoundOf(build: Build, cylinder: number): Derived {
  const depths = BORE_DEPTHS.flatMap((depth) => {
    const [thrustMm, pinMm] = BORE_AXES.map((axis) => boreReading(build, cylinder, depth, axis))
    return thrustMm && pinMm
      ? [apart(outOfRound, { label: `${depth}, thrust`, figure: thrustMm }, { label: `${depth}, pin`, figure: pinMm })]
      : []
  })
  return worstOf(cylinder, depths, [], BORE_DEPTHS.length)
}

function taperOf(build: Build, cylinder: number): Derived {
  const tapers = BORE_AXES.flatMap((axis) => {
    const [topMm, bottomMm] = (['top', 'bottom'] as const).map((depth) => boreReading(build, cylinder, depth, axis))
    return topMm && bottomMm ? [apart(taper, { label: `top, ${axis}`, figure: topMm }, { label: `bottom, ${axis}`, figure: bottomMm })] : []
  })
  return worstOf(cylinder, tapers, ringRemark(build, cylinder), BORE_AXES.length)
}

function worstOf(cylinder: number, figures: readonly Figure[], remarks: readonly Remark[], wanted: number): Derived {
  const worst = largestOf(figures)
  const isPartial = figures.length < wanted
  const incomplete: Remark[] = isPartial ? [{ code: 'incomplete', used: figures.length, wanted }] : []
  return worst
    ? { figure: worst, isPartial, remarks: [...remarks, ...incomplete] }
    : { missing: [...missingBore(cylinder, 'top'), ...missingBore(cylinder, 'bottom')] }
}

/** What the top ring, as a gauge of its own, says of the taper: it feels the mean of all directions. */
function ringRemark(build: Build, cylinder: number): Remark[] {
  const ring = taperByRing(build, cylinder)
  const ends = (['top', 'bottom'] as const).map((depth) => BORE_AXES.map((axis) => boreReading(build, cylinder, depth, axis)))
  if (!ring || !isKnown(ring) || ends.flat().some((figure) => figure === undefined)) return []
  const [top, bottom] = ends as Figure[][]
  const text = {
    id: 'meanTaper',
    title: 'Taper by bore gauge, mean of both axes',
    kind: 'length',
    expression: 'mean at the top − mean at the bottom',
    source: 'definition',
  } as const
  const gauge = resultOf(text, [
    ...top!.map((figure, index) => ({ label: `Top, ${BORE_AXES[index]}`, weight: 0.5, figure })),
    ...bottom!.map((figure, index) => ({ label: `Bottom, ${BORE_AXES[index]}`, weight: -0.5, figure })),
  ])
  const between = difference(ring.figure.value, gauge.value)
  return [{ code: 'ringOnTaper', ring: ring.figure, gauge, agrees: Math.abs(between.value) <= expand(between).U }]
}

/** The roughest deck face that was read; with two banks both are wanted. */
function deckFinish(build: Build): Derived {
  const faces = deckFinishStations(build)
  const read = faces.map((station) => readingAt(build, 'bores.deckFinish', station.place))
  const missing = faces.filter((_, index) => !read[index])
  if (missing.length > 0) return { missing: missing.map((station) => ({ kind: 'reading', stationId: station.id })) }
  return { figure: largestOf(read as Figure[])! }
}

function ofBore(characteristic: 'bores.boreFinish' | 'bores.crosshatch') {
  return (build: Build, cylinder: number): Derived => asRead(build, characteristic, { cylinder })
}

const FLATNESS = { deck: 'bores.deckFlatness', head: 'bores.headFlatness', cover: 'bores.coverFlatness' } as const

/** How far each face is out of flat: the widest gap of six directions; and how rough the heads are. */
function faceFindings(build: Build): Finding[] {
  return [
    ...FACES.flatMap((face) =>
      banksOf(build, face).map((bank) =>
        finding(build, definition, FLATNESS[face], (recorded) => widestGap(recorded, face, bank), bank ? { bank } : {}),
      ),
    ),
    ...banksOf(build, 'head').map((bank) =>
      finding(
        build,
        definition,
        'bores.headFinish',
        (recorded) => asRead(recorded, 'bores.faceFinish', { ...(bank && { bank }), spot: 'head' }),
        bank ? { bank } : {},
      ),
    ),
  ]
}

function widestGap(build: Build, face: Face, bank: 'left' | 'right' | undefined): Derived {
  const read = (Object.keys(DIRECTIONS) as (keyof typeof DIRECTIONS)[]).map((direction) =>
    asRead(build, 'bores.faceGap', facePlace(face, direction, bank)),
  )
  const known = read.filter(isKnown)
  const widest = largestOf(known.map(({ figure }) => figure))
  if (!widest) return { missing: read.flatMap((one) => (isKnown(one) ? [] : one.missing)) }
  const isPartial = known.length < read.length
  return { figure: widest, isPartial, remarks: isPartial ? [{ code: 'incomplete', used: known.length, wanted: read.length }] : [] }
}
