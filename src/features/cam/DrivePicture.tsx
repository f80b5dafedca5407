import styled from 'styled-components'
import type { CamDrive } from '@/core/geometry/valvetrain'
import type { EngineLayout } from '@/core/geometry/crank'

const WIDTH = 440
const HEIGHT = 262
const CENTRE = { x: WIDTH / 2, y: 126 }
const REACH = { x: 165, y: 86 }
const RADIUS = { crank: 22, cam: 30, idler: 14, tensioner: 14, guide: 8, pump: 18 } as const

const Svg = styled.svg`
  width: 100%;
  font-size: 11px;
  text {
    fill: var(--ink);
    text-anchor: middle;
  }
  .pulled {
    stroke: var(--dye);
    stroke-width: 4;
  }
  .slack {
    stroke: var(--scribe);
    stroke-width: 2;
    stroke-dasharray: 7 4;
  }
  .between {
    stroke: var(--dye);
    stroke-width: 2;
  }
  .wheel {
    fill: var(--raised);
    stroke: var(--dye);
    stroke-width: 1.75;
  }
  .wheel[data-what='tensioner'] {
    stroke: var(--scribe);
  }
  .arrow {
    fill: var(--dye);
  }
`

/** The wheels in the order of running, seen from the front: no plan of the engine, but which strand is pulled and which is slack. */
export function DrivePicture({ drive: { wheels }, rotation }: { drive: CamDrive; rotation: EngineLayout['rotation'] }) {
  const way = rotation === 'clockwise' ? 1 : -1
  const at = wheels.map((_, index) => {
    const turned = Math.PI / 2 + (way * 2 * Math.PI * index) / wheels.length
    return { x: CENTRE.x + REACH.x * Math.cos(turned), y: CENTRE.y + REACH.y * Math.sin(turned) }
  })
  const firstCam = wheels.findIndex(({ what }) => what === 'cam')
  return (
    <Svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={pathWords(wheels)}>
      {wheels.map((wheel, index) => {
        const [from, to] = [at[index]!, at[(index + 1) % wheels.length]!]
        const strand = strandOf(index, wheels.length, firstCam)
        const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 }
        const angle = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI
        return (
          <g key={wheel.id}>
            <line className={strand} x1={from.x} y1={from.y} x2={to.x} y2={to.y} />
            <path className="arrow" d="M-6,-5 L7,0 L-6,5 Z" transform={`translate(${middle.x} ${middle.y}) rotate(${angle})`} />
            <title>{`${wheel.name}, ${strand}`}</title>
          </g>
        )
      })}
      {wheels.map(({ id, what, name, teeth }, index) => {
        const { x, y } = at[index]!
        return (
          <g key={id}>
            <circle className="wheel" data-what={what} cx={x} cy={y} r={RADIUS[what]} />
            <text x={x} y={y + 4}>
              {index + 1}
            </text>
            <text x={x} y={y < CENTRE.y ? y - RADIUS[what] - 6 : y + RADIUS[what] + 13}>
              {name}
              {teeth === undefined ? '' : `, ${teeth}`}
            </text>
          </g>
        )
      })}
    </Svg>
  )
}

/** The last strand comes back to the crank and is pulled; those before the first cam hang slack. */
function strandOf(index: number, count: number, firstCam: number): 'pulled' | 'slack' | 'between' {
  if (index === count - 1) return 'pulled'
  return index < firstCam ? 'slack' : 'between'
}

function pathWords(wheels: CamDrive['wheels']): string {
  return `Runs over ${wheels.map(({ name }, index) => `${index + 1} ${name}`).join(', ')}, and back to the crank, where it is pulled`
}
