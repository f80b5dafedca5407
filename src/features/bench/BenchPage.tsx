'use client'
import { memo, useCallback, useMemo, useRef, useState } from 'react'
import type { Bench, Finding, Id } from '@/core/bench/bench'
import { benchProgress } from '@/core/bench/benchState'
import type { Build, Growth, Place, UnitSystem } from '@/core/build'
import { formatQuantity } from '@/core/quantity'
import { Button, LinkButton } from '@/ui/Button'
import { useDevice } from '@/ui/device'
import { EngineDrawing } from '@/ui/EngineDrawing'
import { SpokenTitle, TopBar } from '@/ui/Page'
import { BenchWordsContext } from './useBenchWords'
import { RefusedChange } from '@/features/spec/RefusedChange'
import { useSpec } from '@/features/spec/useSpec'
import { Ledger } from './Ledger'
import { ReadingLine, type ReadingLineHandle } from './ReadingLine'
import { Sheet } from './Sheet'
import type { BenchView } from './benchView'
import { documentServed, type ServedBuild } from './servedBuild'
import { shareDone, type Stage } from './stages'
import { StageRule } from './StageRule'
import { lastRead, useBench } from './useBench'
import { useAfterPause } from './useAfterPause'
import { useChanged } from './useChanged'
import { useGaugeInHand } from './useGaugeInHand'
import { useTaking } from './useTaking'
import { stationMarks } from './stationMarks'
import { BenchAdvice } from './BenchAdvice'
import { Bad, Done, Frame, Middle, Parts, Plan, Readings, Waiting, Work } from './benchLayout'
import { useLiveGauges } from './useLiveGauges'
import type { LineCommand } from './useReadingLine'
import { lazyPart, useHydrated } from '@/ui/lazyPart'

/** Panels are fetched when work begins, so that the page itself is light and they are there when the network is not. */
const panels = () => import('./panels')
const FindingPanel = lazyPart(() => panels().then((module) => module.FindingPanel))
const HistoryPanel = lazyPart(() => panels().then((module) => module.HistoryPanel))
const RefusedPanel = lazyPart(() => import('./RefusedPanel').then((module) => module.RefusedPanel))
const KeysPanel = lazyPart(() => panels().then((module) => module.KeysPanel))

/** Cylinders of which sheet and picture stand side by side. */
const MOST_BESIDE = 10

/** Parts that stay as they are while a figure is being typed are not drawn again for it. */
const MemoStageRule = memo(StageRule)
const MemoDrawing = memo(EngineDrawing)
const MemoSheet = memo(Sheet)
const MemoLedger = memo(Ledger)

export interface BenchPageProps {
  readonly served: ServedBuild
  readonly revision: number
  /** What the readings of any bench are taken on: a page holds the definition of its own bench alone. */
  readonly growth: Growth
  /** Every stage as it stood when the page was served. */
  readonly stages: readonly Stage[]
  readonly startAt?: string
}

/** A bench as its own page part renders it: in the frame that all benches share and that is fetched once. */
export interface BenchInFrame extends BenchPageProps {
  readonly Frame: typeof BenchPage
}

/** One bench at work: the place, the reading, the consequence, the advice and the sum on one screen. */
export function BenchPage({
  served,
  revision,
  growth,
  bench,
  view,
  stages: stagesAtStart,
  startAt,
}: BenchPageProps & { bench: Bench; view: BenchView }) {
  const device = useDevice()
  const system = device.systemFor(served.spec.units, served.id)
  const edit = useSpec(served.id, served.spec, revision, device.initials)
  const stored = useMemo(() => documentServed(served), [served])
  const document = useMemo(() => ({ ...stored, spec: edit.spec }), [stored, edit.spec])
  const work = useBench({ document, served, growth, bench, initials: device.initials, startAt })
  const { build, stations, current, findings, settled, draft } = work
  const { definition } = bench
  const [opened, setOpened] = useState<string>()
  const [panel, setPanel] = useState<'keys' | 'history' | 'refused'>()
  const [trouble, setTrouble] = useState('')
  const live = useLiveGauges(`${device.initials || 'somebody'} at ${served.spec.name}, ${bench.definition.stage.toLowerCase()}`)
  const [phonePart, setPhonePart] = useState<'sheet' | 'advice'>()
  const [again, setAgain] = useState<{ readonly station: string; readonly text: string }>()
  const line = useRef<ReadingLineHandle>(null)
  const changed = useChanged(settled, findings, draft !== undefined)
  const characteristic = current && definition.characteristics[current.characteristic]
  const { gauge, nextGauge } = useGaugeInHand(current?.characteristic, characteristic, work.gauges, document.spec.units)

  const onCommand = useCallback(
    (command: LineCommand) => {
      switch (command) {
        case 'back':
          if (current) work.go(work.step(current, -1))
          break
        case 'again':
          work.go(lastRead(work))
          break
        case 'unit':
          device.setSystemFor(served.id, system === 'metric' ? 'inch' : 'metric')
          break
        case 'gauge':
          nextGauge()
          break
        case 'part':
          work.nextPartState()
          break
        case 'live':
          live.toggle()
          break
        case 'take':
          void live.take()
          break
        case 'help':
          setPanel('keys')
          break
        case 'history':
          setPanel('history')
          break
      }
    },
    [current, device, live, nextGauge, served.id, system, work],
  )

  /** Back to the line: at once, so that no key is lost, and again when a panel that held the focus is gone. */
  const toLine = useCallback(() => {
    line.current?.focus()
    requestAnimationFrame(() => line.current?.focus())
  }, [])
  const closePanels = () => {
    setOpened(undefined)
    setPanel(undefined)
    toLine()
  }
  const { go } = work
  const pick = useCallback(
    (id: string) => {
      go(id)
      setOpened(undefined)
      setPanel(undefined)
      toLine()
    },
    [go, toLine],
  )
  const open = useCallback((finding: Finding) => setOpened(finding.id), [])
  const stages = useMemo(() => stagesNow(stagesAtStart, bench, build), [stagesAtStart, bench, build])
  const { Picture } = view
  // The picture and the advice follow when the hand pauses: the ledger and the line may not wait for them.
  const { settled: later, build: laterBuild } = useAfterPause(useMemo(() => ({ settled, build }), [settled, build]))
  const { taken, take, giveBack } = useTaking(edit, view.words, system)
  const { acts, signed } = work
  const check = useCallback(
    (id: Id, place: Place, passed: boolean, text: string) => signed((by) => acts.check(by, id, place, passed, text)),
    [acts, signed],
  )
  const nextBench = work.isDone
    ? stages.find(({ bench: id, done }) => id !== undefined && id !== bench.id && done !== undefined && done < 1)
    : undefined
  const marks = useMemo(() => stationMarks(bench, stations, settled, build, current), [bench, stations, settled, build, current])
  const openedFinding = findings.find((finding) => finding.id === opened)

  return (
    <BenchWordsContext value={view.words}>
      <Frame data-ready={useHydrated() || undefined} onKeyDownCapture={warmPanels} onPointerDownCapture={warmPanels}>
        <TopBar
          trail={[
            { href: `/builds/${build.id}`, words: build.spec.name },
            { href: '#', words: definition.title },
          ]}
          note={build.spec.description}
          ownSystem={document.spec.units}
          buildId={document.id}
        >
          {work.unsent.size > 0 && (
            <Waiting role="status">
              {work.unsent.size} not sent yet, kept on this device{work.trouble && `: ${work.trouble}`}
            </Waiting>
          )}
          {work.refused.length > 0 && (
            <Button size="small" onPress={() => setPanel('refused')}>
              {work.refused.length} not taken by the server
            </Button>
          )}
        </TopBar>
        <Middle>
          <MemoStageRule stages={stages} />
          <Work>
            <SpokenTitle>
              {definition.title}, {build.spec.name}
            </SpokenTitle>
            <Plan aria-label="Engine">
              <MemoDrawing
                layout={build.spec.layout}
                boreMm={build.spec.paper.bore?.value ?? 85}
                marks={marks}
                current={current?.id}
                onPick={pick}
                sizeWords={pitchWords(build.spec.layout.boreSpacingMm, system)}
              />
            </Plan>
            <Parts>
              <Button
                size="small"
                aria-pressed={phonePart === 'sheet'}
                onPress={() => setPhonePart((now) => (now === 'sheet' ? undefined : 'sheet'))}
              >
                Sheet and picture
              </Button>
              <Button
                size="small"
                aria-pressed={phonePart === 'advice'}
                onPress={() => setPhonePart((now) => (now === 'advice' ? undefined : 'advice'))}
              >
                Advice, checks, tools
              </Button>
            </Parts>
            <Readings
              data-part="sheet"
              data-shown={phonePart === 'sheet' || undefined}
              data-wide={build.spec.layout.cylinders > MOST_BESIDE || undefined}
            >
              <div>
                <h2>Readings</h2>
                <MemoSheet
                  bench={bench}
                  build={build}
                  stations={stations}
                  findings={settled}
                  current={current?.id}
                  unsent={work.unsent}
                  system={system}
                  onPick={pick}
                />
              </div>
              <div>
                <Picture findings={later} build={laterBuild} system={system} />
              </div>
            </Readings>
            <BenchAdvice
              bench={bench}
              build={laterBuild}
              now={build}
              findings={later}
              system={system}
              edit={edit}
              isShown={phonePart === 'advice'}
              Tools={view.Tools}
              onTake={take}
              onCheck={check}
            />
          </Work>
          <MemoLedger
            definition={definition}
            findings={findings}
            stations={stations}
            changed={changed}
            system={system}
            onOpen={open}
            draft={draft !== undefined}
          />
        </Middle>
        <div>
          {nextBench && (
            <Done>
              Every place here is read or skipped.{' '}
              <LinkButton href={nextBench.href} size="small" kind="primary">
                Next: {nextBench.words}
              </LinkButton>
            </Done>
          )}
          {taken && (
            <Done role="status">
              Taken: {taken}.{' '}
              <Button size="small" onPress={giveBack}>
                Take it back
              </Button>
            </Done>
          )}
          {trouble && <Bad role="alert">{trouble}</Bad>}
          <RefusedChange edit={edit} />
          {current && characteristic && (
            <ReadingLine
              key={again?.text}
              ref={line}
              startText={again?.station === current.id ? again.text : ''}
              onInitials={(initials) => device.set({ initials })}
              work={work}
              station={current}
              characteristic={characteristic}
              gauge={gauge}
              system={system}
              live={live}
              onCommand={onCommand}
              onKept={setTrouble}
            />
          )}
        </div>
        {openedFinding && (
          <FindingPanel
            finding={openedFinding}
            definition={definition}
            build={build}
            stations={stations}
            system={system}
            onClose={closePanels}
            onStation={pick}
            onPick={(finding) => setOpened(finding.id)}
            siblings={findings}
          />
        )}
        {panel === 'history' && current && (
          <HistoryPanel
            station={current}
            document={document}
            build={build}
            added={work.added}
            stations={stations}
            onClose={closePanels}
            onStrike={(id, why) => signed((by) => acts.strike(by, id, why))}
            onSettle={(reading) => signed((by) => acts.settle(by, reading))}
            onMove={(id, to, why) => signed((by) => acts.move(by, id, to.place, why))}
          />
        )}
        {panel === 'refused' && (
          <RefusedPanel
            refused={work.refused}
            stations={stations}
            onClose={closePanels}
            onDrop={work.dropRefused}
            onAgain={({ entry }, station) => {
              go(station)
              if (entry.kind === 'reading') setAgain({ station, text: entry.asTyped })
              work.dropRefused(entry.id)
              closePanels()
            }}
          />
        )}
        {panel === 'keys' && <KeysPanel onClose={closePanels} />}
      </Frame>
    </BenchWordsContext>
  )
}

function warmPanels(): void {
  void panels()
}

/** The rule of stages, with this bench's own share as it is now. */
function stagesNow(stages: readonly Stage[], bench: Bench, build: Build): readonly Stage[] {
  return stages.map((stage) => (stage.bench === bench.id ? { ...stage, done: shareDone(benchProgress(bench, build)) } : stage))
}

function pitchWords(spacingMm: number, system: UnitSystem): string {
  return system === 'metric' ? formatQuantity(spacingMm, 'mm', 1) : formatQuantity(spacingMm, 'in', 3)
}
