'use client'
import type { Limit } from '@/core/document'
import type { Standing } from '@/wording'
import { VerdictShape } from './VerdictMark'

const WIDTH = 280
const HEIGHT = 20
/** Room either side of the band, in band widths, before a value is drawn at the edge. */
const ROOM = 0.9

/** A value with its uncertainty bar against the band of its limit, to scale. Decoration: the words beside it say the same. */
export function LimitBand({
  limit,
  value,
  uncertainty,
  standing,
}: {
  limit: Limit
  value: number
  uncertainty: number
  standing: Standing
}) {
  const oneSided = limit.lower === undefined || limit.upper === undefined
  const near = limit.lower ?? 0
  const far = limit.upper ?? Math.max(value + 2 * uncertainty, near * 1.2)
  const lower = limit.lower ?? Math.min(0, value - uncertainty)
  const upper = oneSided && limit.upper === undefined ? far : limit.upper!
  const width = upper - lower || Math.abs(upper) || 1
  const from = Math.min(lower - ROOM * width * (oneSided && limit.lower === undefined ? 0.05 : 1), value - 1.3 * uncertainty)
  const to = Math.max(upper + ROOM * width, value + 1.3 * uncertainty)
  const x = (at: number) => ((at - from) / (to - from)) * WIDTH
  const mid = HEIGHT / 2
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      height={HEIGHT}
      preserveAspectRatio="none"
      aria-hidden
      style={{ display: 'block' }}
    >
      <line x1={0} x2={WIDTH} y1={mid} y2={mid} stroke="var(--hairline)" />
      <rect
        x={x(lower)}
        y={mid - 5}
        width={Math.max(1, x(upper) - x(lower))}
        height={10}
        fill="var(--dye-wash)"
        stroke="var(--dye)"
        strokeWidth={1}
      />
      {limit.target !== undefined && <line x1={x(limit.target)} x2={x(limit.target)} y1={mid - 8} y2={mid + 8} stroke="var(--dye)" />}
      <line x1={x(value - uncertainty)} x2={x(value + uncertainty)} y1={mid} y2={mid} stroke="var(--ink)" strokeWidth={2} />
      <g transform={`translate(${x(value)} ${mid})`}>
        <VerdictShape standing={standing} r={5} />
      </g>
    </svg>
  )
}
