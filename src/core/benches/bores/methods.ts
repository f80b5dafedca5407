import type { MethodDefinition } from '../../document/methods'

/** Ways of measuring there is a choice of; apart from the definition, since only the paper page shows them. */
export const methods = {
  bore: {
    label: 'Bore in the sums',
    hint: 'As measured, a cylinder without bore readings has no ratio.',
    options: [
      { value: 'paper', label: 'From paper' },
      { value: 'measured', label: 'As measured' },
    ],
    usual: 'paper',
  },
  boreFinish: {
    label: 'Crosshatch and finish of the bores',
    hint: 'Judged by the ring maker’s numbers, entered under Limits.',
    options: [
      { value: false, label: 'Looked at' },
      { value: true, label: 'Read in every bore' },
    ],
    usual: false,
  },
  faces: {
    label: 'Deck, head and cover faces',
    hint: 'A straight edge along, across and over both corners, a feeler under it.',
    options: [
      { value: false, label: 'Looked at' },
      { value: true, label: 'Read in six directions' },
    ],
    usual: false,
  },
} as const satisfies Readonly<Record<string, MethodDefinition>>
