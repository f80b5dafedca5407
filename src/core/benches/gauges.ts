import { COMMON_GAUGES, type BenchGauges, type GaugeUse } from '../bench/gauges'
import type { Gauge } from '../document/types'
import { GAUGES_OF } from './lists/gauges'

const ALL: readonly BenchGauges[] = [COMMON_GAUGES, ...Object.values(GAUGES_OF)]

/** What gauges are for. */
export const GAUGE_USES: Readonly<Record<string, GaugeUse>> = Object.assign({}, ...ALL.map(({ uses }) => uses))

/** The drawer a fresh shop starts with. */
export const DEFAULT_GAUGES: readonly Gauge[] = ALL.flatMap(({ cards }) => cards)
