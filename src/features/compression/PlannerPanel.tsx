'use client'
import { useCallback, useEffect } from 'react'
import type { Change } from '@/core/benches'
import type { PlannedLimit } from '@/core/benches/compression'
import { definition } from '@/core/benches/compression/definition'
import type { UnitSystem } from '@/core/document'
import { AdviceList } from '@/features/benchFrame/AdviceList'
import { Button } from '@/ui/Button'
import { differenceWords, limitWords } from '@/wording'
import { useBenchWords } from '@/features/benchFrame/useBenchWords'
import { planInWorker } from '@/workers/compression'
import type { JudgedPlans } from '@/workers/compression'
import { documentOf } from '@/features/entries/documentOf'
import { useWork } from '@/features/benchFrame/useWork'
import type { ToolProps } from '@/features/benchFrame/benchView'
import { Stack } from '@/ui/Layout'

const LIMITS: readonly PlannedLimit[] = [
  'compression.compressionRatio',
  'compression.quench',
  'compression.ratioSpread',
  'compression.deckClearance',
  'compression.chamberVolume',
  'compression.deckCut',
  'compression.headCut',
]

/** Searches gasket, piston, cuts and chamber work for what meets every limit, least metal first. */
export function PlannerPanel({ build, system, onTake }: Pick<ToolProps, 'build' | 'system' | 'onTake'>) {
  const job = useCallback((signal: AbortSignal) => planInWorker(documentOf(build), signal), [build])
  const { work, start, stop } = useWork<JudgedPlans>(job)
  useEffect(() => start(), [start])
  return (
    <>
      <p>
        Wanted:{' '}
        {LIMITS.flatMap((key) => {
          const limit = build.spec.limits[key]
          return limit
            ? [`${definition.limits[key].label.toLowerCase()} ${limitWords(limit, definition.limits[key], system)} (${limit.source})`]
            : []
        }).join('; ')}
        .
      </p>
      <Stack aria-live="polite" $gap={12}>
        {work.state === 'running' && (
          <p>
            Searching…{' '}
            <Button size="small" onPress={stop}>
              Stop
            </Button>
          </p>
        )}
        {work.state === 'stopped' && (
          <p>
            Stopped.{' '}
            <Button size="small" onPress={start}>
              Search
            </Button>
          </p>
        )}
        {work.state === 'failed' && (
          <p>
            {work.words}{' '}
            <Button size="small" onPress={start}>
              Try again
            </Button>
          </p>
        )}
        {work.state === 'done' && <Outcome found={work.answer} system={system} onTake={onTake} />}
      </Stack>
      <p>
        <small>
          Valve clearance is not measured yet, so no plan is held against it: every cut and every thinner gasket brings the valves nearer,
          by what the last column says. Cuts keep to the steps a shop sets. Head cuts are computed from the chamber’s open area on paper. A
          plan that is taken is held by the build: the gasket is chosen, the cuts are counted until the parts are measured again.
        </small>
      </p>
    </>
  )
}

function Outcome({ found: { result, plans }, system, onTake }: { found: JudgedPlans; system: UnitSystem; onTake: ToolProps['onTake'] }) {
  const { changeWords } = useBenchWords()
  if (result.tried === 0) return <p>Every cylinder has to be measured, and a gasket in stock, before anything can be planned.</p>
  if (result.plans.length > 0) {
    return (
      <>
        <p>
          {result.tried} combinations tried. These meet the limits named above on their central values, least metal first; the mark is the
          worst verdict over all benches, uncertainty included.
        </p>
        {heightWords(result.heightUnknown)}
        <AdviceList advice={plans} definition={definition} system={system} caption="Plans, least metal first" onTake={onTake} />
      </>
    )
  }
  const setupWords = (setup: Omit<Extract<Change, { code: 'setup' }>, 'code'>) =>
    changeWords({ change: { code: 'setup', ...setup } }, system)
  const words = (limit: PlannedLimit, by: number) =>
    `${definition.limits[limit].label} by ${differenceWords(by, { ...definition.limits[limit], digits: { metric: 3, inch: 2 } }, system)}`
  return (
    <>
      <p>
        <b>Nothing meets every limit.</b> {result.tried} combinations tried.
      </p>
      {heightWords(result.heightUnknown)}
      {result.binding.length > 0 && (
        <>
          <p>Easing one of these alone would let a combination through:</p>
          <ul>
            {result.binding.map(({ limit, by, setup }) => (
              <li key={limit}>
                • {words(limit, by)}: {setupWords(setup)}
              </li>
            ))}
          </ul>
        </>
      )}
      {result.binding.length === 0 && result.nearest && (
        <p>
          No single limit is to blame. Nearest: {setupWords(result.nearest.setup)}; it misses{' '}
          {result.nearest.misses.map(({ limit, by }) => words(limit, by)).join(' and ')}.
        </p>
      )}
    </>
  )
}

function heightWords(names: readonly string[]) {
  return (
    names.length > 0 && (
      <p>
        Left out: {names.join(', ')}. The compression height of the pistons measured is not on paper, so theirs cannot be compared with it.
      </p>
    )
  )
}
