import { NextResponse } from 'next/server'
import { parseGaugeLine } from '@/core/liveGauge'
import { database } from '@/data/database'
import { gaugeLineIssueWords } from '@/wording'
import { answering, bodyText, refused } from '../../answer'
import { pressNews } from './presses'

export const dynamic = 'force-dynamic'

const HEARTBEAT_MS = 15_000
const RETRY_MS = 500

/** Takes lines from gauges, a press a line; answers with the numbers it holds, so that a gauge may repeat a line until it hears. */
export function POST(request: Request) {
  return answering(async () => {
    const raw = (await bodyText(request)).split(/\r?\n/).map((line) => line.trim()).filter(Boolean)
    const parsed = raw.map(parseGaugeLine)
    const bad = parsed.findIndex((one) => !one.ok)
    if (bad >= 0 || raw.length === 0) {
      const one = parsed[bad]
      return refused(422, one && !one.ok ? `Line ${bad + 1}: ${gaugeLineIssueWords(one.issue)} Nothing was taken.` : 'There is no line in it.')
    }
    const { presses } = await database()
    const held: { name: string; sequence: number }[] = []
    for (const [index, one] of parsed.entries()) {
      if (!one.ok) continue
      const { press, isNew } = await presses.add(one.line, raw[index]!)
      held.push({ name: press.name, sequence: press.sequence })
      if (isNew) pressNews().emit('press')
    }
    return NextResponse.json({ held })
  })
}

/** Presses as they come, as server-sent events. A connection that dropped goes on after the last one it had. */
export async function GET(request: Request) {
  const { presses } = await database()
  const asked = request.headers.get('last-event-id') ?? new URL(request.url).searchParams.get('after')
  let last = asked !== null && /^\d+$/.test(asked) ? Number(asked) : await presses.lastSeq()
  const text = new TextEncoder()
  let stop = () => {}
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (words: string) => controller.enqueue(text.encode(words))
      let busy: Promise<void> = Promise.resolve()
      // One look after the other: two presses in one moment would otherwise be sent twice.
      const look = () => {
        busy = busy.then(async () => {
          for (const press of await presses.after(last)) {
            send(`id: ${press.seq}\ndata: ${JSON.stringify(press)}\n\n`)
            last = press.seq
          }
        }).catch(() => stop())
      }
      const heartbeat = setInterval(() => send(': still here\n\n'), HEARTBEAT_MS)
      stop = () => {
        clearInterval(heartbeat)
        pressNews().off('press', look)
        try { controller.close() } catch { /* closed by the other side */ }
      }
      request.signal.addEventListener('abort', stop)
      send(`retry: ${RETRY_MS}\nevent: since\ndata: ${last}\n\n`)
      pressNews().on('press', look)
      look()
    },
    cancel() { stop() },
  })
  return new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' } })
}
