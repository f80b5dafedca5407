/** The build as the bench works with it. Reading and writing files stands apart in `core/files`. */
export { benchOf, namedEntries, type BenchId, type CharacteristicId, type Id, type LimitId, type OutputId } from './ids'
export { openBuildWith, withEntries, withSpec, type Build } from './build'
export { FUELS, NOT_SAID, type DutyUse, type Fuel } from './duty'
export { BUILD_FORMAT, BUILD_VERSION } from './version'
export { migrateSpec } from './migrations'
export { presentName, withPresentName } from './oldNames'
export type { Growth, Grows } from './growth'
export type { MethodDefinition, MethodKey } from './methods'
export { isPaperOf, type PaperDefinition, type PaperKey } from './paper'
export { PART_STATES, partStateOf, type PartState } from './partState'
export type { StockDefinition, StockKind, StockNumber, StockPart, StockWord } from './stock'
export { entryWords } from './entries/all'
export { asPointedAt, mayPointAt, pointersOf, pointsAt, type PointedAt } from './pointsAt'
export { cylinderOf, stationId, type Place, type PlaceAxis, type Subject, type SubjectAxis } from './place'
export { lastOf, type HistoryLine, type ReadingsIndex } from './readings'
export { freshLayout, DEFAULT_MATERIALS, type FreshEngine } from './fresh'
export { checkDue, checksOf, currentCards, isOverdue, type GaugeCheck } from './gaugeCards'
export type {
  BuildDocument,
  Check,
  Duty,
  EngineChange,
  Entry,
  Gauge,
  Joint,
  JointGroup,
  JointStage,
  Limit,
  Materials,
  Methods,
  Move,
  Note,
  PaperNumber,
  Planned,
  Pull,
  StepEntry,
  ChangeEntry,
  PartEntry,
  DamageEntry,
  Reading,
  ShellPair,
  Skip,
  Spec,
  Strike,
  UnitSystem,
  Work,
} from './types'
