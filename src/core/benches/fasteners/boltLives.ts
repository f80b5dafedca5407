import type { BoltLife } from '../../bench/manifest'
import type { Build } from '../../document/build'
import type { Joint } from '../../document/types'
import { derive } from './derive'
import { cyclesRead } from './rodBolts'

/** What was measured of rod bolts; of other joints nothing is. */
export function boltLives(build: Build): (joint: Joint, fastener: number, hasRun: boolean) => BoltLife | undefined {
  const findings = derive(build)
  return ({ kind }, fastener, hasRun) => {
    if (kind !== 'rods') return undefined
    const own = findings.filter(({ bolt }) => bolt === fastener)
    const isOver = (output: string) => own.some((finding) => finding.output === output && finding.conformity?.verdict === 'over')
    const growthMm = own.find(({ output }) => output === 'fasteners.growth')?.figure?.value.value
    return {
      cycles: cyclesRead(build, fastener, hasRun),
      ...(growthMm !== undefined && { growthMm }),
      retired: [...(isOver('fasteners.growth') ? (['grew'] as const) : []), ...(isOver('fasteners.bend') ? (['yielded'] as const) : [])],
    }
  }
}
