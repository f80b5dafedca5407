import { specForAnother, withNewEntryIds } from '@/core/document/copy'
import { NextResponse } from 'next/server'
import { v7 as uuidV7 } from 'uuid'
import { z } from 'zod'
import { followPresets, withUsual } from '@/core/benches'
import { BUILD_FORMAT, BUILD_VERSION, type BuildDocument, type Spec } from '@/core/document'
import { readBuildJson, specIssues, specSchema } from '@/core/files'
import { database } from '@/data/database'
import { fileIssueWords, placeWords } from '@/wording'
import { answering, bodyOf, refused } from '../../answer'

const by = z.string().trim().min(1).max(8)
const creation = z.discriminatedUnion('from', [
  z.object({ from: z.literal('start'), by, spec: specSchema }),
  /** A whole build file. With `asCopy` it gets an id of its own, so that the original can be here too. */
  z.object({ from: z.literal('file'), by, document: z.unknown(), asCopy: z.boolean() }),
  z.object({ from: z.literal('build'), by, id: z.uuid(), name: z.string().trim().min(1).max(200) }),
])

/** Starts a build: from answers, from a file, or as a copy of another (its paper, limits and stock, none of its readings). */
export function POST(request: Request) {
  return answering(async () => {
    const wanted = await bodyOf(request, creation)
    const { builds } = await database()
    if (wanted.from === 'file') {
      const read = readBuildJson(wanted.document)
      if (!read.ok)
        return refused(
          422,
          `${read.issues
            .slice(0, 8)
            .map((issue) => fileIssueWords(issue, placeWords))
            .join(' ')} Nothing was stored.`,
        )
      const copied = withNewEntryIds(read.document)
      const document = wanted.asCopy
        ? { ...copied, id: uuidV7(), spec: { ...copied.spec, copyOf: { id: read.document.id, name: read.document.spec.name } } }
        : read.document
      await builds.create(document, wanted.by)
      return NextResponse.json({ id: document.id, readings: document.entries.length }, { status: 201 })
    }
    const spec = wanted.from === 'start' ? withPresets(withUsual(wanted.spec)) : await copiedSpec(wanted.id, wanted.name)
    if (!spec) return refused(404, 'There is no such build to copy.')
    const [issue] = specIssues(spec)
    if (issue) return refused(422, `${fileIssueWords(issue, placeWords)} Nothing was stored.`)
    const document: BuildDocument = {
      format: BUILD_FORMAT,
      version: BUILD_VERSION,
      id: uuidV7(),
      createdAt: new Date().toISOString(),
      spec,
      gauges: [],
      entries: [],
    }
    await builds.create(document, wanted.by)
    return NextResponse.json({ id: document.id, readings: 0 }, { status: 201 })
  })
}

/** Every bench puts in its starting limits; what was given stays. */
function withPresets(spec: Spec): Spec {
  return followPresets(spec)
}

async function copiedSpec(id: string, name: string): Promise<Spec | undefined> {
  const { builds } = await database()
  const original = await builds.load(id)
  if (!original) return undefined
  const { spec } = original.document
  return { ...specForAnother(spec), name, copyOf: { id, name: spec.name } }
}
