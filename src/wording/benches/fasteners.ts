import { differenceWords } from '../figures'
import { lubeSentence } from '../joints'
import { small } from '../letters'
import { subjectsWords, subjectWords } from '../verdicts'
import { counted, type ChangeWords, type CostWords, type RemarkWords } from '../vocabulary'

const TORQUE = { units: { metric: 'Nm', inch: 'lbfft' }, digits: { metric: 1, inch: 1 } } as const
const HOLDS_FOR = {
  thisBolt: 'For this bolt with this wrench and this lube.',
  otherBolt: 'For another bolt of the kind, with this wrench and lube: stretch still says whether it is there.',
  otherWrench: 'For this bolt by another wrench: each may be off by 4 %.',
} as const

export const REMARKS = {
  frictionUnsettled: ({ apart, cycles: [before, now] }, _shown, system) =>
    `Friction has not settled: cycle ${now} took ${differenceWords(Math.abs(apart.value.value), TORQUE, system)} ${
      apart.value.value < 0 ? 'less' : 'more'
    } than cycle ${before}. Run it up once more.`,
  leavesLine: ({ fromNm, cycle, how }, _shown, system) => {
    const at = `from ${differenceWords(fromNm, TORQUE, system)} on, in cycle ${cycle}`
    return how === 'yields' ? `Stretches more than its line ${at}: it is yielding.` : `Stretches less than its line ${at}: dry, or galling.`
  },
  onOtherLubes: ({ lube, others }) => lubeSentence(lube, others),
  gearsAbut: () => 'The gears may touch end on: turn them by hand before anything is tightened.',
  notElastic: () => 'A bolt it rests on has left its straight line: not all of its stretch is load.',
  torqueHolds: ({ for: holdsFor }) => HOLDS_FOR[holdsFor],
} satisfies Partial<RemarkWords>

function boltByBolt(nm: ReadonlyMap<number, number>, say: (bolt: string, nm: number) => string): string {
  return [...nm].map(([bolt, torque]) => say(subjectWords({ bolt }), torque)).join('; ')
}

export const CHANGES = {
  lowerTorque: ({ joint, toNm }, system) =>
    [
      `Less torque on ${subjectWords({ joint })}, ${differenceWords(toNm, TORQUE, system)} at most, or other fasteners`,
      'slick, it pulls them past their yield',
    ].join(': '),
  retireBolts: ({ bolts }) => `Throw away ${small(subjectsWords(bolts.map((bolt) => ({ bolt }))))}: it has gone past its yield`,
  pullOn: ({ byNm }, system) => `Pull on: ${boltByBolt(byNm, (bolt, nm) => `${bolt} by about ${differenceWords(nm, TORQUE, system)}`)}`,
  pullAgain: ({ toNm }, system) =>
    `Slacken, and pull again: ${boltByBolt(toNm, (bolt, nm) => `${bolt} to about ${differenceWords(nm, TORQUE, system)}`)}`,
} satisfies Partial<ChangeWords>

export const COSTS = {
  newBolts: ({ count }) => `${counted(count, 'new bolt', 'new bolts')}, measured free before anything else; the rod’s big end read again`,
  oneMoreCycle: () => 'one cycle more in the bolt’s life',
} satisfies Partial<CostWords>
