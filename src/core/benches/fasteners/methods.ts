import type { MethodDefinition } from '../../build/methods'

/** Ways of measuring there is a choice of; apart from the definition, since only the paper page shows them. */
export const methods = {
  rodBolts: {
    label: 'Rod bolts',
    hint: 'Stretch is clamp; torque is a guess at it. A bolt pulled to yield once is not tried out: by torque alone, or by its length.',
    options: [
      { value: 'torque', label: 'By torque alone' },
      { value: 'stretch', label: 'By stretch' },
      { value: 'found', label: 'By stretch, torque found on one' },
      { value: 'curves', label: 'By stretch, a curve of every bolt' },
    ],
    usual: 'torque',
  },
} as const satisfies Readonly<Record<string, MethodDefinition>>
