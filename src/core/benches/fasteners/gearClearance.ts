/** The clearance of a gear on the crank or its drive, and the shims that set it; only where one is wanted on paper. */
import type { Build } from '../../document/build'
import { paperAt } from '../../document/figures'
import { stationId } from '../../document/place'
import { expand, leftOut, type Figure } from '../../metrology'
import type { Finding, Remark, Station } from '../../bench/bench'
import { asRead, finding, isKnown, type Derived } from '../../bench/finding'
import { definition } from './definition'
import { gearShims } from '../../joints/bolts/formulas'

const CHARACTERISTIC = 'fasteners.gearGap'
/** Gears that turn at all have less. */
const EXPECTED = { low: 0, high: 5 }

export function gearStations({ spec }: Build): readonly Station[] {
  const wanted = spec.paper.gearClearance
  if (!wanted) return []
  const label = 'Gear clearance, the shims in that are in now'
  const usual = { centre: wanted.value, stray: Math.max(1, wanted.value) }
  return [
    {
      id: stationId(CHARACTERISTIC, {}),
      characteristic: CHARACTERISTIC,
      place: {},
      label,
      row: 'Gear',
      expected: EXPECTED,
      usual,
      drawnAt: { x: 0, y: 0 },
    },
  ]
}

export function gearFindings(build: Build): Finding[] {
  if (!build.spec.paper.gearClearance) return []
  return [finding(build, definition, 'fasteners.gearGap', gapOf), finding(build, definition, 'fasteners.gearShims', shimsOf)]
}

function gapOf(build: Build): Derived {
  const gap = asRead(build, CHARACTERISTIC, {})
  return isKnown(gap) ? { ...gap, remarks: [...(gap.remarks ?? []), ...abutting(gap.figure)] } : gap
}

function abutting({ value }: Figure): Remark[] {
  return value.value - expand(value).U <= 0 ? [{ code: 'gearsAbut' }] : []
}

function shimsOf(build: Build): Derived {
  const gap = asRead(build, CHARACTERISTIC, {})
  if (!isKnown(gap)) return gap
  const wantedMm = paperAt(build, 'gearClearance')!
  return { figure: gearShims.of({ nowMm: paperAt(build, 'gearShims') ?? leftOut(), gapMm: gap.figure, wantedMm }) }
}
