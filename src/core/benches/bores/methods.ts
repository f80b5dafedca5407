import type { MethodDefinition } from '../../build/methods'

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
} as const satisfies Readonly<Record<string, MethodDefinition>>
