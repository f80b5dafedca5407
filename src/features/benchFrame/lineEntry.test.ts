import { describe, expect, it } from 'vitest'
import type { Characteristic, Station } from '@/core/benches'
import { bores } from '@/core/benches/bores'
import { cam } from '@/core/benches/cam'
import { rings } from '@/core/benches/rings'
import { compression } from '@/core/benches/compression'
import { openBuild } from '@/core/benches'
import type { Gauge, Reading } from '@/core/document'
import { rods } from '@/core/benches/rods'
import { without, withReading } from '../../../tests/support/builds'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { exampleOf, finerThanGauge, isPlausible, questionOf, readLine, standsAs, temperatureFrom } from './lineEntry'

const [tern, petrel] = DEMO_BUILDS.map((demo) => openBuild(demoDocument(demo, new Date('2026-03-01T12:00:00Z'))))
const gauge = (id: string): Gauge => tern!.gauges.get(id)!
const station = (bench: typeof bores, build = tern!, match = ''): Station => bench.stations(build).find(({ id }) => id.startsWith(match))!
const bore = station(bores, tern, 'bores.bore/c1')
const ring = station(rings, tern, 'rings.topGap/c1')
const deck = station(compression, tern, 'compression.deck/c1')
const boreCharacteristic: Characteristic = bores.definition.characteristics['bores.bore']!
const ringCharacteristic: Characteristic = rings.definition.characteristics['rings.topGap']!
const deckCharacteristic: Characteristic = compression.definition.characteristics['compression.deck']!

describe('the reading line reads', () => {
  it('a bare number in the unit of the place, another unit when it is said', () => {
    expect(readLine('83.004', boreCharacteristic, bore, 'mm', gauge('bore-metric.1')).parsed).toMatchObject({
      ok: true,
      value: 83.004,
      unit: 'mm',
    })
    expect(readLine('3.2679in', boreCharacteristic, bore, 'mm', gauge('bore-metric.1')).parsed).toMatchObject({
      ok: true,
      value: expect.closeTo(83.00466, 9),
      unit: 'in',
    })
  })

  it('a plus from nominal in the unit it can be meant in here, asks once where two are, and then knows', () => {
    const read = (text: string, offsetUnit?: 'mm' | 'hundredth' | 'um') =>
      readLine(text, boreCharacteristic, bore, 'mm', gauge('bore-metric.1'), offsetUnit).parsed
    expect(read('+0.4um')).toMatchObject({ ok: true, value: expect.closeTo(83.0004, 9) })
    expect(read('+4')).toMatchObject({
      ok: false,
      issue: { code: 'ambiguous', readings: [{ value: expect.closeTo(83.04, 9) }, { value: expect.closeTo(83.004, 9) }] },
    })
    expect(read('+4', 'hundredth')).toMatchObject({ ok: true, value: expect.closeTo(83.04, 9), offsetUnit: 'hundredth' })
    expect(read('+0.02mm')).toMatchObject({ ok: true, value: expect.closeTo(83.02, 9) })
  })

  it('a pair only where a feeler is in the hand, and strokes only of a ring on the file', () => {
    expect(readLine('.53/.54 10s', ringCharacteristic, ring, 'mm', gauge('feeler-fine.1'))).toMatchObject({
      parsed: { ok: true, value: 0.53, upper: 0.54 },
      strokes: 10,
    })
    expect(readLine('.53/.54 12 strokes', ringCharacteristic, ring, 'mm', gauge('feeler-fine.1')).strokes).toBe(12)
    expect(readLine('.53/.54', ringCharacteristic, ring, 'mm', gauge('feeler-fine.1')).strokes).toBeUndefined()
    expect(readLine('83.0 10s', boreCharacteristic, bore, 'mm', gauge('bore-metric.1')).parsed.ok).toBe(false)
  })

  it('an angle that was read turning back, only where the direction counts', () => {
    const stations = cam.stations(tern!)
    const opens = stations.find(({ id }) => id === 'cam.event/intake/opens')!
    const stop = stations.find(({ id }) => id === 'cam.stop/before/r1')!
    const { characteristics } = cam.definition
    const read = (text: string, station: typeof opens) =>
      readLine(text, characteristics[station.characteristic]!, station, 'deg', gauge('wheel.1'))
    expect(read('2 atdc back', opens)).toMatchObject({ parsed: { ok: true, value: 2 }, turnedBack: true })
    expect(read('-2 BACK', opens)).toMatchObject({ parsed: { ok: true, value: -2 }, turnedBack: true })
    expect(read('2 atdc', opens)).not.toHaveProperty('turnedBack')
    expect(read('-54 back', stop).parsed.ok).toBe(false)
  })

  it('temperatures of part and gauge, one for both, none when both are settled', () => {
    expect(temperatureFrom('28', 'metric')).toEqual({ temperature: { partTempC: 28, gaugeTempC: 28 } })
    expect(temperatureFrom('28/21', 'metric')).toEqual({ temperature: { partTempC: 28, gaugeTempC: 21 } })
    expect(temperatureFrom('86/70', 'inch')).toEqual({
      temperature: { partTempC: expect.closeTo(30, 9), gaugeTempC: expect.closeTo(21.111, 3) },
    })
    expect(temperatureFrom('20', 'metric')).toEqual({})
    expect(temperatureFrom('68', 'inch')).toEqual({})
    expect(temperatureFrom('warm', 'metric')).toHaveProperty('issue')
    expect(temperatureFrom('', 'metric')).toHaveProperty('issue')
    expect(temperatureFrom('200', 'metric')).toEqual({ issue: 'That is no temperature of a shop.' })
  })
})

describe('the reading line questions', () => {
  const draft = (at: Station, value: number) => ({ station: at, value, unit: 'mm' as const, gauge: 'x' })

  const ask = (drafted: ReturnType<typeof draft>) =>
    questionOf(drafted, boreCharacteristic, tern!, gauge('bore-metric.1'), bores.stations(tern!))

  it('nothing that the place can be', () => {
    expect(isPlausible(83.02, bore)).toBe(true)
    expect(ask(draft(bore, 83.02))).toBeUndefined()
  })

  it('a lost point and a wrong sign, with what was likely meant', () => {
    expect(ask(draft(bore, 8300.4))).toMatchObject({ slip: { code: 'decimalPoint', value: expect.closeTo(83.004, 9) } })
    expect(ask(draft(bore, 7))).toEqual({ draft: draft(bore, 7), outside: bore.expected })
  })

  it('one that stands far from the others though no slip explains it, and none that a worn part may be', () => {
    // Bores of 83.00 within 0.01 on a gauge of 0.002: 8 steps are 0.016, six times that 0.096.
    expect(ask(draft(bore, 83.6))).toEqual({ draft: draft(bore, 83.6) })
    expect(ask(draft(bore, 82.4))).toEqual({ draft: draft(bore, 82.4) })
    expect(ask(draft(bore, 83.07))).toBeUndefined()
    const deckAt = (mm: number) =>
      questionOf(draft(deck, mm), deckCharacteristic, tern!, gauge('dial-metric.1'), compression.stations(tern!))
    expect([deckAt(0.11), deckAt(0.3)]).toEqual([undefined, undefined])
    expect(deckAt(1.85)).toMatchObject({ draft: draft(deck, 1.85) })
    expect(deckAt(0.7)).toMatchObject({ draft: draft(deck, 0.7) })
  })

  it('a decimal beside one neighbour, beside its twin on the same part, and none that lies as near as parts do', () => {
    const stations = rods.stations(tern!)
    const side = stations[0]!
    const of = side.characteristic
    const told = rods.definition.characteristics[of]!
    const alone: Station = { ...side, usual: undefined, expected: { low: 0.01, high: 100 } }
    const others = stations.map((one) => (one.id === side.id ? alone : one))
    const build = {
      ...tern!,
      readings: {
        ...tern!.readings,
        current: new Map([[others.find(({ id, row }) => id !== side.id && row === side.row)!.id, { value: 6.1 } as Reading]]),
      },
    }
    const odd = (value: number) => questionOf({ ...draft(alone, value), unit: 'g' as 'mm' }, told, build, undefined, others)
    expect(odd(0.62)).toMatchObject({ slip: { code: 'decimalPoint', value: expect.closeTo(6.2, 9) } })
    expect(odd(5.4)).toBeUndefined()
  })

  it('a stop on one side by the other: 3.31 after the top against 31 before it', () => {
    const before = withReading(
      without(tern!, ({ characteristic }) => characteristic === 'cam.stop'),
      'cam.stop',
      { spot: 'before', repeat: 1 },
      -31,
      'wheel.1',
    )
    const stations = cam.stations(before)
    const after = stations.find(({ id }) => id === 'cam.stop/after/r1')!
    const told = cam.definition.characteristics['cam.stop']!
    const odd = (value: number) => questionOf({ ...draft(after, value), unit: 'deg' as 'mm' }, told, before, gauge('wheel.1'), stations)
    expect(odd(3.31)).toMatchObject({ slip: { code: 'decimalPoint', value: expect.closeTo(33.1, 9) } })
    // The pointer may stand well off: that is what the two sides find.
    expect(odd(46)).toBeUndefined()
  })

  it('nothing of a level of the burette: each fill starts where the last one ended', () => {
    const stations = compression.stations(tern!)
    const level = stations.find(({ id }) => id === 'compression.chamberEnd/c2/r1')!
    const ends = compression.definition.characteristics['compression.chamberEnd']!
    expect(questionOf(draft(level, 12.5), ends, tern!, gauge('burette.1'), stations)).toBeUndefined()
  })

  it('a dial one turn off its neighbours, but only of a dial', () => {
    const low = draft(deck, 1.05)
    expect(questionOf(low, deckCharacteristic, tern!, gauge('dial-metric.1'), compression.stations(tern!))?.slip).toMatchObject({
      code: 'dialTurn',
      value: expect.closeTo(0.05, 9),
    })
    expect(questionOf(low, deckCharacteristic, tern!, gauge('caliper.1'), compression.stations(tern!))?.slip?.code).not.toBe('dialTurn')
  })

  it('says when a value is finer than its gauge reads, whatever the unit it was typed in', () => {
    expect(finerThanGauge(0.05, gauge('dial-metric.1'))).toBe(false)
    expect(finerThanGauge(0.053, gauge('dial-metric.1'))).toBe(true)
    expect(finerThanGauge(2.1 * 25.4, petrel!.gauges.get('mic-inch.1')!)).toBe(false)
  })
})

describe('the example for a first reading', () => {
  it('is what the place should be, to the step of the gauge and in the unit shown', () => {
    expect(exampleOf(bore, 'mm', gauge('bore-metric.1'))).toBe('83.000')
    expect(exampleOf(bore, 'in', gauge('bore-inch.1'))).toBe('3.2677')
  })

  it('is a pair for a feeler, and can be typed as it stands', () => {
    const words = exampleOf(ring, 'mm', gauge('feeler-fine.1'))
    expect(words).toMatch(/^\d\.\d\d\/\d\.\d\d$/)
    const { parsed } = readLine(words, ringCharacteristic, ring, 'mm', gauge('feeler-fine.1'))
    expect(parsed.ok && isPlausible(parsed.value, ring)).toBe(true)
  })
})

describe('what stands at a place', () => {
  const reading = (more: object) => ({ value: 0.0508, unit: 'mm', asTyped: '0.0508', ...more }) as Reading
  const gauge = { resolution: 0.002 } as Gauge

  it('is said in the unit of the line: as typed where it is the same, else as finely as the gauge reads', () => {
    expect(standsAs(reading({}), 'mm', gauge)).toBe('0.0508')
    expect(standsAs(reading({}), 'thou', gauge)).toBe('2.00')
    expect(standsAs(reading({ upper: 0.0762 }), 'thou', { ...gauge, resolution: 0.0254 })).toBe('2/3')
    expect(standsAs(reading({ unit: 'thou', asTyped: '2t' }), 'thou', gauge)).toBe('2t')
  })
})
