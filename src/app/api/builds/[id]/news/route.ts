import { database } from '@/data/database'
import { refused } from '../../../../answer'
import { eventStream, inTurn, streamHead } from '../../../eventStream'
import { buildNews, type BuildChange } from '../../../../../shop/buildNews'

export const dynamic = 'force-dynamic'

export const HEAD = streamHead

/**
 * What happens to a build, as server-sent events: `entries` as they are stored, from `after` in the order of arrival or from now, and
 * `revision` when paper, limits or plans are saved. A connection that dropped goes on after the last it had.
 */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const query = new URL(request.url).searchParams
  const { builds } = await database()
  const head = await builds.head(id)
  if (!head) return refused(404, 'There is no such build here.')
  const asked = request.headers.get('last-event-id') ?? query.get('after')
  let last = asked !== null && /^\d{1,15}$/.test(asked) ? Number(asked) : head.lastSeq
  return eventStream(request, (send, stop) => {
    const look = inTurn(async () => {
      const arrived = await builds.entriesAfter(id, last)
      const latest = arrived.at(-1)
      if (!latest) return
      last = latest.seq
      send({ name: 'entries', id: last, data: arrived.map(({ entry }) => entry) })
    }, stop)
    const onChange = (change: BuildChange) => {
      if (change.build !== id) return
      if (change.revision === undefined) look()
      else send({ name: 'revision', data: change.revision })
    }
    buildNews().on('change', onChange)
    send({ name: 'revision', data: head.revision })
    look()
    return () => buildNews().off('change', onChange)
  })
}
