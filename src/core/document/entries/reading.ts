import { PART_STATES } from '../partState'
import { entryKind, type Pointer, type SchemaParts } from './kind'

export const schema = ({ z, stamp, station, finite, unitId, id }: SchemaParts) =>
  z
    .object({
      kind: z.literal('reading'),
      ...stamp,
      ...station,
      value: finite,
      /** Upper end of a go/no-go interval. */
      upper: finite.optional(),
      /** Half-width typed behind ±, at 95 %: it stands in place of the gauge's own noise. */
      plusMinus: finite.nonnegative().optional(),
      unit: unitId,
      asTyped: z.string().max(64),
      gauge: id,
      /** Where part and gauge were not at 20 °C: the value is as indicated, the correction is in the sum. */
      partTempC: finite.min(-30).max(200).optional(),
      gaugeTempC: finite.min(-30).max(60).optional(),
      /** Strokes of the ring file since the reading before. */
      strokes: z.int().min(1).max(999).optional(),
      /** What the part was when it was read; not said: as found. */
      partState: z.enum(PART_STATES).optional(),
      /** Read while the engine was turned against its running direction: chain or belt slack is in it. */
      turnedBack: z.literal(true).optional(),
      supersedes: z.uuid().optional(),
      /** Other readings of the place that did not know of each other, settled by this one. */
      settles: z.array(z.uuid()).max(20).optional(),
    })
    .strict()

/** What was measured at a place, as typed and by which gauge. */
export const reading = entryKind<typeof schema>({
  ids: ['supersedes', 'settles'],
  pointers: ({ supersedes, settles = [] }) => [
    ...(supersedes ? [{ name: 'supersedes', id: supersedes } as const] : []),
    ...settles.map((id): Pointer => ({ name: 'settles', id })),
  ],
  mayPointAt: (_, at) => at.kind === 'reading',
  issues: (entry, { readIssues }, path) => readIssues(entry, path),
  words: ({ asTyped }) => asTyped,
})
