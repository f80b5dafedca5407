import { clearance } from '@/core/benches/clearance'
import { openBuild } from '@/core/benches'
import type { Build, Spec } from '@/core/document'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { find, TODAY, withReading } from './builds'

/** Builds of the clearance bench, changed and read. */
export const DIAL = 'dial-metric.1'
export const LEAF = 'caliper.1'

export const at = (build: Build, characteristic: `clearance.${string}`, place: object, mm: number, gauge = DIAL) =>
  withReading(build, characteristic, place, mm, gauge)

export const found = (build: Build, id: string) => find(clearance, build, `clearance.${id}`)
export const mmOf = (build: Build, id: string) => found(build, id).figure!.value.value
export const codesOf = (build: Build, id: string) => found(build, id).remarks.map(({ code }) => code)
export const adviceOf = (build: Build) => clearance.advise(build, clearance.derive(build))

/** A demo engine with its cams read and nothing over its pistons. */
export function unread(which: number, change: (spec: Spec) => Spec = (spec) => spec): Build {
  const demo = DEMO_BUILDS[which]!
  return openBuild(demoDocument({ ...demo, spec: change(demo.spec), faults: {}, read: (name) => !name.startsWith('clearance.') }, TODAY))
}
