import { createClient } from '@libsql/client'
import { v7 as uuidV7 } from 'uuid'
import { SUMMARY_PROGRAM } from '@/shop/summary'
import { demo, expect, test, visit, WREN } from '../support/shop'

/** What is kept of each build, asked of the database itself: by which program, and whether it is of the last entry. */
async function keptIn(url: string, change?: string) {
  const client = createClient({ url })
  try {
    if (change) await client.execute(change)
    const { rows } = await client.execute(`
      select s.program, s.last_seq = (select max(seq) from entry where build_id = b.id) as is_latest
      from build b left join build_summary s on s.build_id = b.id`)
    return rows.map((row) => [row.program, row.is_latest])
  } finally {
    client.close()
  }
}

const upToDate = [[SUMMARY_PROGRAM, 1]]

test('what is kept of a build is worked out beside the requests, and said to be older until it is', async ({ page, ownShop }) => {
  const { server } = ownShop
  const id = await ownShop.bring(demo(WREN))
  // Nobody has looked at the board: an entry that arrives has it worked out.
  const entry = { kind: 'change', id: uuidV7(), at: new Date().toISOString(), by: 'KV', what: 'gasket', text: 'Thinner one' }
  const { json } = await server.post<{ stored: string[] }>(`/api/builds/${id}/entries`, { entries: [entry] })
  expect(json.stored).toEqual([entry.id])
  await expect.poll(() => keptIn(server.databaseUrl)).toEqual(upToDate)
  await server.kill()
  const older = `${SUMMARY_PROGRAM.split('.')[0]}.0`
  await keptIn(server.databaseUrl, `update build_summary set program = '${older}'`)
  await server.up()
  await visit(page, ownShop, '/')
  await expect(page.getByText('figures from before the update, being worked out again')).toBeVisible()
  await expect.poll(() => keptIn(server.databaseUrl)).toEqual(upToDate)
  await page.reload()
  await expect(page.getByRole('link', { name: 'Wren', exact: true })).toBeVisible()
  await expect(page.getByText('figures from before the update')).toHaveCount(0)
})
