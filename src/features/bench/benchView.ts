import type { ExoticComponent } from 'react'
import type { Finding, JudgedAdvice } from '@/core/bench/bench'
import type { Build, UnitSystem } from '@/core/build'
import type { BenchWords } from '@/wording'
import type { SpecEdit } from '../spec/useSpec'

export interface ToolProps {
  readonly build: Build
  readonly system: UnitSystem
  /** Takes a plan into the build, with undo. */
  readonly edit: SpecEdit
  /** Takes a way as it stands, as the list of ways does. */
  readonly onTake: (one: JudgedAdvice) => void
}

/**
 * What a bench adds to the frame: its picture beside the sheet and its tools under the advice. Memoised: neither is drawn
 * again for a figure being typed.
 */
export interface BenchView {
  /** Its sentences: of remarks, changes and costs. */
  readonly words: BenchWords
  readonly Picture: ExoticComponent<{ findings: readonly Finding[]; build: Build; system: UnitSystem }>
  readonly Tools: ExoticComponent<ToolProps>
}
