/** How much parts grow with heat: mean coefficients of the working range, from memory, each with the spread a builder meets. */
export const BLOCK_MATERIALS = ['greyIron', 'castAluminium', 'hypereutecticAluminium'] as const
export const CRANK_MATERIALS = ['steel', 'ductileIron'] as const
export const ROD_MATERIALS = ['steel', 'forgedAluminium', 'titanium'] as const
export const PISTON_MATERIALS = ['forged4032', 'forged2618', 'castHypereutectic'] as const
export const RING_MATERIALS = ['greyIron', 'ductileIron', 'steel', 'chromeSteel'] as const

export type BlockMaterial = (typeof BLOCK_MATERIALS)[number]
export type CrankMaterial = (typeof CRANK_MATERIALS)[number]
export type RodMaterial = (typeof ROD_MATERIALS)[number]
export type PistonMaterial = (typeof PISTON_MATERIALS)[number]
export type RingMaterial = (typeof RING_MATERIALS)[number]

export interface Expansion {
  readonly label: string
  /** Per kelvin: the middle of the range met, and half its width. */
  readonly perK: number
  readonly tolerancePerK: number
}

/**
 * Near 20 °C, for measuring and for a warm engine. From memory: iron 10.5–11e-6, steel 11.5–12e-6, cast aluminium 20–22e-6,
 * hypereutectic about 18e-6, wrought about 23e-6; titanium 8.4–9.2e-6, bronze 17–18e-6.
 */
const PARTS = {
  greyIron: { label: 'grey iron', perK: 10.75e-6, tolerancePerK: 0.25e-6 },
  castAluminium: { label: 'cast aluminium', perK: 21e-6, tolerancePerK: 1e-6 },
  hypereutecticAluminium: { label: 'hypereutectic aluminium', perK: 18e-6, tolerancePerK: 0.5e-6 },
  steel: { label: 'steel', perK: 11.75e-6, tolerancePerK: 0.25e-6 },
  ductileIron: { label: 'ductile iron', perK: 11e-6, tolerancePerK: 0.5e-6 },
  forgedAluminium: { label: 'forged aluminium', perK: 23e-6, tolerancePerK: 0.5e-6 },
  titanium: { label: 'titanium', perK: 8.8e-6, tolerancePerK: 0.4e-6 },
  bronze: { label: 'bronze', perK: 17.5e-6, tolerancePerK: 0.5e-6 },
  forged4032: { label: 'forged 4032', perK: 19.5e-6, tolerancePerK: 0.5e-6 },
  forged2618: { label: 'forged 2618', perK: 22.5e-6, tolerancePerK: 0.5e-6 },
  castHypereutectic: { label: 'cast, high silicon', perK: 18e-6, tolerancePerK: 1e-6 },
} as const satisfies Record<BlockMaterial | CrankMaterial | RodMaterial | PistonMaterial | 'bronze', Expansion>

/**
 * Rings, mean from 20 to 250–300 °C, from memory: grey iron 11.5–12e-6, ductile 12–12.5e-6, low-alloy steel 12.5–13e-6,
 * 13–17 % chrome steel 10.5–11.5e-6.
 */
const RINGS = {
  greyIron: { label: 'grey iron', perK: 11.75e-6, tolerancePerK: 0.25e-6 },
  ductileIron: { label: 'ductile iron', perK: 12.25e-6, tolerancePerK: 0.25e-6 },
  steel: { label: 'low-alloy steel', perK: 12.75e-6, tolerancePerK: 0.25e-6 },
  chromeSteel: { label: 'steel, 13–17 % chrome', perK: 11e-6, tolerancePerK: 0.5e-6 },
} as const satisfies Record<RingMaterial, Expansion>

/** Expansion by part: a ring's coefficient is a mean up to its running temperature, the others' are near the bench. */
export const EXPANSION = { part: PARTS, ring: RINGS } as const
