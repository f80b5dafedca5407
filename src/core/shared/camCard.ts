/** What the card says of the cams: every number that follows from what stands on paper. */
import type { Build } from '../document/build'
import { paperAt } from '../document/figures'
import type { PaperKey } from '../document/paper'
import { derivation } from '../document/remembered'
import {
  CARD_NUMBERS,
  cardFigure,
  completeCard,
  disagreements,
  type CardNumber,
  type CompletedCard,
  type Disagreement,
} from '../geometry/valvetrain'
import { bankOfCam, camKind, isHighProfile, type Cam } from '../geometry/valvetrain'
import { paperFigure, type Figure } from '../metrology'
import { isKnown, type Derived } from '../bench/finding'

/** Where each number of a card stands on paper; overlap follows. */
export const CARD_PAPER = {
  io: 'cardIntakeOpens',
  ic: 'cardIntakeCloses',
  eo: 'cardExhaustOpens',
  ec: 'cardExhaustCloses',
  intakeDuration: 'intakeDuration',
  exhaustDuration: 'exhaustDuration',
  icl: 'intakeCentreline',
  ecl: 'exhaustCentreline',
  lsa: 'lobeSeparation',
  advance: 'camAdvance',
} as const satisfies Partial<Record<CardNumber, PaperKey>>

/**
 * Whose card a cam has: second lobes have one of their own; the right bank has where any number of one stands on paper, else both banks
 * have the same.
 */
export type CardSet = '' | 'Right' | 'High'

/** Numbers of a card that no other follows from. */
const LOBE_LIFTS = ['intakeLobeLift', 'exhaustLobeLift'] as const

function cardSetOf(build: Build, cam: Cam): CardSet {
  if (isHighProfile(cam)) return 'High'
  if (bankOfCam(cam) !== 'right') return ''
  const own = [...Object.values(CARD_PAPER), ...LOBE_LIFTS].some((key) => paperAt(build, `${key}Right`) !== undefined)
  return own ? 'Right' : ''
}

interface Card {
  readonly given: ReadonlyMap<CardNumber, Figure>
  readonly completed: CompletedCard
}

const cardOf = derivation('camCard', (build, set: CardSet): Card => {
  const given = new Map<CardNumber, Figure>()
  for (const number of CARD_NUMBERS) {
    const figure = number === 'overlap' ? undefined : paperAt(build, `${CARD_PAPER[number]}${set}`)
    if (figure) given.set(number, figure)
  }
  return { given, completed: completeCard([...given.keys()]) }
})

/** A number of a cam's card, typed or following from what was; missing: the number by its own name. */
export function cardNumber(build: Build, cam: Cam, number: Exclude<CardNumber, 'overlap'>): Derived {
  const set = cardSetOf(build, cam)
  const { given, completed } = cardOf(build, set)
  const by = completed.numbers.get(number)
  return by ? { figure: cardFigure(number, by, given) } : { missing: [{ kind: 'paper', key: `${CARD_PAPER[number]}${set}` }] }
}

export function cardDisagreements(build: Build, cam: Cam): readonly Disagreement[] {
  const { given, completed } = cardOf(build, cardSetOf(build, cam))
  return disagreements(completed, Object.fromEntries([...given].map(([number, { value }]) => [number, value.value])))
}

/** The numbers of the card that a cam is set by. */
const CARD_OF = {
  intake: { centreline: 'icl', duration: 'intakeDuration', lobeLift: 'intakeLobeLift', lash: 'intakeLash' },
  exhaust: { centreline: 'ecl', duration: 'exhaustDuration', lobeLift: 'exhaustLobeLift', lash: 'exhaustLash' },
} as const

export function cardCentreline(build: Build, cam: Cam): Derived {
  return cardNumber(build, cam, CARD_OF[camKind(cam)].centreline)
}

export function cardDuration(build: Build, cam: Cam): Derived {
  return cardNumber(build, cam, CARD_OF[camKind(cam)].duration)
}

/** The lift of a cam's lobes by its card. */
export function cardLobeLift(build: Build, cam: Cam): Derived {
  return onPaper(build, `${CARD_OF[camKind(cam)].lobeLift}${cardSetOf(build, cam)}`)
}

/** The lash a cam's valves run with; both banks and both lobes of a valve have the same. */
export function lashOf(build: Build, cam: Cam): Derived {
  return onPaper(build, CARD_OF[camKind(cam)].lash)
}

function onPaper(build: Build, key: PaperKey): Derived {
  const figure = paperAt(build, key)
  return figure ? { figure } : { missing: [{ kind: 'paper', key }] }
}

/** The value of what is known, or what is usual. */
export function valueOr(derived: Derived, usual: number): number {
  return isKnown(derived) ? derived.figure.value.value : usual
}

const USUAL_CHECK_LIFT = { value: 1.27, source: 'common practice: 0.050 in' }

/** The lift that events are read at, at the tappet. */
export function checkLift(build: Build): Figure {
  return paperAt(build, 'checkLift') ?? paperFigure('checkLift', USUAL_CHECK_LIFT)
}

/** What the dial shows for a lift of the lobe: at the valve the ratio comes in. */
export function ratioRead({ spec }: Pick<Build, 'spec'>): number {
  return spec.methods.camReadAt === 'valve' ? (spec.paper.rockerRatio?.value ?? 1) : 1
}
