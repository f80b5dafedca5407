/** What several parts of a build file are made of: names, words, ids, instants. */
import { z } from 'zod'
import { UNIT_IDS } from '../units'
import type { PaperKey } from './paper'

export const finite = z.number()
export const id = z.string().min(1).max(64)
/** In small letters: the same id in capitals would be a second one. */
export const entryId = z.uuid().regex(/^[^A-F]+$/, 'an id is written in small letters')
export const text = z.string().max(2000)
export const initials = z.string().trim().min(1).max(8)
export const oneName = z.string().regex(/^[a-z][A-Za-z]*$/)
/**
 * Which names there are is for the benches to say, and this layer knows no bench: here they have their form, at the door they are
 * looked up. `rings.topGap`: the bench it belongs to, and its name there.
 */
export const stationName = z.templateLiteral([oneName, '.', oneName])
export const limitName = z.templateLiteral([oneName, '.', oneName])
export const paperKey = z.string().regex(/^[a-z][A-Za-z]*$/) as unknown as z.ZodType<PaperKey>
export const stepId = z
  .string()
  .regex(/^[a-z][A-Za-z]*(?:\.[A-Za-z0-9-]+)+$/)
  .max(80)
export const words = z.string().trim().min(1).max(200)
export const instant = z.iso.datetime({ offset: true })
export const unitId = z.enum(UNIT_IDS as [string, ...string[]])
