/** What schemas of entries are made of. */
import { z } from 'zod'
import { AXIS_FORMS, type AxisForm, type Place } from '../place'
import { entryId, finite, id, initials, instant, oneName, stationName, stepId, text, unitId, words } from '../schemaFields'

export const placeSchema = z
  .object(Object.fromEntries(AXIS_FORMS.map(([axis, form]) => [axis, axisSchema(form).optional()])))
  .strict() as unknown as z.ZodType<Place>

function axisSchema(form: AxisForm): z.ZodType {
  if (form.is === 'counted') return z.int().min(1).max(form.most)
  if (form.is === 'measured') return finite.min(form.low).max(form.high)
  return form.is === 'oneOf' ? z.enum(form.words) : z.string().min(1).max(form.letters)
}

export const SCHEMA_PARTS = {
  z,
  finite,
  id,
  initials,
  oneName,
  place: placeSchema,
  stepId,
  text,
  unitId,
  words,
  day: z.iso.date(),
  money: finite.min(0).max(1e9),
  /** What every entry has. */
  stamp: { id: entryId, at: instant, by: initials },
  /** What an entry about a place at a bench has. */
  station: { characteristic: stationName, place: placeSchema },
}
