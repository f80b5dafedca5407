import { describe, expect, it } from 'vitest'
import { openBuild, type Build, type Spec } from '@/core/build'
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
    const read = now.readings.current.get(`deck/c${cylinder}/${spot}`)
    return read ? withReading(now, 'deck', { cylinder, spot }, read.value + mm, read.gauge) : now
  }, build)
const remark = <Code extends Remark['code']>(build: Build, id: string, code: Code) =>
  find(build, id).remarks.find((one): one is Extract<Remark, { code: Code }> => one.code === code)

const ESTIMATES = ['endPressure', 'endTemperature', 'crankingPressure']
const ALL = [
  'compressionRatio',
  'ratioSpread',
  'quench',
  'deckClearance',
  'deckSpread',
  'deckFall',
  'chamberVolume',
  'chamberSpread',
  'effectiveRatio',
  ...ESTIMATES,
]

describe('what the bench finds', () => {
  it.each<readonly [string, Build, readonly string[]]>([
    ['all of it', tern, ALL],
    ['no quench without a pad', methods(tern, { squish: 'none' }), ALL.filter((output) => output !== 'quench')],
    [
      'the piston’s volume where it is measured down the bore, and no end of compression before it is',
      methods(tern, { piston: 'downTheBore' }),
      [...ALL.slice(0, 8), 'pistonVolume', 'effectiveRatio'],
    ],
    ['no effective ratio without intake closing', paper(tern, { intakeClosing: undefined }), ALL.slice(0, 8)],
    ['nor without a rod', paper(tern, { rodLength: undefined }), ALL.slice(0, 8)],
    ['no end of compression without the air it starts from', paper(tern, { ambientPressure: undefined }), ALL.slice(0, 9)],
    [
      'no temperature without the charge’s',
      paper(tern, { intakeTemperature: undefined }),
      ALL.filter((output) => output !== 'endTemperature'),
    ],
  ])('%s', (_, build, wanted) => expect(outputs(build)).toEqual(wanted))

  it('wants the same for the effective ratio as for the ratio', () => {
    const bare = without(tern, ({ characteristic, place }) => characteristic === 'deck' && place.cylinder === 2)
    expect(find(bare, 'effectiveRatio.2').missing).toEqual(find(bare, 'compressionRatio.2').missing)
    expect(
      compression
        .derive(bare)
        .filter(({ id, figure }) => id.endsWith('.2') && figure)
        .map(({ output }) => output),
    ).toEqual(['chamberVolume'])
  })
})

describe('the end of compression, by the effective ratio (polytropic; exponents assumed)', () => {
  it('pressure and temperature follow p·r^n and T·r^(n−1), boost counted', () => {
    const ratio = valueOf(tern, 'effectiveRatio.1')
    const boosted = valueOf(tern, 'endPressure.1')
    const bare = valueOf(
      spec(tern, (now) => ({ duty: { ...now.duty, boostKpa: 0 } })),
      'endPressure.1',
    )
    // 1.6 bar of boost on 101.325 kPa of ambient.
    expectNear(boosted / bare, (101.325 + 160) / 101.325, 1e-9)
    const exponent = Math.log(bare / 101.325) / Math.log(ratio)
    expectNear((valueOf(tern, 'endTemperature.1') + 273.15) / (45 + 273.15), ratio ** (exponent - 1), 1e-3)
    expectNear(exponent, 1.3, 0.06)
  })
})

describe('one that stands apart', () => {
  it('is named with the mean of the others, and only the furthest', () => {
    const deep = deeper(deeper(sound, 2, 0.1), 4, 0.06)
    const odd = remark(deep, 'deckClearance.2', 'oddOneOut')!
    const others = [1, 3, 4, 5].reduce((sum, cylinder) => sum + valueOf(deep, `deckClearance.${cylinder}`) / 4, 0)
    expectNear(odd.others.value.value, others, 1e-9)
    expectNear(odd.apart.value.value, valueOf(deep, 'deckClearance.2') - others, 1e-9)
    for (const cylinder of [1, 3, 4, 5]) expect(remark(deep, `deckClearance.${cylinder}`, 'oddOneOut'), String(cylinder)).toBeUndefined()
  })

  it('is not named for less than a quarter of its limit’s band, nor where there is no band', () => {
    // The band of the deck is 0.04: a quarter is 0.01; by hand the dial tells about 0.007 on a mean of four.
    const by = (mm: number, build = sound) => {
      const level = [1, 2, 3, 4, 5].reduce(
        (now, cylinder) => deeper(now, cylinder, 0.05 - valueOf(build, `deckClearance.${cylinder}`)),
        build,
      )
      return remark(deeper(level, 2, mm), 'deckClearance.2', 'oddOneOut') !== undefined
    }
    expect([by(0.005), by(0.02), by(-0.02)]).toEqual([false, true, true])
    const { deckClearance: _, ...limits } = sound.spec.limits
    const free = spec(sound, () => ({ limits }))
    expect(by(0.5, free)).toBe(false)
  })

  it('is not named where one alone is measured', () => {
    const alone = without(deeper(sound, 2, 0.2), ({ characteristic, place }) => characteristic === 'deck' && place.cylinder !== 2)
    expect(remark(alone, 'deckClearance.2', 'oddOneOut')).toBeUndefined()
  })
})

describe('what contradicts paper', () => {
  it('says what paper says, by how much; not where paper says nothing or the same', () => {
    const off = paper(sound, { deckClearance: { value: -0.1, unit: 'mm', source: 'sheet' } })
    const said = remark(off, 'deckClearance.3', 'contradictsPaper')!
    expect(said.key).toBe('deckClearance')
    expectNear(said.paper.value.value, -0.1, 1e-12)
    expectNear(said.apart.value.value, valueOf(off, 'deckClearance.3') + 0.1, 1e-9)
    expect(remark(sound, 'deckClearance.3', 'contradictsPaper')).toBeUndefined()
    expect(remark(paper(sound, { deckClearance: undefined }), 'deckClearance.3', 'contradictsPaper')).toBeUndefined()
    const chambers = paper(sound, { chamberVolume: { value: 48, unit: 'cm3', source: 'sheet' } })
    expect(remark(chambers, 'chamberVolume.3', 'contradictsPaper')!.key).toBe('chamberVolume')
  })
})

describe('the fall of the deck', () => {
  it('is the rear of a bank less its front, by the places cylinders stand at', () => {
    expectNear(valueOf(sound, 'deckFall'), valueOf(sound, 'deckClearance.5') - valueOf(sound, 'deckClearance.1'), 1e-9)
    expectNear(valueOf(v8, 'deckFall.left'), valueOf(v8, 'deckClearance.7') - valueOf(v8, 'deckClearance.1'), 1e-9)
    expectNear(valueOf(v8, 'deckFall.right'), valueOf(v8, 'deckClearance.8') - valueOf(v8, 'deckClearance.2'), 1e-9)
    const rearFirst = spec(sound, (now) => ({ layout: { ...now.layout, numberOneAt: 'rear' } }))
    expectNear(valueOf(rearFirst, 'deckFall'), -valueOf(sound, 'deckFall'), 1e-9)
  })

  it('wants both ends, and is not sure where one was read at two places of four', () => {
    const noRear = without(sound, ({ characteristic, place }) => characteristic === 'deck' && place.cylinder === 5)
    expect(find(noRear, 'deckFall').missing.length).toBe(4)
    const wide = spec(sound, (now) => ({ limits: { ...now.limits, deckFall: { lower: -9, upper: 9, source: 'test', reason: '' } } }))
    const half = without(
      wide,
      ({ characteristic, place }) => characteristic === 'deck' && place.cylinder === 5 && ['left', 'right'].includes(place.spot!),
    )
    expect([find(wide, 'deckFall').conformity!.verdict, find(half, 'deckFall').conformity!.verdict]).toEqual(['within', 'inDoubt'])
    expect(readingOf(half, 'deck/c5/front').value).toBe(readingOf(sound, 'deck/c5/front').value)
  })
})
