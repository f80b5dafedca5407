import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build, Spec } from '@/core/document'
import {
  find as findAt,
  readingOf,
  soundBuild,
  ternDocument,
  valueOf as valueAt,
  withReading,
  withSpecOf,
  without,
} from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import type { Remark } from '../../bench/bench'
import { compression } from '.'

const tern = openBuild(ternDocument)
const sound = soundBuild(0)
const v8 = soundBuild(1)
const find = (build: Build, id: string) => findAt(compression, build, id)
const valueOf = (build: Build, id: string) => valueAt(compression, build, id)
const outputs = (build: Build) => [...new Set(compression.derive(build).map(({ output }) => output))]
const spec = (build: Build, change: (spec: Spec) => Partial<Spec>) => withSpecOf(build, (now): Spec => ({ ...now, ...change(now) }))
const paper = (build: Build, more: Partial<Spec['paper']>) => spec(build, (now) => ({ paper: { ...now.paper, ...more } }))
const methods = (build: Build, more: Partial<Spec['methods']>) => spec(build, (now) => ({ methods: { ...now.methods, ...more } }))
const deeper = (build: Build, cylinder: number, mm: number) =>
  ['front', 'left', 'rear', 'right'].reduce((now, spot) => {
    const read = now.readings.current.get(`compression.deck/c${cylinder}/${spot}`)
    return read ? withReading(now, 'compression.deck', { cylinder, spot }, read.value + mm, read.gauge) : now
  }, build)
const remark = <Code extends Remark['code']>(build: Build, id: string, code: Code) =>
  find(build, id).remarks.find((one): one is Extract<Remark, { code: Code }> => one.code === code)

const ESTIMATES = ['compression.endPressure', 'compression.endTemperature', 'compression.crankingPressure']
const ALL = [
  'compression.compressionRatio',
  'compression.ratioSpread',
  'compression.quench',
  'compression.deckClearance',
  'compression.deckSpread',
  'compression.deckFall',
  'compression.chamberVolume',
  'compression.chamberSpread',
  'compression.effectiveRatio',
  ...ESTIMATES,
]

describe('what the bench finds', () => {
  it.each<readonly [string, Build, readonly string[]]>([
    ['all of it', tern, ALL],
    ['no quench without a pad', methods(tern, { squish: 'none' }), ALL.filter((output) => output !== 'compression.quench')],
    [
      'the piston’s volume where it is measured down the bore, and no end of compression before it is',
      methods(tern, { piston: 'downTheBore' }),
      [...ALL.slice(0, 8), 'compression.pistonVolume', 'compression.effectiveRatio'],
    ],
    ['no effective ratio without intake closing', paper(tern, { intakeClosing: undefined }), ALL.slice(0, 8)],
    ['nor without a rod', paper(tern, { rodLength: undefined }), ALL.slice(0, 8)],
    ['no end of compression without the air it starts from', paper(tern, { ambientPressure: undefined }), ALL.slice(0, 9)],
    [
      'no temperature without the charge’s',
      paper(tern, { intakeTemperature: undefined }),
      ALL.filter((output) => output !== 'compression.endTemperature'),
    ],
  ])('%s', (_, build, wanted) => expect(outputs(build)).toEqual(wanted))

  it('wants the same for the effective ratio as for the ratio', () => {
    const bare = without(tern, ({ characteristic, place }) => characteristic === 'compression.deck' && place.cylinder === 2)
    expect(find(bare, 'compression.effectiveRatio.2').missing).toEqual(find(bare, 'compression.compressionRatio.2').missing)
    expect(
      compression
        .derive(bare)
        .filter(({ id, figure }) => id.endsWith('.2') && figure)
        .map(({ output }) => output),
    ).toEqual(['compression.chamberVolume'])
  })
})

describe('the end of compression, by the effective ratio (polytropic; exponents assumed)', () => {
  it('pressure and temperature follow p·r^n and T·r^(n−1), boost counted', () => {
    const ratio = valueOf(tern, 'compression.effectiveRatio.1')
    const boosted = valueOf(tern, 'compression.endPressure.1')
    const bare = valueOf(
      spec(tern, (now) => ({ duty: { ...now.duty, boostKpa: 0 } })),
      'compression.endPressure.1',
    )
    // 1.6 bar of boost on 101.325 kPa of ambient.
    expectNear(boosted / bare, (101.325 + 160) / 101.325, 1e-9)
    const exponent = Math.log(bare / 101.325) / Math.log(ratio)
    expectNear((valueOf(tern, 'compression.endTemperature.1') + 273.15) / (45 + 273.15), ratio ** (exponent - 1), 1e-3)
    expectNear(exponent, 1.3, 0.06)
  })
})

describe('one that stands apart', () => {
  it('is named with the mean of the others, and only the furthest', () => {
    const deep = deeper(deeper(sound, 2, 0.1), 4, 0.06)
    const odd = remark(deep, 'compression.deckClearance.2', 'oddOneOut')!
    const others = [1, 3, 4, 5].reduce((sum, cylinder) => sum + valueOf(deep, `compression.deckClearance.${cylinder}`) / 4, 0)
    expectNear(odd.others.value.value, others, 1e-9)
    expectNear(odd.apart.value.value, valueOf(deep, 'compression.deckClearance.2') - others, 1e-9)
    for (const cylinder of [1, 3, 4, 5])
      expect(remark(deep, `compression.deckClearance.${cylinder}`, 'oddOneOut'), String(cylinder)).toBeUndefined()
  })

  it('is not named for less than a quarter of its limit’s band, nor where there is no band', () => {
    // The band of the deck is 0.04: a quarter is 0.01; by hand the dial tells about 0.007 on a mean of four.
    const by = (mm: number, build = sound) => {
      const level = [1, 2, 3, 4, 5].reduce(
        (now, cylinder) => deeper(now, cylinder, 0.05 - valueOf(build, `compression.deckClearance.${cylinder}`)),
        build,
      )
      return remark(deeper(level, 2, mm), 'compression.deckClearance.2', 'oddOneOut') !== undefined
    }
    expect([by(0.005), by(0.02), by(-0.02)]).toEqual([false, true, true])
    const { 'compression.deckClearance': _, ...limits } = sound.spec.limits
    const free = spec(sound, () => ({ limits }))
    expect(by(0.5, free)).toBe(false)
  })

  it('is not named where one alone is measured', () => {
    const alone = without(
      deeper(sound, 2, 0.2),
      ({ characteristic, place }) => characteristic === 'compression.deck' && place.cylinder !== 2,
    )
    expect(remark(alone, 'compression.deckClearance.2', 'oddOneOut')).toBeUndefined()
  })
})

describe('what contradicts paper', () => {
  it('says what paper says, by how much; not where paper says nothing or the same', () => {
    const off = paper(sound, { deckClearance: { value: -0.1, unit: 'mm', source: 'sheet' } })
    const said = remark(off, 'compression.deckClearance.3', 'contradictsPaper')!
    expect(said.key).toBe('deckClearance')
    expectNear(said.paper.value.value, -0.1, 1e-12)
    expectNear(said.apart.value.value, valueOf(off, 'compression.deckClearance.3') + 0.1, 1e-9)
    expect(remark(sound, 'compression.deckClearance.3', 'contradictsPaper')).toBeUndefined()
    expect(remark(paper(sound, { deckClearance: undefined }), 'compression.deckClearance.3', 'contradictsPaper')).toBeUndefined()
    const chambers = paper(sound, { chamberVolume: { value: 48, unit: 'cm3', source: 'sheet' } })
    expect(remark(chambers, 'compression.chamberVolume.3', 'contradictsPaper')!.key).toBe('chamberVolume')
  })
})

describe('the fall of the deck', () => {
  it('is the rear of a bank less its front, by the places cylinders stand at', () => {
    expectNear(
      valueOf(sound, 'compression.deckFall'),
      valueOf(sound, 'compression.deckClearance.5') - valueOf(sound, 'compression.deckClearance.1'),
      1e-9,
    )
    expectNear(
      valueOf(v8, 'compression.deckFall.left'),
      valueOf(v8, 'compression.deckClearance.7') - valueOf(v8, 'compression.deckClearance.1'),
      1e-9,
    )
    expectNear(
      valueOf(v8, 'compression.deckFall.right'),
      valueOf(v8, 'compression.deckClearance.8') - valueOf(v8, 'compression.deckClearance.2'),
      1e-9,
    )
    const rearFirst = spec(sound, (now) => ({ layout: { ...now.layout, numberOneAt: 'rear' } }))
    expectNear(valueOf(rearFirst, 'compression.deckFall'), -valueOf(sound, 'compression.deckFall'), 1e-9)
  })

  it('wants both ends, and is not sure where one was read at two places of four', () => {
    const noRear = without(sound, ({ characteristic, place }) => characteristic === 'compression.deck' && place.cylinder === 5)
    expect(find(noRear, 'compression.deckFall').missing.length).toBe(4)
    const wide = spec(sound, (now) => ({
      limits: { ...now.limits, 'compression.deckFall': { lower: -9, upper: 9, source: 'test', reason: '' } },
    }))
    const half = without(
      wide,
      ({ characteristic, place }) =>
        characteristic === 'compression.deck' && place.cylinder === 5 && ['left', 'right'].includes(place.spot!),
    )
    expect([find(wide, 'compression.deckFall').conformity!.verdict, find(half, 'compression.deckFall').conformity!.verdict]).toEqual([
      'within',
      'inDoubt',
    ])
    expect(readingOf(half, 'compression.deck/c5/front').value).toBe(readingOf(sound, 'compression.deck/c5/front').value)
  })
})
