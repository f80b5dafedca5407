/** The doors a build goes in and out by: whole files and tables of readings. Kept out of the pages that only work with a build. */
export { readBuildFile, readBuildJson, writeBuildFile, buildFileSchema, specIssues, type FileIssue, type ReadResult } from './buildFile'
export { entrySchema, gaugeSchema, specSchema } from './schema'
export { readingsToCsv, readingsFromCsv, type CsvReport, type CsvRow, type CsvStation, type RowIssue } from './readingsCsv'
