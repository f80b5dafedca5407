import { formula } from '../metrology'

/** A clearance as a share of what it goes round. */
export const perDiameter = (id: string, title: string, over: string) =>
  formula({
    id,
    title,
    kind: 'ratio',
    expression: `clearance ÷ ${over}`,
    source: 'definition',
    inputs: { clearanceMm: { label: 'Clearance', kind: 'length' }, diameterMm: { label: 'Diameter', kind: 'length' } },
    evaluate: ({ clearanceMm, diameterMm }) => clearanceMm / diameterMm,
  })
