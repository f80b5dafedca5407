import { NextResponse } from 'next/server'
import { z } from 'zod'
import { parseGaugeLine } from '@/core/liveGauge'
import { database } from '@/data/database'
import type { PressStore } from '@/data/presses'
import { gaugeLineIssueWords } from '@/wording'
import { answering, bodyOf, refused } from '../../answer'
import { eventStream, inTurn, streamHead } from '../eventStream'
import { connected, gone, isPresent, listenerWords, liveNews, onlyListener } from './presses'

export const dynamic = 'force-dynamic'

const body = z.object({ lines: z.array(z.string().max(200)).min(1).max(500) })

/** Takes lines from gauges, a press a line; answers with the numbers it holds, so that a gauge may repeat a line until it hears. */
export function POST(request: Request) {
  return answering(async () => {
    const raw = (await bodyOf(request, body)).lines.map((line) => line.trim()).filter(Boolean)
    const parsed = raw.map(parseGaugeLine)
    const bad = parsed.findIndex((one) => !one.ok)
    if (bad >= 0 || raw.length === 0) {
      const one = parsed[bad]
      return refused(
        422,
        one && !one.ok ? `Line ${bad + 1}: ${gaugeLineIssueWords(one.issue)} Nothing was taken.` : 'There is no line in it.',
      )
    }
    const { presses } = await database()
    const held: { name: string; sequence: number }[] = []
    for (const [index, one] of parsed.entries()) {
      if (!one.ok) continue
      const { press, isNew } = await presses.add(one.line, raw[index]!, await sessionFor(presses, one.line.name))
      held.push({ name: press.name, sequence: press.sequence })
      if (isNew) liveNews().emit('press')
    }
    return NextResponse.json({ held })
  })
}

/** The session a press is for: whoever has the gauge; nobody has it and one page listens: that one takes it; else nobody. */
async function sessionFor(presses: PressStore, name: string): Promise<string | null> {
  const holder = await presses.holder(name)
  if (holder && isPresent(holder.session)) return holder.session
  const listener = onlyListener()
  if (!listener) return null
  await presses.hold(name, listener.session, listener.words)
  liveNews().emit('hold', { name, to: listener.session, words: listener.words })
  return listener.session
}

export const HEAD = streamHead

/** Presses of one bench session as they come, as server-sent events. A connection that dropped goes on after the last one it had. */
export async function GET(request: Request) {
  const query = new URL(request.url).searchParams
  const session = query.get('session') ?? ''
  const words = listenerWords(session)
  if (words === undefined) return refused(422, 'Listening is begun by a POST of the bench session first.')
  const { presses } = await database()
  const asked = request.headers.get('last-event-id') ?? query.get('after')
  let last = asked !== null && /^\d{1,15}$/.test(asked) ? Number(asked) : await presses.lastSeq()
  const mine = await presses.heldBy(session)
  return eventStream(request, (send, stop) => {
    const look = inTurn(async () => {
      for (const press of await presses.after(last, session)) {
        send({ id: press.seq, ...(press.session === null && { name: 'nobody' }), data: press })
        last = press.seq
      }
    }, stop)
    const changed = (hold: { name: string; from?: string; to: string | null; words: string }) => {
      if (hold.to === session) send({ name: 'mine', data: hold })
      else if (hold.from === session) send({ name: 'lost', data: hold })
    }
    connected(session)
    send({ name: 'since', data: last })
    for (const name of mine) send({ name: 'mine', data: { name, to: session, words } })
    liveNews().on('press', look).on('hold', changed)
    look()
    return () => {
      liveNews().off('press', look).off('hold', changed)
      gone(session)
    }
  })
}
