import styled from 'styled-components'
import type { Finding } from '@/core/bench/bench'
import { shaftsOf } from '@/core/benches/cam/camDrive'
import type { Build } from '@/core/document'
import { camOfValve, onOneShaft, valvePlaces, type Cam } from '@/core/geometry/valvetrain'
import { cylinderPlaces } from '@/core/geometry/crank'
import { expand } from '@/core/metrology'
import { capital, shortSubjectWords, subjectWords } from '@/wording'

const WIDTH = 560
const HEIGHT = 150
const MIDDLE = 62
const REACH = 46
/** So much either way at the least: an even shaft is drawn even. */
const LEAST_RANGE_DEG = 1

const Svg = styled.svg`
  width: 100%;
  font-family: var(--mono);
  font-size: 10.5px;
  text {
    fill: var(--quiet);
    text-anchor: middle;
  }
  .shaft {
    stroke: var(--dye);
    stroke-width: 5;
  }
  .uncertainty {
    stroke: var(--dye);
    stroke-width: 1.25;
  }
  .lobe {
    fill: var(--dye);
  }
  .lobe[data-kind='exhaust'] {
    fill: var(--raised);
    stroke: var(--dye);
    stroke-width: 1.5;
  }
`

interface Drawn {
  readonly valve: string
  readonly kind: 'intake' | 'exhaust'
  readonly x: number
  readonly offDeg: number
  readonly uDeg: number
}

/** Every lobe of a shaft where it stands along it, later above and earlier below the mean of its kind. */
export function LobesPicture({ build, findings }: { build: Build; findings: readonly Finding[] }) {
  return (
    <>
      {shaftsOf(build).map((shaft) => (
        <Shaft key={shaft} shaft={shaft} lobes={lobesOf(build, findings, shaft)} />
      ))}
    </>
  )
}

function lobesOf(build: Build, findings: readonly Finding[], shaft: Cam): readonly Drawn[] {
  const { layout } = build.spec
  const cams = onOneShaft(layout, shaft)
  const rows = new Map(cylinderPlaces(layout).map(({ cylinder, row }) => [cylinder, row]))
  const places = valvePlaces(layout)
    .filter((place) => cams.includes(camOfValve(layout, place)))
    .toSorted((a, b) => rows.get(a.cylinder)! - rows.get(b.cylinder)! || a.index - b.index)
  return places.flatMap(({ valve, kind }, index): Drawn[] => {
    const figure = findings.find((one) => one.output === 'cam.lobeOff' && one.valve === valve)?.figure
    if (!figure) return []
    const x = ((index + 0.5) / places.length) * (WIDTH - 60) + 40
    return [{ valve, kind, x, offDeg: figure.value.value, uDeg: expand(figure.value).U }]
  })
}

function Shaft({ shaft, lobes }: { shaft: Cam; lobes: readonly Drawn[] }) {
  if (lobes.length === 0) return null
  const range = Math.max(LEAST_RANGE_DEG, ...lobes.map(({ offDeg, uDeg }) => Math.abs(offDeg) + uDeg))
  const y = (deg: number) => MIDDLE - (deg / range) * REACH
  const name = capital(subjectWords({ cam: shaft }))
  return (
    <figure>
      <figcaption>{name}, lobe by lobe from the front: crank degrees later than the mean of its kind</figcaption>
      <Svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={`${name}, ${lobes.map(spoken).join(', ')}`}>
        <line className="shaft" x1={30} x2={WIDTH - 10} y1={MIDDLE} y2={MIDDLE} />
        {[range, -range].map((deg) => (
          <text key={deg} x={14} y={y(deg) + 4}>
            {deg > 0 ? '+' : '−'}
            {Math.abs(deg).toFixed(1)}
          </text>
        ))}
        {lobes.map(({ valve, kind, x, offDeg, uDeg }) => (
          <g key={valve}>
            <line className="uncertainty" x1={x} x2={x} y1={y(offDeg - uDeg)} y2={y(offDeg + uDeg)} />
            <circle className="lobe" data-kind={kind} cx={x} cy={y(offDeg)} r={5} />
            <text x={x} y={HEIGHT - 22}>
              {shortSubjectWords({ valve }).replace(/^\w\w /, '')}
            </text>
            <text x={x} y={HEIGHT - 8}>
              {kind === 'intake' ? 'in' : 'ex'}
            </text>
          </g>
        ))}
      </Svg>
    </figure>
  )
}

const spoken = ({ valve, offDeg }: Drawn) => `${shortSubjectWords({ valve })} ${offDeg.toFixed(1)}°`
