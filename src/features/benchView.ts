import type { ExoticComponent } from 'react'
import type { Finding } from '@/core/benches'
import type { Build, UnitSystem } from '@/core/build'

/** What a bench adds to the frame: its picture beside the sheet and its tools under the advice. Memoised: neither is drawn again for a figure being typed. */
export interface BenchView {
  readonly Picture: ExoticComponent<{ findings: readonly Finding[]; build: Build; system: UnitSystem }>
  readonly Tools: ExoticComponent<{ build: Build; system: UnitSystem }>
}
