import { randomStream, type RandomStream } from '@/core/numerics/random'
import { damaged, pick, replaced } from '../support/damage'
import { demo, expect, shopOf, TERN, test, type Shop } from '../support/shop'
import { TestServer } from '../support/server'
import { jpegOf } from '../support/writes'

/** `npm run faults` damages three thousand; `npm test` enough to see that it still holds. */
const BODIES = process.env.KALIBROS_FAULTS === 'long' ? 3000 : 150

interface Body {
  readonly door: string
  readonly type: string
  readonly body: string | Uint8Array<ArrayBuffer>
}

/** Everything the program takes, each as a page would send it. */
async function soundBodies(shop: Shop, build: string): Promise<readonly { readonly door: string; readonly json: unknown }[]> {
  const tern = demo(TERN)
  const { spec, revision } = (await (await shop.server.get(`/api/builds/${build}/spec?revision=latest`)).json()) as {
    spec: unknown
    revision: number
  }
  const ofKinds = [...new Map(tern.entries.map((entry) => [entry.kind, entry])).values()]
  const means = { people: 2, stands: 1, hours: { days: [1, 2, 3, 4, 5], from: 8, to: 17 } }
  return [
    { door: `/api/builds/${build}/entries`, json: { entries: ofKinds } },
    { door: `/api/builds/${build}/entries`, json: { entries: ofKinds.slice(0, 3), whole: true } },
    { door: `/api/builds/${build}/spec`, json: { basedOn: revision, by: 'KV', reason: 'damaged', spec } },
    { door: '/api/builds', json: { from: 'file', by: 'KV', document: tern, asCopy: true } },
    { door: '/api/builds', json: { from: 'start', by: 'KV', spec } },
    { door: '/api/builds', json: { from: 'build', by: 'KV', id: build, name: 'Copy' } },
    { door: '/api/gauges', json: { card: { ...tern.gauges[0]!, id: 'mic-metric.9' } } },
    { door: '/api/shop-means', json: { by: 'KV', means } },
    { door: '/api/live', json: { lines: ['gauge-1;83.002;mm;1'] } },
    { door: '/api/live/hold', json: { what: 'take', session: 'bench-session', name: 'gauge-1', words: 'KV' } },
  ]
}

function damagedBody(
  random: RandomStream,
  sound: Awaited<ReturnType<typeof soundBodies>>,
  picture: Uint8Array<ArrayBuffer>,
  build: string,
): Body {
  if (random.uniform() < 0.1) {
    const bytes = picture.slice()
    for (let i = 0; i < 3; i++) bytes[Math.floor(random.uniform() * bytes.length)] = Math.floor(random.uniform() * 256)
    const query = new URLSearchParams({ id: crypto.randomUUID(), step: 'job.agreed', at: '2026-03-01T10:00:00.000Z', by: 'KV' })
    const door = `/api/builds/${build}/photos?${random.uniform() < 0.5 ? query : damaged(query.toString(), random)}`
    return { door, type: 'image/jpeg', body: random.uniform() < 0.5 ? bytes : bytes.subarray(0, random.uniform() * bytes.length) }
  }
  const { door, json } = pick(random, sound)
  const body = random.uniform() < 0.4 ? damaged(JSON.stringify(json), random) : JSON.stringify(replaced(json, random))
  return { door, type: 'application/json', body }
}

test(`${BODIES} damaged bodies: each is taken or refused in words, and every build still opens`, async () => {
  const server = await TestServer.start()
  const shop = shopOf(server)
  const build = await shop.bring(demo(TERN))
  const sound = await soundBodies(shop, build)
  const random = randomStream(20_261_201)
  const made = new Set([build])
  let refused = 0
  for (let sent = 0; sent < BODIES; sent++) {
    const { door, type, body } = damagedBody(random, sound, jpegOf([1, 2, 3]), build)
    const answer = await fetch(server.address + door, { method: 'POST', headers: { 'content-type': type }, body })
    const text = await answer.text()
    const sent = typeof body === 'string' ? body.slice(0, 2000) : Buffer.from(body).toString('hex')
    const about = `${door} ${sent} gave ${answer.status} ${text.slice(0, 500)}`
    expect(answer.status < 500, about).toBe(true)
    const json = JSON.parse(text) as { error?: string; id?: string }
    if (answer.ok) {
      if (door === '/api/builds') made.add(json.id!)
      continue
    }
    refused++
    expect(json.error, about).toMatch(/^[^{[].{11,}\.$/s)
    expect(json.error, about).not.toMatch(/\n\s+at |undefined|\[object|Error/)
  }
  expect(refused).toBeGreaterThan(BODIES * 0.3)
  // What was taken can be worked with: its pages answer, and its own file opens again.
  for (const id of made) {
    for (const page of ['compression', 'walk', 'paper'])
      expect([page, (await server.get(`/builds/${id}/${page}`)).status]).toEqual([page, 200])
    const again = { from: 'file', by: 'KV', document: await shop.document(id), asCopy: true }
    expect((await server.post<{ error?: string }>('/api/builds', again)).json.error).toBeUndefined()
  }
  console.log(`${BODIES} bodies: ${refused} refused in words, ${made.size - 1} builds made of the rest, all of which open`)
  await server.stop()
})
