export { openBuild, withEntries, withSpec, type Build } from './build'
export { readBuildFile, readBuildJson, writeBuildFile, buildFileSchema, specIssues, type FileIssue, type ReadResult } from './buildFile'
export { BUILD_FORMAT, BUILD_VERSION, entrySchema, gaugeSchema, specSchema } from './schema'
export { PAPER, PAPER_KEYS, paperDefinition, type PaperDefinition, type PaperKey } from './paper'
export { stationId, type HistoryLine, type ReadingsIndex } from './readings'
export { readingsToCsv, readingsFromCsv, type CsvReport, type CsvRow, type CsvStation, type RowIssue } from './readingsCsv'
export { freshSpec, DEFAULT_METHODS, type FreshEngine } from './fresh'
export { currentCards } from './gaugeCards'
export { DEFAULT_GAUGES } from './defaultGauges'
export type {
  BuildDocument, Duty, Entry, Gasket, Gauge, Limit, Methods, Note, PaperNumber, PistonOption, Place, Reading, Skip, Spec, Strike, UnitSystem,
} from './types'
