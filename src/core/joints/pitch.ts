import type { Joint, Spec } from '../document/types'
import type { EngineLayout } from '../geometry/crank'

/** What a joint is drawn by where nobody knows how far its cylinders are apart: proportions, and no figure. */
const DRAWN_SPACING_MM = 100

/** The bore spacing that drawings and usual patterns are made from; where it is not known they show proportions only. */
export function drawnSpacingMm({ boreSpacingMm = DRAWN_SPACING_MM }: EngineLayout): number {
  return boreSpacingMm
}

/** How far cylinders are apart on the drawing of a joint; undefined where its fasteners stand at true scale and the bores do not. */
export function jointPitchMm({ placed }: Joint, layout: EngineLayout): number | undefined {
  return placed ? layout.boreSpacingMm : drawnSpacingMm(layout)
}

/** Joints whose usual pattern goes by the bore spacing. */
const ALONG_THE_BORES: ReadonlySet<Joint['kind']> = new Set(['mains', 'rods', 'head', 'camCaps', 'rockers'])

/** The spec with another bore spacing, or with none known: what nobody has placed follows it. */
export function withBoreSpacing(spec: Spec, boreSpacingMm: number | undefined): Spec {
  const layout = { ...spec.layout, boreSpacingMm }
  const share = drawnSpacingMm(layout) / drawnSpacingMm(spec.layout)
  const joints = spec.joints?.map((joint) =>
    joint.placed || !ALONG_THE_BORES.has(joint.kind)
      ? joint
      : { ...joint, fasteners: joint.fasteners.map((one) => ({ ...one, xMm: one.xMm * share, yMm: one.yMm * share })) },
  )
  return { ...spec, layout, ...(joints && { joints }) }
}
