import styled from 'styled-components'
import type { PhasingMap } from '@/core/benches/clearance'
import type { UnitSystem } from '@/core/document'
import { formatQuantity } from '@/core/units'
import { GAP_UNIT } from './gapLines'

const Svg = styled.svg`
  width: 100%;
  max-width: 430px;
  margin-top: 12px;
  font-family: var(--mono);
  font-size: 11px;
  text {
    fill: var(--quiet);
  }
  .touch {
    fill: var(--out);
  }
  .near {
    fill: color-mix(in srgb, var(--doubt) 45%, transparent);
  }
  .room {
    fill: var(--dye-wash);
  }
  .here {
    fill: var(--raised);
    stroke: var(--scribe);
    stroke-width: 2.5;
  }
  .overlap {
    stroke: var(--quiet);
    stroke-width: 0.75;
    stroke-dasharray: 4 3;
  }
`
const CELL = 18
const LEFT = 40
const BOTTOM = 34
const TICK_DEG = 10
const OVERLAP_EVERY_DEG = 10
const DECIMALS = { metric: 2, inch: 3 } as const

/** Intake advance along, exhaust advance upwards: where both valves touch, where they come nearer than the limit, and equal overlap. */
export function PhasingMapPicture({ map, limitMm, system }: { map: PhasingMap; limitMm: number | undefined; system: UnitSystem }) {
  const { advancesDeg, gapMm } = map
  const count = advancesDeg.length
  const size = count * CELL
  const [first, last] = [advancesDeg[0]!, advancesDeg.at(-1)!]
  const stepDeg = (last - first) / (count - 1)
  const x = (deg: number) => LEFT + ((deg - first) / stepDeg + 0.5) * CELL
  const y = (deg: number) => size - ((deg - first) / stepDeg + 0.5) * CELL
  const standOf = (mm: number) => {
    if (mm <= 0) return 'touch'
    return limitMm !== undefined && mm < limitMm ? 'near' : 'room'
  }
  const here = gapMm[(count * count - 1) / 2]!
  const shown = formatQuantity(here, GAP_UNIT[system], DECIMALS[system])
  const nearest = formatQuantity(Math.min(...gapMm), GAP_UNIT[system], DECIMALS[system])
  return (
    <>
      <Svg
        viewBox={`0 0 ${LEFT + size + 8} ${size + BOTTOM}`}
        role="img"
        aria-label={`Valve to valve over both cams: ${shown} as they stand, ${nearest} at the least within ${last}° either way`}
      >
        {advancesDeg.flatMap((intakeDeg, column) =>
          advancesDeg.map((exhaustDeg, row) => (
            <rect
              key={`${intakeDeg}/${exhaustDeg}`}
              className={standOf(gapMm[column * count + row]!)}
              x={x(intakeDeg) - CELL / 2}
              y={y(exhaustDeg) - CELL / 2}
              width={CELL}
              height={CELL}
            />
          )),
        )}
        {[-3, -2, -1, 0, 1, 2, 3].map((step) => (
          <OverlapLine key={step} moreDeg={step * OVERLAP_EVERY_DEG} from={first} to={last} x={x} y={y} />
        ))}
        <circle className="here" cx={x(0)} cy={y(0)} r={6} />
        <Ticks advancesDeg={advancesDeg} size={size} x={x} y={y} />
        <text x={LEFT + size} y={size + 29} textAnchor="end">
          intake earlier, ° · upwards exhaust earlier, °
        </text>
      </Svg>
      <p>
        {shown} as they stand. Full: the valves meet. Pale yellow: nearer than the limit. Dashed: equal overlap, ten degrees from line to
        line, more of it to the right and downwards.
      </p>
    </>
  )
}

type Scale = (deg: number) => number

function Ticks({ advancesDeg, size, x, y }: { advancesDeg: readonly number[]; size: number; x: Scale; y: Scale }) {
  return (
    <>
      {advancesDeg
        .filter((deg) => deg % TICK_DEG === 0)
        .map((deg) => (
          <g key={deg}>
            <text x={x(deg)} y={size + 14} textAnchor="middle">
              {deg > 0 ? `+${deg}` : deg}
            </text>
            <text x={LEFT - 6} y={y(deg) + 4} textAnchor="end">
              {deg > 0 ? `+${deg}` : deg}
            </text>
          </g>
        ))}
    </>
  )
}

/** Settings of both cams with so much more overlap than they stand with: an intake earlier adds what an exhaust earlier takes. */
function OverlapLine({ moreDeg, from, to, x, y }: { moreDeg: number; from: number; to: number; x: Scale; y: Scale }) {
  const start = Math.max(from, from + moreDeg)
  const end = Math.min(to, to + moreDeg)
  return <line className="overlap" x1={x(start)} y1={y(start - moreDeg)} x2={x(end)} y2={y(end - moreDeg)} />
}
