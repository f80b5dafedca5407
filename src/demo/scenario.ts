/** The three engines of Harrow Lane Engine Works, an invented shop. Numbers are nominal; the twin makes the readings. */
import { startingLimits } from '@/core/benches'
import type { Joint, Spec } from '@/core/document'
import { petrelJoints, ternJoints, wrenJoints } from './joints'
import type { DemoBuild } from './engines/parts'
import { petrel } from './engines/petrel'
import { tern } from './engines/tern'
import { wren } from './engines/wren'

export type { DemoBuild } from './engines/parts'

/** What the scenario does not set itself starts from the benches' presets, as any fresh build does. */
function withPresets(demo: DemoBuild): DemoBuild {
  const { spec } = demo
  return { ...demo, spec: { ...spec, limits: { ...startingLimits(spec), ...spec.limits } } }
}

const planned = (demo: DemoBuild, jointsOf: (layout: Spec['layout']) => Joint[]): DemoBuild => ({
  ...demo,
  spec: { ...demo.spec, joints: jointsOf(demo.spec.layout) },
})

export const DEMO_BUILDS: readonly DemoBuild[] = [planned(tern, ternJoints), planned(petrel, petrelJoints), planned(wren, wrenJoints)].map(
  withPresets,
)
