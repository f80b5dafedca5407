import type { Id } from './ids'

/** Names up to version 3 did not say their bench: what each bench measured, limited and looked at then. Never edited. */
const BENCH_OF_OLD = {
  bores: [
    'bore skirt deckFinish clearance clearanceSpread outOfRound taper boreDiameter boreSpread',
    'boreOffPaper cracks threadsChased galleryPlugs deckFlat boresClean',
  ],
  bearings: [
    'mainJournal rodJournal mainClearance rodClearance mainInside rodInside mainStrip rodStrip spin',
    'endFloat runOut rodSide mainSpread rodSpread spinRise journalRound journalTaper housings oilHoles',
    'journalFinish thrustAligned mainsTorqued spinsFree sealer',
  ],
  rings: ['topGap secondGap secondOverTop railGap buttingTemperature topSide secondSide backClearance ringSide', 'ringsLabelled ringsUp'],
  rods: [
    'bigEnd pinBush pin centreDistance pistonMass pinMass ringsMass rodSmall rodBig shellsMass',
    'pinClearance bigEndRound centreSpread reciprocatingSpread rotatingSpread stackApart rodChamfer',
    'pinClips boltsSleeved balancedTogether',
  ],
  compression: [
    'deck chamberStart chamberEnd chamber chamberMass pistonDrop pistonFill gasketThickness gasketBore',
    'compressionRatio ratioSpread quench deckClearance deckSpread deckFall chamberVolume chamberSpread',
    'effectiveRatio deckCut headCut',
  ],
} as const

/** Those that have another name beside their bench's. */
const RENAMED = {
  ringTop: 'rings.topGap',
  ringSecond: 'rings.secondGap',
  railUpper: 'rings.upperRailGap',
  railLower: 'rings.lowerRailGap',
  sideTop: 'rings.topSide',
  sideSecond: 'rings.secondSide',
  backTop: 'rings.topBack',
  backSecond: 'rings.secondBack',
} as const

const NAMES = new Map<string, Id>([
  ...Object.entries(BENCH_OF_OLD).flatMap(([bench, names]) =>
    names
      .join(' ')
      .split(' ')
      .map((name) => [name, `${bench}.${name}`] as const),
  ),
  ...Object.entries(RENAMED),
])

/** What a name of version 3 is called now; any other is left as it is. */
export function presentName(name: string): string {
  return NAMES.get(name) ?? name
}

/** An entry of whatever version, as this one names it: a device may keep one through an update of the program. */
export function withPresentName<Given>(entry: Given): Given {
  if (typeof entry !== 'object' || entry === null || !('characteristic' in entry) || typeof entry.characteristic !== 'string') return entry
  const characteristic = presentName(entry.characteristic)
  return characteristic === entry.characteristic ? entry : { ...entry, characteristic }
}
