import type { Build } from '../../document/build'
import { stationId } from '../../document/place'
import { derivation } from '../../document/remembered'
import { expand, formula, resultOf, type Figure } from '../../metrology'
import type { Finding, Missing, Remark } from '../../bench/bench'
import { boltLabel, knownFigures, spreadAcross } from '../../bench/engineWide'
import { allOf, asRead, finding, isKnown, type Derived } from '../../bench/finding'
import { proofOf, smallestAreaOf, stiffnessOf, threadOf, wants, yieldOf } from './boltPaper'
import { definition, type BoltOutput } from './definition'
import { gearFindings } from './gearClearance'
import { jointFindings } from './jointFindings'
import { loadFromStretch, nutFactor, shareOf, tensileStress } from '../../joints/bolts/formulas'
import {
  boltsMeasured,
  boltsTried,
  curveIn,
  cyclesOf,
  freeLength,
  longerAt,
  longerBy,
  stepsIn,
  torqueIn,
  torquesReadAt,
  wantedStretch,
} from './rodBolts'
import { byAnotherWrench, LEAST_STEPS, onAnotherBolt, settling, slopeOf, withSettling, type Curve } from './torqueStretch'

export function derive(build: Build): Finding[] {
  return [...rodBoltFindings(build), ...gearFindings(build), ...jointFindings(build)]
}

function rodBoltFindings(build: Build): Finding[] {
  const bolts = boltsMeasured(build)
  if (bolts.length === 0) return []
  const tried = boltsTried(build)
  const each = (output: BoltOutput, of: (build: Build, bolt: number) => Derived, numbers: readonly number[] = bolts) =>
    numbers.map((bolt) => finding(build, definition, output, (recorded) => of(recorded, bolt), { bolt }))
  const finder = tried.slice(0, 1)
  return [
    ...each('fasteners.stretch', stretchOf),
    ...each('fasteners.ofYield', ofYield),
    ...each(
      'fasteners.ofProof',
      ofProof,
      bolts.filter((bolt) => isKnown(proofOf(build, bolt))),
    ),
    ...each('fasteners.load', loadOf),
    ...each('fasteners.growth', growthOf),
    ...each('fasteners.bend', bendOf, tried),
    ...each('fasteners.slopeApart', slopeApartOf),
    ...each('fasteners.nutFactor', nutFactorOf),
    finding(build, definition, 'fasteners.stretchSpread', stretchSpread),
    ...each(
      'fasteners.torqueHere',
      torqueFor('thisBolt', (found) => found),
      finder,
    ),
    ...each('fasteners.torqueOtherBolt', torqueFor('otherBolt', onAnotherBolt), finder),
    ...each('fasteners.torqueOtherWrench', torqueFor('otherWrench', byAnotherWrench), finder),
  ]
}

const stretchOf = derivation('boltStretch', (build, bolt: number): Derived => longerAt(build, 'fasteners.tightLength', { bolt }))

function growthOf(build: Build, bolt: number): Derived {
  return longerBy(build, bolt, freeLength(build, 'fasteners.lengthAfter', bolt))
}

const loadOf = derivation('boltLoad', (build, bolt: number): Derived => {
  const inputs = allOf({ stretchMm: stretchOf(build, bolt), boltNPerMm: stiffnessOf(build, bolt) })
  if (inputs.missing) return inputs
  const figure = loadFromStretch.of(inputs.figures)
  // What it stretched beyond its line is no load.
  return { figure, ...notElastic(build, [bolt]) }
})

/** Its curve left its line upwards, or loose again it stands longer than it was by more than it may. */
const hasYielded = derivation('boltYielded', (build, bolt: number): boolean => {
  const growth = growthOf(build, bolt)
  const mostMm = build.spec.limits['fasteners.growth']?.upper ?? 0
  const isLonger = isKnown(growth) && growth.figure.value.value - expand(growth.figure.value).U > mostMm
  return (
    isLonger ||
    (boltsTried(build).includes(bolt) && curvesOf(build, bolt).some(({ leavesAt, bend }) => leavesAt !== undefined && bend.value.value > 0))
  )
})

/** Of bolts that yielded, what they carry is no load; nor is what is made of it. */
function notElastic(build: Build, bolts: readonly number[]): Pick<Extract<Derived, { figure: Figure }>, 'isPartial' | 'remarks'> {
  return bolts.some((bolt) => hasYielded(build, bolt)) ? { isPartial: true, remarks: [{ code: 'notElastic' }] } : {}
}

function ofYield(build: Build, bolt: number): Derived {
  return shareBorne(loadOf(build, bolt), smallestAreaOf(build, bolt), yieldOf(build, bolt))
}

/** Of a strength, on a section. What is to be said of the load is to be said of its share. */
function shareBorne(load: Derived, area: Derived, strength: Derived): Derived {
  const inputs = allOf({ loadN: load, areaMm2: area, strengthMpa: strength })
  if (inputs.missing) return inputs
  const { strengthMpa, ...tension } = inputs.figures
  return { ...load, figure: shareOf.of({ stressMpa: tensileStress.of(tension), strengthMpa }) }
}

function ofProof(build: Build, bolt: number): Derived {
  return shareBorne(loadOf(build, bolt), stressAreaOf(build, bolt), proofOf(build, bolt))
}

function stressAreaOf(build: Build, bolt: number): Derived {
  const thread = threadOf(build, bolt)
  return thread ? { figure: thread.stressAreaMm2 } : wants('thread')
}

/** What friction made of the torque that gave the stretch. */
function nutFactorOf(build: Build, bolt: number): Derived {
  const thread = threadOf(build, bolt)
  const inputs = allOf({
    torqueNm: asRead(build, 'fasteners.tightTorque', { bolt }),
    diameterMm: thread ? { figure: thread.diameterMm } : wants('thread'),
    loadN: loadOf(build, bolt),
  })
  return inputs.missing ? inputs : { figure: nutFactor.of(inputs.figures), ...notElastic(build, [bolt]) }
}

function stretchSpread(build: Build): Derived {
  const bolts = boltsMeasured(build)
  return marked(spreadAcross('length', new Map(bolts.map((bolt) => [bolt, stretchOf(build, bolt)])), 'bolt'), notElastic(build, bolts))
}

/** A figure with what is to be said of what it rests on. */
function marked(derived: Derived, { isPartial, remarks = [] }: ReturnType<typeof notElastic>): Derived {
  if (!isKnown(derived)) return derived
  return { ...derived, isPartial: (derived.isPartial ?? false) || (isPartial ?? false), remarks: [...(derived.remarks ?? []), ...remarks] }
}

function curvesOf(build: Build, bolt: number): readonly (Curve & { readonly cycle: number })[] {
  return Array.from({ length: cyclesOf(build, bolt) }, (_, index) => index + 1).flatMap((cycle) => {
    const curve = curveIn(build, bolt, cycle)
    return curve ? [{ cycle, ...curve }] : []
  })
}

/** The cycle in which a bolt left its straight line the furthest, upwards or downwards. */
function bendOf(build: Build, bolt: number): Derived {
  const curves = curvesOf(build, bolt)
  if (curves.length === 0) return { missing: stepsMissing(build, bolt, 1) }
  const furthest = curves.reduce((a, b) => (Math.abs(b.bend.value.value) > Math.abs(a.bend.value.value) ? b : a))
  const { bend, leavesAt, cycle } = furthest
  const leaves: Remark[] = leavesAt
    ? [{ code: 'leavesLine', fromNm: leavesAt.torqueNm, cycle, how: bend.value.value > 0 ? 'yields' : 'galls' }]
    : []
  return { figure: bend, remarks: leaves, isPartial: stepsMissing(build, bolt, cycle).length > 0 }
}

/** Steps of a cycle that are planned and not read; where nothing is planned, what a plan wants. */
function stepsMissing(build: Build, bolt: number, cycle: number): Missing[] {
  const read = new Set(torquesReadAt(build, bolt, cycle))
  const open = stepsIn(build, bolt, cycle)
    .filter((torque) => !read.has(torque))
    .map((torque): Missing => ({ kind: 'reading', stationId: stationId('fasteners.lengthAt', { bolt, cycle, torque }) }))
  const length = freeLength(build, 'fasteners.freeLength', bolt)
  const free = isKnown(length) ? [] : length.missing
  if (open.length > 0 || read.size >= LEAST_STEPS) return [...free, ...open]
  // Nothing is planned.
  const plan = (['boltStepFrom', 'boltStepTo', 'boltStepBy'] as const).filter((key) => build.spec.paper[key] === undefined)
  return [...plan.map((key): Missing => ({ kind: 'paper', key })), ...free]
}

/** How much load a newton metre makes: from the curve of the first cycle, or from the stretch it came to and the torque it took. */
const loadForTorque = derivation('boltLoadForTorque', (build, bolt: number): Derived => {
  const stiffness = stiffnessOf(build, bolt)
  if (build.spec.methods.rodBolts === 'curves') {
    const curve = curveIn(build, bolt, 1)
    const inputs = allOf({ mmPerNm: curve ? { figure: slopeOf(curve.straight) } : { missing: stepsMissing(build, bolt, 1) }, stiffness })
    return inputs.missing ? inputs : { figure: loadForSlope.of(inputs.figures) }
  }
  const inputs = allOf({ torqueNm: asRead(build, 'fasteners.tightTorque', { bolt }), loadN: loadOf(build, bolt) })
  return inputs.missing ? inputs : { figure: loadOverTorque.of(inputs.figures) }
})

const loadForSlope = formula({
  id: 'loadForSlope',
  title: 'Load for each N·m',
  kind: 'ratio',
  expression: 'stretch for each N·m · k bolt',
  source: 'Hooke’s law',
  inputs: { mmPerNm: { label: 'Stretch for each N·m', kind: 'ratio' }, stiffness: { label: 'Bolt', kind: 'stiffness' } },
  evaluate: ({ mmPerNm, stiffness }) => mmPerNm * stiffness,
})

const loadOverTorque = formula({
  id: 'loadOverTorque',
  title: 'Load for each N·m',
  kind: 'ratio',
  expression: 'load ÷ torque',
  source: 'definition',
  inputs: { loadN: { label: 'Load', kind: 'force' }, torqueNm: { label: 'Torque', kind: 'torque' } },
  evaluate: ({ loadN, torqueNm }) => loadN / torqueNm,
})

const shareApart = formula({
  id: 'shareApart',
  title: 'Against the others',
  kind: 'ratio',
  expression: 'this one ÷ mean of the others − 1',
  source: 'definition',
  inputs: { own: { label: 'This one', kind: 'ratio' }, others: { label: 'Mean of the others', kind: 'ratio' } },
  evaluate: ({ own, others }) => own / others - 1,
})

/** With fewer beside it nobody can say which is the odd one. */
const LEAST_OTHERS = 3

/**
 * A bolt against the others at the same torque, brought to load so that a longer one is not odd for being longer. One that yielded
 * is held against the others, and none against it.
 */
function slopeApartOf(build: Build, bolt: number): Derived {
  const own = loadForTorque(build, bolt)
  const { known, wanted, missing } = loadsForTorque(build)
  const isAmong = known.has(bolt)
  const count = known.size - (isAmong ? 1 : 0)
  if (!isKnown(own) || count < LEAST_OTHERS) return { missing: isKnown(own) ? missing : own.missing }
  const others = resultOf(
    { id: 'meanOfOthers', title: 'Mean of the others', kind: 'ratio', expression: '(all − this one) ÷ how many', source: 'definition' },
    [
      { label: 'All together', weight: 1 / count, figure: sumOfLoads(build) },
      ...(isAmong ? [{ label: 'This one', weight: -1 / count, figure: own.figure }] : []),
    ],
  )
  const figure = shareApart.of({ own: own.figure, others })
  return marked({ figure, isPartial: known.size < wanted }, isCounted(build, bolt) ? {} : notElastic(build, [bolt]))
}

/** The straight part of a curve tells the load of a bolt also where it yielded further up. */
function isCounted(build: Build, bolt: number): boolean {
  return build.spec.methods.rodBolts === 'curves' || !hasYielded(build, bolt)
}

/** Of the bolts whose stretch is load: what each makes of its torque. */
function loadsForTorque(build: Build) {
  const counted = boltsMeasured(build).filter((bolt) => isCounted(build, bolt))
  const all = new Map(counted.map((bolt) => [bolt, loadForTorque(build, bolt)]))
  const missing = [...all.values()].flatMap((one) => (isKnown(one) ? [] : one.missing))
  return { known: knownFigures(all), wanted: all.size, missing }
}

const sumOfLoads = derivation('boltLoadsTogether', (build): Figure =>
  resultOf(
    { id: 'allTogether', title: 'All together', kind: 'ratio', expression: 'sum over the bolts', source: 'definition' },
    [...loadsForTorque(build).known].map(([bolt, figure]) => ({ label: boltLabel(bolt), weight: 1, figure })),
  ),
)

/** The torque that gives the wanted stretch once friction has settled, with the uncertainty of whatever it is to be used for. */
function torqueFor(holdsFor: Extract<Remark, { code: 'torqueHolds' }>['for'], widen: (found: Figure) => Figure) {
  return (build: Build, bolt: number): Derived => {
    const found = torqueFound(build, bolt)
    if (!isKnown(found)) return found
    const widened = {
      ...found,
      figure: widen(found.figure),
      remarks: [...(found.remarks ?? []), { code: 'torqueHolds', for: holdsFor } as const],
    }
    return marked(widened, notElastic(build, [bolt]))
  }
}

const torqueFound = derivation('boltTorqueFound', (build, bolt: number): Derived => {
  const wanted = wantedStretch(build, bolt)
  if (!isKnown(wanted)) return wanted
  const last = cyclesOf(build, bolt)
  const missing = Array.from({ length: last }, (_, index) => stepsMissing(build, bolt, index + 1)).flat()
  const known = Array.from({ length: last }, (_, index) => index + 1).filter((cycle) => torqueIn(build, bolt, cycle))
  const [before, now] = known.slice(-2)
  if (before === undefined || now === undefined || now < LEAST_CYCLES)
    return { missing: missing.length > 0 ? missing : [{ kind: 'impossible', reason: 'stretchNotReached' }] }
  const latest = torqueIn(build, bolt, now)!
  const { apart, isSettled } = settling(torqueIn(build, bolt, before)!, latest)
  return {
    figure: withSettling(latest, apart, `${bolt}`),
    isPartial: !isSettled || missing.length > 0,
    remarks: isSettled ? [] : [{ code: 'frictionUnsettled', apart, cycles: [before, now] }],
  }
})

/** Before the third the faces have not burnished (common practice). */
const LEAST_CYCLES = 3
