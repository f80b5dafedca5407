import { v7 as uuidV7 } from 'uuid'
import { bores } from '@/core/benches/bores'
import { compression } from '@/core/benches/compression'
import { openBuild } from '@/core/benches'
import { stationId, withEntries, type Build, type Entry, type CharacteristicId, type Place } from '@/core/document'
import { showFigure, type Shown } from '@/wording'
import { demo, expect, finding, openBench, TERN, test } from '../support/shop'

/** The build as it would be with a reading of this value stored. */
function withReading(build: Build, characteristic: CharacteristicId, place: Place, value: number, gauge: string): Build {
  const before = build.readings.current.get(stationId(characteristic, place))
  return withEntries(build, [
    {
      kind: 'reading',
      id: uuidV7(),
      at: new Date().toISOString(),
      by: 'KV',
      characteristic,
      place,
      value,
      unit: 'mm',
      asTyped: String(value),
      gauge,
      ...(before && { supersedes: before.id }),
    } as Entry,
  ])
}

for (const { bench, output, characteristic, spot, keys } of [
  { bench: compression, output: 'compression.deckClearance', characteristic: 'compression.deck', spot: 'rear', keys: '0.45' },
  { bench: bores, output: 'bores.clearance', characteristic: 'bores.bore', spot: 'middle/thrust', keys: '83.046' },
] as const) {
  test(`every key of ${keys} shows what the finished number would mean, at one cylinder and then at the next (${bench.id})`, async ({
    page,
    shop,
  }) => {
    // A limit that nothing meets keeps every cylinder in sight.
    const id = await shop.bring(
      demo(TERN, (document) => ({
        ...document,
        spec: { ...document.spec, limits: { [output]: { upper: -0.4, source: 'test', reason: '' } } },
      })),
    )
    const build = openBuild(await shop.document(id))
    await openBench(page, shop, id, bench.id)
    for (const cylinder of [2, 3]) {
      const station = bench
        .stations(build)
        .find(
          (one) =>
            one.characteristic === characteristic &&
            one.place.cylinder === cylinder &&
            (one.place.spot ?? '').startsWith(spot.split('/')[0]!),
        )!
      await page.locator(`[data-station="${station.id}"]`).click()
      const gauge = build.readings.current.get(station.id)!.gauge
      for (let typed = 1; typed <= keys.length; typed++) {
        await page.keyboard.type(keys[typed - 1]!)
        const value = Number(keys.slice(0, typed))
        const isInReach = value >= station.expected.low && value <= station.expected.high
        if (!Number.isFinite(value) || !isInReach) continue
        const drafted = withReading(build, characteristic, station.place, value, gauge)
        const wanted = bench.derive(drafted).find((one) => one.id === `${output}.${cylinder}`)!
        const { value: shown } = showFigure(
          wanted.figure!.value,
          (bench.definition.outputs as Readonly<Record<string, Shown>>)[output]!,
          'metric',
        )
        await expect(finding(page, `${output}.${cylinder}`), keys.slice(0, typed)).toContainText(shown)
      }
      await page.keyboard.press('Escape')
    }
  })
}
