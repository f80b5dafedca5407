/**
 * Derivations remembered by what they used. While one runs, all it looks up in the build is recorded: readings, paper, choices,
 * methods, and the quantities others have derived. It runs again only for a build in which one of these is another one: each is
 * looked up there and compared by identity, in the order of use. Nothing is declared beside the code, so nothing can be left out
 * (verifying traces: A. Mokhov, N. Mitchell, S. Peyton Jones, Build systems à la carte, 2018).
 */
import type { Build } from './build'
import type { HistoryLine } from './readings'

/** Where a derivation looks things up: each a record or a map of the build. */
const SOURCES = {
  build: (build: Build) => build,
  readings: (build: Build) => build.readings,
  reading: (build: Build) => build.readings.current,
  conflict: (build: Build) => build.readings.conflicts,
  history: (build: Build) => build.readings.history,
  skip: (build: Build) => build.readings.skips,
  check: (build: Build) => build.readings.checks,
  entry: (build: Build) => build.readings.byId,
  arrival: (build: Build) => build.readings.arrival,
  gauge: (build: Build) => build.gauges,
  spec: (build: Build) => build.spec,
  paper: (build: Build) => build.spec.paper,
  choice: (build: Build) => build.spec.choice,
  methods: (build: Build) => build.spec.methods,
  limits: (build: Build) => build.spec.limits,
  materials: (build: Build) => build.spec.materials,
  considered: (build: Build) => build.considered,
} as const
export type Source = keyof typeof SOURCES

/** One thing a derivation looked up, and what it found there. */
export interface Use {
  /** `derivation`: another derivation, by its name. */
  readonly source: Source | 'derivation'
  readonly key: string | number
  readonly value: unknown
  readonly derivation?: Derivation
  /** The number of the session it was last looked up in again, and whether the same was found there. */
  lookedUpIn?: number
  isThere?: boolean
}

/** One run of a derivation: what it used, and what came of it. */
interface Trace {
  readonly uses: readonly Use[]
  readonly value: unknown
}

interface Derivation {
  readonly name: string
  derive: (build: Build, ...args: readonly (string | number)[]) => unknown
  /** What stands in its name. */
  readonly args: readonly (string | number)[]
  /** The latest first. */
  traces: readonly Trace[]
  /** The number of the session it was looked at last for, and the run that holds there. */
  session: number | undefined
  trace: Trace | undefined
  /** What another derivation of that build notes of it. */
  use: Use | undefined
}

/** The build as it is, the build that writes down what is looked up in it, and where things are looked up again. */
interface Session {
  /** Kept in place of the session itself, so that nothing remembered keeps a build of long ago. */
  readonly number: number
  readonly build: Build
  readonly recorded: Build
  readonly sources: Readonly<Record<Source, unknown>>
}

/** All of a source at once. */
const ALL = '*'

/** A change and its undo, and a plan compared with others, find their derivations still there. */
const MOST_TRACES = 4

/** What the derivation that is running has used so far. */
let running: Use[] | undefined

const NONE: readonly never[] = []

/**
 * What `derive` makes of the build; derived again only where something it used is another. It may depend on the build and on
 * what stands in `name`, and on nothing else.
 */
export function remembered<Value, Args extends readonly (string | number)[] = []>(
  build: Build,
  name: string,
  derive: (build: Build, ...args: Args) => Value,
  args: Args = NONE as unknown as Args,
): Value {
  const session = sessionOf(build)
  const derivation = derivationIn(session.build.memory, name, derive as Derivation['derive'], args)
  const { value } = traceOf(session, derivation)
  if (running) note((derivation.use ??= { source: 'derivation', key: name, value, derivation }))
  return value as Value
}

/** A quantity of the engine, named by itself and its arguments. */
export function derivation<Args extends readonly (string | number)[], Value>(
  name: string,
  derive: (build: Build, ...args: Args) => Value,
): (build: Build, ...args: Args) => Value {
  return (build, ...args) => {
    let id = name
    for (const arg of args) id += `/${arg}`
    return remembered(build, id, derive, args)
  }
}

/**
 * All that a derivation of this build rests on, itself or through others; nothing where it was never derived. `follow` leaves out
 * what others are looked into for.
 */
export function restsOn(build: Build, name: string, follow: (name: string) => boolean = () => true): readonly Use[] {
  const session = sessionOf(build)
  const found = new Map<string, Use>()
  const gather = (derivation: Derivation | undefined) => {
    for (const use of derivation ? traceOf(session, derivation).uses : []) {
      const id = `${use.source}/${use.key}`
      if (found.has(id)) continue
      found.set(id, use)
      if (use.derivation && follow(use.derivation.name)) gather(use.derivation)
    }
  }
  gather(session.build.memory.derivations.get(name) as Derivation | undefined)
  return [...found.values()]
}

let sessionCount = 0

function sessionOf(build: Build): Session {
  const { sessions } = build.memory
  const known = sessions.get(build)
  if (known) return known as Session
  const sources = Object.fromEntries(Object.entries(SOURCES).map(([source, of]) => [source, of(build)])) as Session['sources']
  const session: Session = { number: ++sessionCount, build, recorded: recordedBuild(build), sources }
  sessions.set(build, session)
  sessions.set(session.recorded, session)
  return session
}

/** The derivation of a name, in what the build and all it was made from and into remember. */
function derivationIn({ derivations }: Build['memory'], name: string, derive: Derivation['derive'], args: Derivation['args']): Derivation {
  const known = derivations.get(name) as Derivation | undefined
  if (known) {
    known.derive = derive
    return known
  }
  const derivation: Derivation = { name, derive, args, traces: [], session: undefined, trace: undefined, use: undefined }
  derivations.set(name, derivation)
  return derivation
}

function traceOf(session: Session, derivation: Derivation): Trace {
  if (derivation.session === session.number) return derivation.trace!
  const { traces } = derivation
  const trace = traceThatHolds(session, traces) ?? run(session, derivation)
  if (traces[0] !== trace) derivation.traces = [trace, ...traces.filter((one) => one !== trace).slice(0, MOST_TRACES - 1)]
  derivation.session = session.number
  derivation.trace = trace
  if (derivation.use?.value !== trace.value) derivation.use = undefined
  return trace
}

function run(session: Session, { derive, args }: Derivation): Trace {
  const outer = running
  const uses: Use[] = []
  running = uses
  try {
    return { value: derive(session.recorded, ...args), uses }
  } finally {
    running = outer
  }
}

/** The latest run whose every use is found again. */
function traceThatHolds(session: Session, traces: readonly Trace[]): Trace | undefined {
  for (const trace of traces) if (holds(session, trace)) return trace
  return undefined
}

function holds(session: Session, { uses }: Trace): boolean {
  for (const use of uses) {
    // Many derivations used the same thing: it is looked up again once.
    if (use.lookedUpIn !== session.number) {
      use.isThere = isSame(lookUp(session, use), use.value)
      use.lookedUpIn = session.number
    }
    if (!use.isThere) return false
  }
  return true
}

/** In the build as it is: what is looked up to compare is noted by nobody. */
function lookUp(session: Session, { source, key, derivation }: Use): unknown {
  if (source === 'derivation') return traceOf(session, derivation!).value
  const where = session.sources[source]
  if (key === ALL) return where
  return where instanceof Map ? where.get(key) : (where as Record<string, unknown>)[key]
}

/** The same thing; a history arranged again is the same where every line of it is. */
function isSame(found: unknown, used: unknown): boolean {
  if (Object.is(found, used)) return true
  if (!isHistory(found) || !isHistory(used) || found.length !== used.length) return false
  return found.every(({ entry, state }, index) => entry === used[index]!.entry && state === used[index]!.state)
}

function isHistory(value: unknown): value is readonly HistoryLine[] {
  return Array.isArray(value) && value.every((line) => typeof line === 'object' && line !== null && 'entry' in line && 'state' in line)
}

/** Most derivations ask for the same few things again at once: no further back is looked for a use that is noted already. */
const LOOK_BACK = 8

function note(use: Use): void {
  if (!running) return
  for (let at = running.length - 1, last = Math.max(0, at - LOOK_BACK); at >= last; at--) if (running[at] === use) return
  running.push(use)
}

function valueNoted(use: Use): unknown {
  note(use)
  return use.value
}

/** What was looked up in one source of a build, each thing once: all derivations that look it up note the same use. */
function usesOf<Key extends string | number>(source: Source, valueOf: (key: Key) => unknown): (key: Key) => Use {
  const uses = new Map<Key, Use>()
  return (key) => {
    const known = uses.get(key)
    if (known) return known
    const use: Use = { source, key, value: valueOf(key) }
    uses.set(key, use)
    return use
  }
}

/** The build as a derivation is given it: reading anything off it is noted. */
function recordedBuild(build: Build): Build {
  const { spec, readings } = build
  return withNotedMembers('build', build, {
    id: build.id,
    memory: build.memory,
    gauges: recordedMap('gauge', build.gauges),
    readings: withNotedMembers('readings', readings, {
      current: recordedMap('reading', readings.current),
      conflicts: recordedMap('conflict', readings.conflicts),
      history: recordedMap('history', readings.history),
      skips: recordedMap('skip', readings.skips),
      checks: recordedMap('check', readings.checks),
      byId: recordedMap('entry', readings.byId),
      arrival: recordedMap('arrival', readings.arrival),
    }),
    spec: withNotedMembers(
      'spec',
      { planned: undefined, unlimited: undefined, joints: undefined, walk: undefined, ...spec },
      {
        paper: recordedRecord('paper', spec.paper),
        choice: recordedRecord('choice', spec.choice),
        methods: recordedRecord('methods', spec.methods),
        limits: recordedRecord('limits', spec.limits),
        materials: recordedRecord('materials', spec.materials),
      },
    ),
    considered: recordedMap('considered', build.considered),
  })
}

/** A record of known members, each noted when it is read; `parts` note by themselves what is read in them. */
function withNotedMembers<Given extends object>(source: Source, given: Given, parts: Partial<Given>): Given {
  const noted = { ...parts }
  const useOf = usesOf(source, (key: string) => given[key as keyof Given])
  for (const key of Object.keys(given)) if (!(key in parts)) Object.defineProperty(noted, key, { get: () => valueNoted(useOf(key)) })
  return noted as Given
}

/** A record of whose members some may not be there: asking for one is noted all the same. */
function recordedRecord<Given extends object>(source: Source, given: Given): Given {
  const useOf = usesOf(source, (key: string) => given[key as keyof Given])
  return new Proxy(given, {
    get: (_, key) => valueNoted(useOf(key as string)),
    has: (_, key) => {
      note(useOf(key as string))
      return key in given
    },
    ownKeys: () => {
      throw new Error(`A derivation asks for what it needs of ${source} by name`)
    },
  })
}

/** A map whose values are noted as they are asked for; a derivation has no other use of one. */
function recordedMap<Key extends string | number, Value>(source: Source, given: ReadonlyMap<Key, Value>): ReadonlyMap<Key, Value> {
  const useOf = usesOf(source, (key: Key) => given.get(key))
  const get = (key: Key) => valueNoted(useOf(key)) as Value | undefined
  const all: Use = { source, key: ALL, value: given }
  const values = () => {
    note(all)
    return given.values()
  }
  return { get, has: (key: Key) => get(key) !== undefined, values } as ReadonlyMap<Key, Value>
}
