'use client'
import Link from 'next/link'
import styled from 'styled-components'
import { CLOCKING, clockingOf, majorThrustSide, type ClockingSchool } from '@/core/benches/rings'
import type { Methods, Spec } from '@/core/document'
import { cylinderNumbers } from '@/core/geometry/crank'
import { RefusedChange } from '@/features/entries/RefusedChange'
import { useSpec } from '@/features/entries/useSpec'
import { Button } from '@/ui/Button'
import { useDevice } from '@/ui/device'
import { ChoiceRow } from '@/ui/fields'
import { Lead, Main, Title, TopBar } from '@/ui/Page'
import { Row } from '@/ui/Layout'

const Sheet = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6mm;
  overflow-x: auto;
  @media print {
    overflow: visible;
    gap: 4mm;
  }
  figure {
    break-inside: avoid;
  }
  figcaption {
    font-weight: 600;
  }
  svg {
    display: block;
    background: var(--raised);
  }
  text {
    fill: var(--ink);
    font-family: inherit;
  }
  .quiet {
    fill: var(--quiet);
  }
`
const OnScreen = styled.div`
  display: grid;
  gap: 20px;
  @media print {
    display: none;
  }
`
const SCHOOLS = Object.keys(CLOCKING) as Methods['clocking'][]

/** Where the ring gaps start, seen from above, a piston each, at true scale so that the sheet can lie on the crown. */
export function ClockingPage({ id, initial, revision }: { id: string; initial: Spec; revision: number }) {
  const device = useDevice()
  const edit = useSpec(id, initial, revision, device.initials)
  const { spec } = edit
  const school = clockingOf(spec)
  const boreMm = spec.paper.bore?.value ?? 85
  return (
    <>
      <TopBar
        trail={[
          { href: `/builds/${id}`, words: spec.name },
          { href: `/builds/${id}/rings`, words: 'Rings' },
          { href: '#', words: 'Clocking' },
        ]}
        ownSystem={spec.units}
        buildId={id}
      />
      <Main>
        <OnScreen>
          <Row $spread="apart">
            <Title>Ring gaps, where they start</Title>
            <Button kind="primary" onPress={() => window.print()}>
              Print at true scale
            </Button>
          </Row>
          <Lead>
            Gaps wander in running anyway: what matters is that they do not start in line. Print at 100 %, then check the 50 mm line with a
            rule.
          </Lead>
          <ChoiceRow
            label="School"
            value={spec.methods.clocking}
            hint={school.why}
            options={SCHOOLS.map((value) => ({ value, label: CLOCKING[value].label }))}
            onChange={(clocking) =>
              edit.change(`clocking: ${CLOCKING[clocking].label}`, (now) => ({ ...now, methods: { ...now.methods, clocking } }))
            }
          />
          {school.id === 'maker' && <MakersAngles id={id} />}
          <RefusedChange edit={edit} />
        </OnScreen>
        <p>
          {spec.name}: {school.label}. {school.why} Front is up on this sheet; marks on the rings face up.
        </p>
        <svg width="60mm" height="9mm" viewBox="0 0 60 9" role="img" aria-label="A line of 50 mm to check the print by">
          <path d="M2 3 H52 M2 1 V5 M52 1 V5" stroke="var(--ink)" strokeWidth={0.3} />
          <text x={2} y={8.4} fontSize={3}>
            50 mm
          </text>
        </svg>
        <Sheet>
          {cylinderNumbers(spec.layout).map((cylinder) => (
            <Crown key={cylinder} cylinder={cylinder} boreMm={boreMm} school={school} thrust={majorThrustSide(spec.layout)} />
          ))}
        </Sheet>
      </Main>
    </>
  )
}

/** Where a ring maker's diagram is typed in. */
function MakersAngles({ id }: { id: string }) {
  return (
    <p>
      <Link href={`/builds/${id}/paper#paper.gapTop`}>Type the maker’s angles in</Link>, and they are drawn here.
    </p>
  )
}

/** Room around a crown for the letters, mm. */
const MARGIN = 13

interface CrownProps {
  readonly cylinder: number
  readonly boreMm: number
  readonly school: ClockingSchool
  readonly thrust: 'left' | 'right'
}

/** A crown at true scale, the front up: its gaps where the school has them, or room to write them in. */
function Crown({ cylinder, boreMm, school, thrust }: CrownProps) {
  const radius = boreMm / 2
  const size = boreMm + 2 * MARGIN
  const middle = size / 2
  const gapWords = school.gaps.map(({ label, angleDeg }) => `${label} gap at ${angleDeg}°`).join(', ')
  return (
    <figure>
      <figcaption>Cylinder {cylinder}</figcaption>
      <svg
        width={`${size}mm`}
        height={`${size}mm`}
        viewBox={`0 0 ${size} ${size}`}
        role="img"
        aria-label={`Cylinder ${cylinder}, front up: ${gapWords || 'angles to be written in'}`}
      >
        <circle cx={middle} cy={middle} r={radius} fill="none" stroke="var(--ink)" strokeWidth={0.4} />
        <Bearings middle={middle} radius={radius} thrust={thrust} />
        <text fontSize={9} x={middle} y={middle + 3} textAnchor="middle" fontWeight={700}>
          {cylinder}
        </text>
        {school.gaps.length > 0 ? <Gaps gaps={school.gaps} middle={middle} radius={radius} /> : <Blanks middle={middle} radius={radius} />}
      </svg>
    </figure>
  )
}

/** A place on the crown by its angle from the front, clockwise as seen from above. */
function onCrown(middle: number, angleDeg: number, r: number) {
  return { x: middle + r * Math.sin((angleDeg * Math.PI) / 180), y: middle - r * Math.cos((angleDeg * Math.PI) / 180) }
}

/** Pin, front and thrust side, by which the crown is laid right. */
function Bearings({ middle, radius, thrust }: { middle: number; radius: number; thrust: 'left' | 'right' }) {
  // Seen from above with the front up, the engine's right side is to the right of the sheet.
  const { x, y } = onCrown(middle, thrust === 'right' ? 90 : 270, radius + 6)
  return (
    <>
      <path
        d={`M${middle} ${middle - radius * 0.8} V${middle + radius * 0.8}`}
        stroke="var(--quiet)"
        strokeWidth={0.25}
        strokeDasharray="4 1 1 1"
      />
      <text className="quiet" fontSize={3} x={middle + 1} y={middle + radius * 0.72}>
        pin
      </text>
      <path d={`M${middle} ${MARGIN - 7} l3 5 h-6 z`} fill="var(--ink)" />
      <text fontSize={3.4} x={middle + 5} y={MARGIN - 3} fontWeight={700}>
        FRONT
      </text>
      <text className="quiet" fontSize={3} x={x} y={y} textAnchor="middle" transform={`rotate(90 ${x} ${y})`}>
        major thrust
      </text>
    </>
  )
}

function Gaps({ gaps, middle, radius }: { gaps: ClockingSchool['gaps']; middle: number; radius: number }) {
  return gaps.map(({ ring, label, angleDeg }, index) => {
    const depth = radius - 2 - index * 3.4
    const [inner, outer, words] = [depth - 2.6, radius, depth - 7].map((r) => onCrown(middle, angleDeg, r)) as [Point, Point, Point]
    return (
      <g key={ring}>
        <path
          d={`M${inner.x} ${inner.y} L${outer.x} ${outer.y}`}
          stroke="var(--ink)"
          strokeWidth={ring === 'top' || ring === 'second' ? 1 : 0.5}
        />
        <text fontSize={3.2} x={words.x} y={words.y + 1} textAnchor="middle">
          {label}
        </text>
      </g>
    )
  })
}

type Point = ReturnType<typeof onCrown>

/** Where no school is taken, the angles are written in by hand. */
function Blanks({ middle, radius }: { middle: number; radius: number }) {
  return ['top', 'second', 'upper rail', 'expander', 'lower rail'].map((label, index) => (
    <text key={label} className="quiet" fontSize={3.2} x={middle - radius * 0.62} y={middle + radius * 0.2 + index * 5}>
      {label} …………°
    </text>
  ))
}
