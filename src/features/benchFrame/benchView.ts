import type { ExoticComponent } from 'react'
import type { Draft } from './useBench'
import type { Finding, JudgedAdvice, Station } from '@/core/bench/bench'
import type { Build, UnitSystem } from '@/core/document'
import type { BenchWords } from '@/wording'
import type { SpecEdit } from '@/features/entries/useSpec'

export interface ToolProps {
  readonly build: Build
  readonly system: UnitSystem
  /** Takes a plan into the build, with undo. */
  readonly edit: SpecEdit
  /** Takes a way as it stands, as the list of ways does. */
  readonly onTake: (one: JudgedAdvice) => void
  /** Keeps readings that came together, by whoever is at this device. */
  readonly onTable: (table: readonly (Draft & { readonly asTyped: string })[]) => void
}

/** What a picture is drawn of. */
export interface PictureProps {
  readonly findings: readonly Finding[]
  readonly build: Build
  readonly system: UnitSystem
}

/** What a drawing in place of the plan is drawn of: also the place in hand. */
export interface DrawingProps extends PictureProps {
  readonly current: Station | undefined
}

/**
 * What a bench adds to the frame: its picture beside the sheet and its tools under the advice. Memoised: neither is drawn
 * again for a figure being typed.
 */
export interface BenchView {
  /** Its sentences: of remarks, changes and costs. */
  readonly words: BenchWords
  readonly Picture: ExoticComponent<PictureProps>
  /** Drawn in place of the plan of the engine, where places are no cylinders. */
  readonly Drawing?: ExoticComponent<DrawingProps>
  readonly Tools: ExoticComponent<ToolProps>
}
