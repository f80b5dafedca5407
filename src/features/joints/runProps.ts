import type { Joint, UnitSystem } from '@/core/document'
import type { EngineLayout } from '@/core/geometry/crank'
import type { JointClock, Run, RunRefusal, RunWay } from '@/core/joints'
import type { RunAct } from './useRuns'
import type { useWrench } from './useWrench'

export interface RunPanelProps {
  readonly joint: Joint
  readonly layout: EngineLayout
  readonly run: Run | undefined
  /** The run that was ended on this page: what follows is not begun by the same key. */
  readonly ended: Run | undefined
  /** The run that left the joint tight, where it is. */
  readonly tight: Run | undefined
  readonly way: RunWay
  readonly system: UnitSystem
  /** What the ledger and the runs before keep it from. */
  readonly refusals: readonly RunRefusal[]
  /** What earlier runs have started. */
  readonly clocks: readonly JointClock[]
  readonly by: string
  readonly isMine: boolean
  readonly onInitials: (initials: string) => void
  readonly onBegin: () => void
  readonly onSay: (said: RunAct, follows?: string) => void
  readonly onLeave: () => void
  /** A live wrench, where one is listened to. */
  readonly wrench: ReturnType<typeof useWrench>
}
