/** What stands on paper of cams, and of the valves they move. */
import type { PaperDefinition } from '../document/paper'
import { EVENT_CENTRES } from '../geometry/valvetrain/camCard'

const DEG = { kind: 'angle', units: { metric: 'deg', inch: 'deg' } } as const
const LENGTH = { kind: 'length', units: { metric: 'mm', inch: 'in' } } as const
const CARD = { ...DEG, signed: true } as const

/** What a cam card says, once for the engine. */
const CARD_LINES = {
  cardIntakeOpens: { label: 'Intake opens, BTDC', ...CARD, low: -90, high: 150, event: EVENT_CENTRES.io },
  cardIntakeCloses: { label: 'Intake closes, ABDC', ...CARD, low: -60, high: 180, event: EVENT_CENTRES.ic },
  cardExhaustOpens: { label: 'Exhaust opens, BBDC', ...CARD, low: -60, high: 180, event: EVENT_CENTRES.eo },
  cardExhaustCloses: { label: 'Exhaust closes, ATDC', ...CARD, low: -90, high: 150, event: EVENT_CENTRES.ec },
  intakeDuration: { label: 'Intake duration', ...DEG, low: 90, high: 400 },
  exhaustDuration: { label: 'Exhaust duration', ...DEG, low: 90, high: 400 },
  intakeCentreline: { label: 'Intake centreline, ATDC', ...DEG, low: 60, high: 160 },
  exhaustCentreline: { label: 'Exhaust centreline, BTDC', ...DEG, low: 60, high: 160 },
  lobeSeparation: { label: 'Lobe separation', ...DEG, low: 80, high: 140 },
  camAdvance: { label: 'Advance ground in', ...CARD, low: -40, high: 40 },
  intakeLobeLift: { label: 'Intake lobe lift', ...LENGTH, low: 2, high: 25, hint: 'at the tappet' },
  exhaustLobeLift: { label: 'Exhaust lobe lift', ...LENGTH, low: 2, high: 25 },
} as const satisfies Readonly<Record<string, PaperDefinition>>

type OwnCard<Suffix extends string> = { readonly [Key in keyof typeof CARD_LINES & string as `${Key}${Suffix}`]: PaperDefinition }

/** The same lines once more, for cams that have a card of their own. */
function cardOf<Suffix extends string>(suffix: Suffix, whose: string, of: PaperDefinition['of'] & string): OwnCard<Suffix> {
  return Object.fromEntries(
    Object.entries(CARD_LINES).map(([key, line]) => [`${key}${suffix}`, { ...line, label: `${line.label}, ${whose}`, of }]),
  ) as OwnCard<Suffix>
}

/** The card of every cam, and how its lift gets to the valve. */
export const CAM_PAPER = {
  checkLift: { label: 'Check lift', ...LENGTH, low: 0.1, high: 5, hint: 'at the tappet: 1.27 mm (0.050 in), or 1 mm' },
  ...CARD_LINES,
  ...cardOf('Right', 'right bank', 'camsOfTwoBanks'),
  ...cardOf('High', 'high lobe', 'highLobes'),
  intakeOverlapLift: { label: 'Intake lift at overlap TDC', ...LENGTH, low: 0, high: 10, hint: 'with its band as ±; where it is read' },
  exhaustOverlapLift: { label: 'Exhaust lift at overlap TDC', ...LENGTH, low: 0, high: 10 },
  rockerRatio: { label: 'Rocker ratio', kind: 'ratio', units: { metric: 'one', inch: 'one' }, low: 0.8, high: 2.5, hint: '1 for buckets' },
  intakeLash: { label: 'Intake lash', kind: 'length', units: { metric: 'mm', inch: 'thou' }, low: 0, high: 2 },
  exhaustLash: { label: 'Exhaust lash', kind: 'length', units: { metric: 'mm', inch: 'thou' }, low: 0, high: 2 },
} as const satisfies Readonly<Record<string, PaperDefinition>>

/** How a valve stands over its piston. */
export const VALVE_PAPER = {
  intakeValveDrop: {
    label: 'Intake valve drop at TDC',
    ...LENGTH,
    low: -5,
    high: 40,
    hint: 'valve shut, gasket crushed: travel along the valve until it touches',
  },
  exhaustValveDrop: { label: 'Exhaust valve drop at TDC', ...LENGTH, low: -5, high: 40 },
  intakeValveAngle: {
    label: 'Angle of the intake valves to the bore',
    kind: 'angle',
    units: { metric: 'deg', inch: 'deg' },
    low: 0,
    high: 60,
  },
  exhaustValveAngle: {
    label: 'Angle of the exhaust valves to the bore',
    kind: 'angle',
    units: { metric: 'deg', inch: 'deg' },
    low: 0,
    high: 60,
  },
} as const satisfies Readonly<Record<string, PaperDefinition>>
