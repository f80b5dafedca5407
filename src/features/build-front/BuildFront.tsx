'use client'
import Link from 'next/link'
import styled from 'styled-components'
import type { Spec, UnitSystem } from '@/core/document'
import { firingIntervals, parkingAngle } from '@/core/geometry/crank'
import { formatQuantity } from '@/core/units'
import { Button, LinkButton } from '@/ui/Button'
import type { OpenRun } from '@/core/joints'
import { ClockList } from '@/features/clocks/ClockList'
import type { ServedClock } from '@/shop/servedClocks'
import { OpenRuns } from '@/features/clocks/OpenRuns'
import { RefusedChange } from '@/features/entries/RefusedChange'
import { useNews } from '@/features/entries/useNews'
import { useSpec, type SpecEdit } from '@/features/entries/useSpec'
import { useDevice } from '@/ui/device'
import { EngineDrawing } from '@/ui/EngineDrawing'
import { caption, numerals, PHONE } from '@/ui/GlobalStyle'
import { Lead, Main, Notice, Section, SectionTitle, Title, TopBar } from '@/ui/Page'
import { VerdictMark } from '@/ui/VerdictMark'
import { useRefresh } from '@/ui/useRefresh'
import { dutyWords, fuelWords, small, type StationMark } from '@/wording'
import type { BenchSummary } from '@/shop/summary'
import { Row } from '@/ui/Layout'

const Engine = styled.section`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 336px;
  border: 1px solid var(--hairline);
  > :first-child {
    height: 188px;
    border-right: 1px solid var(--hairline);
  }
  ${PHONE} {
    grid-template-columns: 1fr;
    > :first-child {
      height: 150px;
      border-right: 0;
      border-bottom: 1px solid var(--hairline);
    }
  }
`
const Facts = styled.dl`
  display: grid;
  grid-template-columns: 1fr 1fr;
  align-content: center;
  gap: 10px 20px;
  padding: 12px 20px;
  background: var(--raised);
  dt {
    ${caption}
  }
  dd {
    ${numerals} font-size: 14px;
    white-space: nowrap;
  }
`
const Benches = styled.ul`
  display: grid;
  border-top: 1px solid var(--edge);
`
const BenchRow = styled.li`
  display: grid;
  grid-template-columns: 200px 1fr 116px;
  gap: 20px;
  align-items: center;
  padding: 8px 0;
  min-height: 58px;
  border-bottom: 1px solid var(--hairline);
  a:first-child {
    font-weight: 600;
    font-size: 16px;
  }
  ${PHONE} {
    grid-template-columns: 1fr;
    gap: 8px;
  }
`
const Counts = styled.p`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  font-size: 13px;
  color: var(--quiet);
  span {
    display: inline-flex;
    gap: 5px;
    align-items: center;
  }
`

const Worst = styled.p`
  display: flex;
  gap: 5px;
  align-items: center;
`

interface BuildFrontProps {
  readonly id: string
  readonly initial: Spec
  readonly revision: number
  /** Worked out by the server, as the engine stood when the page was asked for. */
  readonly benches: readonly BenchSummary[]
  readonly marks: readonly StationMark[]
  readonly openRuns: readonly OpenRun[]
  /** Entries of an older program that do not count, in words. */
  readonly setAside: readonly string[]
  readonly clocks: readonly ServedClock[]
}

/** The front of a build: the engine, the state of each bench, and everything that can be taken out of it. */
export function BuildFront({ id, initial, revision, benches, marks, openRuns: runs, setAside, clocks }: BuildFrontProps) {
  const device = useDevice()
  const system = device.systemFor(initial.units, id)
  const edit = useSpec(id, initial, revision, device.initials)
  const { spec } = edit
  const refresh = useRefresh()
  useNews(id, { onEntries: refresh, onRevision: (latest) => latest > revision && refresh() })
  const home = `/builds/${id}`
  const next = benches.find((bench) => bench.next !== undefined)
  const length = (mm: number | undefined) => lengthWords(mm, system)
  return (
    <>
      <TopBar trail={[{ href: home, words: spec.name }]} note={spec.description} ownSystem={spec.units} buildId={id} />
      <Main>
        <Heading name={spec.name} home={home} />
        {spec.copyOf && (
          <Lead>
            A copy of <Link href={`/builds/${spec.copyOf.id}`}>{spec.copyOf.name}</Link>.
          </Lead>
        )}
        <Lead>{purposeWords(spec, system)}</Lead>
        <OpenRuns buildId={id} runs={runs} />
        <ClockList buildId={id} clocks={clocks} />
        {setAside.map((words) => (
          <Notice key={words}>{words}</Notice>
        ))}
        <Engine aria-label="Engine">
          <div>
            <EngineDrawing
              layout={spec.layout}
              boreMm={spec.paper.bore?.value ?? 85}
              marks={marks}
              sizeWords={spec.layout.boreSpacingMm === undefined ? undefined : length(spec.layout.boreSpacingMm)}
            />
          </div>
          <EngineFacts spec={spec} length={length} />
        </Engine>
        <Section>
          <SectionTitle>Benches</SectionTitle>
          <Benches>
            {benches.map((bench) => (
              <BenchLine key={bench.bench} href={`${home}/${bench.bench}`} bench={bench} isNext={bench === next} system={system} />
            ))}
          </Benches>
        </Section>
        <Section>
          <SectionTitle>In and out</SectionTitle>
          <InAndOut id={id} home={home} edit={edit} />
        </Section>
      </Main>
    </>
  )
}

function Heading({ name, home }: { name: string; home: string }) {
  return (
    <Row $spread="apart">
      <Title>{name}</Title>
      <Row>
        <LinkButton href={`${home}/job`}>Job</LinkButton>
        <LinkButton href={`${home}/paper`}>Paper and limits</LinkButton>
        <LinkButton href={`${home}/parts`}>Parts</LinkButton>
        <LinkButton href={`${home}/joints`}>Joints</LinkButton>
        <LinkButton href={`${home}/walk`}>Walk</LinkButton>
        <LinkButton href={`${home}/what-if`}>What if</LinkButton>
        <LinkButton href={`${home}/book`}>Book</LinkButton>
      </Row>
    </Row>
  )
}

function lengthWords(mm: number | undefined, system: UnitSystem): string {
  if (mm === undefined) return 'not on paper'
  return system === 'metric' ? formatQuantity(mm, 'mm', 2) : formatQuantity(mm, 'in', 4)
}

/** What the engine is for. */
function purposeWords({ duty }: Spec, system: UnitSystem): string {
  const boost = duty.boostKpa > 0 ? `${formatQuantity(duty.boostKpa, system === 'metric' ? 'bar' : 'psi', 1)} boost` : 'unboosted'
  return `For ${dutyWords(duty)}: ${fuelWords(duty)}, ${boost}${duty.redlineRpm === undefined ? '' : `, ${duty.redlineRpm} rpm`}.`
}

/** The numbers of the engine that a builder wants at a glance. */
function EngineFacts({ spec, length }: { spec: Spec; length: (mm: number | undefined) => string }) {
  const { bore, stroke, rodLength, pinOffset } = spec.paper
  const crank = stroke && rodLength && { strokeMm: stroke.value, rodMm: rodLength.value, pinOffsetMm: pinOffset?.value ?? 0 }
  const parking = crank && parkingAngle(spec.layout, crank)
  const intervals = [...new Set(firingIntervals(spec.layout).map((interval) => `${Math.round(interval)}°`))].join(', ')
  const ofSeveral: readonly (readonly [string, string])[] = [
    [`Fires every ${intervals}`, spec.layout.firingOrder.join('-')],
    ...(parking
      ? ([
          ['Park the crank, after 1’s top', parkingWords(parking.anglesDeg)],
          ['Highest piston', `${length(parking.dropMm)} down`],
        ] as const)
      : []),
  ]
  const facts: readonly (readonly [string, string])[] = [
    ['Bore', length(bore?.value)],
    ['Stroke', length(stroke?.value)],
    ['Rod', length(rodLength?.value)],
    ...(spec.layout.cylinders > 1 ? ofSeveral : []),
  ]
  return (
    <Facts>
      {facts.map(([label, words]) => (
        <div key={label}>
          <dt>{label}</dt>
          <dd>{words}</dd>
        </div>
      ))}
    </Facts>
  )
}

/** Everything that can be taken out of a build or brought in. */
function InAndOut({ id, home, edit }: { id: string; home: string; edit: SpecEdit }) {
  const { putAway } = edit.spec
  return (
    <Row>
      <a href={`/api/builds/${id}/file`} download>
        Build file
      </a>
      <a href={`/api/builds/${id}/archive`} download>
        Build file with pictures
      </a>
      <a href={`/api/builds/${id}/readings.csv`} download>
        Readings as CSV
      </a>
      <Link href={`${home}/readings`}>Bring readings in from CSV</Link>
      <a href={`/api/builds/${id}/book.pdf`} download>
        Book as PDF
      </a>
      <Link href={`/new?copy=${id}`}>Start a copy without readings</Link>
      <Button onPress={() => edit.change(putAway ? 'back on the board' : 'put away', (now) => ({ ...now, putAway: !now.putAway }))}>
        {putAway ? 'Back on the board' : 'Put away'}
      </Button>
      {putAway && <span role="status">Put away: off the board, everything kept.</span>}
      <RefusedChange edit={edit} />
    </Row>
  )
}

/** The first angle, and how many more there are as good: a four has two, half a turn apart. */
function parkingWords(anglesDeg: readonly number[]): string {
  const words = anglesDeg
    .slice(0, 2)
    .map((angle) => formatQuantity(angle, 'deg', 0))
    .join(' or ')
  return anglesDeg.length > 2 ? `${words} …` : words
}

/** How a bench stands: the worst it has found in words, then the counts. */
function BenchLine({ href, bench, isNext, system }: { href: string; bench: BenchSummary; isNext: boolean; system: UnitSystem }) {
  const { out, inDoubt, within, notMeasured } = bench.verdicts
  const open = bench.wanted - bench.read - bench.skipped
  const { worst } = bench
  return (
    <BenchRow>
      <Link href={href}>{bench.title}</Link>
      <div>
        {worst && (
          <Worst>
            <VerdictMark standing={worst.standing} silent />
            {worst.words[system]}
          </Worst>
        )}
        <Counts>
          {out > 0 && (
            <span>
              <VerdictMark standing="over" silent />
              {out} out
            </span>
          )}
          {inDoubt > 0 && (
            <span>
              <VerdictMark standing="inDoubt" silent />
              {inDoubt} in doubt
            </span>
          )}
          {within > 0 && (
            <span>
              <VerdictMark standing="within" silent />
              {within} within
            </span>
          )}
          {notMeasured > 0 && (
            <span>
              <VerdictMark standing="notMeasured" silent />
              {notMeasured} not measured
            </span>
          )}
          <span>{readWords(bench, open)}</span>
        </Counts>
      </div>
      <LinkButton href={href} kind={isNext ? 'primary' : undefined}>
        {open > 0 ? 'Measure' : 'Look at it'}
      </LinkButton>
    </BenchRow>
  )
}

function readWords({ wanted, read, skipped, next }: BenchSummary, open: number): string {
  if (wanted === 0) return 'nothing to read'
  if (open > 0) return `${open} of ${wanted} readings to go, next ${small(next ?? '')}`
  return skipped > 0 ? `${read} readings taken, ${skipped} skipped` : `all ${wanted} readings taken`
}
