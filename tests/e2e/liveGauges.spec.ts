import { currentCards, type BuildDocument, type Gauge } from '@/core/document'
import { formatGaugeLine } from '@/core/liveGauge'
import { GaugeSet, handFor, openPlaces } from '@/demo/gaugeSet'
import { BENCHES, openBuild } from '@/core/benches'
import { demo, enter, expect, openBench, place, readings, TERN, test, WREN } from '../support/shop'

const emptyTern = (): BuildDocument => demo(TERN, (document) => ({ ...document, entries: [] }))
const cardOf = (document: BuildDocument, gauge: string): Gauge =>
  currentCards(document.gauges as Gauge[]).find((card) => card.gauge === gauge)!

test('presses of a gauge land once and in order, through a repeated line, a dropped connection and a reload', async ({ page, ownShop }) => {
  const document = emptyTern()
  const id = await ownShop.bring(document)
  await openBench(page, ownShop, id, 'bores')
  await page.keyboard.press('l')
  await expect(page.getByText('listening to live gauges')).toBeVisible()
  const gauges = new GaugeSet(ownShop.server.address)
  const bore = cardOf(document, 'bore-metric')
  const values = [83.002, 83.004, 83, 83.006, 83.008, 83.01]
  await gauges.press(bore, { value: values[0]! })
  await expect(place(page)).toHaveText('Cylinder 1, bore, top, pin axis')
  // The gauge did not hear the answer and repeats its line.
  const again = formatGaugeLine({ name: 'bore-metric', value: values[1]!, unit: 'mm', sequence: 900 })
  await gauges.send(again)
  await gauges.send(again)
  await expect(place(page)).toHaveText('Cylinder 1, bore, middle, thrust axis')
  await ownShop.server.kill()
  await expect(page.getByText('server lost, trying again')).toBeVisible()
  const waiting = gauges.press(bore, { value: values[2]! })
  await ownShop.server.up()
  await waiting
  await expect(place(page)).toHaveText('Cylinder 1, bore, middle, pin axis')
  await page.reload()
  await page.locator('[data-ready]').waitFor()
  await gauges.press(bore, { value: values[3]! })
  await expect(place(page)).toHaveText('Cylinder 1, bore, bottom, thrust axis')
  // What is absurd for its place is questioned, and the presses behind it wait for the answer.
  await gauges.press(bore, { value: 8.3 })
  await expect(page.locator('#understood')).toContainText('outside')
  await gauges.press(bore, { value: values[5]! })
  await page.keyboard.press('Escape')
  await expect(place(page)).toHaveText('Cylinder 1, bore, bottom, pin axis')
  await expect(page.getByText('not sent yet')).toHaveCount(0)
  expect(readings(await ownShop.document(id)).map(({ value }) => value)).toEqual([values[0], values[1], values[2], values[3], values[5]])
})

test('a garbled line is refused, a press of the wrong kind is told and not stored', async ({ page, shop }) => {
  const document = emptyTern()
  const id = await shop.bring(document)
  await openBench(page, shop, id, 'bores')
  await page.keyboard.press('l')
  await expect(page.getByText('listening to live gauges')).toBeVisible()
  const gauges = new GaugeSet(shop.server.address, 5000)
  await expect(gauges.send('bore-metric;83.002;mm;1;0000')).rejects.toThrow(/garbled on the way.*Nothing was taken/)
  await gauges.press(cardOf(document, 'scales'), { value: 342.1 })
  await expect(page.locator('#understood')).toContainText('scales sent 342.1 g: this place wants mm. It was not stored.')
  expect(readings(await shop.document(id))).toHaveLength(0)
})

test('a serial gauge’s lines land, also when they come in pieces and one between them is garbled', async ({ page, shop }) => {
  const document = emptyTern()
  const id = await shop.bring(document)
  const lines = [1, 2]
    .map((count) => formatGaugeLine({ name: 'bore-metric', value: 83 + count / 1000, unit: 'mm', sequence: 7000 + count }))
    .join('\r\nbore-metric;83.9;mm;7009;0000\r\n')
  // A port as the browser would give one, its bytes cut in the middle of a line.
  await page.addInitScript((text) => {
    const bytes = new TextEncoder().encode(`${text}\r\n`)
    const port = {
      open: () => Promise.resolve(),
      close: () => Promise.resolve(),
      readable: new ReadableStream({
        start(controller) {
          controller.enqueue(bytes.slice(0, 11))
          controller.enqueue(bytes.slice(11))
        },
      }),
    }
    Object.defineProperty(navigator, 'serial', { value: { requestPort: () => Promise.resolve(port) } })
  }, lines)
  await openBench(page, shop, id, 'bores')
  await page.keyboard.press('l')
  // What is pressed before somebody listens is at no bench.
  await expect(page.getByText('listening to live gauges')).toBeVisible()
  await page.getByRole('button', { name: 'Serial gauge' }).click()
  await expect(page.getByText('garbled on the way')).toBeVisible()
  await expect.poll(async () => readings(await shop.document(id)).map(({ value }) => value)).toEqual([83.001, 83.002])
})

test('a whole short block from simulated gauges and by keyboard: every reading there once', async ({ page, ownShop }) => {
  const document = demo(WREN, (full) => ({ ...full, entries: [] }))
  const id = await ownShop.bring(document)
  const hand = handFor(document, 41)
  const gauges = new GaugeSet(ownShop.server.address, 10_000)
  const wanted: { characteristic: string; place: unknown; value: number }[] = []
  for (const { id: benchId } of BENCHES) {
    const places = openPlaces(openBuild(await ownShop.document(id)), benchId)
    // A single with a pressed crank has no rod bolts.
    if (places.length === 0) continue
    await openBench(page, ownShop, id, benchId)
    // Once listening, a tab goes on listening at the next bench.
    if (wanted.length === 0) await page.keyboard.press('l')
    await expect(page.getByText(/listening to live gauges|at this bench: /)).toBeVisible()
    for (const [index, { station, gauge }] of places.entries()) {
      const indicated = hand.read(station.characteristic, station.place, gauge)
      // Every fifth by hand, the rest by the button, as on a real bench where not every gauge has one.
      if (index % 5 === 4) {
        await expect(place(page)).toHaveText(station.label)
        const unit = gauge.unit === 'mm' ? 'mm' : ''
        await enter(page, indicated.upper === undefined ? `${indicated.value}${unit}` : `${indicated.value}/${indicated.upper}${unit}`)
      } else await gauges.press(gauge, indicated)
      wanted.push({ characteristic: station.characteristic, place: station.place, value: indicated.value })
    }
    await expect.poll(async () => readings(await ownShop.document(id)).length).toBe(wanted.length)
  }
  const stored = readings(await ownShop.document(id))
  expect(stored.length).toBe(BENCHES.flatMap((bench) => bench.stations(openBuild(document))).length)
  expect(stored.map(({ characteristic, place: at, value }) => ({ characteristic, place: at, value }))).toEqual(wanted)
})
