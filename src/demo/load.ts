import { openDatabase } from '@/data/database'
import { demoDocument } from './readings'
import { DEMO_BUILDS } from './scenario'
import { withDemoWalk } from './walks'

/** Puts the demo's builds into the database at KALIBROS_DB_URL; those already there keep everything entered since. */
const db = await openDatabase()
// The main demo last: the board puts the latest work on top.
for (const demo of DEMO_BUILDS.toReversed()) {
  if (await db.builds.load(demo.id)) continue
  const now = new Date()
  await db.builds.create(withDemoWalk(demoDocument(demo, now), now), 'KV')
  console.log(`Loaded ${demo.spec.name}: ${demo.spec.description}`)
}
db.close()
