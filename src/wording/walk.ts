import type { Entry } from '@/core/document'
import type { AskedId, Attitude, Changed, StaleBecause, Step, StepName, TemporaryId, Wait, WalkStep } from '@/core/walk'
import type { ChangeId, HoldId, StageId } from '@/core/document/walkStages'
import { partWords } from './parts'
import { CLOCK_STARTED_SINCE, CLOCK_WAITED_FOR } from './clocks'

/** The stages as they stand on the rule, and in full. */
export const STAGE_WORDS: Readonly<Record<StageId, { readonly short: string; readonly title: string }>> = {
  job: { short: 'Job', title: 'The job' },
  clean: { short: 'Clean', title: 'Inspect and clean' },
  block: { short: 'Block', title: 'Block and bores' },
  crank: { short: 'Crank', title: 'Crank and mains' },
  rods: { short: 'Rods', title: 'Rods, pistons, balance' },
  rings: { short: 'Rings', title: 'Rings' },
  mockUp: { short: 'Mock-up', title: 'Trial assembly' },
  cam: { short: 'Cam', title: 'TDC and cams, on trial' },
  ratio: { short: 'Ratio', title: 'Chambers and ratio' },
  clear: { short: 'Clear', title: 'Clearances, on trial' },
  machine: { short: 'Machine', title: 'Machining' },
  finalClean: { short: 'Wash', title: 'Final clean' },
  final: { short: 'Final', title: 'Final assembly' },
  heads: { short: 'Heads', title: 'Heads and cams' },
  lash: { short: 'Lash', title: 'Lash or preload' },
  intake: { short: 'Intake', title: 'Intake, ignition, covers' },
  prime: { short: 'Prime', title: 'Oil' },
  fire: { short: 'Fire', title: 'First fire' },
  dyno: { short: 'Dyno', title: 'Run-in and hand-over' },
  refresh: { short: 'Refresh', title: 'Afterwards' },
}

interface StepWords {
  readonly title: string
  readonly why: string
  readonly caution?: string
}

const FINGERS = 'Fingers clear of chain, gears and ring gear whenever it is turned.'
const MAKERS = 'What its maker’s sheet says comes before anything said here.'

/** What the handbook has done, in the words of the trade: what, why, and where the danger is. */
export const HANDBOOK_WORDS: Readonly<Record<StepName, StepWords>> = {
  'job.agreed': {
    title: 'Goal, duty, fuel and date agreed',
    why: 'What is built for is decided before anything is measured.',
    caution: 'Emissions, noise and competition rules: the law where it runs and the sanctioning body decide.',
  },
  'job.paper': { title: 'Sheets read, limits and methods chosen', why: `Every limit shows its source. ${MAKERS}` },
  'clean.apart': {
    title: 'Taken apart, wear and marks looked at first',
    why: 'What is seen before it is cleaned says what failed.',
    caution: 'Hoist and stand within their ratings; used oil off the skin.',
  },
  'clean.washed': {
    title: 'Washed, blown out, dried',
    why: 'What is measured is metal, not dirt.',
    caution: 'Solvents and their vapour away from grinding and heat; eyes covered where air is blown.',
  },
  'clean.oiled': { title: 'Bare iron oiled', why: 'It rusts within the hour.' },
  'mockUp.crank': { title: 'Crank in for trial, mains at their torque', why: 'It is measured as it will run.' },
  'mockUp.pistons': { title: 'Pistons in without rings', why: 'Deck height, and valves over pistons, are of all of them.' },
  'cam.pointer': { title: 'Pointer and wheel on', why: 'Nothing is read by them before TDC is proven.' },
  'cam.park': {
    title: 'Crank parked where pistons clear the valves',
    why: 'By the computed angle; not by half a turn assumed.',
    caution: FINGERS,
  },
  'cam.in': { title: 'Cams in, timed to their marks', why: 'On the marks first; by degrees after.', caution: FINGERS },
  'clear.lightSprings': {
    title: 'Light springs on',
    why: 'A valve is pushed to its piston by hand.',
    caution: 'Valve springs store enough to hurt: a proper compressor, and no face over it.',
  },
  'clear.headOn': { title: 'Head on for trial', why: 'With its gasket, or without and said so.' },
  'clear.declared': {
    title: 'Clearance declared, not measured',
    why: 'Only where cams, pockets, gasket and cuts are the maker’s own and nothing was changed.',
  },
  'clear.springsOut': { title: 'Light springs out, running springs in', why: 'Light ones float at the first blip.' },
  'machine.sent': {
    title: 'Given to the machine shop, with the figures',
    why: 'A second pair of eyes before metal is cut.',
    caution: 'Welding or machining what rotates, and crack tests of what must not break, belong to licensed shops.',
  },
  'machine.back': { title: 'Back, and measured again', why: 'What was read before is of the part as it was.' },
  'finalClean.washed': {
    title: 'Everything washed for the last time',
    why: 'Grit left now is in the bearings at first start.',
    caution: 'Solvents and their vapour away from heat; eyes covered where air is blown.',
  },
  'finalClean.oiled': { title: 'Bores, journals and bare iron oiled', why: 'They rust within the hour, and rust laps a ring in minutes.' },
  'finalClean.oilways': { title: 'Oilways brushed through and blown', why: 'Each from both ends.' },
  'finalClean.plugs': { title: 'Gallery plugs in and sealed', why: 'One that is missing starves a bearing, or empties the sump.' },
  'final.shells': { title: 'Shells in: backs dry, faces lubed', why: 'Tangs and holes in line.' },
  'final.crank': { title: 'Crank in', why: 'Last sight of the upper shells.' },
  'final.mainCaps': { title: 'Main caps on, by number and arrow', why: 'Each was bored in its own place.' },
  'final.ringsOn': { title: 'Rings on, marks up, gaps clocked', why: 'A ring upside down pumps oil.' },
  'final.pistons': { title: 'Pistons in', why: 'Those of one pin before the crank is rolled.' },
  'final.rodCaps': { title: 'Rod caps on, by number', why: 'Each goes with its own rod, and one way round.' },
  'final.oilPump': { title: 'Oil pump and pickup on, pickup height checked', why: 'The pan hides it.' },
  'final.pumpDrive': { title: 'Oil pump drive in', why: 'Under a head it does not go in any more.' },
  'final.camIn': { title: 'Cam in, lobes and journals lubed', why: 'Straight in: a lobe nicks a bearing.' },
  'final.timing': {
    title: 'Timing set on, marks in line',
    why: 'Cam bolts at their torque before the cover hides them.',
    caution: FINGERS,
  },
  'final.cover': { title: 'Front cover on', why: 'Last sight of cam bolts, drive and slinger.' },
  'final.markAgain': {
    title: 'Balancer mark held against proven TDC once more',
    why: 'Cover and damper are on for good: pointer and mark stand where ignition is set by them.',
  },
  'final.pan': { title: 'Pan on, tried first', why: 'Its side for the dipstick, and room over the pickup.' },
  'heads.studs': { title: 'Studs in, counted by length', why: 'One too long bottoms in its hole and clamps nothing.' },
  'heads.faces': {
    title: 'Both faces wiped with spirit',
    why: 'No fibre, no oil.',
    caution: 'Spirit and its vapour away from grinding, flame and heat.',
  },
  'heads.dowels': { title: 'Dowels in', why: 'Without them a head settles where it likes.' },
  'heads.spray': {
    title: 'Gasket sprayed, where its maker has it sprayed',
    why: 'Tacky after ten minutes, and too dry after fifteen; its can says otherwise where it does.',
    caution: 'Its vapour away from flame and heat.',
  },
  'heads.gasket': { title: 'Gasket on', why: 'Turned round, it covers a passage: its front matters.' },
  'heads.on': { title: 'Head on', why: 'Off its blocks, never on its face.', caution: 'Two lift it, or the hoist does.' },
  'heads.park': {
    title: 'Crank parked where pistons clear the valves',
    why: 'By the computed angle; not by half a turn assumed.',
    caution: FINGERS,
  },
  'heads.camsIn': { title: 'Cams in, caps drawn down', why: 'Loaded caps first, a quarter turn at a time.', caution: FINGERS },
  'heads.timing': { title: 'Chain or belt on, timed', why: 'A ratchet tensioner lets it jump when it is turned back.', caution: FINGERS },
  'heads.soak': {
    title: 'Lifters washed and laid in oil',
    why: 'Shipping grease off first. Some soak them for minutes, some for an hour; solid ones need none: waive it.',
  },
  'heads.lifters': { title: 'Lifters in', why: 'Each in its own bore, and free in it.' },
  'heads.pushrods': { title: 'Pushrods and rockers on', why: 'Each in its cup; seen from above.' },
  'heads.twoTurns': {
    title: 'Turned two full turns by hand',
    why: 'Slowly, and stopped at the first thing that is felt.',
    caution: `Plugs out. ${FINGERS}`,
  },
  'lash.set': { title: 'Lash or preload set', why: 'Each valve on the heel of its lobe.', caution: FINGERS },
  'intake.on': { title: 'Intake on, fit checked', why: 'Heads that were cut stand nearer; ports may no longer meet.' },
  'intake.ignition': { title: 'Ignition set for the first start', why: 'Number one on compression, not on overlap.' },
  'intake.covers': { title: 'Covers on, breathers fitted', why: 'Last sight of the valve gear.' },
  'prime.oilIn': { title: 'Oil in, filter filled', why: 'Before it is turned by anything but a hand.' },
  'prime.oilAtTop': { title: 'Primed until oil is seen at the top', why: 'Every rocker or cam wet. It drains back within days.' },
  'fire.tempOut': { title: 'Temporary parts and rags counted out', why: 'As many as went in.' },
  'fire.starter': {
    title: 'Turned over without fire, plugs out',
    why: 'Until the gauge shows pressure.',
    caution: 'Away from plug holes: what is in a cylinder comes out of it.',
  },
  'fire.list': {
    title: 'First-fire list gone through',
    why: 'Leaks, pressure within seconds or stop.',
    caution: 'Extinguisher at hand, ears and eyes covered, outdoors; stay out of the plane of fan and flywheel.',
  },
  'fire.first': {
    title: 'First fire',
    why: 'Oil pressure within seconds, or off.',
    caution: 'Fuel leaks are looked for before anything else. Hot oil, hot pipes, things that turn.',
  },
  'fire.heatCycles': {
    title: 'Heat cycles',
    why: 'Up to temperature and quite cold again, as often as its gasket’s maker says.',
    caution: 'Nothing under pressure is opened hot.',
  },
  'fire.retorque': { title: 'Torqued again where its maker asks for it', why: 'Cold, one at a time.' },
  'dyno.runIn': { title: 'Run in', why: 'Load without revs; oil and filter changed after.', caution: 'Nobody in line with what turns.' },
  'dyno.handOver': { title: 'Handed over with its book', why: 'Figures, limits and who did what.' },
  'refresh.checks': { title: 'Leak-down, lash, spring loads, bolt lengths', why: 'What has moved says when it is due again.' },
}

export const HOLD_WORDS: Readonly<Record<HoldId, string>> = {
  mainsTight: 'the mains at their last stage',
  tdcProven: 'TDC proven',
  crankParked: 'a crank parked where every valve clears, by the figures',
  clearanceProven: 'valve clearance proven, every valve within',
  lightSpringsOut: 'the light springs out',
  driveIn: 'the oil pump drive in',
  gasketAndDowels: 'gasket and dowels in',
  studsCounted: 'studs counted by length',
  twoTurns: 'two turns by hand, free',
  sealersCured: 'what cures at its joints',
  oilIn: 'oil in',
  oilAtTop: 'oil seen at the top',
  firstFireList: 'the first-fire list',
  temporaryOut: 'every temporary part out again',
}

export const ASKED_WORDS: Readonly<Record<AskedId, { readonly ask: string; readonly answers: readonly string[]; readonly right: string }>> =
  {
    gasketFront: {
      ask: 'The end marked “front”, and the block of holes: where does each lie?',
      answers: ['Front to the front, holes to the rear', 'Front to the rear, holes to the front'],
      right: 'Front to the front, holes to the rear',
    },
    pistonFront: {
      ask: 'The front mark on the crown: where does it point?',
      answers: ['To the front', 'To the rear'],
      right: 'To the front',
    },
    capsByNumber: {
      ask: 'Numbers and arrows of the caps: how do they stand?',
      answers: ['Each on its own number, arrows to the front', 'Not all on their own number'],
      right: 'Each on its own number, arrows to the front',
    },
  }

const TEMPORARY_WORDS: Readonly<Record<TemporaryId, string>> = {
  lightSprings: 'Light springs',
  ties: 'Ties on sprockets',
  tape: 'Tape',
  rags: 'Rags',
  pullingBolt: 'A pulling bolt',
  tensioner: 'A tensioner for now',
  holdDowns: 'Hold-downs',
  manifold: 'A lent manifold',
}

/** A part by its name, or by what somebody called it. */
export function temporaryWords(part: string): string {
  return TEMPORARY_WORDS[part as TemporaryId] ?? part
}

export const CHANGE_WORDS: Readonly<Record<ChangeId, string>> = {
  gasket: 'Another gasket',
  deckOrHead: 'Deck or head cut',
  mainStuds: 'Main studs, caps or their torque',
  rodBolts: 'Rod bolts',
  crankGround: 'Crank ground',
  camMoved: 'Cam moved',
  honed: 'Bores honed again',
  pistons: 'Other pistons',
  rods: 'Other rods',
  valves: 'Other valves',
  seats: 'Seats cut',
  modified: 'A part ground or drilled',
  rockers: 'Rockers or their ratio',
  lifters: 'Lifters',
  springs: 'Springs',
  sprockets: 'Sprockets',
  capsSwapped: 'Caps swapped',
  camCap: 'A cam cap swapped',
  flywheel: 'Flywheel welded or changed',
  lube: 'Another lube on threads',
}

export function stepTitle({ source, bank, cylinders }: Pick<Step, 'source' | 'bank' | 'cylinders'>): string {
  const where = [
    ...(bank ? [`${bank} bank`] : []),
    ...(cylinders ? [`cylinder${cylinders.length > 1 ? 's' : ''} ${cylinders.join(' and ')}`] : []),
  ]
  const title = titleOf(source)
  return where.length > 0 && source.from !== 'joint' ? `${title}, ${where.join(', ')}` : title
}

function titleOf(source: Step['source']): string {
  switch (source.from) {
    case 'handbook':
      return HANDBOOK_WORDS[source.name].title
    case 'readings':
      return `${source.label} read`
    case 'checks':
      return `${source.title} checked`
    case 'joint':
      return `${source.name} torqued`
    case 'own':
      return source.title
  }
}

export function stepWhy({ source }: Pick<Step, 'source'>): string {
  if (source.from === 'handbook') return HANDBOOK_WORDS[source.name].why
  return source.from === 'own' ? source.why : ''
}

export function stepCaution({ source }: Pick<Step, 'source'>): string | undefined {
  return source.from === 'handbook' ? HANDBOOK_WORDS[source.name].caution : undefined
}

/** What a held step waits for: holds and clocks by what must be true, other steps by their titles. */
export function waitsWords(waits: readonly Wait[], titleOfStep: (id: string) => string): string {
  const steps = waits.flatMap((wait) => ('step' in wait ? [wait.step] : []))
  const holds = waits.flatMap((wait) => ('step' in wait ? [] : [waitWords(wait)]))
  const named = [...holds, ...(holds.length === 0 ? steps.slice(0, MOST_NAMED).map((id) => `“${titleOfStep(id)}”`) : [])]
  const more = holds.length === 0 && steps.length > MOST_NAMED ? ` and ${steps.length - MOST_NAMED} more` : ''
  const all = named.length > 1 ? `${named.slice(0, -1).join(', ')} and ${named.at(-1)}` : named[0]
  return `${holds.length > 0 ? 'Waits for' : 'After'} ${all}${more}.`
}
const MOST_NAMED = 2

/** What is waited for, where it is no other step. */
export function waitWords(wait: Exclude<Wait, { readonly step: string }>): string {
  if ('part' in wait) return partWords(wait.part)
  return 'hold' in wait ? HOLD_WORDS[wait.hold] : CLOCK_WAITED_FOR[wait.clock.kind]
}

export function staleWords(because: readonly StaleBecause[]): string {
  return because.map(becauseWords).join('; ')
}

function becauseWords(because: StaleBecause): string {
  if ('changed' in because) return changedWords(because.changed)
  return 'clock' in because ? CLOCK_STARTED_SINCE[because.clock] : `done ${because.agedHours} h ago, it does not keep`
}

/** An entry that is kept and not counted: what it was, who entered it, when. */
export function setAsideWords({ kind, by, at }: Pick<Entry, 'kind' | 'by' | 'at'>): string {
  return `Set aside, not counted: ${kind} of ${by}, ${at.slice(0, 16).replace('T', ' ')}. It points at an entry of another kind.`
}

/** How many entries stand where the engine, as it is described now, has no place. */
export function nowhereWords(count: number): string {
  const entries = count === 1 ? 'One entry stands' : `${count} entries stand`
  return `${entries} at places or joints that the engine as described now has not: kept, not counted, and counted again once it has them.`
}

/** A change in small letters; a name that an older door let in stands for itself. */
export function changeName(what: string): string {
  return Object.hasOwn(CHANGE_WORDS, what) ? CHANGE_WORDS[what as ChangeId].toLowerCase() : what
}

export function changedWords({ what, text, by }: Changed): string {
  return [changeName(what), ...(text ? [`“${text}”`] : []), ...(by ? [`(${by})`] : [])].join(' ')
}

export const ATTITUDE_WORDS: Readonly<Record<Attitude, string>> = { upright: 'upright', upsideDown: 'upside down', off: 'off the stand' }

/** How long a step usually takes. */
export function minutesWords(minutes: number): string {
  if (minutes < 60) return `about ${minutes} min`
  return `about ${Number((minutes / 60).toFixed(1))} h`
}

export function countWords({ count }: Pick<WalkStep, 'count'>): string {
  return count ? `${count.done} of ${count.of}` : ''
}
