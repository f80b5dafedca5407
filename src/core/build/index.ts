/** The build as the bench works with it. Reading and writing files, with their schema, stand apart in `./files`. */
export { openBuild, withEntries, withSpec, type Build } from './build'
export { BUILD_FORMAT, BUILD_VERSION } from './version'
export { PAPER, PAPER_KEYS, paperDefinition, type PaperDefinition, type PaperKey } from './paper'
export { stationId, type HistoryLine, type ReadingsIndex } from './readings'
export { freshSpec, DEFAULT_METHODS, type FreshEngine } from './fresh'
export { currentCards } from './gaugeCards'
export { DEFAULT_GAUGES } from './defaultGauges'
export type {
  BuildDocument, Duty, Entry, Gasket, Gauge, Limit, Methods, Note, PaperNumber, PistonOption, Place, Reading, Skip, Spec, Strike, UnitSystem,
} from './types'
