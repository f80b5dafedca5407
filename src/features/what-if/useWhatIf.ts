'use client'
import { useMemo, useState } from 'react'
import { GROWTH } from '@/core/benches'
import { openBuildWith, withSpec, type Build } from '@/core/document'
import { knobsOf, todayOf, variantOf, type KnobHere, type Part, type Settings, type Today, type Variant } from '@/core/whatIf'
import { documentServed, type ServedBuild } from '@/features/entries/servedBuild'
import { useSpec, type SpecEdit } from '@/features/entries/useSpec'

export interface KeptVariant {
  readonly name: string
  readonly settings: Settings
}

export interface WhatIf {
  readonly build: Build
  readonly today: Today
  readonly knobs: readonly KnobHere[]
  readonly settings: Settings
  readonly variant: Variant
  readonly kept: readonly (KeptVariant & { readonly variant: Variant })[]
  readonly locked: ReadonlySet<Part>
  readonly edit: SpecEdit
  readonly turn: (knob: string, value: number) => void
  readonly set: (settings: Settings) => void
  readonly keep: () => void
  readonly drop: (name: string) => void
  readonly lock: (part: Part) => void
}

/** Names of variants that are kept beside the one in hand, which is A. */
const NAMES = ['B', 'C', 'D']
export const MOST_KEPT = NAMES.length

/** An engine with its knobs: nothing here touches it until a variant is taken as the plan. */
export function useWhatIf(served: ServedBuild, revision: number, by: string): WhatIf {
  const edit = useSpec(served.id, served.spec, revision, by)
  const opened = useMemo(() => openBuildWith(documentServed(served), GROWTH), [served])
  const build = useMemo(() => (edit.spec === opened.spec ? opened : withSpec(opened, edit.spec)), [opened, edit.spec])
  const today = useMemo(() => todayOf(build), [build])
  const knobs = useMemo(() => knobsOf(build), [build])
  const [settings, set] = useState<Settings>({})
  const [kept, setKept] = useState<readonly KeptVariant[]>([])
  const [locked, setLocked] = useState<ReadonlySet<Part>>(new Set())
  const variant = useMemo(() => variantOf(today, settings), [today, settings])
  const beside = useMemo(() => kept.map((one) => ({ ...one, variant: variantOf(today, one.settings) })), [kept, today])
  return {
    build,
    today,
    knobs,
    settings,
    variant,
    kept: beside,
    locked,
    edit,
    set,
    turn: (knob, value) => set((now) => ({ ...now, [knob]: value })),
    keep: () =>
      setKept((now) => {
        const name = NAMES.find((one) => now.every((other) => other.name !== one))
        return name ? [...now, { name, settings }] : now
      }),
    drop: (name) => setKept((now) => now.filter((one) => one.name !== name)),
    lock: (part) => {
      setLocked((now) => new Set(now.has(part) ? [...now].filter((one) => one !== part) : [...now, part]))
      // What is held stands as today.
      set((now) =>
        Object.fromEntries(Object.entries(now).filter(([id]) => !knobs.find(({ knob }) => knob.id === id)?.parts.includes(part))),
      )
    },
  }
}
