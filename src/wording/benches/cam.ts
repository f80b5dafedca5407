import { disagreementWords, lobeSlipWords } from '../cam'
import { differenceWords } from '../figures'
import { capital } from '../letters'
import { subjectsWords, subjectWords } from '../verdicts'
import { counted, IN_WORDS, type ChangeWords, type CostWords, type RemarkWords } from '../vocabulary'

const SCHOOL_WORDS = { curve: 'its curve', events: 'events', equalLift: 'equal lift', overlapLift: 'lift at overlap' } as const

const COMPARED_WORDS = {
  centreline: 'their centreline',
  opens: 'where it opens',
  closes: 'where it closes',
  duration: 'their duration',
} as const

/** Nearer than this nobody can say which way a cam stands off. */
const AS_ITS_CARD_DEG = 0.05

export const REMARKS = {
  pointerOff: ({ tdcDeg, eachDeg, moves }, _shown, system) => {
    const angle = (deg: number) => differenceWords(Math.abs(deg), IN_WORDS.angle, system)
    if (Math.abs(tdcDeg) < AS_ITS_CARD_DEG) return 'The pointer is true.'
    const towards = tdcDeg > 0 ? 'before' : 'after'
    // Turned with the engine, a wheel's numbers grow under the pointer.
    const turn = tdcDeg > 0 ? 'against' : 'in'
    const move =
      moves === 'pointer'
        ? `move the pointer ${angle(tdcDeg)} towards ${towards}`
        : `turn the wheel on the crank ${angle(tdcDeg)} ${turn} the running direction`
    return ['Carried as a correction.', `To true it instead, ${move}: both sides then read ${angle(eachDeg)}.`].join(' ')
  },
  fingerRatio: () => 'A finger’s ratio changes along its lobe: by one number this is a guess. Read at the retainer.',
  foundOut: ({ offDeg, teeth }, _shown, system) => {
    const by = differenceWords(Math.abs(offDeg), IN_WORDS.angle, system)
    const inTeeth = teeth ? `, ${counted(teeth, 'tooth', 'teeth')}` : ''
    const found = `Found ${by} of crank ${offDeg > 0 ? 'ahead of' : 'behind'} its marks${inTeeth}`
    return `${found}: valves may have met pistons. Turn nothing before that is looked at.`
  },
  badLobe: ({ valve, byDeg }, _shown, system) => {
    const by = differenceWords(Math.abs(byDeg), IN_WORDS.angle, system)
    const stands = `${capital(subjectWords({ valve }))} alone stands ${by} ${byDeg > 0 ? 'later' : 'earlier'} than all others`
    return `${stands}: read it again, then look at its lobe and follower.`
  },
  shaftTwisted: ({ byDeg }, _shown, system) => {
    const by = differenceWords(Math.abs(byDeg), IN_WORDS.angle, system)
    return `The lobes stand on a line, ${by} ${byDeg > 0 ? 'later' : 'earlier'} from the front to the rear: a twisted shaft.`
  },
  otherPhase: ({ offDeg }, _shown, system) => {
    const by = differenceWords(Math.abs(offDeg), IN_WORDS.angle, system)
    return `${by} from where the crank wants it: another lobe was read, or throws and banks are otherwise than the layout says.`
  },
  stopTurnsBack: () =>
    [
      'This drive may never be turned back, and a stop wants it:',
      'with the chain or belt on, find TDC by equal drops, coming to both in the running direction.',
    ].join(' '),
  dwellUncertainty: ({ unseenDeg }, _shown, system) =>
    `A sanity check: within ${differenceWords(unseenDeg, IN_WORDS.angle, system)} of its top the piston moves less than the dial shows.`,
  camStands: ({ lateDeg, card }, _shown, system) => {
    const says = `its card ${differenceWords(card.value.value, IN_WORDS.angle, system)}`
    if (Math.abs(lateDeg) < AS_ITS_CARD_DEG) return `As ${says}.`
    return `${differenceWords(Math.abs(lateDeg), IN_WORDS.angle, system)} ${lateDeg > 0 ? 'retarded' : 'advanced'}; ${says}.`
  },
  cardDisagrees: (disagreement) => `The card contradicts itself: ${disagreementWords(disagreement)}`,
  readBy: ({ schools: [first, ...others] }) =>
    `By ${SCHOOL_WORDS[first!]}${others.length > 0 ? `; also read by ${others.map((school) => SCHOOL_WORDS[school]).join(', ')}` : ''}.`,
  schoolsDisagree: ({ one, other, apart, at }, _shown, system) => {
    const by = differenceWords(apart.value.value, IN_WORDS.angle, system)
    return [
      `${capital(SCHOOL_WORDS[one])} and ${SCHOOL_WORDS[other]} are ${by} apart at ${COMPARED_WORDS[at]}, more than their uncertainty:`,
      'a question, not an average. Read both again.',
    ].join(' ')
  },
  curveSlips: ({ slips, degrees }) => slips.map((slip, index) => `At ${degrees[index]}°: ${lobeSlipWords(slip)}`).join(' '),
  curveNoise: ({ is, scale }) =>
    is === 'more'
      ? `Its rows scatter ${scale.toFixed(1)} times as much as wheel and dial say; the uncertainty is taken as they scatter.`
      : 'Its rows scatter less than wheel and dial say; the uncertainty stays as they say.',
  tdcNotProven: ({ apart }, _shown, system) =>
    [
      `TDC is not proven: its two readings are ${differenceWords(apart.value.value, IN_WORDS.angle, system)} apart.`,
      'Find it again before anything is turned.',
    ].join(' '),
} satisfies Partial<RemarkWords>

export const CHANGES = {
  turnCam: ({ cams, byDeg, steps }, system) => {
    const way = byDeg > 0 ? 'forward' : 'back'
    const by = `${differenceWords(Math.abs(byDeg), IN_WORDS.angle, system)} of crank ${way}`
    const inSteps = steps === undefined ? '' : `: ${counted(Math.abs(steps), 'step', 'steps')}`
    return `Set ${subjectsWords(cams.map((cam) => ({ cam }))).toLowerCase()} ${by}${inSteps}`
  },
  noteRetard: ({ lateDeg }, system) => {
    const by = differenceWords(Math.abs(lateDeg), IN_WORDS.angle, system)
    return `Compute the ratio with the intake ${by} ${lateDeg < 0 ? 'earlier' : 'later'} than its card, as found`
  },
  readRowsAgain: ({ cam, degrees }) =>
    `Read the curve of ${subjectsWords([{ cam }]).toLowerCase()} again at ${degrees.map((degree) => `${degree}°`).join(', ')}`,
} satisfies Partial<ChangeWords>

export const COSTS = {
  readCamAgain: () => 'torque it, two turns by hand, and read it again: tightening can move it',
  checkValveClearance: ({ closer }) => `the ${closer} valves come nearer to the pistons: clearance again`,
} satisfies Partial<CostWords>
