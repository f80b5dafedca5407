'use client'
import Link from 'next/link'
import styled from 'styled-components'
import { BENCHES, benchState } from '@/core/benches'
import { openBuild, type BuildDocument } from '@/core/build'
import { firingIntervals, parkingAngle } from '@/core/engine'
import { formatQuantity } from '@/core/quantity'
import { LinkButton } from '@/ui/Button'
import { useDevice } from '@/ui/device'
import { EngineDrawing } from '@/ui/EngineDrawing'
import { caption, numerals, PHONE } from '@/ui/GlobalStyle'
import { Lead, Main, Row, Section, SectionTitle, Title, TopBar } from '@/ui/Page'
import { VerdictMark } from '@/ui/VerdictMark'

const Drawing = styled.div`height: 260px; border: 1px solid var(--hairline); background: var(--ground); ${PHONE} { height: 160px; }`
const Facts = styled.dl`
  display: grid; grid-template-columns: repeat(auto-fit, minmax(150px, 1fr)); gap: 12px 24px; dt { ${caption} } dd { ${numerals} font-size: 16px; } dd[data-words] { font-family: inherit; letter-spacing: 0; }
`
const Benches = styled.ul`display: grid; border-top: 1px solid var(--edge);`
const BenchRow = styled.li`
  display: grid; grid-template-columns: 200px 1fr auto; gap: 20px; align-items: center; padding: 12px 0; border-bottom: 1px solid var(--hairline); a:first-child { font-weight: 600; font-size: 16px; }
  ${PHONE} { grid-template-columns: 1fr; gap: 8px; }
`
const Counts = styled.p`display: flex; flex-wrap: wrap; gap: 4px 16px; span { display: inline-flex; gap: 5px; align-items: center; }`

/** The front of a build: the engine, the state of each bench, and everything that can be taken out of it. */
export function BuildFront({ document }: { document: BuildDocument }) {
  const device = useDevice()
  const system = device.systemFor(document.spec.units)
  const build = openBuild(document)
  const { spec } = build
  const { bore, stroke, rodLength, pinOffset } = spec.paper
  const home = `/builds/${build.id}`
  const length = (mm: number | undefined) => (mm === undefined ? 'not on paper' : system === 'metric' ? formatQuantity(mm, 'mm', 2) : formatQuantity(mm, 'in', 4))
  const parking = stroke && rodLength && parkingAngle(spec.layout, { strokeMm: stroke.value, rodMm: rodLength.value, pinOffsetMm: pinOffset?.value ?? 0 })
  const intervals = [...new Set(firingIntervals(spec.layout).map((interval) => `${Math.round(interval)}°`))].join(', ')
  return (
    <>
      <TopBar trail={[{ href: home, words: spec.name }]} note={spec.description} ownSystem={spec.units} />
      <Main>
        <Row style={{ justifyContent: 'space-between' }}><Title>{spec.name}</Title><Row><LinkButton href={`${home}/paper`}>Paper and limits</LinkButton><LinkButton href={`${home}/book`}>Book</LinkButton></Row></Row>
        <Lead>For {spec.duty.use}: {spec.duty.fuel}{spec.duty.boostKpa > 0 ? `, ${formatQuantity(spec.duty.boostKpa, system === 'metric' ? 'bar' : 'psi', 1)} boost` : ', unboosted'}, {spec.duty.redlineRpm} rpm.</Lead>
        <Drawing><EngineDrawing layout={spec.layout} boreMm={bore?.value ?? 85} sizeWords={length(spec.layout.boreSpacingMm)} /></Drawing>
        <Facts>
          <div><dt>Bore</dt><dd>{length(bore?.value)}</dd></div>
          <div><dt>Stroke</dt><dd>{length(stroke?.value)}</dd></div>
          <div><dt>Rod</dt><dd>{length(rodLength?.value)}</dd></div>
          <div><dt>Fires</dt><dd>{spec.layout.firingOrder.join('-')}</dd></div>
          <div><dt>Every</dt><dd>{intervals}</dd></div>
          {parking && spec.layout.cylinders > 1 && <div><dt>Park the crank at</dt><dd>{formatQuantity(parking.angleDeg % 180, 'deg', 0)}</dd></div>}
          {parking && spec.layout.cylinders > 1 && <div><dt>Highest piston then</dt><dd>{length(parking.dropMm)} down</dd></div>}
        </Facts>
        <Section>
          <SectionTitle>Benches</SectionTitle>
          <Benches>
            {BENCHES.map((bench) => {
              const state = benchState(bench, build)
              const { out, inDoubt, within, notMeasured } = state.verdicts
              const open = state.wanted - state.read - state.skipped
              return (
                <BenchRow key={bench.id}>
                  <Link href={`${home}/${bench.id}`}>{bench.definition.title}</Link>
                  <Counts>
                    {out > 0 && <span><VerdictMark standing="over" silent />{out} out</span>}
                    {inDoubt > 0 && <span><VerdictMark standing="inDoubt" silent />{inDoubt} in doubt</span>}
                    {within > 0 && <span><VerdictMark standing="within" silent />{within} within</span>}
                    {notMeasured > 0 && <span><VerdictMark standing="notMeasured" silent />{notMeasured} not measured</span>}
                    <span style={{ color: 'var(--quiet)' }}>{open === 0 ? `all ${state.wanted} readings taken` : `${open} of ${state.wanted} readings to go`}</span>
                  </Counts>
                  <LinkButton href={`${home}/${bench.id}`} kind={open > 0 ? 'primary' : undefined}>{open > 0 ? 'Measure' : 'Look at it'}</LinkButton>
                </BenchRow>
              )
            })}
          </Benches>
        </Section>
        <Section>
          <SectionTitle>In and out</SectionTitle>
          <Row>
            <a href={`/api/builds/${build.id}/file`} download>Build file</a>
            <a href={`/api/builds/${build.id}/readings.csv`} download>Readings as CSV</a>
            <Link href={`${home}/readings`}>Bring readings in from CSV</Link>
            <a href={`/api/builds/${build.id}/book.pdf`} download>Book as PDF</a>
            <Link href="/new">Start a copy without readings</Link>
          </Row>
        </Section>
      </Main>
    </>
  )
}
