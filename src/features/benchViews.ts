import type { BenchId } from '@/core/benches'
import type { BenchView } from './benchView'
import { boresView } from './bores/boresView'
import { compressionView } from './compression/compressionView'

/** The view of every bench, by its id. */
export const BENCH_VIEWS: Readonly<Record<BenchId, BenchView>> = { bores: boresView, compression: compressionView }
