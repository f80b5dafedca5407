/**
 * The doors a build goes in and out by: whole files, entries one by one, tables of readings. Kept out of the pages that only
 * work with a build.
 */
export { readBuildFile, readBuildJson, writeBuildFile, buildFileSchema, type ReadResult } from './buildFile'
export { entryIssues, gaugeIssues, nowhereIn, specIssues } from './door'
export type { FileIssue } from '../document/fileIssue'
export { entrySchema, gaugeSchema } from '../document/entrySchema'
export { specSchema } from '../document/specSchema'
export { readingsToCsv, readingsFromCsv, csvStations, csvTemplate, type CsvReport, type CsvRow } from './readingsCsv'
export { shapeIssue } from './shape'
export type { CsvStation, RowIssue } from './csvCells'
export { jpegFault, MOST_PHOTO_BYTES, type JpegFault } from './jpeg'
export { ARCHIVED_BUILD, photoFileName, photoSchema, type PhotoCard } from './photos'
