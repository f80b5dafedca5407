import type { Build } from '../../build/build'
import type { Advice, Finding } from '../bench'
import type { Ring } from '../ringNames'
import { swapRings } from './swap'

const RING_OF: Readonly<Record<string, Ring>> = { topGap: 'top', secondGap: 'second', railGap: 'upperRail' }

/** File what is tight, to its target, never past it; a ring that is too wide for its bore may suit another. */
export function advise(build: Build, findings: readonly Finding[]): Advice[] {
  return [...fileAdvice(findings), ...swapAdvice(build, findings)]
}

function fileAdvice(findings: readonly Finding[]): Advice[] {
  return findings.flatMap((finding): Advice[] => {
    const { output, cylinder, figure, conformity, limit } = finding
    const ring = RING_OF[output]
    const target = limit?.target ?? limit?.lower
    if (!ring || cylinder === undefined || !figure || target === undefined || !conformity) return []
    const toFileMm = target - figure.value.value
    const isTight = conformity.verdict === 'under' || (conformity.verdict === 'inDoubt' && figure.value.value < target)
    if (!isTight || toFileMm <= 0) return []
    return [{ id: `file.${finding.id}`, change: { code: 'file', ring, cylinder, mm: toFileMm, toMm: target }, headlines: [], costs: [{ code: 'noParts' }] }]
  })
}

/** Only where a gap is over its upper limit: a wide ring cannot be closed, but a bigger gap in a smaller bore is a smaller gap. */
function swapAdvice(build: Build, findings: readonly Finding[]): Advice[] {
  return (['topGap', 'secondGap'] as const).flatMap((output): Advice[] => {
    const limit = build.spec.limits[output]
    const target = limit?.target ?? limit?.upper
    const over = findings.some((finding) => finding.output === output && finding.conformity?.verdict === 'over')
    const swap = over && target !== undefined ? swapRings(build, RING_OF[output]!, target) : undefined
    if (!swap || swap.after.every((from, index) => from === index + 1)) return []
    return [{ id: `swapRings.${output}`, change: { code: 'swapRings', ring: RING_OF[output]!, after: swap.after }, headlines: [], costs: [{ code: 'noParts' }] }]
  })
}
