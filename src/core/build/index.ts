/** The build as the bench works with it. Reading and writing files, with their schema, stand apart in `./files`. */
export { openBuild, withEntries, withSpec, type Build } from './build'
export { BUILD_FORMAT, BUILD_VERSION } from './version'
export { migrateSpec } from './migrations'
export { PAPER, PAPER_KEYS, paperDefinition, type PaperDefinition, type PaperKey } from './paper'
export { stationId, type HistoryLine, type ReadingsIndex } from './readings'
export { freshSpec, DEFAULT_MATERIALS, DEFAULT_METHODS, type FreshEngine } from './fresh'
export { checkDue, checksOf, currentCards, isOverdue, type GaugeCheck } from './gaugeCards'
export { DEFAULT_GAUGES } from './defaultGauges'
export type {
  BuildDocument, Check, Duty, Entry, Gasket, Gauge, Limit, Materials, Methods, Note, PaperNumber, PistonOption, Place, Reading, Shell, ShellPair, Skip, Spec, Strike, UnitSystem,
} from './types'
