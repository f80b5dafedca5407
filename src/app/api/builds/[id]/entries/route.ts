import { NextResponse } from 'next/server'
import { z } from 'zod'
import { entriesAt } from '@/core/document/effective'
import { withPresentName, type Entry, type Gauge } from '@/core/document'
import { entryIssues, entrySchema } from '@/core/files'
import { database } from '@/data/database'
import { fileIssueWords, placeWords } from '@/wording'
import { buildNews } from '../../../../../shop/buildNews'
import { heldSteps, type HeldStep } from '../../../../heldSteps'
import { refusalWords } from '@/wording/refusals'
import { openStored } from '@/shop/openedBuilds'
import { answering, bodyOf, refused, shapeWords } from '../../../../answer'

/** `whole`: all or none, as a table of readings wants it. Entries are looked at one by one: a bad one holds up no other. */
const body = z.object({ entries: z.array(z.unknown()).min(1).max(5000), whole: z.boolean().optional() })

/** What pointed at something that may still come: sent again it may be taken. */
const MAY_PASS = new Set(['noSuchTarget', 'noSuchGauge'])

/**
 * Adds entries to a build. Answers with the ids that are stored now and those refused, each with its reason: only an id named as
 * stored counts as stored. A repeated send is the same entries.
 */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answering(async () => {
    const { id } = await params
    const { entries, whole = false } = await bodyOf(request, body)
    const { builds } = await database()
    const head = await builds.head(id)
    if (!head) return refused(404, 'There is no such build here. Nothing was stored.')
    const gauges = new Map(head.gauges.map((gauge) => [gauge.id, gauge as Gauge]))
    const sound: Entry[] = []
    const bad: { id: string; error: string; mayPass?: boolean }[] = []
    for (const [index, given] of entries.entries()) {
      const parsed = entrySchema.safeParse(withPresentName(given))
      if (!parsed.success) {
        bad.push({ id: idOf(given, index), error: shapeWords(parsed.error) })
        continue
      }
      const [issue] = entryIssues(parsed.data, head.spec, gauges).filter(({ code }) => code !== 'unknownGauge')
      if (issue) bad.push({ id: parsed.data.id, error: fileIssueWords(issue, placeWords) })
      else sound.push(parsed.data)
    }
    const held = await heldAmong(id, sound)
    bad.push(...held.map((one) => ({ ...one, mayPass: true })))
    if (whole && bad[0]) return refused(422, `${bad[0].error} Nothing was stored.`)
    const free = sound.filter((entry) => !held.some((one) => one.id === entry.id))
    const {
      stored,
      refused: notStored,
      added,
      lastSeq,
    } = free.length > 0 ? await builds.append(id, free, whole) : { stored: [], refused: [], added: 0, lastSeq: 0 }
    if (added > 0) buildNews().emit('change', { build: id })
    const pointing = notStored.map(({ id: entryId, code, about }) => ({
      id: entryId,
      error: refusalWords(code, about),
      ...(MAY_PASS.has(code) && { mayPass: true }),
    }))
    return NextResponse.json({ stored, added, lastSeq, refused: [...bad, ...pointing] })
  })
}

/** All that is about one place, with the cards of the gauges that took it: what a page that shows its history asks for. */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answering(async () => {
    const station = new URL(request.url).searchParams.get('station') ?? ''
    const { builds } = await database()
    const stored = await builds.load((await params).id)
    if (!stored) return refused(404, 'There is no such build here.')
    const build = openStored(stored)
    const entries = entriesAt(build, station)
    const used = new Set(entries.map((entry) => (entry.kind === 'reading' ? entry.gauge : '')))
    return NextResponse.json({ entries, gauges: [...build.gauges.values()].filter(({ id }) => used.has(id)) })
  })
}

/** Steps of the walk that something holds; a page without any costs nothing. */
async function heldAmong(id: string, entries: readonly Entry[]): Promise<readonly HeldStep[]> {
  if (!entries.some((entry) => entry.kind === 'step' && entry.did === 'done')) return []
  const { builds } = await database()
  const stored = await builds.load(id)
  return stored ? heldSteps(openStored(stored), entries, Date.now()) : []
}

function idOf(given: unknown, index: number): string {
  return typeof given === 'object' && given !== null && 'id' in given && typeof given.id === 'string' ? given.id : `#${index}`
}
