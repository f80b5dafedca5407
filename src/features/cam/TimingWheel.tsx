import styled from 'styled-components'
import { camKind, type Cam } from '@/core/geometry/valvetrain'
import type { CamMarks, OpenArc } from './camMarks'

const SIZE = 300
const MIDDLE = SIZE / 2
const RIM = 132
const RAD_PER_DEG = Math.PI / 180
/** Of the arcs of found and card, the intake's outside, and how much further in the second bank's are. */
const RADIUS = { intake: 86, exhaust: 66 } as const
const CARD_OUT = 8
const BANK_IN = 16

const Svg = styled.svg`
  height: 100%;
  width: 100%;
  font-family: var(--mono);
  font-size: 11px;
  text {
    fill: var(--quiet);
    text-anchor: middle;
  }
  .rim {
    fill: var(--raised);
    stroke: var(--dye);
    stroke-width: 1.5;
  }
  .tick {
    stroke: var(--dye);
    stroke-width: 1;
  }
  .centre {
    fill: var(--dye);
    font-family: var(--text);
    font-weight: 650;
  }
  .found {
    fill: none;
    stroke: var(--dye);
    stroke-width: 7;
  }
  .found[data-kind='exhaust'] {
    stroke: var(--ink);
    stroke-width: 3;
  }
  .card {
    fill: none;
    stroke: var(--dye);
    stroke-width: 1.25;
    stroke-dasharray: 4 3;
  }
  .card[data-kind='exhaust'] {
    stroke: var(--ink);
  }
  .scribe {
    stroke: var(--scribe);
    stroke-width: 1.5;
  }
  .reading {
    fill: var(--scribe);
    font-weight: 650;
    font-size: 13px;
  }
`

/** The wheel as it stands on the bench, running clockwise: TDC on top, every cam from opening to closing, its card dashed beside it. */
export function TimingWheel({ marks, words }: { marks: readonly CamMarks[]; words: string }) {
  return (
    <Svg viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={words}>
      <circle className="rim" cx={MIDDLE} cy={MIDDLE} r={RIM} />
      <Graduations />
      {marks.map((mark) => (
        <Arcs key={mark.cam} mark={mark} />
      ))}
      <path d={`M${MIDDLE} 4 l-7 -0 l7 13 l7 -13 z`} fill="var(--scribe)" />
    </Svg>
  )
}

/** A place on the wheel: zero on top, turning clockwise. */
function at(deg: number, radius: number): readonly [x: number, y: number] {
  const turned = deg * RAD_PER_DEG
  return [MIDDLE + radius * Math.sin(turned), MIDDLE - radius * Math.cos(turned)]
}

function tickLength(deg: number): number {
  if (deg % 90 === 0) return 15
  return deg % 10 === 0 ? 8 : 5
}

function Graduations() {
  return (
    <g>
      {Array.from({ length: 72 }, (_, index) => index * 5).map((deg) => {
        const [x1, y1] = at(deg, RIM)
        const [x2, y2] = at(deg, RIM - tickLength(deg))
        return <line key={deg} className="tick" x1={x1} y1={y1} x2={x2} y2={y2} />
      })}
      {[30, 60, 90, 120, 150].flatMap((deg) =>
        [deg, -deg].map((side) => {
          const [x, y] = at(side, RIM - 21)
          return (
            <text key={side} x={x} y={y + 4}>
              {deg}
            </text>
          )
        }),
      )}
      <text className="centre" x={MIDDLE} y={MIDDLE - RIM + 30}>
        TDC
      </text>
      <text className="centre" x={MIDDLE} y={MIDDLE + RIM - 20}>
        BDC
      </text>
    </g>
  )
}

function Arcs({ mark: { cam, card, found, centreDeg } }: { mark: CamMarks }) {
  const radius = radiusOf(cam)
  const kind = camKind(cam)
  return (
    <g>
      {card && <path className="card" data-kind={kind} d={arc(card, radius + (kind === 'intake' ? CARD_OUT : -CARD_OUT))} />}
      {found && <path className="found" data-kind={kind} d={arc(found, radius)} />}
      {centreDeg !== undefined && <Centreline deg={centreDeg} radius={radius} isShown={kind === 'intake'} />}
    </g>
  )
}

function radiusOf(cam: Cam): number {
  return RADIUS[camKind(cam)] - (cam.endsWith('-right') ? BANK_IN / 2 : 0) - (cam.endsWith('-left') ? -BANK_IN / 2 : 0)
}

function Centreline({ deg, radius, isShown }: { deg: number; radius: number; isShown: boolean }) {
  const [x1, y1] = at(deg, 14)
  const [x2, y2] = at(deg, isShown ? RIM : radius)
  const [x, y] = at(deg, 40)
  return (
    <g>
      <line className="scribe" x1={x1} y1={y1} x2={x2} y2={y2} />
      {isShown && (
        <text className="reading" x={x} y={y - 8}>
          {Math.abs(deg).toFixed(1)}
        </text>
      )}
    </g>
  )
}

function arc({ opensDeg, closesDeg }: OpenArc, radius: number): string {
  const [x1, y1] = at(opensDeg, radius)
  const [x2, y2] = at(closesDeg, radius)
  return `M${x1} ${y1} A${radius} ${radius} 0 ${closesDeg - opensDeg > 180 ? 1 : 0} 1 ${x2} ${y2}`
}
