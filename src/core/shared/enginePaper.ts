import type { PaperDefinition } from '../document/paper'

const LENGTH = { kind: 'length', units: { metric: 'mm', inch: 'in' } } as const

/** Numbers on paper that several benches rest on. Those of one bench alone stand in its own definition. */
export const ENGINE_PAPER = {
  bore: { eachPiece: true, label: 'Bore', ...LENGTH, low: 20, high: 250, hint: 'finished size, overbore included' },
  stroke: { eachPiece: true, label: 'Stroke', ...LENGTH, low: 20, high: 250 },
  rodLength: { eachPiece: true, label: 'Rod length', ...LENGTH, low: 50, high: 500, hint: 'centre to centre' },
  pinOffset: { label: 'Pin offset', ...LENGTH, low: -10, high: 10, signed: true, hint: 'towards the major thrust side is negative' },
  blockHeight: { label: 'Block height', ...LENGTH, low: 80, high: 600, hint: 'crank centre to deck' },
  intakeRetard: {
    label: 'Intake cam stands later by',
    kind: 'angle',
    units: { metric: 'deg', inch: 'deg' },
    low: -40,
    high: 40,
    signed: true,
    hint: 'than its card, crank degrees: its closing moves with it',
  },
  camPitchRadius: {
    label: 'Pitch radius of the cam sprocket',
    ...LENGTH,
    low: 10,
    high: 200,
    hint: 'cuts of head or deck retard a cam in the head by it',
  },
  compressionHeight: { eachPiece: true, label: 'Compression height', ...LENGTH, low: 10, high: 120, hint: 'pin centre to crown edge' },
} as const satisfies Record<string, PaperDefinition>
