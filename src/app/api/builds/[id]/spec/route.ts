import { NextResponse } from 'next/server'
import { z } from 'zod'
import { benchById, followPresets, withUsual } from '@/core/benches'
import { compare } from '@/core/evaluation/compare'
import { evaluate } from '@/core/evaluation/evaluate'
import { plannedTooNear } from '@/core/evaluation/tooNear'
import { withPlannedAfter, withChosenAfter } from '@/core/document/changes'
import { benchOf, withSpec, type OutputId } from '@/core/document'
import { specIssues, specSchema } from '@/core/files'
import { database } from '@/data/database'
import type { Finding } from '@/core/bench/bench'
import { fileIssueWords, movedWords, placeWords, subjectsWords } from '@/wording'
import { openStored } from '@/shop/openedBuilds'
import { buildNews } from '../../../../../shop/buildNews'
import { answering, bodyOf, refused } from '../../../../answer'

const body = z.object({
  basedOn: z.int().positive(),
  by: z.string().trim().min(1).max(8),
  reason: z.string().trim().min(1).max(200),
  spec: specSchema,
})

/** Stores the spec as the next revision; earlier ones stay. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answering(async () => {
    const { basedOn, by, reason, spec: given } = await bodyOf(request, body)
    const spec = withUsual(given)
    const [issue] = specIssues(spec)
    if (issue) return refused(422, `${fileIssueWords(issue, placeWords)} Nothing was stored.`)
    const { id } = await params
    const { builds } = await database()
    const before = await builds.load(id)
    if (!before) return refused(404, 'There is no such build here. Nothing was stored.')
    const next = withPlannedAfter(withChosenAfter(followPresets(spec), before.document), before.document)
    const build = openStored(before)
    const near = plannedTooNear(build, withSpec(build, next))
    if (near.length > 0) return refused(422, `${tooNearWords(near)} Nothing was stored.`)
    const revision = await builds.revise(id, basedOn, next, by, reason)
    buildNews().emit('change', { build: id, revision })
    return NextResponse.json({
      revision,
      spec: next,
      moved: movedWords(compare(evaluate(build), evaluate(withSpec(build, next))), labelOf),
    })
  })
}

/** What a plan brings too near, and what is wanted before it is taken. */
function tooNearWords(near: readonly Finding[]): string {
  const [first] = near as [Finding]
  const alike = near.filter(({ output }) => output === first.output)
  const whom = subjectsWords(alike)
  const brought = `${labelOf(first.output).toLowerCase()}${whom && `, ${whom.toLowerCase()},`}`
  return `This plan brings ${brought} under its limit: take it at What if, with a reason and initials.`
}

function labelOf(output: OutputId): string {
  return benchById(benchOf(output)).definition.outputs[output]?.label ?? output
}

/** The spec as it stood at a revision (what an undo goes back to), or the latest with its number. */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answering(async () => {
    const { id } = await params
    const wanted = new URL(request.url).searchParams.get('revision')
    const { builds } = await database()
    const stated = /^[1-9]\d{0,8}$/.test(wanted ?? '') ? Number(wanted) : undefined
    const number = wanted === 'latest' ? (await builds.revisions(id))[0]?.number : stated
    const spec = number === undefined ? undefined : await builds.specAt(id, number)
    return spec ? NextResponse.json({ spec, revision: number }) : refused(404, 'There is no such revision.')
  })
}
