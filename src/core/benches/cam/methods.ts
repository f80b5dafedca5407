import type { MethodDefinition } from '../../document/methods'

const READ_OR_NOT = [
  { value: true, label: 'Read' },
  { value: false, label: 'Not read' },
] as const

/** Ways of measuring there is a choice of: each school of degreeing by itself, so that any two can be held against each other. */
export const methods = {
  camWheel: {
    label: 'Wheel is marked',
    hint: 'A bare number is then read where the wheel shows it; where that is in two places, the line asks which.',
    options: [
      { value: 360, label: '0 to 360' },
      { value: 180, label: '0–180–0' },
      { value: 90, label: '0–90–0–90' },
    ],
    usual: 360,
  },
  camMoves: {
    label: 'Trued by moving',
    hint: 'What can be shifted on this engine: the pointer, or the wheel on the crank.',
    options: [
      { value: 'pointer', label: 'The pointer' },
      { value: 'wheel', label: 'The wheel' },
    ],
    usual: 'pointer',
  },
  camTdc: {
    label: 'True TDC by',
    hint: 'A stop needs the engine turned back: where a ratchet or a one-way tensioner forbids that, by equal drops.',
    options: [
      { value: 'stop', label: 'Positive stop' },
      { value: 'drop', label: 'Equal drops' },
    ],
    usual: 'stop',
  },
  camDwell: {
    label: 'Where the dial dwells',
    hint: 'A sanity check: good to a degree or two, and its uncertainty is shown.',
    options: READ_OR_NOT,
    usual: false,
  },
  camMark: {
    label: 'Balancer mark',
    hint: 'What the wheel shows where the balancer’s own TDC mark stands at its pointer.',
    options: READ_OR_NOT,
    usual: false,
  },
  camAsFound: {
    label: 'Marks as they were found',
    hint: 'Before the drive comes off: what the wheel shows where each cam’s mark meets its own, coming in the running direction.',
    options: READ_OR_NOT,
    usual: false,
  },
  camSprockets: {
    label: 'Depths of the sprockets',
    hint: 'From one reference face, each three times: whether the chain runs straight.',
    options: READ_OR_NOT,
    usual: false,
  },
  camTension: {
    label: 'Tension of the chain or belt',
    hint: 'How far it gives in the middle of its longest strand, pressed as its maker says; the limit is the maker’s.',
    options: READ_OR_NOT,
    usual: false,
  },
  camReadAt: {
    label: 'Lift is read at',
    hint: 'At the valve with no lash the dial shows lobe lift times the ratio: the check lift there is so much more.',
    options: [
      { value: 'tappet', label: 'Tappet or bucket' },
      { value: 'valve', label: 'Valve retainer' },
    ],
    usual: 'tappet',
  },
  valveSurface: {
    label: 'Valves come down on',
    hint: 'A pocket cut parallel to the valve head, or a crown, or pocket floor, that is square to the bore.',
    options: [
      { value: 'pocket', label: 'Pocket along the valve' },
      { value: 'flat', label: 'Flat, square to the bore' },
    ],
    usual: 'pocket',
  },
  camEvents: {
    label: 'Events at the check lift',
    hint: 'Opening and closing, in the running direction: what a card is written in.',
    options: READ_OR_NOT,
    usual: true,
  },
  camEqualLift: {
    label: 'Centreline by equal lift',
    hint: 'The same lift before and after the peak; on an uneven lobe its middle is not the peak.',
    options: READ_OR_NOT,
    usual: false,
  },
  camOverlapLift: {
    label: 'Lift at overlap TDC',
    hint: 'One reading, by the lobe its card makes: an estimate that finds a tooth.',
    options: READ_OR_NOT,
    usual: false,
  },
  camLobes: {
    label: 'Every lobe, valve by valve',
    hint: 'Equal lift and greatest lift of each: finds a bad lobe and a twisted shaft. The wheel stays as it was set at number one.',
    options: READ_OR_NOT,
    usual: false,
  },
  camCurve: {
    label: 'Full curve',
    hint: 'Lift every few degrees all over the lobe: everything else follows from it, and a slip shows.',
    options: READ_OR_NOT,
    usual: false,
  },
} as const satisfies Readonly<Record<string, MethodDefinition>>
