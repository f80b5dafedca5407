import type { Build } from '../../document/build'
import type { Advice, Finding } from '../../bench/bench'
import type { Ring } from '../../shared/ringNames'
import { isKnown } from '../../bench/finding'
import { gapOf } from './derive'
import { fileTo } from './filing'
import { swapRings } from './swap'

const RING_OF: Readonly<Record<string, Ring>> = { 'rings.topGap': 'top', 'rings.secondGap': 'second', 'rings.railGap': 'upperRail' }

/** File what is tight, to its target, never past it; a ring that is too wide for its bore may suit another. */
export function advise(build: Build, findings: readonly Finding[]): Advice[] {
  return [...fileAdvice(build, findings), ...swapAdvice(build, findings)]
}

function fileAdvice(build: Build, findings: readonly Finding[]): Advice[] {
  return findings.flatMap((finding): Advice[] => {
    const { output, cylinder, figure, conformity, limit, remarks } = finding
    const ring = RING_OF[output]
    const target = fileTo(limit)
    if (!ring || cylinder === undefined || !figure || target === undefined || !conformity) return []
    const toFileMm = target - figure.value.value
    // Where only depths are still to be read, reading them comes before the file.
    const isOpen = remarks.some(({ code }) => code === 'filedSince' || code === 'incomplete')
    const isTight = conformity.verdict === 'under' || (conformity.verdict === 'inDoubt' && !isOpen && figure.value.value < target)
    if (!isTight || toFileMm <= 0) return []
    const filed = ringsOf(ring, build, cylinder, target).map(([name, by]) => ({ what: 'ringGap', ring: name, cylinder, by }) as const)
    return [
      {
        id: `file.${finding.id}`,
        change: { code: 'file', ring, cylinder, mm: toFileMm, toMm: target },
        headlines: [],
        costs: [{ code: 'noParts' }],
        changes: filed,
      },
    ]
  })
}

/** Each rail has a gap of its own: the tighter one may be either, or both. */
function ringsOf(ring: Ring, build: Build, cylinder: number, target: number): [Ring, number][] {
  const names: readonly Ring[] = ring === 'upperRail' ? ['upperRail', 'lowerRail'] : [ring]
  return names.flatMap((name): [Ring, number][] => {
    const gap = gapOf(build, [name], cylinder)
    const mm = isKnown(gap) ? target - gap.figure.value.value : 0
    return mm > 0 ? [[name, mm]] : []
  })
}

/** Only where a gap is over its upper limit: a wide ring cannot be closed, but a bigger gap in a smaller bore is a smaller gap. */
function swapAdvice(build: Build, findings: readonly Finding[]): Advice[] {
  return (['rings.topGap', 'rings.secondGap'] as const).flatMap((output): Advice[] => {
    const limit = build.spec.limits[output]
    const target = limit?.target ?? limit?.upper
    const over = findings.some((finding) => finding.output === output && finding.conformity?.verdict === 'over')
    const swap = over && target !== undefined ? swapRings(build, RING_OF[output]!, target) : undefined
    if (!swap || swap.after.every((from, index) => from === index + 1)) return []
    const ring = RING_OF[output]!
    const moved = swap.gapsAfterMm.map(
      (mm, index) => ({ what: 'ringGap', ring, cylinder: index + 1, by: mm - swap.gapsMm[index]! }) as const,
    )
    return [
      {
        id: `swapRings.${output}`,
        change: { code: 'swapRings', ring, after: swap.after },
        headlines: [],
        costs: [{ code: 'noParts' }],
        changes: moved.filter(({ by }) => by !== 0),
      },
    ]
  })
}
