'use client'
import { memo, startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import styled from 'styled-components'
import type { Bench, Finding, Id, JudgedAdvice, Station } from '@/core/bench/bench'
import { benchProgress } from '@/core/bench/benchState'
import { findingId } from '@/core/build/place'
import type { Build, Growth, Place, UnitSystem } from '@/core/build'
import { formatQuantity } from '@/core/quantity'
import { Button, LinkButton } from '@/ui/Button'
import { caption, NARROW, PHONE } from '@/ui/GlobalStyle'
import { useDevice } from '@/ui/device'
import { EngineDrawing, type StationMark } from '@/ui/EngineDrawing'
import { SpokenTitle, TopBar } from '@/ui/Page'
import { PlannedWork } from './PlannedWork'
import { withChanges } from '@/core/build/changes'
import { standingOf } from '@/wording'
import { Checks } from './Checks'
import { BenchWordsContext } from './useBenchWords'
import { RefusedChange } from '@/features/spec/RefusedChange'
import { useSpec } from '@/features/spec/useSpec'
import { AdviceList } from './AdviceList'
import { gaugesFor } from '@/core/bench/gaugeChoice'
import { Ledger } from './Ledger'
import { ReadingLine, type ReadingLineHandle } from './ReadingLine'
import { useAdvice, type AdviceState } from './useAdvice'
import { Sheet } from './Sheet'
import type { BenchView } from './benchView'
import { documentServed, type ServedBuild } from './servedBuild'
import { shareDone, type Stage } from './stages'
import { StageRule } from './StageRule'
import { changedFindings, useBench, type BenchWork } from './useBench'
import { useLiveGauges } from './useLiveGauges'
import type { LineCommand } from './useReadingLine'
import { lazyPart, useHydrated } from '@/ui/lazyPart'

/** Panels are fetched when work begins, so that the page itself is light and they are there when the network is not. */
const panels = () => import('./panels')
const FindingPanel = lazyPart(() => panels().then((module) => module.FindingPanel))
const HistoryPanel = lazyPart(() => panels().then((module) => module.HistoryPanel))
const RefusedPanel = lazyPart(() => import('./RefusedPanel').then((module) => module.RefusedPanel))
const KeysPanel = lazyPart(() => panels().then((module) => module.KeysPanel))

/** Shorter than a look from the gauge to the screen takes. */
const PAUSE_MS = 80

/** Parts that stay as they are while a figure is being typed are not drawn again for it. */
const MemoStageRule = memo(StageRule)
const MemoDrawing = memo(EngineDrawing)
const MemoSheet = memo(Sheet)
const MemoLedger = memo(Ledger)
const MemoAdvice = memo(AdviceList)

const Frame = styled.div`
  height: 100dvh;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  ${PHONE} {
    height: 100dvh;
  }
`
const Middle = styled.div`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) 316px;
  min-height: 0;
  ${NARROW} {
    grid-template-columns: auto minmax(0, 1fr) 280px;
  }
  ${PHONE} {
    display: block;
    overflow: auto;
  }
`
const Work = styled.main`
  min-height: 0;
  overflow: auto;
  display: grid;
  grid-template-rows: auto auto 1fr;
  align-content: start;
  ${PHONE} {
    display: block;
    overflow: visible;
    > [data-part='sheet'],
    > [data-part='advice'] {
      display: none;
      &[data-shown] {
        display: grid;
      }
    }
  }
`
/** Parts that do not move each other: what changes in one is laid out and painted for it alone. */
const Plan = styled.section`
  contain: content;
  height: 196px;
  border-bottom: 1px solid var(--hairline);
  ${PHONE} {
    height: 132px;
  }
`
const Readings = styled.section`
  contain: content;
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(250px, 0.75fr);
  border-bottom: 1px solid var(--hairline);
  > div {
    padding: 12px 16px;
    min-width: 0;
    overflow-x: auto;
    &:first-child {
      border-right: 1px solid var(--hairline);
    }
  }
  h2 {
    ${caption} margin-bottom: 8px;
  }
  ${NARROW} {
    grid-template-columns: 1fr;
    > div:first-child {
      border-right: 0;
    }
  }
`
const Advices = styled.section`
  contain: content;
  padding: 12px 16px 20px;
  background: var(--raised);
  display: grid;
  gap: 10px;
  align-content: start;
  > h2 {
    ${caption}
  }
`
const Bad = styled.p`
  padding: 8px 16px;
  color: var(--on-scribe);
  background: var(--out);
`
/** On a phone the sheet, and the advice with checks and tools, are one tap away. */
const Parts = styled.div`
  display: none;
  ${PHONE} {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 6px;
    padding: 6px 12px;
    border-bottom: 1px solid var(--hairline);
  }
`
const Done = styled.p`
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: flex-end;
  padding: 6px 20px;
  background: var(--dye-wash);
  border-top: 1px solid var(--hairline);
`
const Waiting = styled.span`
  color: var(--scribe);
  font-weight: 600;
  white-space: nowrap;
`

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
  const [gaugeTurns, setGaugeTurns] = useState<Readonly<Record<string, number>>>({})
  const offered = useMemo(
    () => (characteristic ? gaugesFor(characteristic, work.gauges, document.spec.units) : []),
    [characteristic, work.gauges, document.spec.units],
  )
  const gauge = offered[(gaugeTurns[current?.characteristic ?? ''] ?? 0) % Math.max(1, offered.length)]

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
          setGaugeTurns((turns) => ({ ...turns, [current!.characteristic]: (turns[current!.characteristic] ?? 0) + 1 }))
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
    [current, device, live, served.id, system, work],
  )

  const closePanels = () => {
    setOpened(undefined)
    setPanel(undefined)
    requestAnimationFrame(() => line.current?.focus())
  }
  const { go } = work
  const pick = useCallback(
    (id: string) => {
      go(id)
      setOpened(undefined)
      setPanel(undefined)
      requestAnimationFrame(() => line.current?.focus())
    },
    [go],
  )
  const open = useCallback((finding: Finding) => setOpened(finding.id), [])
  const stages = useMemo(() => stagesNow(stagesAtStart, bench, build), [stagesAtStart, bench, build])
  const { Picture, Tools } = view
  // The picture and the advice follow when the hand pauses: the ledger and the line may not wait for them.
  const { settled: later, build: laterBuild } = useAfterPause(useMemo(() => ({ settled, build }), [settled, build]))
  const advice = useAdvice(bench.id, laterBuild)
  const [taken, setTaken] = useState('')
  const { change: changeSpec, undo: undoSpec } = edit
  const take = useCallback(
    (one: JudgedAdvice) => {
      const words = view.words.changeWords(one, system)
      void changeSpec(words, (spec) => withChanges(spec, one.changes ?? [])).then((isStored) => {
        if (isStored) setTaken(words)
      })
    },
    [changeSpec, system, view],
  )
  const giveBack = useCallback(() => {
    setTaken('')
    void undoSpec()
  }, [undoSpec])
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
            <Readings data-part="sheet" data-shown={phonePart === 'sheet' || undefined}>
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
            <Advices data-part="advice" data-shown={phonePart === 'advice' || undefined}>
              {edit.spec.planned && <PlannedWork planned={edit.spec.planned} system={system} edit={edit} />}
              <h2>Ways to put it right</h2>
              {advice.state === 'known' && advice.advice.length > 0 ? (
                <MemoAdvice advice={advice.advice} definition={definition} system={system} caption="Ways to put it right" onTake={take} />
              ) : (
                <p>{adviceEmptyWords(later, advice)}</p>
              )}
              <Tools build={laterBuild} system={system} edit={edit} onTake={take} />
              {definition.checks && <Checks bench={bench} build={build} onCheck={check} />}
            </Advices>
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

/** A value as it stood when the keys last paused for a moment; drawing a chart between two keys would hold up the second. */
function useAfterPause<Value>(value: Value): Value {
  const [paused, setPaused] = useState(value)
  useEffect(() => {
    const timer = setTimeout(() => startTransition(() => setPaused(value)), PAUSE_MS)
    return () => clearTimeout(timer)
  }, [value])
  return paused
}

/** What the last stored entry moved; while typing, what the draft would move. */
function useChanged(settled: readonly Finding[], findings: readonly Finding[], drafting: boolean): ReadonlySet<string> {
  const [pair, setPair] = useState({ before: settled, now: settled })
  // Set while rendering, not in an effect: the ledger is then drawn once for a reading, not twice.
  if (pair.now !== settled) setPair({ before: pair.now, now: settled })
  return useMemo(
    () => (drafting ? changedFindings(settled, findings) : changedFindings(pair.before, pair.now)),
    [drafting, findings, pair, settled],
  )
}

/** One mark a spot of the drawing: places read more than once share it, the open one or the current one on top. */
function stationMarks(
  bench: Bench,
  stations: readonly Station[],
  settled: readonly Finding[],
  build: Build,
  current: Station | undefined,
): readonly StationMark[] {
  const standings = new Map(settled.map((finding) => [finding.id, standingOf(finding)]))
  const marks = new Map<string, StationMark>()
  for (const station of stations) {
    const { cylinder, main } = station.place
    if (cylinder === undefined && main === undefined) continue
    const judgedBy = bench.definition.characteristics[station.characteristic]?.judgedBy
    const judged = (judgedBy && standings.get(findingId(judgedBy, station.place))) ?? 'noLimit'
    const standingRead = judged === 'notMeasured' ? 'noLimit' : judged
    const standing = build.readings.current.has(station.id) ? standingRead : 'notMeasured'
    const spot = `${cylinder}/${main}/${station.drawnAt.x}/${station.drawnAt.y}`
    const known = marks.get(spot)
    if (
      !known ||
      station.id === current?.id ||
      (known.id !== current?.id && known.standing !== 'notMeasured' && standing === 'notMeasured')
    ) {
      marks.set(spot, { id: station.id, label: station.label, cylinder, main, ...station.drawnAt, standing })
    }
  }
  return [...marks.values()]
}

/** The rule of stages, with this bench's own share as it is now. */
function stagesNow(stages: readonly Stage[], bench: Bench, build: Build): readonly Stage[] {
  return stages.map((stage) => (stage.bench === bench.id ? { ...stage, done: shareDone(benchProgress(bench, build)) } : stage))
}

function lastRead({ build, stations }: BenchWork): string | undefined {
  const latest = [...build.readings.current].sort(([, a], [, b]) => (a.id < b.id ? 1 : -1))
  return latest.find(([id]) => stations.some((station) => station.id === id))?.[0]
}

function adviceEmptyWords(findings: readonly Finding[], advice: AdviceState): string {
  if (advice.state === 'failed') return `The advice could not be worked out: ${advice.words}`
  const judged = findings.filter((finding) => finding.limit)
  if (judged.some((finding) => !finding.figure)) return 'Nothing to advise until every cylinder is measured.'
  if (judged.length === 0) return 'No limits are set for this bench.'
  if (advice.state === 'working') return 'Working it out over every bench…'
  return judged.every(({ conformity }) => conformity?.verdict === 'within')
    ? 'Nothing to put right: everything is within its limits.'
    : 'No swap, part or cut to propose for what is out or in doubt: measure it again, or with a better gauge.'
}

function pitchWords(spacingMm: number, system: UnitSystem): string {
  return system === 'metric' ? formatQuantity(spacingMm, 'mm', 1) : formatQuantity(spacingMm, 'in', 3)
}
