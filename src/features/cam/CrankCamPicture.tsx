import styled from 'styled-components'
import type { OutOfStep } from '@/core/benches/clearance/outOfStep'
import type { Standing } from '@/core/geometry/valvetrain/crankCamMap'
import type { Leg } from '@/core/geometry/valvetrain/safeRoute'

const TURN_DEG = 360
const CYCLE_DEG = 720
/** The shaft's cycle is drawn half as tall as it is long. */
const TALL = 0.5
const LEFT = 34
const BOTTOM = 24
const TICK_DEG = 90

const Svg = styled.svg`
  width: 100%;
  margin-top: 12px;
  font-family: var(--mono);
  font-size: 11px;
  text {
    fill: var(--quiet);
  }
  .field {
    fill: var(--raised);
    stroke: var(--edge);
  }
  .touch {
    fill: var(--out);
  }
  .near {
    fill: color-mix(in srgb, var(--doubt) 45%, transparent);
  }
  .step {
    stroke: var(--dye);
    stroke-width: 1.5;
    stroke-dasharray: 5 4;
  }
  .way {
    stroke: var(--scribe);
    stroke-width: 3;
    fill: none;
  }
  .stands {
    fill: var(--raised);
    stroke: var(--scribe);
    stroke-width: 2.5;
  }
`

interface PictureProps {
  readonly found: OutOfStep
  readonly marginMm: number
  readonly from?: Standing
  readonly legs?: readonly Leg[]
}

/** Crank along, shaft upwards: where a valve touches, where it comes nearer than asked, the two lines of being in step, and the way. */
export function CrankCamPicture({ found, marginMm, from, legs = [] }: PictureProps) {
  return (
    <Svg
      viewBox={`0 0 ${TURN_DEG + LEFT + 16} ${CYCLE_DEG * TALL + BOTTOM + 8}`}
      role="img"
      aria-label="Map of the crank against the shaft"
    >
      <g transform={`translate(${LEFT} 4)`}>
        <rect className="field" width={TURN_DEG} height={CYCLE_DEG * TALL} />
        <path className="near" d={regionPath(found, 0, marginMm)} />
        <path className="touch" d={regionPath(found, -Infinity, 0)} />
        <line className="step" {...line({ crankDeg: 0, camDeg: 0 }, { crankDeg: 360, camDeg: 360 })} />
        <line className="step" {...line({ crankDeg: 0, camDeg: 360 }, { crankDeg: 360, camDeg: 720 })} />
        {from && legs.length > 0 && <path className="way" d={wayPath(from, legs)} />}
        {from && <circle className="stands" cx={from.crankDeg} cy={yOf(from.camDeg)} r={5} />}
        {[0, 1, 2, 3, 4].map((step) => (
          <text key={step} x={step * TICK_DEG} y={CYCLE_DEG * TALL + 16} textAnchor="middle">
            {step * TICK_DEG}
          </text>
        ))}
        {[0, 2, 4, 6, 8].map((step) => (
          <text key={step} x={-6} y={yOf(step * TICK_DEG) + 4} textAnchor="end">
            {step * TICK_DEG}
          </text>
        ))}
      </g>
    </Svg>
  )
}

const yOf = (camDeg: number) => (CYCLE_DEG - camDeg) * TALL

function line(from: Standing, to: Standing) {
  return { x1: from.crankDeg, y1: yOf(from.camDeg), x2: to.crankDeg, y2: yOf(to.camDeg) }
}

/** Every run of positions along a column whose gap is from `low` to below `high`, as one path. */
function regionPath({ gapMm, rows, columns, stepDeg }: OutOfStep, low: number, high: number): string {
  const isIn = (column: number, row: number) => gapMm[column * rows + row]! >= low && gapMm[column * rows + row]! < high
  let path = ''
  for (let column = 0; column < columns; column++)
    for (let row = 0; row < rows;) {
      if (!isIn(column, row)) {
        row++
        continue
      }
      const first = row
      while (row < rows && isIn(column, row)) row++
      path += `M${column * stepDeg},${yOf(row * stepDeg)}h${stepDeg}v${(row - first) * stepDeg * TALL}h${-stepDeg}Z`
    }
  return path
}

/** Past the edge of the map a way goes on at the other. */
function wayPath(from: Standing, legs: readonly Leg[]): string {
  let { crankDeg, camDeg } = from
  let path = `M${crankDeg},${yOf(camDeg)}`
  for (const { turn, byDeg } of legs)
    for (let left = Math.abs(byDeg); left > 0;) {
      const at = turn === 'crank' ? crankDeg : camDeg
      const most = turn === 'crank' ? TURN_DEG : CYCLE_DEG
      const room = byDeg > 0 ? most - at : at
      const go = Math.min(left, room)
      if (turn === 'crank') crankDeg += Math.sign(byDeg) * go
      else camDeg += Math.sign(byDeg) * go
      path += `L${crankDeg},${yOf(camDeg)}`
      left -= go
      if (left <= 0) break
      if (turn === 'crank') crankDeg = byDeg > 0 ? 0 : most
      else camDeg = byDeg > 0 ? 0 : most
      path += `M${crankDeg},${yOf(camDeg)}`
    }
  return path
}
