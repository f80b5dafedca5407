/** What the card says of the cams: every number that follows from what stands on paper. */
import type { Build } from '../build/build'
import { paperAt } from '../build/figures'
import type { PaperKey } from '../build/paper'
import { quantity } from '../build/remembered'
import { CARD_NUMBERS, cardFigure, completeCard, disagreements, type CardNumber, type CompletedCard, type Disagreement } from '../cam'
import { camKind, type Cam } from '../engine'
import { paperFigure, type Figure } from '../metrology'
import type { Derived } from '../bench/finding'

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

interface Card {
  readonly given: ReadonlyMap<CardNumber, Figure>
  readonly completed: CompletedCard
}

const cardOf = quantity('camCard', (build): Card => {
  const given = new Map<CardNumber, Figure>()
  for (const number of CARD_NUMBERS) {
    const key = number === 'overlap' ? undefined : CARD_PAPER[number]
    const figure = key && paperAt(build, key)
    if (figure) given.set(number, figure)
  }
  return { given, completed: completeCard([...given.keys()]) }
})

/** A number of the card, typed or following from what was; missing: the number by its own name. */
export function cardNumber(build: Build, number: Exclude<CardNumber, 'overlap'>): Derived {
  const { given, completed } = cardOf(build)
  const by = completed.numbers.get(number)
  return by ? { figure: cardFigure(number, by, given) } : { missing: [{ kind: 'paper', key: CARD_PAPER[number] }] }
}

export function cardDisagreements(build: Build): readonly Disagreement[] {
  const { given, completed } = cardOf(build)
  return disagreements(completed, Object.fromEntries([...given].map(([number, { value }]) => [number, value.value])))
}

/** The numbers of the card that a cam is set by. */
export const CARD_OF = {
  intake: { centreline: 'icl', duration: 'intakeDuration', lobeLift: 'intakeLobeLift', lash: 'intakeLash' },
  exhaust: { centreline: 'ecl', duration: 'exhaustDuration', lobeLift: 'exhaustLobeLift', lash: 'exhaustLash' },
} as const

export function cardCentreline(build: Build, cam: Cam): Derived {
  return cardNumber(build, CARD_OF[camKind(cam)].centreline)
}

export function cardDuration(build: Build, cam: Cam): Derived {
  return cardNumber(build, CARD_OF[camKind(cam)].duration)
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
