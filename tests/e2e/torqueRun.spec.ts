import type { Page } from '@playwright/test'
import { v7 as uuidV7 } from 'uuid'
import type { Gauge, Joint, Pull, Spec } from '@/core/document'
import { runsOf, usualJoints } from '@/core/joints'
import { randomStream } from '@/core/numerics/random'
import { GaugeSet, wrenchPull } from '@/demo/gaugeSet'
import { bounce, later, pressPedal } from '../support/pedal'
import { runOf } from '../support/runs'
import { demo, expect, PETREL, TERN, test, visit, WREN, type Shop } from '../support/shop'

/** A joint with the wrench in hand: by keyboard alone, over a crash, on two devices. */

const torque = (nm: number) => ({ pull: 'torque' as const, nm })

/** The Tern as a four with a head of ten studs in three stages. */
function tenStuds(): ReturnType<typeof demo> {
  return demo(WREN, (document) => {
    const layout: Spec['layout'] = {
      ...demo(TERN).spec.layout,
      cylinders: 4,
      firingOrder: [1, 3, 4, 2],
      mains: 5,
      pins: [0, 180, 180, 0].map((angleDeg, index) => ({ angleDeg, cylinders: [index + 1] })),
    }
    const joints = usualJoints(layout).map((joint): Joint => {
      if (joint.id !== 'head') return joint
      const from = { source: 'stud card' }
      const stages = [torque(30), torque(55), torque(80)]
      const group = { ...joint.groups[0]!, method: 'torque' as const, stages, stagesFrom: from, targetNm: 80, targetFrom: from }
      return { ...joint, groups: [group] }
    })
    return { ...document, spec: { ...document.spec, layout, joints, choice: {} }, entries: [] }
  })
}

async function openRun(page: Page, shop: Shop, id: string, joint: string, way = 'tighten'): Promise<void> {
  await page.goto(`${shop.server.address}/builds/${id}/joints/${joint}/run?way=${way}`)
  await page.locator('[data-ready]').waitFor()
}

const here = (page: Page) => page.locator('[data-state="here"] text.turn')
const figure = (page: Page) => page.locator('aside p').first()

async function pull(page: Page, times: number): Promise<void> {
  for (let count = 0; count < times; count++) {
    const before = await here(page).textContent()
    await pressPedal(page)
    await expect(here(page)).not.toHaveText(before!)
  }
}

async function pullsOf(shop: Shop, id: string): Promise<readonly Pull[]> {
  return (await shop.document(id)).entries.filter((entry) => entry.kind === 'pull')
}

test('a ten-stud head in three stages and its re-torque, by keyboard, over a server that is killed, on two pages', async ({
  page,
  context,
  shop,
}) => {
  const id = await shop.bring(tenStuds())
  await openRun(page, shop, id, 'head')
  await expect(page.getByText('30 pulls, about 8:30')).toBeVisible()
  await pressPedal(page)
  await expect(figure(page)).toHaveText('30')
  await expect(here(page)).toHaveText('1')
  await pull(page, 9)
  // The tenth is the last of its stage; then every one again.
  await expect(here(page)).toHaveText('10')
  await pressPedal(page)
  await expect(figure(page)).toHaveText('55')
  await expect(here(page)).toHaveText('1')
  await pull(page, 3)
  await shop.server.kill()
  await pull(page, 2)
  await expect(here(page)).toHaveText('6')
  await expect(page.getByText(/\d not sent yet, kept on this device/)).toBeVisible()
  await shop.server.up()
  await expect(page.getByText('not sent yet')).toBeHidden()

  // Taken up again on another page, with a word on both.
  const second = await context.newPage()
  await openRun(second, shop, id, 'head')
  await expect(second.getByText('On another device')).toBeVisible()
  await second.keyboard.press('t')
  await expect(here(second)).toHaveText('6')
  await expect(figure(second)).toHaveText('55')
  await expect(page.getByText('On another device')).toBeVisible()
  await pull(second, 4)
  await pressPedal(second)
  await expect(figure(second)).toHaveText('80')
  await pull(second, 9)
  await pressPedal(second)
  await expect(second.getByText('30 of 30 pulls done.')).toBeVisible()
  await pressPedal(second)
  await expect(second.getByText('Cylinder head is tight: 30 of 30 pulls done.')).toBeVisible()

  await expect.poll(async () => (await pullsOf(shop, id)).at(-1)?.did).toBe('end')
  const head = (await shop.document(id)).spec.joints!.find((joint) => joint.id === 'head')!
  const pulled = (await pullsOf(shop, id)).filter(({ did }) => did === 'pulled')
  // No repeat and no gap: every fastener once a stage, in the order of the plan.
  expect(pulled.map(({ stage, fastener }) => `${stage}/${fastener}`)).toEqual(
    [1, 2, 3].flatMap((stage) => head.groups[0]!.order.map((fastener) => `${stage}/${fastener}`)),
  )
  expect(pulled.every(({ by, value, stage }) => by === 'KV' && value === [30, 55, 80][stage! - 1])).toBe(true)
  expect(runsOf(head, await pullsOf(shop, id))[0]).toMatchObject({ isEnded: true, conflict: undefined })

  await openRun(second, shop, id, 'head', 'retorque')
  await pressPedal(second)
  await expect(second.getByText('Back it off, then pull to')).toBeVisible()
  await expect(figure(second)).toHaveText('80')
  await pull(second, 9)
  await pressPedal(second)
  await pressPedal(second)
  await expect(second.getByText('Cylinder head is tight: 10 of 10 pulls done.')).toBeVisible()
  // The same key leads away and begins nothing.
  await pressPedal(second)
  await expect(second).toHaveURL(`${shop.server.address}/builds/${id}/joints/head`)
  await expect(second.getByRole('region', { name: 'Runs' })).toContainText(/Re-torque, begun by KV.*10 of 10 pulls, ended/)
})

test('stopped short is torqued again, one left out says why, a broken one goes through every stage, back takes one back', async ({
  page,
  shop,
}) => {
  const id = await shop.bring(tenStuds())
  await openRun(page, shop, id, 'head')
  await pressPedal(page)
  await pull(page, 1)
  await page.keyboard.press('s')
  await expect(page.getByRole('alert').filter({ hasText: 'Stopped short' })).toContainText('back it off and pull again')
  await expect(here(page)).toHaveText('2')
  await pull(page, 1)
  await page.keyboard.press('b')
  await expect(here(page)).toHaveText('2')
  await pull(page, 1)
  await page.keyboard.press('x')
  await page.keyboard.type('wrench does not reach b')
  await pressPedal(page)
  await expect(here(page)).toHaveText('4')
  await pull(page, 6)
  await pressPedal(page)
  await expect(figure(page)).toHaveText('55')
  await page.keyboard.press('k')
  await page.keyboard.type('thread came out, insert fitted')
  await pressPedal(page)
  // The new one at the first stage, then where the others are; unless all are backed off to it.
  await expect(page.getByRole('alert').filter({ hasText: 'Its neighbours stand higher.' })).toBeVisible()
  await pressPedal(page)
  await expect(page.getByRole('alert').filter({ hasText: 'Its neighbours stand higher.' })).toBeVisible()
  await page.keyboard.press('y')
  await expect(figure(page)).toHaveText('30')
  await pressPedal(page)
  await expect(figure(page)).toHaveText('55')
  await visit(page, shop, `/builds/${id}/joints/head`)
  await expect(page.getByRole('region', { name: 'Runs' })).toContainText('fastener 3 left out: wrench does not reach b')
  await expect(page.getByRole('link', { name: 'Tighten: go on at 10 of 30' })).toBeVisible()
})

test('a pedal that bounces is one pull, and begins no run behind the one it ended', async ({ page, shop }) => {
  const id = await shop.bring(tenStuds())
  await openRun(page, shop, id, 'damper')
  await pressPedal(page)
  await pressPedal(page)
  await expect(page.getByText('1 of 1 pulls done.')).toBeVisible()
  await bounce(page, 3)
  await expect(page.getByText('is tight: 1 of 1 pulls done.')).toBeVisible()
  await later(page)
  await expect.poll(async () => (await pullsOf(shop, id)).map(({ did }) => did)).toEqual(['begin', 'pulled', 'end'])

  await openRun(page, shop, id, 'head')
  await pressPedal(page)
  await expect(here(page)).toHaveText('1')
  await bounce(page, 4)
  await expect(here(page)).toHaveText('2')
  await later(page)
  await page.keyboard.press('Enter')
  await expect(here(page)).toHaveText('3')
})

test('a run is cancelled, a tight joint is verified and asks before it is tightened again, loosening stays in reach', async ({
  page,
  shop,
}) => {
  const id = await shop.bring(tenStuds())
  await openRun(page, shop, id, 'damper')
  await pressPedal(page)
  await page.keyboard.press('c')
  await expect(page.getByText(/is not tight: 0 of 1 pulls done/)).toBeVisible()
  await pressPedal(page)
  await expect(page.getByRole('region', { name: 'Runs' })).toContainText('0 of 1 pulls, 1 never torqued, cancelled')
  await page.getByRole('link', { name: 'Tighten' }).click()
  await expect(page.getByText('Before the first pull')).toBeVisible()
  await pressPedal(page)
  await pressPedal(page)
  await pressPedal(page)
  await expect(page.getByText(/is tight: 1 of 1 pulls done/)).toBeVisible()
  await pressPedal(page)
  for (const way of ['Verify', 'Re-torque', 'Loosen']) await expect(page.getByRole('link', { name: way, exact: true })).toBeVisible()
  await page.getByRole('link', { name: 'Tighten' }).click()
  await expect(page.getByText('It is tightened again only from loose')).toBeVisible()
  await pressPedal(page)
  await expect(page.getByRole('alert').filter({ hasText: 'All loose? Enter once more.' })).toBeVisible()
  expect((await pullsOf(shop, id)).map(({ did }) => did)).toEqual(['begin', 'cancel', 'begin', 'pulled', 'end'])
})

test('a joint of torque and angle is verified at the torque before its angle, and nothing is turned further', async ({ page, shop }) => {
  const angle = { pull: 'angle' as const, deg: 90 }
  const turned = demo(WREN, (document) => ({
    ...document,
    spec: {
      ...document.spec,
      joints: usualJoints(document.spec.layout).map((joint): Joint => ({
        ...joint,
        sealer: joint.id === 'head' ? { name: 'Thread sealer', openMinutes: 20, from: { source: 'its tube' } } : undefined,
        groups: joint.groups.map((group) => ({
          ...group,
          method: 'torqueAndAngle' as const,
          targetNm: 40,
          targetFrom: { source: 'stud card' },
          stages: [torque(30), torque(40), angle, angle],
          stagesFrom: { source: 'stud card' },
        })),
      })),
    },
    entries: [],
  }))
  const id = await shop.bring(turned)
  const head = (await shop.document(id)).spec.joints!.find((joint) => joint.id === 'head')!
  const sent = await shop.server.post(`/api/builds/${id}/entries`, { entries: runOf(head, 'tighten') })
  expect(sent.status).toBe(200)
  await openRun(page, shop, id, 'head', 'verify')
  await expect(page.getByText('no angle is turned again')).toBeVisible()
  await expect(page.getByText('Thread sealer')).toBeHidden()
  await pressPedal(page)
  await expect(figure(page)).toHaveText('40')
  await expect(page.getByText('it must not move')).toBeVisible()
  await expect(page.getByRole('timer')).toHaveCount(0)
  await pull(page, head.fasteners.length - 1)
  await pressPedal(page)
  await expect(page.getByText(`${head.fasteners.length} of ${head.fasteners.length} pulls done.`)).toBeVisible()
})

test('pulls of two devices that did not know of each other are shown, and one of them is chosen', async ({ page, shop }) => {
  const id = await shop.bring(tenStuds())
  await openRun(page, shop, id, 'head')
  await pressPedal(page)
  await pull(page, 2)
  await expect.poll(async () => (await pullsOf(shop, id)).length).toBe(3)
  const pulls = await pullsOf(shop, id)
  const other: Pull = { ...pulls[2]!, id: uuidV7(), by: 'AB', device: 'a tablet that was offline', follows: pulls[1]!.id }
  const { status } = await shop.server.post(`/api/builds/${id}/entries`, { entries: [other] })
  expect(status).toBe(200)
  await expect(page.getByText('Two devices went on without each other')).toBeVisible()
  await expect(here(page)).toBeHidden()
  await page.getByRole('listitem').filter({ hasText: 'KV' }).getByRole('button', { name: 'Go on from here' }).click()
  await expect(here(page)).toHaveText('3')
  await expect.poll(async () => (await pullsOf(shop, id)).at(-1)).toMatchObject({ did: 'takeOver', instead: [other.id] })
})

test('a sealer that sets before the last pull says so before the first, and counts down while it is torqued', async ({ page, shop }) => {
  const id = await shop.bring(
    demo(PETREL, (document) => {
      const joints = document.spec.joints!.map((joint) =>
        joint.sealer && joint.id === 'head-right' ? { ...joint, sealer: { ...joint.sealer, openMinutes: 10 } } : joint,
      )
      return { ...document, spec: { ...document.spec, joints } }
    }),
  )
  // Fifty-one pulls at seventeen seconds are 14:27.
  await openRun(page, shop, id, 'head-left')
  await expect(page.getByText('51 pulls, about 14:27')).toBeVisible()
  await expect(page.getByText(/sets before the last pull/)).toBeHidden()
  await openRun(page, shop, id, 'head-right')
  await expect(page.getByText('Thread sealer, open for 10:00: it sets before the last pull.')).toBeVisible()
  await pressPedal(page)
  await expect(page.getByRole('timer')).toHaveText(/^9:5\d$|^10:00$/)
  await expect(page.getByText('too late', { exact: false })).toBeVisible()
  await expect(page.getByText('35', { exact: true })).toBeVisible()
  await expect(page.getByText('lbf·ft one swing')).toBeVisible()
  // Whoever looks at the front sees the joint left open and the clock.
  await visit(page, shop, `/builds/${id}`)
  const open = page.getByRole('list', { name: 'Joints left open' })
  await expect(open).toContainText(/Cylinder head, right bank left open: tighten, 0 of 51 pulls · Thread sealer sets in 9:\d\d/)
  await open.getByRole('link').click()
  await expect(here(page)).toHaveText('1')
})

test('a plan is typed from the sheet; what contradicts itself is named and kept out of the run', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN, (document) => ({ ...document, spec: { ...document.spec, joints: undefined } })))
  await visit(page, shop, `/builds/${id}/joints`)
  await page.getByRole('link', { name: 'Cylinder head' }).click()
  await page.getByText('Torque', { exact: true }).click()
  await expect(page.getByRole('region', { name: 'To be put right' })).toContainText('No figure yet')
  await page.getByLabel('Figure chosen, N·m').fill('45')
  await page.getByLabel('Figure chosen, N·m').press('Enter')
  await page.getByLabel('Stages, N·m').fill('25, fifty')
  await page.getByLabel('Stages, N·m').press('Enter')
  await expect(page.getByText('“fifty” is no stage: a torque, +90°, or snug.')).toBeVisible()
  await page.getByLabel('Stages, N·m').fill('25, 50')
  await page.getByLabel('Stages, N·m').press('Enter')
  await expect(page.getByText('Stage 2, 50 N·m, is above the figure of 45 N·m.')).toBeVisible()
  await openRun(page, shop, id, 'head')
  await expect(page.getByRole('alert').filter({ hasText: 'above the figure' })).toBeVisible()
  await pressPedal(page)
  await expect(page.getByText('Before the first pull')).toBeVisible()
  expect(await pullsOf(shop, id)).toEqual([])
  await visit(page, shop, `/builds/${id}/joints/head`)
  await page.getByLabel('Stages, N·m').fill('25, 45')
  await page.getByLabel('Stages, N·m').press('Enter')
  await expect(page.getByRole('region', { name: 'To be put right' })).toBeHidden()

  await page.getByLabel('Or type them in their new order').fill('1 2 3 3')
  await page.getByLabel('Or type them in their new order').press('Enter')
  await expect(page.getByText('Fastener 4 is missing from the order. Fastener 3 is in the order twice.')).toBeVisible()
  const before = (await shop.document(id)).spec.joints!.find((joint) => joint.id === 'head')!.groups[0]!.order
  await page.getByLabel('Or type them in their new order').fill('4 3 2 1')
  await page.getByLabel('Or type them in their new order').press('Enter')
  await expect
    .poll(async () => (await shop.document(id)).spec.joints!.find((joint) => joint.id === 'head')!.groups[0]!.order)
    .toEqual(before.toReversed())
})

test('a plan changed elsewhere while a run is under way is the plan of the run', async ({ page, shop, context }) => {
  const id = await shop.bring(tenStuds())
  await openRun(page, shop, id, 'head')
  await pressPedal(page)
  await pull(page, 2)
  const office = await context.newPage()
  await visit(office, shop, `/builds/${id}/joints/head`)
  await office.getByLabel('Stages, N·m').fill('25, 55, 80')
  await office.getByLabel('Stages, N·m').press('Enter')
  await expect(figure(page)).toHaveText('25')
  await expect(here(page)).toHaveText('3')
})

test('a figure from memory asks before the first pull', async ({ page, shop }) => {
  const id = await shop.bring(
    demo(TERN, (document) => {
      const joints = document.spec.joints!.map((joint) => ({
        ...joint,
        groups: joint.groups.map((group) => ({ ...group, targetFrom: { source: 'AB', fromMemory: true as const } })),
      }))
      return { ...document, spec: { ...document.spec, joints } }
    }),
  )
  await openRun(page, shop, id, 'head')
  await pressPedal(page)
  await expect(page.getByRole('alert').filter({ hasText: 'Enter once more if you mean it' })).toBeVisible()
  expect(await pullsOf(shop, id)).toEqual([])
  await pressPedal(page)
  await expect(here(page)).toHaveText('1')
})

test('a live wrench pulls the run: short pulls are torqued again, the bolt that turns too far is named', async ({ page, ownShop }) => {
  const document = tenStuds()
  const id = await ownShop.bring(document)
  const wrench = (document.gauges as Gauge[]).find(({ use }) => use === 'torque')!
  const gauges = new GaugeSet(ownShop.server.address)
  const random = randomStream(5)
  await openRun(page, ownShop, id, 'head')
  await pressPedal(page)
  await page.keyboard.press('l')
  await expect(page.getByText('listening to a live wrench')).toBeVisible()
  await gauges.press(wrench, { value: 24, angleDeg: 15 })
  await expect(page.getByRole('alert').filter({ hasText: 'Stopped short' })).toBeVisible()
  for (let turn = 1; turn <= 10; turn++) {
    await expect(here(page)).toHaveText(String(turn))
    await gauges.press(wrench, wrenchPull(30, 0, random, turn === 6 ? 1.6 : 1))
  }
  await expect(figure(page)).toHaveText('55')
  await expect(page.getByText(/Fastener 6, stage 1: 3\d° to its torque, the others 2\d°: it may be yielding/)).toBeVisible()
  await expect.poll(async () => (await pullsOf(ownShop, id)).filter(({ did }) => did === 'pulled').length).toBe(10)
  const pulls = await pullsOf(ownShop, id)
  expect(pulls.map(({ did }) => did).slice(0, 2)).toEqual(['begin', 'short'])
  expect(pulls.slice(2).every((one) => one.wrench === 'torque' && one.angleDeg !== undefined && one.value! >= 30)).toBe(true)
})

test('cam caps are drawn down by quarter turns, those under a spring first, and it ends with whether the cam turns free', async ({
  page,
  shop,
}) => {
  const id = await shop.bring(demo(TERN))
  await visit(page, shop, `/builds/${id}/joints/cam-intake`)
  await page.getByText('Hole by hole').click()
  await page.getByLabel('Fastener 12: a spring pushes against its cap').click()
  await expect
    .poll(
      async () =>
        (await shop.document(id)).spec.joints!.find((joint) => joint.id === 'cam-intake')!.fasteners.filter(({ loaded }) => loaded).length,
    )
    .toBe(1)
  await page.getByRole('link', { name: 'Draw the caps down' }).click()
  await expect(page.getByText('Before the first pull')).toBeVisible()
  await pressPedal(page)
  await expect(here(page)).toHaveText('12')
  await expect(figure(page)).toHaveText('90')
  await pull(page, 1)
  await expect(here(page)).toHaveText('1')
  await page.keyboard.press('e')
  await page.keyboard.type('down, turns free')
  await pressPedal(page)
  await expect(page.getByText('Drawn down; tightening comes next.')).toBeVisible()
  await visit(page, shop, `/builds/${id}/joints/cam-intake`)
  await expect(page.getByRole('region', { name: 'Runs' })).toContainText('Last: ended: down, turns free')
})

test('a pattern comes from a table; a bad row is named and nothing of it taken', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await visit(page, shop, `/builds/${id}/joints/flywheel`)
  const file = (text: string) => ({ name: 'flywheel.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  const table = page.getByLabel(/from a table/)
  await table.setInputFiles(file('x,y\n0,30\n3O,0\n'))
  const wrong = page.getByRole('alert').filter({ hasText: 'Not taken' })
  await expect(wrong).toContainText('Not taken, the pattern is as it was: Row 2, x: “3O” is no place on an engine.')
  await table.setInputFiles(file('x,y\n0,30\n30,0\n0,-30\n-30,0\n'))
  await expect(page.locator('[data-fastener]')).toHaveCount(4)
  await expect(wrong).toBeHidden()
  await expect
    .poll(async () => (await shop.document(id)).spec.joints!.find((joint) => joint.id === 'flywheel')!.groups[0]!.order)
    .toEqual([1, 3, 2, 4])
})

test('what cures and rests starts by itself, counts down on the board, warns a re-torque too soon, goes into a calendar', async ({
  page,
  shop,
}) => {
  const from = { source: 'gasket maker' }
  const id = await shop.bring(
    demo(WREN, (document) => ({
      ...document,
      spec: {
        ...document.spec,
        joints: document.spec.joints!.map((joint) =>
          joint.id === 'head'
            ? { ...joint, sealer: { name: 'Silicone', openMinutes: 10, from }, cure: { minutes: 240, from }, rest: { minutes: 1440, from } }
            : joint,
        ),
      },
      entries: [],
    })),
  )
  await openRun(page, shop, id, 'head')
  await pressPedal(page)
  for (let pulls = 0; pulls < 10; pulls++) await pressPedal(page)
  await pressPedal(page)
  await expect.poll(async () => (await pullsOf(shop, id)).at(-1)?.did).toBe('end')
  await page.goto(shop.server.address)
  const clocks = page.getByRole('list', { name: 'Clocks' }).filter({ hasText: 'Silicone' })
  await expect(clocks).toContainText(/Nothing wet at Cylinder head: Silicone cures for 3:59:\d\d/)
  await expect(clocks).toContainText(/Cylinder head rests before its re-torque for 23:59:\d\d/)
  const calendar = await (await fetch(`${shop.server.address}/api/clocks.ics?build=${id}`)).text()
  expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(2)
  expect(calendar).toContain('SUMMARY:Wren: Re-torque Cylinder head')
  await clocks.getByRole('link', { name: 'Cylinder head rests' }).click()
  await expect(page.getByText(/It has not rested yet: 23:59:\d\d to go/)).toBeVisible()
  // Backed off once its sealer has set, it would no longer seal.
  await expect(page.getByText('Its sealer has set: backed off, it no longer seals.')).toBeVisible()
})
