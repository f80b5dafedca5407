import type { MethodDefinition } from '../../document/methods'

/** Ways of measuring there is a choice of; apart from the definition, since only the paper page shows them. */
export const methods = {
  ringQuarterTurn: {
    label: 'Ring in the bore',
    hint: 'A second reading with the ring turned shows a ring that does not lie square; the tighter one counts.',
    options: [
      { value: false, label: 'As it lies' },
      { value: true, label: 'And turned a quarter' },
    ],
    usual: false,
  },
  ringDepths: {
    label: 'Ring gaps read at',
    hint: 'Three depths make the ring a bore gauge: its gap grows by π times the bore.',
    options: [
      { value: 1, label: 'An inch down' },
      { value: 0, label: 'Where it stands at TDC' },
      { value: 3, label: 'Three depths' },
    ],
    usual: 1,
  },
  ringGrooves: {
    label: 'Ring grooves',
    hint: 'Judged by the piston and ring makers’ numbers, entered under Limits.',
    options: [
      { value: false, label: 'Looked at' },
      { value: true, label: 'Side and back clearance read' },
    ],
    usual: false,
  },
  clocking: {
    label: 'Ring clocking',
    hint: 'Gaps wander in running; they should not start in line.',
    options: [
      { value: 'maker', label: 'Maker’s diagram' },
      { value: 'opposed', label: 'Opposed, off the pin' },
      { value: 'pinAxis', label: 'Along the pin' },
    ],
    usual: 'opposed',
  },
} as const satisfies Readonly<Record<string, MethodDefinition>>
