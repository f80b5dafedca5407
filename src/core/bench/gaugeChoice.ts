import type { Characteristic } from './bench'
import type { Gauge, UnitSystem } from '../document/types'
import { UNITS } from '../units'

/** Gauges that can take a reading of this characteristic, likeliest first: the right use, then the build's own units. */
export function gaugesFor(characteristic: Characteristic, gauges: readonly Gauge[], system: UnitSystem): readonly Gauge[] {
  const use = (gauge: Gauge) => {
    const at = characteristic.gauges.indexOf(gauge.use)
    return at < 0 ? 99 : at
  }
  const foreign = (gauge: Gauge) => {
    const inch = ['in', 'thou', 'tenth'].includes(gauge.unit)
    return gauge.measures === 'length' && inch !== (system === 'inch') ? 1 : 0
  }
  return gauges
    .filter((gauge) => UNITS[gauge.unit].kind === characteristic.kind && use(gauge) < 99)
    .sort((a, b) => use(a) - use(b) || foreign(a) - foreign(b))
}
