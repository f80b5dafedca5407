/**
 * The laws of assembly a second time, of another shape: pairs of parts by plain names and a history of what was done, from which
 * everything is looked up again at each question (common practice).
 */
import { group } from 'd3-array'
import type { Act } from '@/core/assembly'
import type { Engine } from '@/core/assembly/engine'
import { cylinderPlaces } from '@/core/geometry/crank'

type Pair = readonly [string, string]

/** `a on b`: a goes on while b is on; b comes off while a is not. `#` stands for each cylinder, `@` for each bank. */
function restsOn({ layout, drive }: Engine): readonly Pair[] {
  const split = layout.cases === 'split'
  const splash = layout.oiling === 'splash'
  const inHead = layout.valvesPerCylinder > 0 && layout.valveDrive !== 'pushrod' && layout.valveDrive !== 'sideValve'
  const how = inHead ? (drive?.kind ?? 'chain') : 'none'
  const separate = layout.barrels === 'separate'
  const chainPairs: readonly Pair[] = [
    ...pairs('guides: block'),
    ...pairs('lowerWheel: crank'),
    ...pairs('chainHung: lowerWheel'),
    ...pairs('chain: chainHung lowerWheel guides cams@ head@'),
    ...pairs('tensioner: chain'),
    ...pairs('frontCover: guides lowerWheel chain tensioner'),
    ...(separate ? pairs('barrel#: chainHung') : []),
  ]
  return [
    ...pairs('plugs: block', 'camBearings: block', 'cam: block camBearings tappets', 'bearings: block', 'shellsUpper: block'),
    ...pairs('crank: block shellsUpper bearings', 'mainCaps: block', 'gearShafts: block bearings', 'caseOther: crank rod# gearShafts'),
    ...pairs(
      'primary: crank caseOther',
      'sideCase: caseOther primary',
      'pin#: rod# caseOther',
      'piston#: crank mainCaps caseOther rod# pin#',
    ),
    ...pairs(split ? 'rodCap#: crank rod#' : 'rodCap#: crank piston#', ...(split ? ['rod#: crank'] : [])),
    ...pairs('baseGasket#: block caseOther studs@', 'barrel#: block caseOther studs@ baseGasket# piston# pin#'),
    ...pairs('pump: block mainCaps', 'pumpShaft: pump', 'pickup: pump', 'tray: mainCaps rodCap#', 'rearSeal: crank'),
    ...pairs('frontCover: crank camDrive', 'pan: pickup tray mainCaps rodCap# frontCover rearSeal', 'sideCover: crank cam rodCap#'),
    ...pairs('damper: crank frontCover', 'flywheel: crank rearSeal sideCover', 'tappets: block', 'lifters@: cam', 'camDrive: cam crank'),
    ...(how === 'chain' ? chainPairs : []),
    ...(how === 'belt'
      ? pairs('lowerWheel: crank frontCover', 'belt: lowerWheel cams@ head@', 'tensioner: belt', 'beltCover: belt tensioner')
      : []),
    ...pairs(separate ? 'studs@: block caseOther' : 'studs@: block', 'gasket@: block studs@ barrel#', 'head@: block barrel#'),
    ...(layout.valveDrive === 'sideValve' ? pairs('valves@: block tappets') : []),
    ...pairs('springs@: valves@', 'followers@: valves@ springs@', 'cams@: followers@', 'pushrods@: lifters@ tappets head@'),
    ...pairs('rockers@: valves@ springs@ pushrods@ cams@ head@', 'cover@: head@ rockers@ cams@', 'chestCover: valves@ springs@'),
    ...pairs('intake: head@', 'sparkPlugs: head@', 'waterPump: block', 'coolant: plugs head@ intake waterPump', 'filter: block'),
    ...pairs('oil: block caseOther pan sideCover filter', 'primed: oil pump filter', 'exhaust: head@', 'fuelFeed: intake'),
    ...pairs('starterMotor: flywheel block'),
    ...pairs(
      layout.valveDrive === 'pushrod' && !split && !splash
        ? 'ignitionDrive: crank camDrive pumpShaft primed'
        : 'ignitionDrive: crank camDrive pumpShaft',
    ),
  ]
}

/** `a over b`: with a on, b is neither put in nor taken out. */
function shuts({ layout, drive }: Engine): readonly Pair[] {
  const inHead = layout.valvesPerCylinder > 0 && layout.valveDrive !== 'pushrod' && layout.valveDrive !== 'sideValve'
  return [
    ...pairs('cam: tappets', 'crank: shellsUpper bearings', 'mainCaps: crank shellsUpper'),
    ...pairs('caseOther: plugs bearings shellsUpper crank rod# rodCap# gearShafts', 'sideCase: primary', 'tray: rodCap#'),
    ...(layout.barrels === 'separate' ? pairs('barrel#: baseGasket# piston# pin# rings#') : pairs('piston#: rings# pin# rod#')),
    ...pairs(
      'frontCover: camDrive cam',
      ...(inHead && (drive?.kind ?? 'chain') === 'chain' ? ['frontCover: guides lowerWheel chain tensioner'] : []),
    ),
    ...pairs('pan: pump pumpShaft pickup tray mainCaps rodCap# crank rearSeal', 'sideCover: crank cam rodCap# tappets bearings'),
    ...pairs('flywheel: rearSeal', 'lifters@: cam', 'camDrive: cam', 'chainHung: lowerWheel', 'chain: chainHung'),
    ...pairs('beltCover: belt tensioner lowerWheel', 'gasket@: piston# studs@', 'head@: gasket@ piston# studs@ pumpShaft'),
    ...(layout.valveDrive === 'sideValve' ? [] : pairs('head@: valves@')),
    ...pairs('springs@: valves@', 'followers@: springs@', 'cams@: followers@', 'rockers@: springs@ pushrods@'),
    ...pairs('cover@: rockers@ cams@ pushrods@ followers@ springs@', 'chestCover: valves@ springs@'),
    ...(layout.intakeSide === 'valley' ? pairs('intake: lifters@') : []),
  ]
}

function pairs(...said: readonly string[]): readonly Pair[] {
  return said.flatMap((line) => {
    const [above, below] = line.split(': ') as [string, string]
    return below.split(' ').map((one): Pair => [above, one])
  })
}

/** Pairs by the ids that this engine has; of two numbered parts only those of one cylinder or bank go together. */
function between(engine: Engine, ids: ReadonlySet<string>, all: readonly Pair[]): readonly Pair[] {
  const { layout } = engine
  const bankOf = Object.fromEntries(cylinderPlaces(layout).map(({ cylinder, bank }) => [cylinder, bank === 'left' ? 1 : 2]))
  const two = new Set(Object.values(bankOf)).size > 1 && (layout.kind === 'v' || layout.kind === 'flat')
  const places = cylinderPlaces(layout).map(({ cylinder }) => ({
    '#': layout.cylinders > 1 ? `${cylinder}` : '',
    '@': two ? `${bankOf[cylinder]}` : '',
  }))
  const named = (pattern: string, place: (typeof places)[number]) => pattern.replace('#', place['#']).replace('@', place['@'])
  const found = all.flatMap(([above, below]) => {
    const isApart = !/[#@]/.test(above)
    return places.flatMap((place) =>
      (isApart ? places : [place]).map((other): Pair => [named(above, place), named(below, isApart ? other : place)]),
    )
  })
  return [...new Map(found.filter((pair) => pair.every((id) => ids.has(id))).map((pair) => [pair.join(), pair])).values()]
}

/** Parts that nobody has to have. */
const MAYBE = /^(studs|tray|gearShafts|primary|sideCase|pumpShaft)/

interface Done {
  readonly act: Act
  readonly at: number
}

/** What may be put on and taken off, told from the history alone. */
export class SecondModel {
  private readonly below: ReadonlyMap<string, readonly string[]>
  private readonly above: ReadonlyMap<string, readonly string[]>
  private readonly shutBy: ReadonlyMap<string, readonly string[]>
  private readonly shuts: ReadonlyMap<string, readonly string[]>
  private readonly history: Act[] = []
  private readonly ofPart = new Map<string, Done[]>()

  constructor(engine: Engine, ids: ReadonlySet<string>) {
    const rests = between(engine, ids, restsOn(engine))
    const over = between(engine, ids, shuts(engine))
    this.below = byFirst(rests)
    this.above = byFirst(rests.map(([above, below]) => [below, above]))
    this.shuts = byFirst(over)
    this.shutBy = byFirst(over.map(([above, below]) => [below, above]))
  }

  did(act: Act): void {
    const done = { act, at: this.history.push(act) - 1 }
    if ('part' in act) this.ofPart.set(act.part, [...(this.ofPart.get(act.part) ?? []), done])
  }

  /** Whether it is on: the last that was done of on and off. */
  isOn(id: string): boolean {
    if (id === 'block') return true
    const last = this.last(id, /^(on|off)$/)
    const opens = /^(pump|filter|oil|crank|shellsUpper|mainCaps|rodCap\d*|camBearings|plugs)$/
    if (id !== 'primed' || last?.act.act !== 'on') return last?.act.act === 'on'
    // Oil that was seen is seen no more once what it went through was opened.
    return !this.openedSince(last.at, opens)
  }

  isFinal(id: string): boolean {
    const act = this.last(id, /^(on|off|settle|change)$/)?.act
    return act !== undefined && (act.act === 'settle' || (act.act === 'on' && act.grade === 'final'))
  }

  isAtLast(id: string): boolean {
    return this.last(id, /^(on|off|torque|loosen|change)$/)?.act.act === 'torque'
  }

  /** Whether a part may be put on for a trial, as far as other parts go. */
  mayTry(id: string): boolean {
    if (id === 'block') return true
    const below = this.below.get(id) ?? []
    const needsLast = below.filter((one) =>
      /^(piston\d*|pump)$/.test(id) ? one === 'mainCaps' : id === 'coolant' && one.startsWith('head'),
    )
    return (
      !this.isOn(id) &&
      below.every((one) => this.isOn(one) || (this.isMaybe(one) && !this.wasOn(one))) &&
      needsLast.every((one) => this.isAtLast(one)) &&
      !this.isShut(id)
    )
  }

  mayTakeOff(id: string): boolean {
    return this.isOn(id) && !this.isShut(id) && !(this.above.get(id) ?? []).some((one) => one !== 'primed' && this.isOn(one))
  }

  mayLoosen(id: string): boolean {
    return this.isOn(id) && !this.isShut(id)
  }

  /** What lies under a part, or is closed by it, and is missing or on trial; or closed, and not at its last stage. */
  hollowUnder(id: string): readonly string[] {
    const shut = this.shuts.get(id) ?? []
    const under = [...(this.below.get(id) ?? []), ...shut]
    const isAsked = (one: string) => !this.isMaybe(one) || this.wasOn(one)
    const snug = shut.filter(
      (one) => /^(mainCaps|rodCap\d*|pump|pickup|camDrive|tensioner|cams\d?|rockers\d?)$/.test(one) && !this.isAtLast(one),
    )
    return [...under.filter((one) => !this.isFinal(one)), ...snug].filter(isAsked)
  }

  /** Whether a fact was said, and nothing it rests on has been opened or changed since. */
  isKnown(fact: string, opens: RegExp): boolean {
    const said = this.history.findLastIndex((one) => one.act === 'fact' && one.fact === fact)
    return said >= 0 && !this.openedSince(said, opens)
  }

  private last(id: string, acts: RegExp): Done | undefined {
    return this.ofPart.get(id)?.findLast(({ act }) => acts.test(act.act))
  }

  private openedSince(since: number, parts: RegExp): boolean {
    return [...this.ofPart].some(
      ([id, done]) => parts.test(id) && done.some(({ act, at }) => at > since && /^(off|loosen|change)$/.test(act.act)),
    )
  }

  private isMaybe(id: string): boolean {
    return MAYBE.test(id) || (id === 'ignitionDrive' && !this.below.get(id)?.includes('primed'))
  }

  private wasOn(id: string): boolean {
    return this.last(id, /^on$/) !== undefined
  }

  private isShut(id: string): boolean {
    return (this.shutBy.get(id) ?? []).some((one) => this.isOn(one))
  }
}

function byFirst(all: readonly Pair[]): ReadonlyMap<string, readonly string[]> {
  return new Map([...group(all, ([first]) => first)].map(([first, own]) => [first, own.map(([, second]) => second)]))
}
