import type { MethodDefinition } from '../../document/methods'

/** Ways of measuring there is a choice of; apart from the definition, since only the paper page shows them. */
export const methods = {
  bearings: {
    label: 'Bearing clearance',
    hint: 'Zeroed on the micrometer that read the journal, its bias cancels. A strip is quick and coarse.',
    options: [
      { value: 'direct', label: 'Dial zeroed on the journal' },
      { value: 'separate', label: 'Shells and journal apart' },
      { value: 'strip', label: 'Plastic strip' },
    ],
    usual: 'direct',
  },
} as const satisfies Readonly<Record<string, MethodDefinition>>
