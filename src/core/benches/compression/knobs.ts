/** What moves the pistons against the heads, and what room is left between: gasket, cuts, heights, chambers. */
import { isKnown } from '../../bench/finding'
import { alike, around, CC, eachCylinder, inThou, MM, nearestOf, onPaper, paperKnob, upTo, type Knob, type Part } from '../../bench/knob'
import type { Build } from '../../document/build'
import { allWorkOn } from '../../document/work'
import { bankCount, cylinderNumbers } from '../../geometry/crank'
import { printed } from '../../numerics/printed'
import { chamberVolume } from '../../shared/chamberVolume'
import { layersOf } from '../../shared/gasket'
import { definition } from './definition'

const gasketKnob: Knob = {
  id: 'gasket',
  group: 'height',
  label: 'Gasket',
  ...MM,
  step: inThou(0.05, 1),
  part: 'gasket',
  movesHeads: true,
  today: ({ spec: { stock, choice } }) => stock.gaskets.find(({ id }) => id === choice.gasket)?.thicknessMm,
  low: (build) => Math.min(...build.spec.stock.gaskets.map(({ thicknessMm }) => thicknessMm)),
  high: (build) => Math.max(...build.spec.stock.gaskets.map(({ thicknessMm }) => thicknessMm)),
  choices: ({ spec: { stock } }) => [...new Set(stock.gaskets.map(({ thicknessMm }) => thicknessMm))].sort((a, b) => a - b),
  changes: ({ spec: { stock } }, value) => {
    const nearest = stock.gaskets.toSorted((a, b) => Math.abs(a.thicknessMm - value) - Math.abs(b.thicknessMm - value))[0]
    return nearest ? [{ choose: 'gasket', id: nearest.id }] : []
  },
}

/** What layers of the shelf can be laid in together, by what they come to. */
function layerings({ spec: { stock } }: Build): ReadonlyMap<number, readonly string[]> {
  const sums = new Map<number, readonly string[]>([[0, []]])
  for (const { id, thicknessMm } of stock.layers) {
    const before = [...sums]
    for (const [mm, ids] of before) {
      const sum = printed(mm + thicknessMm)
      if (ids.length < MOST_LAYERS && !sums.has(sum)) sums.set(sum, [...ids, id])
    }
  }
  return new Map([...sums].sort(([a], [b]) => a - b))
}
const MOST_LAYERS = 3

const layersKnob: Knob = {
  id: 'gasketLayers',
  group: 'height',
  label: 'Layers laid into the gasket',
  ...MM,
  step: inThou(0.01, 0.5),
  part: 'gasket',
  movesHeads: true,
  today: ({ spec }) =>
    spec.choice.gasket !== undefined && spec.stock.layers.length > 0
      ? printed(layersOf(spec).reduce((sum, { thicknessMm }) => sum + thicknessMm, 0))
      : undefined,
  low: () => 0,
  high: (build) => Math.max(...layerings(build).keys()),
  choices: (build) => [...layerings(build).keys()],
  changes: (build, value) => {
    return [{ choose: 'gasketLayers', ids: nearestOf(layerings(build), value) }]
  },
}

/** A cut, or what is opened: work on top of what is planned. */
function cutKnob(id: 'deckCut' | 'headCut', label: string, part: Part): Knob {
  return {
    id,
    group: 'height',
    label,
    ...MM,
    step: inThou(0.05, 2),
    part,
    movesHeads: true,
    today: (build) => (id === 'headCut' && !build.spec.paper.chamberOpenArea ? undefined : allWorkOn(build, id)),
    ...upTo(0.6),
    changes: (_, value, today) => [{ what: id, by: printed(value - today) }],
  }
}

/** Another rod, stroke or compression height: the number on paper, and how much higher pistons stand for it. */
function heightKnob(key: 'compressionHeight' | 'rodLength' | 'stroke', reach: number, part: Part, share: number): Knob {
  const knob = paperKnob(definition.paper, key, { group: 'height', part, reach, step: inThou(0.05, 2) })
  return {
    ...knob,
    changes: (build, value, today) => [
      onPaper(build, definition.paper, key, value),
      { what: 'raisePiston', by: printed((value - today) * share) },
    ],
  }
}

const shimKnob: Knob = {
  id: 'baseShim',
  group: 'height',
  label: 'Base shim thicker by',
  ...MM,
  step: inThou(0.1, 4),
  part: 'gasket',
  movesHeads: true,
  // Barrels of their own: singles, flat engines and air-cooled twins.
  today: ({ spec: { layout } }) =>
    layout.kind === 'single' || layout.kind === 'flat' || (bankCount(layout) === 2 && layout.cylinders === 2) ? 0 : undefined,
  ...around(1),
  changes: (_, value) => [{ what: 'raisePiston', by: -value }],
}

const chamberKnob: Knob = {
  id: 'chamber',
  group: 'volume',
  label: 'Chambers larger by',
  ...CC,
  step: alike(0.2),
  part: 'head',
  today: (build) => (cylinderNumbers(build.spec.layout).some((cylinder) => isKnown(chamberVolume(build, cylinder))) ? 0 : undefined),
  low: () => 0,
  high: () => 6,
  changes: (build, value) => eachCylinder(build, (cylinder) => ({ what: 'openChamber', cylinder, by: value })),
}

/** A limit somebody has set does not follow what is wanted on paper. */
const wantedRatioKnob: Knob = {
  ...paperKnob(definition.paper, 'compressionRatio', { group: 'running', reach: 3, step: alike(0.1) }),
  label: 'Ratio wanted',
  today: ({ spec: { paper, limits } }) => (limits['compression.compressionRatio']?.follows ? paper.compressionRatio?.value : undefined),
}

export const knobs: readonly Knob[] = [
  gasketKnob,
  layersKnob,
  cutKnob('deckCut', 'Deck cut', 'block'),
  cutKnob('headCut', 'Head cut', 'head'),
  shimKnob,
  heightKnob('compressionHeight', 1, 'pistons', 1),
  heightKnob('rodLength', 3, 'rods', 1),
  heightKnob('stroke', 6, 'crank', 0.5),
  chamberKnob,
  paperKnob(definition.paper, 'pistonVolume', { group: 'volume', part: 'pistons', reach: 6, step: alike(0.2) }),
  wantedRatioKnob,
  paperKnob(definition.paper, 'intakeTemperature', { group: 'running', reach: 40, step: alike(5) }),
]
