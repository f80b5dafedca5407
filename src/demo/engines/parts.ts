/** What the papers of the three engines have in common: whose they are, and how gaskets, shells and limits are listed. */
import type { Shell } from '@/core/benches/bearings'
import type { Gasket, Layer } from '@/core/benches/compression'
import { type Id, type Limit, type Spec } from '@/core/document'
import { usualPins, type LayoutKind } from '@/core/geometry/crank'
import { toCanonical } from '@/core/units'
import type { Faults } from '@/core/twin'
import { printed } from '@/core/numerics/printed'

export const SHEET = 'owner’s sheet'
export const GASKETS = 'gasket maker’s sheet'
export const PISTONS = 'piston maker’s card'
export const CAM = 'cam card'
export const SHOP = 'shop rule'
export const ROD_CARD = 'rod maker’s card'
export const inch = (inches: number) => printed(toCanonical(inches, 'in'))

export interface DemoBuild {
  readonly id: string
  readonly spec: Spec
  readonly faults: Faults
  readonly seed: number
  /** Which stations have been read when the demo is loaded. */
  readonly read: (characteristic: string, cylinder: number) => boolean
  /** Gauges where the shop takes another than the first of its drawer. */
  readonly gauges: Readonly<Record<string, string>>
  /** What the shop leaves out of what is not read, and why. */
  readonly skips?: Readonly<Record<string, string>>
  /** Checks found right. */
  readonly checks: readonly Id[]
  readonly startedDaysAgo: number
}

export const band = (lower: number, upper: number, target: number | undefined, source: string, reason: string): Limit => ({
  lower,
  upper,
  target,
  source,
  reason,
})

/** The usual crank of a layout, front number one, turning clockwise. */
export function pins(kind: LayoutKind, cylinders: number, bankAngleDeg: number): Spec['layout']['pins'] {
  const placed = {
    kind,
    cylinders,
    bankAngleDeg,
    numbering: bankAngleDeg > 0 ? 'alternating' : 'downEachBank',
    numberOneAt: 'front',
    leadingBank: 'left',
    rotation: 'clockwise',
  } as const
  return usualPins(placed).map((pin) => ({ ...pin, cylinders: [...pin.cylinders] }))
}

export function gaskets(
  boreMm: number,
  thicknessesMm: readonly number[],
  toleranceMm: number,
  kind: Gasket['kind'],
  label: (mm: number) => string,
): Gasket[] {
  return thicknessesMm.map((thicknessMm, index) => ({
    id: `hl-g${index + 1}`,
    name: label(thicknessMm),
    boreMm,
    thicknessMm,
    thicknessToleranceMm: toleranceMm,
    kind,
    source: GASKETS,
  }))
}

export function layer(name: string, thicknessMm: number, thicknessToleranceMm: number): Layer {
  return { id: 'hl-l1', name, thicknessMm, thicknessToleranceMm, source: GASKETS }
}

/** Standard, X and undersize halves of one invented maker. */
export function shells(fits: Shell['fits'], letter: string, standardHalves: number): Shell[] {
  const shell = (mark: string, name: string, thou: number, halves: number): Shell => ({
    id: `hl-${letter}${mark}`,
    name: `${letter}-${name}`,
    fits,
    wallMm: inch(thou / 1000),
    halves,
    source: 'shelf, counted',
  })
  return [shell('S', 'standard', 0, standardHalves), shell('X', 'X', -0.5, 4), shell('U', 'undersize', 0.5, 4)]
}
