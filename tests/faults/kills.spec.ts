import { randomStream } from '@/core/numerics/random'
import { demo, expect, test, WREN } from '../support/shop'
import { writersOf, type Writer } from '../support/writes'

/** `npm run faults` kills it often; `npm test` enough to see that it still holds. */
const KILLS = process.env.KALIBROS_FAULTS === 'long' ? 300 : 4

/** Writes until the plug is out; what was on its way then is claimed by nobody. */
async function writeOn({ write }: Writer, plug: AbortSignal): Promise<void> {
  while (!plug.aborted) await write().catch(() => undefined)
}

test(`killed ${KILLS} times in mid-write: nothing acknowledged is lost, doubled or altered`, async ({ shop }) => {
  const empty = demo(WREN, (document) => ({ ...document, entries: [] }))
  const random = randomStream(20_261_126)
  let writers: readonly Writer[] = []
  const counts = new Map<string, number>()
  const wrong: string[] = []
  const lookAt = async () => {
    for (const writer of writers) {
      counts.set(writer.what, (counts.get(writer.what) ?? 0) + writer.acknowledged.size)
      wrong.push(...(await writer.wrong()).map((words) => `${writer.what}: ${words}`))
    }
  }
  for (let kill = 0; kill < KILLS; kill++) {
    // A new engine every so often: one that holds ten thousand entries is slow to write to, and kills would meet few writes.
    if (kill % 20 === 0) {
      await lookAt()
      writers = writersOf({ shop, build: await shop.bring({ ...empty, id: crypto.randomUUID() }), random })
    }
    const plug = new AbortController()
    const before = writers.map(({ acknowledged }) => acknowledged.size)
    const writing = Promise.all(writers.map((writer) => writeOn(writer, plug.signal)))
    // In the middle of it: once something of every kind is acknowledged, and a chance while longer.
    await expect.poll(() => writers.every(({ acknowledged }, at) => acknowledged.size > before[at]!), { intervals: [20] }).toBe(true)
    await new Promise((resolve) => setTimeout(resolve, random.uniform() * 200))
    await shop.server.kill()
    plug.abort()
    await writing
    await shop.server.up()
  }
  await lookAt()
  expect(wrong).toEqual([])
  for (const [what, count] of counts) expect([what, count >= KILLS]).toEqual([what, true])
  const words = [...counts].map(([what, count]) => `${count} ${what}`).join(', ')
  console.log(`${KILLS} kills; acknowledged ${words}: 0 lost, 0 doubled, 0 altered`)
})
