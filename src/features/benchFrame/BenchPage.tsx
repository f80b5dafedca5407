'use client'
import { memo, useMemo, useRef, useState, type RefObject } from 'react'
import { sheetsOf } from '@/core/bench/sheets'
import type { UnitSystem } from '@/core/document'
import { formatQuantity } from '@/core/units'
import { Button, LinkButton } from '@/ui/Button'
import { EngineDrawing } from '@/ui/EngineDrawing'
import { useHydrated } from '@/ui/lazyPart'
import { SpokenTitle, TopBar } from '@/ui/Page'
import { RefusedChange } from '@/features/entries/RefusedChange'
import { BenchAdvice } from './BenchAdvice'
import { Bad, Done, Frame, Middle, Parts, Plan, Readings, Waiting, Work } from './benchLayout'
import { BenchPanels, warmPanels } from './BenchPanels'
import { Ledger } from './Ledger'
import { ReadingLine, type ReadingLineHandle } from './ReadingLine'
import { Sheet } from './Sheet'
import { ROOM_FOR } from './sheetMoves'
import { StageRule } from './StageRule'
import { useBenchPage, type Again, type BenchAtWork, type BenchPageProps, type BenchPart } from './useBenchPage'
import { BenchWordsContext } from './useBenchWords'

/** Parts that stay as they are while a figure is being typed are not drawn again for it. */
const MemoStageRule = memo(StageRule)
const MemoDrawing = memo(EngineDrawing)
const MemoSheet = memo(Sheet)
const MemoLedger = memo(Ledger)

/** A bench as its own page part renders it: in the frame that all benches share and that is fetched once. */
export interface BenchInFrame extends BenchPageProps {
  readonly Frame: typeof BenchPage
}

/** One bench at work: the place, the reading, the consequence, the advice and the sum on one screen. */
export function BenchPage(props: BenchPart) {
  const line = useRef<ReadingLineHandle>(null)
  const page = useBenchPage(props, line)
  const { bench, view, system, work, panels } = page
  const [again, setAgain] = useState<Again>()
  return (
    <BenchWordsContext value={view.words}>
      <Frame data-ready={useHydrated() || undefined} onKeyDownCapture={warmPanels} onPointerDownCapture={warmPanels}>
        <Top page={page} />
        <Middle>
          <MemoStageRule stages={page.stages} />
          <WorkArea page={page} />
          <MemoLedger
            definition={bench.definition}
            findings={work.findings}
            stations={work.stations}
            changed={page.changed}
            system={system}
            onOpen={panels.open}
            draft={work.draft !== undefined}
          />
        </Middle>
        <Foot page={page} line={line} again={again} />
        <BenchPanels page={page} onAgain={setAgain} />
      </Frame>
    </BenchWordsContext>
  )
}

/** Where this is, and what the server has not got. */
function Top({ page: { bench, document, panels, work } }: { page: BenchAtWork }) {
  const { build, unsent, refused, trouble } = work
  return (
    <TopBar
      trail={[
        { href: `/builds/${build.id}`, words: build.spec.name },
        { href: '#', words: bench.definition.title },
      ]}
      note={build.spec.description}
      ownSystem={document.spec.units}
      buildId={document.id}
    >
      {unsent.size > 0 && (
        <Waiting role="status">
          {unsent.size} not sent yet, kept on this device{trouble && `: ${trouble}`}
        </Waiting>
      )}
      {refused.length > 0 && (
        <Button size="small" onPress={() => panels.show('refused')}>
          {refused.length} not taken by the server
        </Button>
      )}
    </TopBar>
  )
}

type PhonePart = 'sheet' | 'advice'
const PHONE_PARTS: Readonly<Record<PhonePart, string>> = { sheet: 'Sheet and picture', advice: 'Advice, checks, tools' }

/** The engine, the sheet with its picture, and the advice; on a phone the last two are one tap away. */
function WorkArea({ page }: { page: BenchAtWork }) {
  const { bench, view, system, work, panels, later, edit } = page
  const { build, current } = work
  const { layout, paper, name } = build.spec
  const [phonePart, setPhonePart] = useState<PhonePart>()
  return (
    <Work>
      <SpokenTitle>
        {bench.definition.title}, {name}
      </SpokenTitle>
      {view.Drawing ? (
        <Plan aria-label="Drawing" data-tall>
          <view.Drawing findings={later.settled} build={later.build} system={system} current={current} />
        </Plan>
      ) : (
        <Plan aria-label="Engine">
          <MemoDrawing
            layout={layout}
            boreMm={paper.bore?.value ?? 85}
            marks={page.marks}
            current={current?.id}
            onPick={panels.pick}
            sizeWords={layout.boreSpacingMm === undefined ? undefined : pitchWords(layout.boreSpacingMm, system)}
          />
        </Plan>
      )}
      <Parts>
        {(['sheet', 'advice'] as const).map((part) => (
          <Button
            key={part}
            size="small"
            aria-pressed={phonePart === part}
            onPress={() => setPhonePart((now) => (now === part ? undefined : part))}
          >
            {PHONE_PARTS[part]}
          </Button>
        ))}
      </Parts>
      <SheetAndPicture page={page} isShown={phonePart === 'sheet'} />
      <BenchAdvice
        bench={bench}
        build={later.build}
        now={build}
        findings={later.settled}
        system={system}
        edit={edit}
        isShown={phonePart === 'advice'}
        Tools={view.Tools}
        onTake={page.taking.take}
        onTable={(table) => work.signed((by) => work.acts.storeAll(by, table))}
        onCheck={page.onCheck}
      />
    </Work>
  )
}

function SheetAndPicture({ page, isShown }: { page: BenchAtWork; isShown: boolean }) {
  const { bench, view, system, work, panels, later } = page
  const { build, stations, settled, current, unsent } = work
  const { Picture } = view
  // Of more columns than that the figures want the whole width; the picture stands below.
  const isWide = useMemo(() => sheetsOf(stations).some(({ columns }) => columns.length > ROOM_FOR), [stations])
  return (
    <Readings data-part="sheet" data-shown={isShown || undefined} data-wide={isWide || undefined}>
      <div>
        <h2>Readings</h2>
        <MemoSheet
          bench={bench}
          build={build}
          stations={stations}
          findings={settled}
          current={current?.id}
          unsent={unsent}
          system={system}
          onPick={panels.pick}
        />
      </div>
      <div>
        <Picture findings={later.settled} build={later.build} system={system} />
      </div>
    </Readings>
  )
}

/** The reading line, and above it what has just come of what was done. */
function Foot({ page, line, again }: { page: BenchAtWork; line: RefObject<ReadingLineHandle | null>; again: Again | undefined }) {
  const { bench, device, system, work, live, characteristic, gauge, taking, edit } = page
  const { current } = work
  const [trouble, setTrouble] = useState('')
  const next = work.isDone ? page.stages.find(({ bench: id, done }) => id !== undefined && id !== bench.id && (done ?? 1) < 1) : undefined
  return (
    <div>
      {next && (
        <Done role="status">
          Every place here is read or skipped.{' '}
          <LinkButton href={next.href} size="small" kind="primary">
            Next: {next.words}
          </LinkButton>
        </Done>
      )}
      {taking.taken && (
        <Done role="status">
          Taken: {taking.taken}.{' '}
          <Button size="small" onPress={taking.giveBack}>
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
          onCommand={page.onCommand}
          onKept={setTrouble}
        />
      )}
    </div>
  )
}

function pitchWords(spacingMm: number, system: UnitSystem): string {
  return system === 'metric' ? formatQuantity(spacingMm, 'mm', 1) : formatQuantity(spacingMm, 'in', 3)
}
