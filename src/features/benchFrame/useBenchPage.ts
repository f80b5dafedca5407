import { useCallback, useMemo, useState, type RefObject } from 'react'
import type { Bench, Finding, Id } from '@/core/bench/bench'
import { benchProgress } from '@/core/bench/benchState'
import type { Build, Growth, Place, UnitSystem } from '@/core/document'
import { useSpec } from '@/features/entries/useSpec'
import { useDevice } from '@/ui/device'
import type { BenchView } from './benchView'
import type { ReadingLineHandle } from './ReadingLine'
import { documentServed, type ServedBuild } from '@/features/entries/servedBuild'
import { shareDone, type Stage } from './stages'
import { stationMarks } from './stationMarks'
import { useAfterPause } from './useAfterPause'
import { lastRead, useBench, type BenchWork } from './useBench'
import { useChanged } from './useChanged'
import { useGaugeInHand } from './useGaugeInHand'
import { useLiveGauges } from './useLiveGauges'
import type { LineCommand } from './lineActions'
import { useTaking } from './useTaking'

export interface BenchPageProps {
  readonly served: ServedBuild
  readonly revision: number
  /** What the readings of any bench are taken on: a page holds the definition of its own bench alone. */
  readonly growth: Growth
  /** Every stage as it stood when the page was served. */
  readonly stages: readonly Stage[]
  readonly startAt?: string
}

/** A reading to type again, at its place: one the server refused. */
export interface Again {
  readonly station: string
  readonly text: string
}

export type BenchPart = BenchPageProps & { readonly bench: Bench; readonly view: BenchView }

/** Everything the parts of a bench page share: the work, its spec under edit, the gauges, what is opened, what waits for a pause. */
export function useBenchPage(
  { served, revision, growth, bench, view, stages: stagesAtStart, startAt }: BenchPart,
  line: RefObject<ReadingLineHandle | null>,
) {
  const device = useDevice()
  const system = device.systemFor(served.spec.units, served.id)
  const edit = useSpec(served.id, served.spec, revision, device.initials)
  const stored = useMemo(() => documentServed(served), [served])
  const document = useMemo(() => ({ ...stored, spec: edit.spec }), [stored, edit.spec])
  const work = useBench({ document, served, growth, bench, initials: device.initials, startAt })
  const { build, stations, current, findings, settled, draft } = work
  const live = useLiveGauges(`${device.initials || 'somebody'} at ${served.spec.name}, ${bench.definition.stage.toLowerCase()}`)
  const characteristic = current && bench.definition.characteristics[current.characteristic]
  const { gauge, turnGauge } = useGaugeInHand(current?.characteristic, characteristic, work.gauges, document.spec.units)
  const panels = usePanels(work.go, line)
  const stages = useMemo(() => stagesNow(stagesAtStart, bench, build), [stagesAtStart, bench, build])
  const { acts, signed } = work
  return {
    bench,
    view,
    device,
    system,
    edit,
    document,
    work,
    live,
    characteristic,
    gauge,
    panels,
    stages,
    changed: useChanged(settled, findings, draft !== undefined),
    marks: useMemo(() => stationMarks(bench, stations, settled, build, current), [bench, stations, settled, build, current]),
    // The picture and the advice follow when typing pauses: the ledger and the line may not wait for them.
    later: useAfterPause(useMemo(() => ({ settled, build }), [settled, build])),
    taking: useTaking(edit, view.words, system),
    onCommand: useLineCommands({ work, device, buildId: served.id, system, live, turnGauge, show: panels.show }),
    onCheck: useCallback(
      (id: Id, place: Place, passed: boolean, text: string) => signed((by) => acts.check(by, id, place, passed, text)),
      [acts, signed],
    ),
  }
}

export type BenchAtWork = ReturnType<typeof useBenchPage>

type Panel = 'keys' | 'history' | 'refused'

/** What is open beside the work, and the way back to the line. */
function usePanels(go: BenchWork['go'], line: RefObject<ReadingLineHandle | null>) {
  const [opened, setOpened] = useState<string>()
  const [panel, show] = useState<Panel>()
  /** Back to the line: at once, so that no key is lost, and again when a panel that held the focus is gone. */
  const close = useCallback(() => {
    setOpened(undefined)
    show(undefined)
    line.current?.focus()
    requestAnimationFrame(() => line.current?.focus())
  }, [line])
  const pick = useCallback(
    (id: string) => {
      go(id)
      close()
    },
    [close, go],
  )
  const open = useCallback((finding: Finding) => setOpened(finding.id), [])
  return { opened, open, panel, show, close, pick }
}

/** What the line asks of the page. */
function useLineCommands({
  work,
  device,
  buildId,
  system,
  live,
  turnGauge,
  show,
}: {
  work: BenchWork
  device: ReturnType<typeof useDevice>
  buildId: string
  system: UnitSystem
  live: ReturnType<typeof useLiveGauges>
  turnGauge: (by: 1 | -1) => void
  show: (panel: Panel) => void
}): (command: LineCommand) => void {
  return useCallback(
    (command) => {
      const commands: Readonly<Record<LineCommand, () => void>> = {
        back: () => work.current && work.go(work.step(work.current, -1)),
        again: () => work.go(lastRead(work)),
        unit: () => device.setSystemFor(buildId, system === 'metric' ? 'inch' : 'metric'),
        gauge: () => turnGauge(1),
        gaugeBack: () => turnGauge(-1),
        live: live.toggle,
        take: () => void live.take(),
        help: () => show('keys'),
        history: () => show('history'),
      }
      commands[command]()
    },
    [buildId, device, live, show, system, turnGauge, work],
  )
}

/** The rule of stages, with this bench's own share as it is now. */
function stagesNow(stages: readonly Stage[], bench: Bench, build: Build): readonly Stage[] {
  return stages.map((stage) => (stage.bench === bench.id ? { ...stage, done: shareDone(benchProgress(bench, build)) } : stage))
}
