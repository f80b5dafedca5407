/** A shop of years: many builds, many readings, served. */
import { setTimeout as pause } from 'node:timers/promises'
import { createClient } from '@libsql/client'
import { v7 as uuidV7 } from 'uuid'
import type { BuildDocument, Reading } from '@/core/document'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import type { Joint } from '@/core/document'
import { jointsOf } from '@/core/joints'
import { openDatabase } from '@/data/database'
import { SUMMARY_PROGRAM } from '@/shop/summary'
import { TestServer } from '../tests/support/server'
import { percentile, type Report } from './report'

const BUILDS = 1000
const READINGS_EACH = 500
const SAMPLES = 60

export async function shopFigures(report: Report): Promise<void> {
  const server = await TestServer.start()
  try {
    const ids = await fill(server.databaseUrl)
    await server.kill()
    await server.up()
    await allKept(server.databaseUrl)
    await asOfOlderProgram(server.databaseUrl)
    await server.kill()
    report.figure('ready after start, with 500,000 readings', await server.up(), 'ms', 2000)
    report.figure('first page while 1,000 builds are worked out again beside it', await once(server, '/'), 'ms', 300)
    await allKept(server.databaseUrl)
    await server.get('/')
    report.figure('board served, 95th percentile', await served(server, () => '/'), 'ms', 150)
    let turn = 0
    await server.get('/today')
    report.figure('today served, 95th percentile', await served(server, () => '/today'), 'ms', 150)
    report.figure('clocks of the shop asked for, 95th percentile', await served(server, () => '/api/clocks'), 'ms', 50)
    report.figure('walk served, 95th percentile', await served(server, () => `/builds/${ids[(turn += 37) % ids.length]}/walk`), 'ms', 150)
    report.figure(
      'bench served, 95th percentile',
      await served(server, () => `/builds/${ids[(turn += 37) % ids.length]}/compression`),
      'ms',
      150,
    )
    const joint = `/joints/${jointsOf(tern.spec)[0]!.id}`
    report.figure(
      'joint served, 95th percentile',
      await served(server, () => `/builds/${ids[(turn += 37) % ids.length]}${joint}`),
      'ms',
      150,
    )
    report.figure('bolts of the shop served, 95th percentile', await served(server, () => '/bolts'), 'ms', 150)
    const seen: number[] = []
    for (let i = 0; i < SAMPLES; i++) {
      const started = performance.now()
      const { status } = await server.post(`/api/builds/${ids[i]}/entries`, { entries: [extra(i)] })
      seen.push(performance.now() - started)
      if (status !== 200) throw new Error(`a reading was refused with ${status}`)
    }
    report.figure('reading stored and acknowledged, 95th percentile', percentile(seen, 0.95), 'ms', 50)
  } finally {
    await server.stop()
  }
}

async function once(server: TestServer, url: string): Promise<number> {
  const started = performance.now()
  const response = await server.get(url)
  await response.text()
  return performance.now() - started
}

/** As a new program finds what the one before it kept. */
async function asOfOlderProgram(url: string): Promise<void> {
  const client = createClient({ url })
  await client.execute({ sql: 'update build_summary set program = ?', args: [`${SUMMARY_PROGRAM.split('.')[0]}.0`] })
  client.close()
}

/** Waits until what is kept of every build is up to date. */
async function allKept(url: string): Promise<void> {
  const db = await openDatabase(url)
  const started = performance.now()
  while ((await db.builds.outdated(SUMMARY_PROGRAM)).length > 0) await pause(1000)
  db.close()
  console.log(`     ${BUILDS} builds worked out beside the requests in ${((performance.now() - started) / 1000).toFixed(0)} s`)
}

async function served(server: TestServer, url: () => string): Promise<number> {
  const samples: number[] = []
  for (let i = 0; i < SAMPLES; i++) {
    const started = performance.now()
    const response = await server.get(url())
    await response.text()
    samples.push(performance.now() - started)
    if (!response.ok) throw new Error(`${url()} answered ${response.status}`)
  }
  return percentile(samples, 0.95)
}

const tern = demoDocument(DEMO_BUILDS[0]!, new Date())

function extra(i: number): Reading {
  return { ...(tern.entries[i % tern.entries.length] as Reading), id: uuidV7(), at: new Date().toISOString() }
}

/** Bolts are marked set by set: no two engines have one of a mark. */
function withMarks(joint: Joint, build: number): Joint {
  return { ...joint, fasteners: joint.fasteners.map((one) => (one.mark === undefined ? one : { ...one, mark: `${one.mark}-${build}` })) }
}

/** Each build is the Tern measured again and again, as far as the number of readings goes. */
async function fill(url: string): Promise<string[]> {
  const db = await openDatabase(url)
  const ids: string[] = []
  const started = performance.now()
  for (let build = 0; build < BUILDS; build++) {
    const document: BuildDocument = {
      ...tern,
      id: uuidV7(),
      spec: { ...tern.spec, name: `Tern ${build}`, joints: tern.spec.joints?.map((joint) => withMarks(joint, build)) },
      entries: Array.from({ length: READINGS_EACH }, (_, i) => extra(i)),
    }
    await db.builds.create(document, 'KV')
    ids.push(document.id)
  }
  db.close()
  console.log(
    `     filled ${BUILDS} builds with ${BUILDS * READINGS_EACH} readings in ${((performance.now() - started) / 1000).toFixed(0)} s`,
  )
  return ids
}
