'use client'
import { useState } from 'react'
import { isBelowFloor } from '@/core/bench/belowFloor'
import type { LimitDefinition } from '@/core/benches'
import type { Limit, LimitId, Spec, UnitSystem } from '@/core/document'
import type { SpecEdit } from '@/features/entries/useSpec'
import { Button } from '@/ui/Button'
import { limitWords } from '@/wording'
import { BelowFloor } from './BelowFloor'
import { PaperGrid } from './PaperGrid'
import { QuantityInput } from '@/ui/QuantityInput'
import { Words } from '@/ui/Words'
import { Bad } from '@/ui/Layout'

type Bound = 'lower' | 'target' | 'upper'
const BOUND_WORDS = { lower: 'from', target: 'target', upper: 'to' } as const satisfies Record<Bound, string>
type Typed = Readonly<Partial<Record<Bound, number>>>

interface LimitRowProps {
  readonly name: LimitId
  readonly definition: LimitDefinition
  readonly preset: Limit | undefined
  readonly edit: SpecEdit
  readonly system: UnitSystem
}

/**
 * A limit with its bounds, source and reason. The bounds may be changed in any order: while they contradict each other nothing
 * is stored, what was typed stays, and the row says what is still to do.
 */
export function LimitRow({ name, definition, preset, edit, system }: LimitRowProps) {
  const limit = edit.spec.limits[name]
  const { label, kind } = definition
  const unit = definition.units[system]
  /** Bounds that contradict each other, on their way to ones that do not. */
  const [pending, setPending] = useState<Typed>()
  const shown: Typed = pending ?? limit ?? {}
  const set = (next: Limit | undefined, reason: string) => edit.change(reason, (spec) => withLimit(spec, name, next))

  function commit(which: Bound, value: number | undefined): void {
    const next = { lower: shown.lower, target: shown.target, upper: shown.upper, [which]: value }
    if (troubleOf(next) || (which === 'lower' && isBelowFloor(next, definition))) return setPending(next)
    keep(next)
  }

  function keep(next: Typed, answer?: Pick<Limit, 'reason' | 'by'>): void {
    setPending(undefined)
    const isEmpty = next.lower === undefined && next.upper === undefined
    const { source = 'source not said', reason = '' } = limit && !limit.follows ? limit : {}
    const by = isBelowFloor(next, definition) ? limit?.by : undefined
    void set(
      isEmpty ? undefined : { ...withoutEmpty(next), source, reason, ...(by && { by }), ...answer },
      isEmpty ? `${label}: no limit` : `${label} limit`,
    )
  }

  const trouble = pending && troubleOf(pending)
  return (
    <PaperGrid data-limit="" id={`limit.${name}`} tabIndex={-1}>
      <p>
        <b>{label}</b>
        <small>{stateWords(limit, definition, system)}</small>
        {pending && !trouble && isBelowFloor(pending, definition) && (
          <BelowFloor definition={definition} system={system} onAnswer={(answer) => keep(pending, answer)} />
        )}
        {trouble && (
          <Bad role="alert" as="small">
            {trouble}
          </Bad>
        )}
      </p>
      {(['lower', 'target', 'upper'] as const).map((which) => (
        <QuantityInput
          key={which}
          quiet
          label={`${label}: ${BOUND_WORDS[which]}`}
          value={shown[which]}
          kind={kind}
          unit={unit}
          onCommit={(value) => commit(which, value)}
        />
      ))}
      <Why limit={limit} preset={preset} label={label} onChange={set} />
    </PaperGrid>
  )
}

/** Whose limit it is and why; the preset where there is one and it is not followed. */
function Why({
  limit,
  preset,
  label,
  onChange,
}: {
  limit: Limit | undefined
  preset: Limit | undefined
  label: string
  onChange: (next: Limit, reason: string) => void
}) {
  const takePreset = preset && (() => onChange(preset, `${label}: preset`))
  if (!limit)
    return (
      <>
        <span />
        <p>
          {takePreset && (
            <Button size="small" onPress={takePreset}>
              Take the preset
            </Button>
          )}
        </p>
      </>
    )
  const put = (change: Partial<Limit>, reason: string) => onChange({ ...limit, follows: undefined, ...change }, reason)
  return (
    <>
      <Words quiet label={`${label}: source`} value={limit.source} onCommit={(source) => put({ source }, `${label} source`)} required />
      <div>
        <Words quiet label={`${label}: reason`} value={limit.reason} onCommit={(reason) => put({ reason }, `${label} reason`)} />
        {!limit.follows && takePreset && (
          <Button size="small" kind="plain" onPress={takePreset}>
            Follow the preset again
          </Button>
        )}
      </div>
    </>
  )
}

/** A spec with this limit, or without it because somebody said so. */
function withLimit(spec: Spec, name: LimitId, limit: Limit | undefined): Spec {
  const others = Object.fromEntries(Object.entries(spec.limits).filter(([key]) => key !== name))
  const unlimited = (spec.unlimited ?? []).filter((key) => key !== name)
  return limit ? { ...spec, limits: { ...others, [name]: limit }, unlimited } : { ...spec, limits: others, unlimited: [...unlimited, name] }
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
