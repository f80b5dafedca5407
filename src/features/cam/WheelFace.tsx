const SIZE = 100
const MIDDLE = SIZE / 2
const RIM = 46
const RAD_PER_DEG = Math.PI / 180

/** A degree wheel on the nose of a crank, under a pointer that stands still: what it shows is what has come under the pointer. */
export function WheelFace({ deg }: { deg: number }) {
  const at = (from: number, radius: number) => ({
    x: MIDDLE + radius * Math.sin(from * RAD_PER_DEG),
    y: MIDDLE - radius * Math.cos(from * RAD_PER_DEG),
  })
  return (
    <svg viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={`Degree wheel at ${deg.toFixed(1)}°`}>
      <circle cx={MIDDLE} cy={MIDDLE} r={RIM} fill="var(--raised)" stroke="var(--dye)" strokeWidth={1.5} />
      {Array.from({ length: 72 }, (_, index) => index * 5).map((mark) => {
        const [from, to] = [at(deg - mark, RIM), at(deg - mark, RIM - (mark % 30 === 0 ? 7 : 3.5))]
        return <line key={mark} x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke="var(--dye)" strokeWidth={mark % 30 === 0 ? 0.9 : 0.5} />
      })}
      {[0, 60, 120, 180, 240, 300].map((mark) => {
        const { x, y } = at(deg - mark, RIM - 14)
        return (
          <text key={mark} x={x} y={y + 2.5} fontSize={7} textAnchor="middle" fill="var(--quiet)">
            {WORDS[mark] ?? (mark > 180 ? 360 - mark : mark)}
          </text>
        )
      })}
      <path d={`M${MIDDLE - 3} 0 h6 l-3 7 z`} fill="var(--scribe)" />
    </svg>
  )
}

const WORDS: Readonly<Record<number, string>> = { 0: 'TDC', 180: 'BDC' }
