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
