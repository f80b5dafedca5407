import { cam } from '@/core/benches/cam'
import { openBuild } from '@/core/benches'
import type { Build, Spec } from '@/core/document'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { find, TODAY, withReading, withSpecOf } from './builds'

/** Builds of the cam bench, changed and read. */
export const WHEEL = 'wheel.1'
const DEG = { unit: 'deg' }

export const by = (build: Build, change: Partial<Spec['methods']>) =>
  withSpecOf(build, (spec) => ({ ...spec, methods: { ...spec.methods, ...change } }))

export const onPaper = (build: Build, change: Partial<Spec['paper']>) =>
  withSpecOf(build, (spec) => ({ ...spec, paper: { ...spec.paper, ...change } }))

export const number = (value: number, unit: 'deg' | 'one' | 'mm' = 'deg') => ({ value, unit, source: 'test' }) as const

export const at = (build: Build, characteristic: `cam.${string}`, place: object, deg: number, more: object = {}) =>
  withReading(build, characteristic, place, deg, WHEEL, { ...DEG, ...more })

export const adviceOf = (build: Build) => cam.advise(build, cam.derive(build))

export const codes = (build: Build, id: string) => find(cam, build, id).remarks.map(({ code }) => code)

/** An engine of another layout with its card, read as the virtual one stands. */
export function engine(which: number, change: (spec: Spec) => Spec, faults: object = {}): Build {
  const demo = DEMO_BUILDS[which]!
  return openBuild(demoDocument({ ...demo, spec: change(demo.spec), faults, read: (name) => name.startsWith('cam.') }, TODAY))
}
