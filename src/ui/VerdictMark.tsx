'use client'
import type { Standing } from '@/wording'
import { STANDING_WORDS } from '@/wording'

const COLOUR: Readonly<Record<Standing, string>> = {
  within: 'var(--within)',
  inDoubt: 'var(--doubt)',
  over: 'var(--out)',
  under: 'var(--out)',
  notMeasured: 'var(--edge)',
  noLimit: 'var(--dye)',
  stale: 'var(--quiet)',
}

/** The shape of a verdict, drawn around (0, 0) in a drawing of its own scale. */
export function VerdictShape({ standing, r = 5 }: { standing: Standing; r?: number }) {
  const colour = COLOUR[standing]
  const stroke = { fill: 'none', stroke: colour, strokeWidth: r * 0.28 }
  switch (standing) {
    case 'within':
      return <circle r={r} fill={colour} />
    case 'noLimit':
      return <circle r={r * 0.75} fill={colour} />
    case 'inDoubt':
      return (
        <g>
          <circle r={r * 0.86} {...stroke} />
          <path d={`M0 ${-r} A${r} ${r} 0 0 0 0 ${r} Z`} fill={colour} />
        </g>
      )
    case 'over':
      return <path d={`M0 ${-r * 1.1} L${r * 1.1} ${r * 0.9} L${-r * 1.1} ${r * 0.9} Z`} fill={colour} />
    case 'under':
      return <path d={`M0 ${r * 1.1} L${r * 1.1} ${-r * 0.9} L${-r * 1.1} ${-r * 0.9} Z`} fill={colour} />
    case 'notMeasured':
      return <circle r={r * 0.86} {...stroke} />
    case 'stale':
      return (
        <g>
          <circle r={r * 0.86} {...stroke} />
          <path d={`M${-r} ${r} L${r} ${-r}`} {...stroke} />
        </g>
      )
  }
}

/** The mark of a verdict in a line of text. Its word is said to those who do not see it. */
export function VerdictMark({ standing, size = 14, silent = false }: { standing: Standing; size?: number; silent?: boolean }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="-7 -7 14 14"
      role={silent ? undefined : 'img'}
      aria-label={silent ? undefined : STANDING_WORDS[standing]}
      aria-hidden={silent || undefined}
      style={{ flex: 'none' }}
    >
      <VerdictShape standing={standing} r={5.5} />
    </svg>
  )
}
