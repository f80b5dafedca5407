import type { Build } from '../../build/build'
import { cylinderNumbers } from '../../engine'
import type { Bench, Finding } from '../bench'
import { measuredBore } from '../boreDiameter'
import { boreStations } from '../boreStations'
import { spreadAcross } from '../engineWide'
import { finding } from '../finding'
import { definition } from './definition'

function derive(build: Build): Finding[] {
  const diameters = new Map(cylinderNumbers(build.spec.layout).map((cylinder) => [cylinder, measuredBore(build, cylinder)]))
  return [
    ...[...diameters].map(([cylinder, diameter]) => finding(build, definition, 'boreDiameter', diameter, { cylinder })),
    finding(build, definition, 'boreSpread', spreadAcross('length', diameters)),
  ]
}

/** Diameters as far as compression needs them: clearance, taper and out-of-round come with the short block. */
export const bores: Bench = {
  id: 'bores',
  definition,
  stations: boreStations,
  derive,
  advise: () => [],
  presets: () => ({}),
}
