import { differenceWords } from '../figures'
import { capital } from '../letters'
import { subjectsWords, subjectWords } from '../verdicts'
import { IN_WORDS, type ChangeWords, type CostWords, type RemarkWords } from '../vocabulary'

const WAY_WORDS = { drop: 'valve drop', dial: 'dial', clay: 'clay', feeler: 'feeler' } as const
const TAKES = { slack: 'slack of the drive', heat: 'heat' } as const

/** "7° after TDC". */
export function atAngleWords(deg: number): string {
  const whole = Math.round(deg)
  return whole === 0 ? 'at TDC' : `${Math.abs(whole)}° ${whole > 0 ? 'after' : 'before'} TDC`
}

export const REMARKS = {
  closestAt: ({ deg }) => `Closest ${atAngleWords(deg)}.`,
  dropBy: ({ ways: [first, ...others] }) =>
    `By ${WAY_WORDS[first!]}${others.length > 0 ? `; also read by ${others.map((way) => WAY_WORDS[way]).join(', ')}` : ''}.`,
  inferredDrop: ({ from, seats }) => {
    const others = from.length === 1 ? subjectWords({ valve: from[0]! }) : `${from.length} valves that were read`
    const by = seats === 'read' ? 'deck, seat and chamber' : 'deck and chamber, its seat taken to be like theirs'
    return `Not read: taken from ${others} by ${by}.`
  },
  pistonApart: ({ byMm }, _shown, system) =>
    `Its piston stands ${differenceWords(Math.abs(byMm), IN_WORDS.fineLength, system)} ${byMm > 0 ? 'lower' : 'higher'} than the others.`,
  feelerBound: ({ is }) => (is === 'atLeast' ? 'At least so much: what went is a lower bound.' : 'At most so much: it did not go.'),
  dialOff: ({ readings }, _shown, system) =>
    readings
      .map(({ deg, offMm, turnMm }) => {
        const off = `The reading ${atAngleWords(deg)} is ${differenceWords(Math.abs(offMm), IN_WORDS.length, system)} off the others`
        return turnMm === undefined ? `${off}: read it again.` : `${off}: a turn of the dial’s hand. Read it again.`
      })
      .join(' '),
  leftOutAtSpeed: ({ what }) => `Left out, because nothing is known of it: ${what.map((one) => TAKES[one]).join(', ')}.`,
  belowFloor: ({ floorMm, by }, _shown, system) => {
    const floor = differenceWords(floorMm, IN_WORDS.length, system)
    return by === undefined
      ? `Its limit is below ${floor}, the least that is common practice: within only with a reason and initials beside it.`
      : `Its limit is below ${floor}, the least that is common practice: ${by} answers for it.`
  },
  parkAt: ({ degrees }) => `Park the crank at ${degrees.map((deg) => `${Math.round(deg)}°`).join(' or ')} after number one’s TDC.`,
  mayNotTurn: () => 'Not with the head on: followers out, bank by bank, or the head off.',
  valvesMeet: ({ cam }) =>
    `Not while the ${subjectWords({ cam })} is in: opened both, the valves meet. Leave it out, or leave its followers out.`,
  otherValveNearer: ({ cam }) => `Nearest is a valve of the ${subjectWords({ cam })}, wherever that one stands.`,
  waysDisagree: ({ one, other }) =>
    `${capital(WAY_WORDS[one])} and ${WAY_WORDS[other]} are further apart than their uncertainty. Do not average them: read both again.`,
  gasketThen: ({ was }) =>
    was === 'none'
      ? 'Read without a gasket: the one that runs is added.'
      : 'Read over a gasket that was only snugged: corrected to the crushed one.',
} satisfies Partial<RemarkWords>

const CUTS = { deckCut: 'deck', headCut: 'head' } as const

export const CHANGES = {
  cutPockets: ({ valves, byMm }, system) => `Cut the ${valves} pockets ${differenceWords(byMm, IN_WORDS.length, system)} deeper`,
  thickerGasket: ({ name }) => `Gasket ${name}`,
  cutLess: ({ what, byMm }, system) => `Cut ${differenceWords(byMm, IN_WORDS.length, system)} less off the ${CUTS[what]}`,
  retimeCam: ({ cam, byDeg }, system) => {
    const by = differenceWords(Math.abs(byDeg), IN_WORDS.angle, system)
    return `Set ${subjectsWords([{ cam }]).toLowerCase()} ${by} of crank ${byDeg > 0 ? 'earlier' : 'later'}`
  },
  readByDial: ({ valve }) => `Read ${subjectWords({ valve })} by a dial: a feeler cannot decide it`,
} satisfies Partial<ChangeWords>

export const COSTS = {
  pocketVolume: ({ cm3 }, system) => `piston volume larger by ${differenceWords(cm3, IN_WORDS.volume, system)}`,
  crownLeft: () => 'measure the crown above the ring groove first: the piston maker says how thin it may be',
  timingMoves: ({ byDeg }, system) => {
    const by = differenceWords(Math.abs(byDeg), IN_WORDS.angle, system)
    return `its events ${by} ${byDeg > 0 ? 'earlier' : 'later'}: torque and ratio move with them`
  },
} satisfies Partial<CostWords>
