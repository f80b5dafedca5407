import { openBuild } from '@/core/benches'
import type { BuildDocument } from '@/core/document'
import { freshLayout } from '@/core/document/fresh'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS, type DemoBuild } from '@/demo/scenario'

/** The most cylinders a build may have: the Tern's parts as a V16, every place measured, forty halves of rod shells on the shelf. */
export function sixteen(): BuildDocument {
  const tern = DEMO_BUILDS[0]!
  const { spec } = tern
  const shell = (id: string, wallMm: number, halves: number) => ({
    id,
    name: id,
    fits: 'rod' as const,
    wallMm,
    halves,
    source: 'benchmark',
  })
  const demo: DemoBuild = {
    ...tern,
    id: '01920000-0000-7000-8000-000000000016',
    seed: tern.seed + 1000,
    faults: { rodClearanceMm: { 3: 0.014, 7: -0.012, 11: 0.02, 15: -0.018 } },
    spec: {
      ...spec,
      // Of an inline five.
      drive: undefined,
      name: 'Sixteen',
      // The five benches its figures are asked for.
      methods: {
        ...spec.methods,
        rodBolts: 'torque',
        camEvents: false,
        camEqualLift: false,
        camCurve: false,
        clearanceDrop: false,
        clearanceDial: 'none',
        clearanceRound: false,
        clearanceBetween: false,
      },
      layout: {
        ...freshLayout({ kind: 'v', cylinders: 16, bankAngleDeg: 45, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder' }),
        boreSpacingMm: spec.layout.boreSpacingMm,
      },
      stock: {
        ...spec.stock,
        shells: [shell('standard', 0, 20), shell('X', -0.0127, 8), shell('undersize', 0.0127, 8), shell('coated', 0.005, 4)],
      },
    },
  }
  return demoDocument(demo, new Date())
}

export const openSixteen = () => openBuild(sixteen())
