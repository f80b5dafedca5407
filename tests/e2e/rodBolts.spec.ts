import { later } from '../support/pedal'
import { demo, enter, expect, finding, openBench, PETREL, place, readings, TERN, test, visit } from '../support/shop'

/** Rod bolts: by stretch, the odd one by its curve and its name, and what the ledger makes of it afterwards. */

test('the bolt that yields is named by its curve, opens down to its readings, and is to be thrown away', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await openBench(page, shop, id, 'fasteners')
  const bend = finding(page, 'fasteners.bend.b8')
  await expect(bend).toContainText('Off its straight line, rod 4, bolt 2')
  await expect(bend).toContainText('Stretches more than its line from 43 N·m on, in cycle 1: it is yielding.')
  await expect(
    page.getByRole('img', { name: /Stretch, mm, against torque, N·m, 10 bolts; rod 4, bolt 2: off its straight line/ }),
  ).toBeVisible()
  await expect(page.getByText('Throw away rod 4, bolt 2: it has gone past its yield')).toBeVisible()
  await expect(finding(page, 'fasteners.growth.b8')).toContainText('Over by')
  await bend.click()
  const panel = page.getByRole('dialog')
  await expect(panel).toContainText('stretch − (a + b · torque), a and b from the steps before')
  await expect(panel).toContainText('least squares (Gauss)')
})

test('by torque alone nothing is asked; by stretch a free and a tight length make a stretch with its load', async ({ page, shop }) => {
  const id = await shop.bring(demo(PETREL))
  await openBench(page, shop, id, 'fasteners')
  await expect(place(page)).toHaveText('Rod 1, bolt 1, free')
  await page.getByText('By torque alone', { exact: true }).click()
  await expect(page.getByRole('button', { name: /^Rod 1, bolt 1, free:/ })).toBeHidden()
  await page.getByText('By stretch', { exact: true }).click()
  await page.getByRole('button', { name: /^Rod 1, bolt 1, free:/ }).click()
  await enter(page, '1.8900')
  const stored = async () => readings(await shop.document(id)).filter(({ characteristic }) => characteristic.startsWith('fasteners.'))
  await expect.poll(async () => (await stored()).length).toBe(1)
  await page.getByRole('button', { name: /^Rod 1, bolt 1, tight:/ }).click()
  // A length of another bolt, or a slip of the decimal, is asked about before it is stored.
  await enter(page, '1.9964')
  await expect(page.locator('#understood')).toContainText('?')
  expect(await stored()).toHaveLength(1)
  await page.keyboard.press('Control+a')
  await enter(page, '1.8964')
  await expect(finding(page, 'fasteners.stretch.b1')).toContainText('6.4')
  await expect
    .poll(async () => (await stored()).find(({ characteristic }) => characteristic === 'fasteners.tightLength'))
    .toMatchObject({ place: { bolt: 1 }, asTyped: '1.8964' })
})

test('a cycle ends where the stretch is reached: the next place is the lowest step of the cycle after it', async ({ page, shop }) => {
  const isStep = (entry: { characteristic?: string }) => entry.characteristic === 'fasteners.lengthAt'
  const id = await shop.bring(
    demo(TERN, (document) => ({
      ...document,
      spec: { ...document.spec, methods: { ...document.spec.methods, rodBolts: 'found' } },
      entries: document.entries.filter((entry) => !isStep(entry as { characteristic?: string })),
    })),
  )
  await openBench(page, shop, id, 'fasteners')
  await expect(place(page)).toHaveText('Rod 1, bolt 1, cycle 1, at 18 N·m')
  // Free 48.010: 0.160 mm at 38 N·m is more than the card's 0.154.
  for (const text of ['48.066', '48.088', '48.110', '48.132']) await enter(page, text)
  await expect(place(page)).toHaveText('Rod 1, bolt 1, cycle 1, at 38 N·m')
  await enter(page, '48.170')
  await expect(place(page)).toHaveText('Rod 1, bolt 1, cycle 2, at 18 N·m')
  await expect(page.getByRole('button', { name: /cycle 1, at 43 N·m/ })).toBeHidden()
  await expect(page.getByRole('button', { name: /cycle 2, at 43 N·m/ })).toBeVisible()
})

test('of more bolts than a page holds those that are not on it are found as well, with no script either', async ({
  browser,
  page,
  ownShop,
}) => {
  const sets = Array.from({ length: 22 }, (_, set) => set + 1)
  await ownShop.bring(
    demo(TERN, (document) => {
      const head = document.spec.joints!.find(({ id }) => id === 'head')!
      const joints = sets.map((set) => ({
        ...head,
        id: `set${set}`,
        name: `Set ${set}`,
        toldApartBy: 'mark' as const,
        fasteners: head.fasteners.map((one, index) => ({ ...one, mark: `S${set}-${index + 1}` })),
      }))
      return { ...document, spec: { ...document.spec, joints } }
    }),
  )
  await visit(page, ownShop, '/bolts')
  const { fasteners } = demo(TERN).spec.joints!.find(({ id }) => id === 'head')!
  await expect(page.getByText(`200 of ${sets.length * fasteners.length} bolts are on this page`)).toBeVisible()
  await expect(page.getByRole('row')).toHaveCount(201)
  const find = page.getByLabel('Find a mark, a thread, a build')
  await find.fill('s22-9')
  await expect(page.getByText('None of that name on this page: Enter looks through all.')).toBeVisible()
  await find.press('Enter')
  await expect(page.getByRole('row').nth(1)).toContainText('S22-9')
  await expect(page.getByRole('row')).toHaveCount(2)
  const bare = await browser.newContext({ javaScriptEnabled: false })
  const plain = await bare.newPage()
  await plain.goto(`${ownShop.server.address}/bolts?find=S22-9`)
  await expect(plain.getByRole('row').nth(1)).toContainText('S22-9')
  await bare.close()
})

test('a bolt that is done with stands first in the ledger, and keeps its joint from being run until somebody says why', async ({
  page,
  ownShop,
}) => {
  // Each rod's nuts are reached at its own angle.
  const tops = [0, 144, 216, 288, 72]
  const id = await ownShop.bring(
    demo(TERN, (document) => ({
      ...document,
      spec: {
        ...document.spec,
        joints: document.spec.joints!.map((one) =>
          one.id === 'rods'
            ? { ...one, fasteners: one.fasteners.map((bolt, index) => ({ ...bolt, crankDeg: tops[Math.floor(index / 2)] })) }
            : one,
        ),
      },
    })),
  )
  await page.goto(ownShop.server.address)
  await page.getByRole('link', { name: 'Bolt ledger' }).click()
  await expect(page.getByRole('row').nth(1)).toContainText(
    /T4b.*done with: longer for good, past its yield on its curve.*Tern, rod bolts 8/,
  )
  await page.locator('[data-ready]').waitFor()
  await page.getByLabel('Find a mark, a thread, a build').fill('t1a')
  await expect(page.getByRole('row')).toHaveCount(2)
  await expect(page.getByRole('row').nth(1)).toContainText(/T1a\s*M9x1\s*4/)
  const joint = `${ownShop.server.address}/builds/${id}/joints/rods`
  await page.goto(`${joint}/run`)
  await page.locator('[data-ready]').waitFor()
  await expect(
    page.getByText('Bolt T4b: longer for good (Tern). Fit another, or say under “Hole by hole” why it is used again.'),
  ).toBeVisible()
  await expect(page.getByRole('button', { name: /tighten/ })).toBeDisabled()
  await page.goto(joint)
  await page.locator('[data-ready]').waitFor()
  await page.getByText('Hole by hole').click()
  await page.getByLabel('Fastener 8: used again, because').fill('mock-up only, not run')
  await page.keyboard.press('Enter')
  await expect
    .poll(async () => (await ownShop.document(id)).spec.joints!.find((one) => one.id === 'rods')!.fasteners[7]!.usedAgain)
    .toBe('mock-up only, not run')
  await page.goto(`${joint}/run`)
  await page.locator('[data-ready]').waitFor()
  await expect(page.getByText('Bolt T4b')).toBeHidden()
  await expect(page.getByText('the crank turned to a stop 5 times')).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByText('Turn the crank to 0° after 1’s top')).toBeVisible()
  await later(page)
  await page.keyboard.press('Enter')
  await expect(page.getByText('Crank stays at 0°.')).toBeVisible()
  await later(page)
  await page.keyboard.press('Enter')
  await expect(page.getByText('Turn the crank to 144° after 1’s top')).toBeVisible()
})
