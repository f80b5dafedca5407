import { demo, expect, test, WREN } from '../support/shop'

/** A joint on its page: where its fasteners stand, in which order, and where sealant goes. */

test('where sealant goes is typed by the numbers on the fasteners, drawn past them, and asks for a dry fit', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await page.goto(`${shop.server.address}/builds/${id}/joints/head`)
  await page.locator('[data-ready]').waitFor()
  const bead = page.getByLabel('Bead past fasteners, as 1 5 9 1')
  await bead.fill('1 2 7')
  await bead.press('Enter')
  await expect(page.getByText('No fastener has the number 7. The map is as it was.')).toBeVisible()
  await bead.fill('1 2 4 3 1')
  await bead.press('Enter')
  const nobody = page.getByLabel('Nobody pries at')
  await nobody.fill('5')
  await nobody.press('Enter')
  await expect(page.getByText('no prying')).toBeVisible()
  const order = (await shop.document(id)).spec.joints!.find((joint) => joint.id === 'head')!.groups.flatMap((group) => group.order)
  await expect
    .poll(async () => (await shop.document(id)).spec.joints!.find((joint) => joint.id === 'head')!.sealant)
    .toEqual({ bead: [1, 2, 4, 3, 1].map((turn) => order[turn - 1]), pryNot: [order[4]] })
  await page.goto(`${shop.server.address}/builds/${id}/joints/head/run`)
  await expect(page.getByText('dry fit first: everything once on without sealer, then off, clean, sealed')).toBeVisible()
})

test('fasteners are placed on the drawing, the last one goes again, and a joint that was run keeps its pattern', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  const placed = async () => (await shop.document(id)).spec.joints!.find((joint) => joint.id === 'head')!
  await page.goto(`${shop.server.address}/builds/${id}/joints/head`)
  await page.locator('[data-ready]').waitFor()
  const before = (await placed()).fasteners.length
  await page.getByRole('button', { name: 'Place fasteners by click' }).click()
  const drawing = page.getByRole('group', { name: 'Cylinder head, front to the left' }).first()
  const box = (await drawing.boundingBox())!
  await drawing.click({ position: { x: box.width * 0.5, y: box.height * 0.5 } })
  await expect.poll(async () => (await placed()).fasteners.length).toBe(before + 1)
  // In the middle of the drawing is the middle of the head; it is pulled last.
  const { fasteners, groups } = await placed()
  expect(Math.hypot(fasteners.at(-1)!.xMm, fasteners.at(-1)!.yMm)).toBeLessThan(30)
  expect(groups.at(-1)!.order.at(-1)).toBe(before + 1)
  await page.getByRole('button', { name: 'Take the last one away' }).click()
  await expect.poll(async () => (await placed()).fasteners.length).toBe(before)
  await page.goto(`${shop.server.address}/builds/${id}/joints/head/run`)
  await page.locator('[data-ready]').waitFor()
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-state="here"]')).toBeVisible()
  await page.goto(`${shop.server.address}/builds/${id}/joints/head`)
  await page.locator('[data-ready]').waitFor()
  await expect(page.getByRole('button', { name: 'Place fasteners by click' })).toBeHidden()
})

test('the order is rearranged by dragging its lines, here with the keys', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  const orderNow = async () => (await shop.document(id)).spec.joints!.find((joint) => joint.id === 'head')!.groups[0]!.order
  const before = await orderNow()
  await page.goto(`${shop.server.address}/builds/${id}/joints/head`)
  await page.locator('[data-ready]').waitFor()
  await page.getByRole('button', { name: 'Drag them into order' }).click()
  const list = page.getByRole('grid', { name: 'Order of studs' })
  await expect(list.getByRole('row')).toHaveCount(4)
  await list.getByRole('button', { name: 'Move 1' }).focus()
  await page.keyboard.press('Enter')
  // The first place offered is before the first; the next ones go down between the lines.
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect.poll(orderNow).not.toEqual(before)
  const after = await orderNow()
  expect([...after].sort()).toEqual([...before].sort())
  expect(after.indexOf(before[0]!)).toBeGreaterThan(0)
  expect(after.filter((one) => one !== before[0])).toEqual(before.slice(1))
})

test('a joint waits for another, says what to look at, and tells where its stages leave the maker’s', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  const plan = async () => (await shop.document(id)).spec.joints!.find((joint) => joint.id === 'head')!
  const home = `${shop.server.address}/builds/${id}/joints`
  await page.goto(`${home}/head`)
  await page.locator('[data-ready]').waitFor()
  await page.getByLabel('Flywheel').check()
  await page.getByLabel('Look first').fill('gasket and dowels in; oil feed open')
  await page.getByLabel('Look first').press('Enter')
  await page.getByLabel('Look last').fill('turns free by hand')
  await page.getByLabel('Look last').press('Enter')
  await expect
    .poll(async () => (await plan()).looks)
    .toEqual({ before: ['gasket and dowels in', 'oil feed open'], after: ['turns free by hand'] })
  const makers = page.getByLabel('The maker’s stages, where others are pulled').first()
  await makers.fill('5, 22')
  await makers.press('Enter')
  const issue = page.getByText('on its maker’s sheet. Say why, or take the maker’s.')
  await expect(issue).toContainText('Stage 1: 25 N·m here, 5 N·m')
  const why = page.getByLabel('Otherwise than its maker says, because').first()
  await why.fill('three stages on a new gasket')
  await why.press('Enter')
  await expect(issue).toBeHidden()
  await page.goto(`${home}/head/run`)
  await page.locator('[data-ready]').waitFor()
  await expect(page.getByText('look first: oil feed open')).toBeVisible()
  await expect(page.getByText('Flywheel: to be tight before this, and it is not')).toBeVisible()
  await page.keyboard.press('Enter')
  expect((await shop.document(id)).entries.filter(({ kind }) => kind === 'pull')).toEqual([])
  await page.goto(`${home}/head`)
  await page.locator('[data-ready]').waitFor()
  await page.getByLabel('Flywheel').uncheck()
  await expect.poll(async () => (await plan()).after).toBeUndefined()
  await page.goto(`${home}/head/run`)
  await page.locator('[data-ready]').waitFor()
  const { groups } = await plan()
  const pulls = groups.reduce((sum, { order, stages }) => sum + order.length * Math.max(1, stages.length), 0)
  for (let pull = 0; pull <= pulls; pull++) {
    await page.keyboard.press('Enter')
    await page.waitForTimeout(450)
  }
  await expect(page.getByText('Look before you end it: turns free by hand')).toBeVisible()
})
