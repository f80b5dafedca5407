import type { MethodDefinition } from '../../document/methods'

/** Ways of measuring there is a choice of; apart from the definition, since only the paper page shows them. */
export const methods = {
  rodBolts: {
    label: 'Rod bolts',
    hint: 'Stretch is clamp; torque is a guess at it. A bolt torqued to yield once is not tried out: by torque alone, or by its length.',
    options: [
      { value: 'torque', label: 'By torque alone' },
      { value: 'stretch', label: 'By stretch' },
      { value: 'found', label: 'By stretch, torque found on one' },
      { value: 'curves', label: 'By stretch, a curve of every bolt' },
    ],
    usual: 'torque',
  },
  boltReads: {
    label: 'Free lengths of a bolt',
    hint: 'Growth is two lengths a tenth of a thou apart: three readings of each halve their uncertainty.',
    options: [
      { value: 1, label: 'Read once' },
      { value: 3, label: 'Three times' },
    ],
    usual: 1,
  },
} as const satisfies Readonly<Record<string, MethodDefinition>>
