import type { Joint, UnitSystem } from '@/core/build'
import type { EngineLayout } from '@/core/engine'
import type { Run, RunRefusal, RunWay } from '@/core/joints'
import type { Said } from './useRuns'
import type { useWrench } from './useWrench'

export interface RunPanelProps {
  readonly joint: Joint
  readonly layout: EngineLayout
  readonly run: Run | undefined
  readonly way: RunWay
  readonly system: UnitSystem
  /** Bolts of the joint that the ledger says are done with. */
  readonly retired: readonly RunRefusal[]
  readonly by: string
  readonly isMine: boolean
  readonly onInitials: (initials: string) => void
  readonly onBegin: () => void
  readonly onSay: (said: Said, follows?: string) => void
  readonly onLeave: () => void
  /** A live wrench, where one is listened to. */
  readonly wrench: ReturnType<typeof useWrench>
}
