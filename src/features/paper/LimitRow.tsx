'use client'
import { useState } from 'react'
import type { LimitDefinition } from '@/core/benches'
import type { Limit, LimitId, UnitSystem } from '@/core/build'
import type { SpecEdit } from '@/features/spec/useSpec'
import { Button } from '@/ui/Button'
import { limitWords } from '@/wording'
import { PaperGrid } from './PaperGrid'
import { QuantityInput } from './QuantityInput'
import { Words } from './Words'

type Bound = 'lower' | 'target' | 'upper'
const BOUND_WORDS = { lower: 'from', target: 'target', upper: 'to' } as const satisfies Record<Bound, string>
type Typed = Readonly<Partial<Record<Bound, number>>>

/**
 * A limit with its bounds, source and reason. The bounds may be changed in any order: while they contradict each other nothing
 * is stored, what was typed stays, and the row says what is still to do.
 */
export function LimitRow({
  name,
  definition,
  preset,
  edit,
  system,
}: {
  name: LimitId
  definition: LimitDefinition
  preset: Limit | undefined
  edit: SpecEdit
  system: UnitSystem
}) {
  const limit = edit.spec.limits[name]
  const unit = definition.units[system]
  /** Bounds that contradict each other, on their way to ones that do not. */
  const [pending, setPending] = useState<Typed>()
  const shown: Typed = pending ?? limit ?? {}
  const set = (next: Limit | undefined, reason: string) =>
    edit.change(reason, (spec) => {
      const others = Object.fromEntries(Object.entries(spec.limits).filter(([key]) => key !== name))
      const taken = (spec.unlimited ?? []).filter((key) => key !== name)
      return next
        ? { ...spec, limits: { ...others, [name]: next }, unlimited: taken }
        : { ...spec, limits: others, unlimited: [...taken, name] }
    })

  function commit(which: Bound, value: number | undefined): void {
    const next = { lower: shown.lower, target: shown.target, upper: shown.upper, [which]: value }
    if (troubleOf(next)) return setPending(next)
    setPending(undefined)
    const isEmpty = next.lower === undefined && next.upper === undefined
    const { source = 'source not said', reason = '' } = limit && !limit.follows ? limit : {}
    void set(
      isEmpty ? undefined : { ...withoutEmpty(next), source, reason },
      isEmpty ? `${definition.label}: no limit` : `${definition.label} limit`,
    )
  }

  const trouble = pending && troubleOf(pending)
  return (
    <PaperGrid data-limit="" id={`limit.${name}`} tabIndex={-1}>
      <p>
        <b>{definition.label}</b>
        <small>{stateWords(limit, definition, system)}</small>
        {trouble && (
          <small role="alert" style={{ color: 'var(--out)' }}>
            {trouble}
          </small>
        )}
      </p>
      {(['lower', 'target', 'upper'] as const).map((which) => (
        <QuantityInput
          key={which}
          quiet
          label={`${definition.label}: ${BOUND_WORDS[which]}`}
          value={shown[which]}
          kind={definition.kind}
          unit={unit}
          onCommit={(value) => commit(which, value)}
        />
      ))}
      {limit ? (
        <Words
          quiet
          label={`${definition.label}: source`}
          value={limit.source}
          onCommit={(source) => set({ ...limit, follows: undefined, source }, `${definition.label} source`)}
          required
        />
      ) : (
        <span />
      )}
      {limit ? (
        <div>
          <Words
            quiet
            label={`${definition.label}: reason`}
            value={limit.reason}
            onCommit={(reason) => set({ ...limit, follows: undefined, reason }, `${definition.label} reason`)}
          />
          {!limit.follows && preset && (
            <Button size="small" kind="plain" onPress={() => set(preset, `${definition.label}: preset`)}>
              Follow the preset again
            </Button>
          )}
        </div>
      ) : (
        <p>
          {preset && (
            <Button size="small" onPress={() => set(preset, `${definition.label}: preset`)}>
              Take the preset
            </Button>
          )}
        </p>
      )}
    </PaperGrid>
  )
}

function stateWords(limit: Limit | undefined, definition: LimitDefinition, system: UnitSystem): string {
  if (!limit) return 'no limit'
  return `${limitWords(limit, definition, system)}${limit.follows ? ' · follows the paper' : ''}`
}

function troubleOf({ lower, target, upper }: Typed): string {
  if (lower !== undefined && upper !== undefined && lower > upper)
    return 'From is above to: not stored until the other bound is changed too.'
  if (target !== undefined && lower !== undefined && target < lower)
    return 'The target is below from: not stored until one of them is changed.'
  return target !== undefined && upper !== undefined && target > upper
    ? 'The target is above to: not stored until one of them is changed.'
    : ''
}

function withoutEmpty(bounds: Typed): Typed {
  return Object.fromEntries(Object.entries(bounds).filter(([, value]) => value !== undefined))
}
