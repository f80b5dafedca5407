import type { SumRemarks } from '@/core/sums'

const millimetres = (mm: number) => `${mm > 0 ? '+' : ''}${mm.toFixed(3)} mm`

/** What is to be said of a valve over its piston. */
export function valveRemarkWords({ belowFloorMm, noWindowDeg, residualsMm, dialSlips = [] }: SumRemarks): readonly string[] {
  return [
    ...(belowFloorMm === undefined
      ? []
      : [
          [
            `Less than ${belowFloorMm} mm is set only where the same stiff valve gear has proved it at the same redline,`,
            'with a reason and initials.',
          ].join(' '),
        ]),
    ...(noWindowDeg === undefined ? [] : [`At no setting within ${noWindowDeg}° either way does it keep that gap.`]),
    ...(residualsMm && residualsMm.length > 1 ? [`Each reading off the others: ${residualsMm.map(millimetres).join(', ')}.`] : []),
    ...dialSlips.map(
      ({ reading, offMm }) =>
        `Reading ${reading} stands ${millimetres(offMm)} off: a turn of the dial, another angle, or the valve not at rest. Read it again.`,
    ),
  ]
}
