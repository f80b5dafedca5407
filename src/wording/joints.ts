import type { ClampEstimate, Lube } from '@/core/joints/bolts'
import type { Joint, JointGroup, JointStage, Pull, UnitSystem } from '@/core/document'
import { bankCount, cylinderPlaces, type EngineLayout } from '@/core/geometry/crank'
import {
  bankOf,
  jointPitchMm,
  leftOut,
  type OddAngle,
  type OrderIssue,
  type PatternIssue,
  type PlanIssue,
  type Retirement,
  type Run,
  type RunRefusal,
  type RunWay,
  type StagesIssue,
  type StepPull,
} from '@/core/joints'
import { formatKnown, formatQuantity, fromCanonical, UNITS, type UnitId } from '@/core/units'

export const METHOD_CHOICES: Readonly<Record<JointGroup['method'], string>> = {
  none: 'No figure known',
  torque: 'Torque',
  torqueAndAngle: 'Torque and angle',
  toYield: 'To yield',
  stretch: 'Stretch',
}

const TURNS_UNDER_WRENCH = 'The crank is held, and fingers are clear of chain, gears and ring gear: it turns under the wrench.'
const SPRINGS_PUSH = 'Valve springs push back: drawn down evenly, a quarter turn at a time, fingers out from under.'

/** Where the danger is in a run (common practice). */
export function runCautions({ kind, sealer, fasteners }: Joint, way: RunWay): readonly string[] {
  return [
    ...(kind === 'rods' || kind === 'damper' || kind === 'flywheel' ? [TURNS_UNDER_WRENCH] : []),
    ...(kind === 'camCaps' || kind === 'rockers' ? [SPRINGS_PUSH] : []),
    ...(kind === 'head' && way === 'tighten'
      ? ['Two lift a head, or a hoist does within its rating; nobody’s fingers between faces.']
      : []),
    ...(way === 'retorque' ? ['Cold to the hand first: hot oil and what is under pressure scald.'] : []),
    ...(sealer && way === 'tighten' ? ['Sealer and its solvent off the skin, their vapour away from flame and heat.'] : []),
    ...(way === 'tighten' && fasteners.some(({ hole }) => hole?.opensTo === 'blind')
      ? ['Blind holes blown out with eyes covered: fluid left under a bolt cracks the casting.']
      : []),
  ]
}

export const WAY_WORDS: Readonly<Record<RunWay, string>> = {
  tighten: 'Tighten',
  verify: 'Verify',
  retorque: 'Re-torque',
  loosen: 'Loosen',
  drawDown: 'Draw the caps down',
}

export const HOLE_WORDS = { blind: 'nothing: blind', water: 'water', port: 'a port', gearCase: 'the gear case', oil: 'oil' } as const

export const DRESS_WORDS = { thread: 'thread', nutFace: 'nut face', underHead: 'under the head', washer: 'washer' } as const

/** The unit a wrench of this shop is marked in. */
export function wrenchUnit(system: UnitSystem): UnitId {
  return system === 'metric' ? 'Nm' : 'lbfft'
}

/** As it was typed, and no finer than a wrench is marked. */
export function torqueWords(nm: number, system: UnitSystem): { readonly value: string; readonly unit: string } {
  const unit = wrenchUnit(system)
  return { value: String(Number(fromCanonical(nm, unit).toFixed(1))), unit: UNITS[unit].symbol }
}

/** What a stage asks for, as a number to read across the room and what it is a number of. */
export function stageFigure(stage: StepPull, system: UnitSystem): { readonly value: string; readonly unit: string } {
  if (stage.pull === 'torque') return torqueWords(stage.nm, system)
  if (stage.pull === 'witnessMark') return { value: 'mark', unit: '' }
  return stage.pull === 'angle' ? { value: formatKnown(stage.deg, 'deg'), unit: '° further' } : { value: 'snug', unit: '' }
}

export function stageWords(stage: StepPull, system: UnitSystem): string {
  if (stage.pull === 'witnessMark') return 'witness mark'
  const { value, unit } = stageFigure(stage, system)
  return stage.pull === 'angle' ? `+${value}°` : `${value} ${unit}`.trim()
}

/** `30, 55, 80 N·m`, `40 N·m, +90°`. */
export function stagesWords(stages: readonly JointStage[], system: UnitSystem): string {
  if (stages.length === 0) return 'no stages yet'
  if (stages.every(({ pull }) => pull === 'torque')) {
    const figures = stages.map((stage) => stageFigure(stage, system))
    return `${figures.map(({ value }) => value).join(', ')} ${figures[0]!.unit}`
  }
  return stages.map((stage) => stageWords(stage, system)).join(', ')
}

/** Less than this share of a bore spacing from the middle of a cylinder is beside it. */
const BESIDE = 0.25

/** Where a fastener stands, in words, for joints whose places have them: `intake side, between cylinders 4 and 5`. */
export function fastenerPlaceWords(joint: Joint, layout: EngineLayout, number: number): string {
  const { xMm, yMm } = joint.fasteners[number - 1]!
  const pitchMm = jointPitchMm(joint, layout)
  if (pitchMm === undefined) return ''
  const at = xMm / pitchMm
  if (joint.kind === 'mains') return `cap ${Math.round(at) + 1}, ${yMm > 0 ? 'right' : 'left'}`
  if (joint.kind === 'rods') return `rod ${Math.round(at) + 1}`
  if (joint.kind !== 'head') return ''
  const bank = bankOf(joint)
  const cylinders = cylinderPlaces(layout)
    .filter((place) => bank === undefined || place.bank === bank)
    .toSorted((a, b) => a.row - b.row)
    .map(({ cylinder }) => cylinder)
  return [sideWords(layout, bank, yMm), alongWords(at, cylinders)].filter(Boolean).join(', ')
}

function sideWords(layout: EngineLayout, bank: 'left' | 'right' | undefined, yMm: number): string {
  if (Math.abs(yMm) < 1) return ''
  const side = yMm > 0 ? 'right' : 'left'
  if (bankCount(layout) === 2 && layout.intakeSide === 'valley') return side === bank ? 'exhaust side' : 'intake side'
  return layout.intakeSide === side ? 'intake side' : 'exhaust side'
}

function alongWords(at: number, cylinders: readonly number[]): string {
  const nearest = Math.round(at)
  const cylinder = cylinders[nearest]
  if (cylinder !== undefined && Math.abs(at - nearest) < BESIDE) return `beside cylinder ${cylinder}`
  const [before, behind] = [cylinders[Math.floor(at)], cylinders[Math.ceil(at)]]
  if (before === undefined) return behind === undefined ? '' : `ahead of cylinder ${behind}`
  return behind === undefined ? `behind cylinder ${before}` : `between cylinders ${before} and ${behind}`
}

export const LUBE_CHOICES: Readonly<Record<Lube, string>> = { dry: 'Dry', oiled: 'Engine oil', moly: 'Moly or the maker’s lube' }

/** What the same torque does on other lubes. */
export function lubeSentence(lube: Lube, others: ClampEstimate['onOtherLubes']): string {
  const said = others.map(({ lube: other, more }) => {
    const by = Math.abs(Math.round(more * 100))
    return `${LUBE_CHOICES[other].toLowerCase()} ${by} % ${more > 0 ? 'more' : 'less'}`
  })
  return `The figure belongs to its lube. The same torque as on ${LUBE_CHOICES[lube].toLowerCase()} loads on ${said.join(', on ')}.`
}

/** Lube, locker or sealer, and where it goes. */
export function dressWords({ dress }: JointGroup): string {
  return dress ? `${dress.with} on ${dress.on.map((place) => DRESS_WORDS[place]).join(' and ')}` : ''
}

export function planIssueWords(issue: PlanIssue | OrderIssue, system: UnitSystem, turns: readonly string[] = []): string {
  const torque = (nm: number) => {
    const { value, unit } = torqueWords(nm, system)
    return `${value} ${unit}`
  }
  switch (issue.code) {
    case 'missing':
      return `${fastenersWords(issue.fasteners)} missing from the order.`
    case 'doubled':
      return `${fastenersWords(issue.fasteners)} in the order twice.`
    case 'unknown':
      return `${fastenersWords(issue.fasteners)} in the order and not in this group.`
    case 'fromOneEnd':
      return 'The order runs from one end to the other: a gasket wants it from the middle outwards.'
    case 'noTarget':
      return 'No figure yet: take it from the maker’s sheet, or say that none is known.'
    case 'noStages':
      return 'No stages yet.'
    case 'stageAboveTarget':
      return `Stage ${issue.stage}, ${torque(issue.nm)}, is above the figure of ${torque(issue.targetNm)}.`
    case 'stageFalls':
      return `Stage ${issue.stage}, ${torque(issue.nm)}, is below the one before it, ${torque(issue.beforeNm)}.`
    case 'endsBelowTarget':
      return `The last stage is ${torque(issue.nm)}, the figure ${torque(issue.targetNm)}.`
    case 'otherUnit':
      return `${torque(issue.targetNm)} is ${torque(issue.makersMostNm)} with its unit taken for the other: N·m or lbf·ft?`
    case 'aboveMakersMost':
      return `${torque(issue.targetNm)} is more than the maker allows, ${torque(issue.makersMostNm)}.`
    case 'noWrench':
      return `Stage ${issue.stage}, ${torque(issue.nm)}: none of the wrenches reads there between a fifth of its range and its end.`
    case 'otherThanMakers': {
      const said = (stage?: JointStage) => (stage ? stageWords(stage, system) : 'nothing')
      return `Stage ${issue.stage}: ${said(issue.own)} here, ${said(issue.makers)} on its maker’s sheet. Say why, or take the maker’s.`
    }
    case 'oddStickOut':
      return [
        `Fastener ${turns[issue.fastener - 1] ?? issue.fastener} stands out ${lengthWords(issue.stickOutMm, system)},`,
        `most of its type ${lengthWords(issue.usualMm, system)}: another length, or in another’s hole.`,
      ].join(' ')
    case 'yieldNeedsOnceOnly':
      return `Torqued to yield, type ${issue.letters.join(', ')} is used once only: say so, and have new ones for the next time.`
  }
}

function lengthWords(mm: number, system: UnitSystem): string {
  return system === 'metric' ? formatQuantity(mm, 'mm', 1) : formatQuantity(mm, 'in', 2)
}

function fastenersWords(numbers: readonly number[]): string {
  return numbers.length === 1 ? `Fastener ${numbers[0]} is` : `Fasteners ${numbers.join(', ')} are`
}

export const RETIREMENT_WORDS: Readonly<Record<Retirement, string>> = {
  grew: 'longer for good',
  yielded: 'past its yield on its curve',
  broke: 'broken',
  spent: 'once only, and torqued',
}

export const TOLD_APART_WORDS: Readonly<Record<NonNullable<Joint['toldApartBy']>, string>> = {
  position: 'By their place',
  mark: 'By a mark on each',
  serial: 'By serial number',
}

/** `5 of 7/16-14, 4.000 in long`. */
export function typeWords({ fasteners }: Joint, { letter, thread, lengthMm }: Joint['types'][number], system: UnitSystem): string {
  const count = fasteners.filter(({ type }) => type === letter).length
  const long =
    lengthMm === undefined
      ? 'length not said'
      : `${system === 'metric' ? formatQuantity(lengthMm, 'mm', 1) : formatQuantity(lengthMm, 'in', 3)} long`
  return [`${count} of ${thread ?? 'a thread not said'}`, long].join(', ')
}

/** As they are typed: `27x7.6,8x8.35`, or `1.05 in x 0.388 in`. */
export function sectionsWords(sections: Joint['types'][number]['sections'], system: UnitSystem): string {
  const length = (mm: number) => (system === 'metric' ? formatKnown(mm, 'mm') : `${formatKnown(mm, 'in')} in`)
  return (sections ?? [])
    .map(({ lengthMm, diameterMm }) => `${length(lengthMm)}x${length(diameterMm)}`)
    .join(system === 'metric' ? ',' : ', ')
}

export function runRefusalWords(refusal: RunRefusal, system: UnitSystem): string {
  if (refusal.code === 'plan') return planIssueWords(refusal.issue, system)
  if (refusal.code === 'cannotVerify')
    return 'Run down without a figure: nothing tells whether one was missed. Loosen it and tighten it again, fastener by fastener.'
  if (refusal.code === 'runOpen') return `${WAY_WORDS[refusal.way]} is under way at this joint: end it or cancel it first.`
  if (refusal.code === 'waitsFor')
    return `${refusal.joint}: to be tight before this, and it is not: a fastener is not torqued at every stage, or it was loosened since.`
  if (refusal.code === 'beyondYield')
    return [
      'The figure pulls the fastener past its yield, however rough its thread turns.',
      'Wrong unit, or another lube? To yield is a way of its own.',
    ].join(' ')
  if (refusal.code === 'aboveFirst') {
    const [now, first] = [refusal.nm, refusal.firstNm].map((nm) => torqueWords(nm, system))
    return `A re-torque never goes above what was torqued first: ${now!.value} ${now!.unit} now, ${first!.value} ${first!.unit} then.`
  }
  if (refusal.code === 'retired')
    return [
      `Bolt ${refusal.mark}: ${RETIREMENT_WORDS[refusal.why]} (${refusal.build}).`,
      'Fit another, or say under “Hole by hole” why it is used again.',
    ].join(' ')
  return refusal.code === 'onceOnly'
    ? 'Torqued once only, to yield or as a stretch bolt: it is never torqued again. Loosen it and fit new ones.'
    : 'Its sealer has set: backed off, it no longer seals. Strip, clean and seal it again, then tighten it again as a run of its own.'
}

export function patternIssueWords(issue: PatternIssue): string {
  switch (issue.code) {
    case 'missingColumn':
      return `A column “${issue.column}” is wanted.`
    case 'badUnit':
      return `“${issue.text}” is no unit of length.`
    case 'badNumber':
      return `Row ${issue.row}, ${issue.column}: “${issue.text}” is no place on an engine.`
    case 'badType':
      return `Row ${issue.row}: “${issue.text}” is no type; a letter is wanted.`
    case 'samePlace':
      return `Row ${issue.row} stands where row ${issue.as} does.`
    case 'empty':
      return 'No row in it.'
    case 'tooMany':
      return `No more than ${issue.most} fasteners.`
  }
}

/** `30 of 30 pulls, ended`; what was left out or never torqued is no pull. */
export function runCountWords(run: Run): string {
  const out = leftOut(run).length
  const missing = run.steps.length - run.done.size
  return [
    `${run.done.size - out} of ${run.steps.length} pulls`,
    ...(out > 0 ? [`${out} left out`] : []),
    ...(run.isEnded && missing > 0 && run.way !== 'drawDown' ? [`${missing} never torqued`] : []),
    endWords(run),
  ].join(', ')
}

function endWords({ isCancelled, isEnded }: Run): string {
  if (isCancelled) return 'cancelled'
  return isEnded ? 'ended' : 'under way'
}

/** Fasteners that were left out of a run, by their turn: `fasteners 3 and 8 left out`. */
export function leftOutWords(fasteners: readonly number[], turns: readonly string[] = []): string {
  const named = fasteners.map((fastener) => turns[fastener - 1] ?? String(fastener))
  if (named.length === 0) return ''
  const noun = named.length === 1 ? 'fastener' : 'fasteners'
  return `${noun} ${[named.slice(0, -1).join(', '), named.at(-1)!].filter(Boolean).join(' and ')} left out`
}

export function stagesIssueWords(issue: StagesIssue): string {
  switch (issue.code) {
    case 'listOrDecimal':
      return `${issue.text}: a space behind the comma for two stages, a point for a decimal.`
    case 'unreadable':
      return `“${issue.text}” is no stage: a torque, +90°, or snug.`
    case 'tooMany':
      return `No more than ${issue.most} stages.`
    case 'outOfRange':
      return `“${issue.text}” is no pull anybody makes: decimal point, or another unit?`
  }
}

export function oddAngleWords({ stage, angleDeg, usualDeg, is }: OddAngle, turn: string): string {
  const cause = is === 'further' ? 'it may be yielding' : 'dry, or its thread galls'
  return `Fastener ${turn}, stage ${stage}: ${Math.round(angleDeg)}° to its torque, the others ${Math.round(usualDeg)}°: ${cause}.`
}

/** A pull in a few words; fasteners go by their turn, as they are numbered on the casting. */
export function pullWords(pull: Pull, turns: readonly string[]): string {
  const at = pull.fastener === undefined ? '' : ` ${turns[pull.fastener - 1] ?? ''}`
  const why = pull.reason ? `: ${pull.reason}` : ''
  switch (pull.did) {
    case 'begin':
      return 'begun'
    case 'pulled':
      return `fastener${at}, stage ${pull.stage}`
    case 'short':
      return `fastener${at} stopped short`
    case 'leftOut':
      return `fastener${at} left out${why}`
    case 'broke':
      return `fastener${at} broke${why}`
    case 'resealed':
      return `stripped, cleaned, sealed again${why}`
    case 'backedOff':
      return `all backed off${why}`
    case 'back':
      return 'one step back'
    case 'takeOver':
      return 'taken over'
    case 'end':
      return `ended${why}`
    case 'cancel':
      return `cancelled${why}`
  }
}
