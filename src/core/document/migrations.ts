import { NOT_SAID, type DutyUse, type Fuel } from './duty'
import {
  crankStyles,
  cylinderPlaces,
  firingIssues,
  firstBank,
  renumbered,
  usualPins,
  type CrankPin,
  type EngineLayout,
} from '../geometry/crank'
import { presentName, withPresentName } from './oldNames'
import type { Spec } from './types'

/** Steps that bring an older build file to the next version, by the version they start from. Never edited once released. */
export type MigrationSteps = Readonly<Record<number, (document: Record<string, unknown>) => Record<string, unknown>>>

type OldSpec = { layout: { kind: string; cylinders: number }; methods: object; stock: object }

/** Version 1 knew deck and compression only; what the short block asks for starts from the usual answer. */
const MIGRATIONS: MigrationSteps = {
  1: (document) => {
    const spec = document.spec as OldSpec
    const twoBanks = spec.layout.kind === 'v' || spec.layout.kind === 'flat'
    return {
      ...document,
      spec: {
        ...spec,
        layout: { ...spec.layout, mains: (twoBanks ? Math.ceil(spec.layout.cylinders / 2) : spec.layout.cylinders) + 1 },
        materials: { block: 'greyIron', bore: 'greyIron', crank: 'steel', piston: 'forged2618', topRing: 'steel', secondRing: 'greyIron' },
        methods: { ...spec.methods, bearings: 'direct', ringDepths: 1, clocking: 'opposed' },
        stock: { ...spec.stock, shells: [] },
      },
    }
  },
  /**
   * Version 2 knew no crank: it is the usual one of the layout where the firing order agrees with it, else the one the order
   * was written for.
   */
  2: (document) => {
    const spec = document.spec as V2Spec
    const { firingIntervalsDeg: _, ...layout } = spec.layout
    return {
      ...document,
      spec: {
        ...spec,
        layout: { ...layout, pins: pinsFor(spec.layout), mainBearings: 'plain', rodBearings: 'plain' },
        duty: dutyFromWords(spec.duty),
        materials: { ...spec.materials, rod: 'steel' },
        methods: { ...spec.methods, squish: 'pad' },
        limits: Object.fromEntries(
          Object.entries(spec.limits).map(([key, limit]) => [
            key,
            limit.source.startsWith('Preset:') ? { ...limit, follows: true } : limit,
          ]),
        ),
      },
    }
  },
  /** Names up to version 3 did not carry their bench. */
  3: (document) => {
    const spec = document.spec as V3Spec
    const limits = Object.fromEntries(Object.entries(spec.limits).map(([name, limit]) => [presentName(name), limit]))
    return {
      ...document,
      spec: { ...spec, limits, ...(spec.unlimited && { unlimited: spec.unlimited.map(presentName) }) },
      ...(Array.isArray(document.entries) && { entries: document.entries.map(withPresentName) }),
    }
  },
  /** Version 4 knew no joints and no pulls: a file without them is what it was. */
  4: (document) => document,
  /** Readings at bolts, cycles and torques came with version 6. */
  5: (document) => document,
  /** Readings at cams and wheel angles, and gauges that read angles, came with version 7. */
  6: (document) => document,
  /** Readings at valves, angles read while turned back, second lobes and the drive of the cams came with version 8. */
  7: (document) => document,
  /** Readings over pistons, former gaskets, pockets to be cut, and who answers for a limit or a plan came with version 9. */
  8: (document) => document,
  /** Layers of a gasket, and cams that lift more or longer than the ones that were read, came with version 10. */
  9: (document) => document,
  /** Parts and damage, what a job agreed on, and other papers beside a number came with version 11. */
  10: (document) => document,
  /** A run that is cancelled, and one whose fasteners are all backed off, came with version 12. */
  11: (document) => document,
  /**
   * Up to version 12 a bore spacing was made from the bore where nobody had typed one, and is not known; numbers changed after the
   * crank was described left two rods of one bank on a pin, which stand there under the numbers they had.
   */
  12: (document) => {
    const spec = document.spec as V12Spec
    const { boreSpacingMm, ...layout } = spec.layout
    const isMade = boreSpacingMm === Math.round((spec.paper.bore?.value ?? 85) * 1.1)
    return { ...document, spec: { ...spec, layout: pinsByPlace({ ...layout, ...(!isMade && { boreSpacingMm }) }) } }
  },
}

interface V12Spec {
  readonly layout: EngineLayout
  readonly paper: { readonly bore?: { readonly value: number } }
}

function pinsByPlace(layout: EngineLayout): EngineLayout {
  if (firingIssues(layout)[0]?.code !== 'rodsOnOneBank') return layout
  const before: EngineLayout = { ...layout, numbering: layout.numbering === 'alternating' ? 'downEachBank' : 'alternating' }
  return firingIssues(before).length > 0 ? layout : renumbered(before, { numbering: layout.numbering })
}

interface V3Spec {
  readonly limits: Readonly<Record<string, unknown>>
  readonly unlimited?: readonly string[]
}

type V2Layout = Omit<EngineLayout, 'pins' | 'mainBearings' | 'rodBearings'> & { readonly firingIntervalsDeg?: readonly number[] }
interface V2Spec {
  readonly layout: V2Layout
  readonly duty: { readonly use: string; readonly fuel: string; readonly boostKpa: number; readonly redlineRpm: number }
  readonly materials: object
  readonly methods: object
  readonly limits: Readonly<Record<string, { readonly source: string }>>
}

function pinsFor(old: V2Layout): readonly CrankPin[] {
  const layout = (pins: readonly CrankPin[]): EngineLayout => ({ ...old, pins, mainBearings: 'plain', rodBearings: 'plain' })
  const fires = (pins: readonly CrankPin[]) => old.firingIntervalsDeg === undefined && firingIssues(layout(pins)).length === 0
  const usual = crankStyles(old.kind, old.cylinders)
    .map((style) => usualPins(old, style))
    .find(fires)
  return usual ?? pinsOfOrder(old)
}

/** A pin a rod, where the order and the intervals of the old document put its top. */
function pinsOfOrder(old: V2Layout): readonly CrankPin[] {
  const isFirst = new Map(
    cylinderPlaces(old as unknown as EngineLayout).map(({ cylinder, bank }) => [
      cylinder,
      old.kind !== 'v' && old.kind !== 'flat' ? true : bank === firstBank(old),
    ]),
  )
  let at = 0
  return old.firingOrder.map((cylinder, index): CrankPin => {
    const top = at
    at += old.firingIntervalsDeg?.[index] ?? 720 / old.cylinders
    return { angleDeg: ((((isFirst.get(cylinder) ? 0 : old.bankAngleDeg) - top) % 360) + 360) % 360, cylinders: [cylinder] }
  })
}

/** Old duties were free words: what a word says for sure is taken, anything else is not stated; the words are kept. */
function dutyFromWords({ use, fuel, ...rest }: V2Spec['duty']) {
  return { ...rest, use: saidIn(use, USE_WORDS), useWords: use, fuel: saidIn(fuel, FUEL_WORDS), fuelWords: fuel }
}

/** The first that counts is the first named here. */
const USE_WORDS: readonly (readonly [DutyUse, string])[] = [
  ['sustained', 'marine|lake|hydroplane|offshore|endurance|sustained|oval'],
  ['drag', 'drag'],
  ['competition', 'rac(?:e|es|ing)|hill-?climb|grass-?track|rally|circuit|sprint|autocross|kart'],
  ['street', 'street|road|touring|daily|commuter'],
]
const FUEL_WORDS: readonly (readonly [Fuel, string])[] = [
  ['methanol', 'methanol'],
  ['ethanolBlend', 'ethanol|e85|e98'],
  ['diesel', 'diesel'],
  ['petrol', 'petrol|gasoline|ron|octane|pump'],
]

function saidIn<Meaning>(text: string, meanings: readonly (readonly [Meaning, string])[]): Meaning | typeof NOT_SAID {
  const found = meanings.find(([, words]) => new RegExp(`\\b(?:${words})\\b`, 'i').test(text))
  return found ? found[0] : NOT_SAID
}

/** A stored spec of an older version as this version's; the rest of a document needs no change from any version so far. */
export function migrateSpec(spec: object, version: number): Spec {
  return (migrateDocument({ version, spec }) as { spec: Spec }).spec
}

/** Applies every step from the document's version on. The input is not changed. */
export function migrateDocument(document: object, steps: MigrationSteps = MIGRATIONS): object {
  let migrated = { ...document } as Record<string, unknown>
  for (let step = steps[migrated.version as number]; step; step = steps[migrated.version as number]) {
    const from = migrated.version as number
    migrated = { ...step(migrated), version: from + 1 }
  }
  return migrated
}
