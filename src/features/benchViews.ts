import type { ComponentType } from 'react'
import type { BenchId, Finding } from '@/core/benches'
import type { Build, UnitSystem } from '@/core/build'
import { boresView } from './bores/boresView'
import { compressionView } from './compression/compressionView'

/** What a bench adds to the frame: its picture beside the sheet and its tools under the advice. */
export interface BenchView {
  readonly Picture: ComponentType<{ findings: readonly Finding[]; build: Build; system: UnitSystem }>
  readonly Tools: ComponentType<{ build: Build; system: UnitSystem }>
}

export const BENCH_VIEWS: Readonly<Record<BenchId, BenchView>> = { bores: boresView, compression: compressionView }
