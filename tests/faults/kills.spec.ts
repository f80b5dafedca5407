import { v7 as uuidV7 } from 'uuid'
import type { Entry } from '@/core/build'
import { randomStream, type RandomStream } from '@/core/numerics/random'
import { demo, expect, readings, test, WREN } from '../support/shop'

/** `npm run faults` kills it often; `npm test` enough to see that it still holds. */
const KILLS = process.env.KALIBROS_FAULTS === 'long' ? 60 : 4
const SPOTS = ['front', 'left', 'rear', 'right']

function someReadings(random: RandomStream): Entry[] {
  return Array.from({ length: 1 + Math.floor(random.uniform() * 40) }, (): Entry => {
    const value = random.uniform()
    return {
      kind: 'reading',
      id: uuidV7(),
      at: new Date().toISOString(),
      by: 'KV',
      characteristic: 'compression.deck',
      place: { cylinder: 1, spot: SPOTS[Math.floor(random.uniform() * 4)]! },
      value,
      unit: 'mm',
      asTyped: String(value),
      gauge: 'dial-metric.1',
    }
  })
}

test(`killed ${KILLS} times in mid-write: nothing acknowledged is lost, doubled or altered`, async ({ shop }) => {
  test.setTimeout(600_000)
  const id = await shop.bring(demo(WREN))
  const random = randomStream(20_261_126)
  const sent = new Map<string, number>()
  const acknowledged = new Set<string>()
  for (let kill = 0; kill < KILLS; kill++) {
    const plug = new AbortController()
    const writers = Array.from({ length: 3 }, async () => {
      while (!plug.signal.aborted) {
        const entries = someReadings(random)
        for (const entry of entries) if (entry.kind === 'reading') sent.set(entry.id, entry.value)
        try {
          const { json } = await shop.server.post<{ stored: string[] }>(`/api/builds/${id}/entries`, { entries })
          for (const stored of json.stored) acknowledged.add(stored)
        } catch {
          // The plug was out: nothing was acknowledged, so nothing is claimed.
        }
      }
    })
    // In the middle of it: once something of this round is acknowledged, and a chance while longer.
    const before = acknowledged.size
    await expect.poll(() => acknowledged.size, { intervals: [20] }).toBeGreaterThan(before)
    await new Promise((resolve) => setTimeout(resolve, random.uniform() * 200))
    await shop.server.kill()
    plug.abort()
    await Promise.all(writers)
    await shop.server.up()
  }
  const stored = readings(await shop.document(id))
  const ids = new Set(stored.map((reading) => reading.id))
  expect(acknowledged.size).toBeGreaterThanOrEqual(KILLS)
  expect([...acknowledged].filter((one) => !ids.has(one))).toEqual([])
  expect(ids.size).toBe(stored.length)
  expect(stored.filter(({ id: one, value }) => sent.get(one) !== value)).toEqual([])
  console.log(
    `${KILLS} kills, ${sent.size} readings sent, ${acknowledged.size} acknowledged, ${stored.length} stored: 0 lost, 0 doubled, 0 altered`,
  )
})
