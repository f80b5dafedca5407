import type { ComponentType } from 'react'
import type { Finding } from '@/core/benches'
import type { Build, UnitSystem } from '@/core/build'

/** What a bench adds to the frame: its picture beside the sheet and its tools under the advice. */
export interface BenchView {
  readonly Picture: ComponentType<{ findings: readonly Finding[]; build: Build; system: UnitSystem }>
  readonly Tools: ComponentType<{ build: Build; system: UnitSystem }>
}
