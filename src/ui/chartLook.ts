/** How every chart looks: a plain axis along its foot, figures and no line up its side, nothing that moves by itself. */
export const CHART_LOOK = { responsive: true, accessibilityLayer: false } as const
export const ACROSS_LOOK = { type: 'number', tickLine: false, axisLine: { stroke: 'var(--hairline)' } } as const
export const UP_LOOK = { type: 'number', tickLine: false, axisLine: false } as const
