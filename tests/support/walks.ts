import { DEFAULT_GAUGES } from '@/core/benches/gauges'
import { freshSpec, openBuild } from '@/core/benches'
import { VALVE_DRIVES } from '@/core/geometry/crank'
import { withEntries, type Build, type Entry, type StepEntry } from '@/core/document'
import { walkOf, type Walk, type WalkStep } from '@/core/walk'
import { stamp } from './builds'

/** Walks of builds, gone a step at a time. */
export const NOW_MS = Date.parse('2026-03-02T12:00:00Z')

export function signOff(step: string, did: StepEntry['did'] = 'done', more: Partial<StepEntry> = {}): Entry {
  const reason = did === 'waived' || did === 'leftOut' || did === 'confirmed' ? { reason: 'test' } : {}
  return { kind: 'step', ...stamp(), step, did, ...reason, ...more }
}

export const doing = (build: Build, ...steps: string[]): Build =>
  withEntries(
    build,
    steps.map((step) => signOff(step)),
  )

export const stepIn = (walk: Walk, id: string): WalkStep => {
  const found = walk.steps.find((step) => step.id === id)
  if (!found) throw new Error(`no step ${id}`)
  return found
}

export const standingOf = (build: Build, id: string) => stepIn(walkOf(build, NOW_MS), id).standing
export const waitsOf = (build: Build, id: string) =>
  stepIn(walkOf(build, NOW_MS), id).waits.map((wait) => {
    if ('step' in wait) return wait.step
    if ('part' in wait) return `#${wait.part.name}`
    return 'hold' in wait ? `!${wait.hold}` : `~${wait.clock.kind}`
  })

/** An engine just begun, of any layout. */
export const fresh = (kind: 'single' | 'inline' | 'v' | 'flat', cylinders: number, more: object = {}): Build =>
  openBuild({
    id: '01920000-0000-7000-8000-0000000000aa',
    gauges: [...DEFAULT_GAUGES],
    entries: [],
    spec: freshSpec({
      name: 'x',
      description: '',
      units: 'metric',
      kind,
      cylinders,
      bankAngleDeg: 90,
      valvesPerCylinder: 2,
      valveDrive: 'pushrod',
      fuel: 'petrol',
      boostKpa: 0,
      paper: {},
      ...more,
    } as Parameters<typeof freshSpec>[0]),
  })

export const DRIVES = VALVE_DRIVES.filter((drive) => drive !== 'none')
export const LAYOUTS = [
  ['single', 1],
  ['inline', 3],
  ['inline', 4],
  ['inline', 5],
  ['inline', 6],
  ['v', 2],
  ['v', 6],
  ['v', 8],
  ['v', 12],
  ['v', 16],
  ['flat', 2],
  ['flat', 4],
  ['flat', 6],
] as const
