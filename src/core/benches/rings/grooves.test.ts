import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import { withSpec, type Build, type CharacteristicId, type Limit } from '@/core/document'
import { readingOf, ternDocument, withReading, withSpecOf } from '../../../../tests/support/builds'
import { standardUncertainty } from '../../metrology'
import { rings } from '.'

const tern = openBuild(ternDocument)
const read = withSpecOf(tern, (spec) => ({ ...spec, methods: { ...spec.methods, ringGrooves: true } }))
const find = (build: Build, id: string) => rings.derive(build).find((finding) => finding.id === id)
const reading = (build: Build, characteristic: CharacteristicId, value: number, gauge: string, upper?: number) =>
  withReading(build, characteristic, { cylinder: 3 }, value, gauge, { upper })
const limited = (build: Build, limits: Record<string, Limit>) =>
  withSpec(build, { ...build.spec, limits: { ...build.spec.limits, ...limits } })
const MAKER = { source: 'piston maker’s card', reason: '' }

describe('side and back clearance of the rings', () => {
  it('is asked for where the shop reads it, four places a cylinder after its gaps', () => {
    const groove = rings.stations(read).filter(({ characteristic }) => /(Side|Back)$/.test(characteristic))
    expect(rings.stations(tern).filter(({ characteristic }) => /(Side|Back)$/.test(characteristic))).toEqual([])
    expect(groove.length).toBe(5 * 4)
    expect(groove.slice(0, 4).map(({ id, row }) => [id, row])).toEqual([
      ['rings.topSide/c1', 'Top, side'],
      ['rings.secondSide/c1', 'Second, side'],
      ['rings.topBack/c1', 'Top, back'],
      ['rings.secondBack/c1', 'Second, back'],
    ])
    expect(find(read, 'rings.topSide.3')!.missing).toEqual([{ kind: 'reading', stationId: 'rings.topSide/c3' }])
    expect(find(tern, 'rings.topSide.3')).toBeUndefined()
  })

  it('has no limit until the maker’s number is entered', () => {
    const measured = reading(read, 'rings.topSide', 0.04, 'feeler-fine.1', 0.05)
    expect(find(measured, 'rings.topSide.3')).toMatchObject({ limit: undefined, conformity: undefined })
    expect(find(measured, 'rings.topSide.3')!.figure!.value.value).toBeCloseTo(0.045, 12)
  })

  it.each([
    // Leaf that goes, leaf that does not, verdict against 0.04 to 0.08 mm.
    [0.04, 0.05, 'within'],
    [0.03, 0.04, 'under'],
    [0.03, 0.05, 'inDoubt'],
    [0.07, 0.08, 'within'],
    [0.08, 0.09, 'over'],
  ])('a side where %f goes and %f does not is %s', (goes, doesNot, verdict) => {
    const build = limited(reading(read, 'rings.topSide', goes, 'feeler-fine.1', doesNot), {
      'rings.topSide': { ...MAKER, lower: 0.04, upper: 0.08 },
    })
    expect(find(build, 'rings.topSide.3')!.conformity!.verdict).toBe(verdict)
  })

  it('judges a ring that stands out of its groove under, with the sign it was read with', () => {
    const back = { 'rings.backClearance': { ...MAKER, lower: 0 } }
    const proud = find(limited(reading(read, 'rings.secondBack', -0.05, 'dial-metric.1'), back), 'rings.secondBack.3')!
    expect([proud.figure!.value.value, proud.conformity!.verdict]).toEqual([-0.05, 'under'])
    const sunk = find(limited(reading(read, 'rings.topBack', 0.25, 'dial-metric.1'), back), 'rings.topBack.3')!
    expect(sunk.conformity!.verdict).toBe('within')
    expect(standardUncertainty(sunk.figure!.value)).toBeGreaterThan(0.01 / Math.sqrt(12))
  })

  it('says nothing sure of a piston that came into the bore by a plan made after it was read', () => {
    const measured = limited(reading(read, 'rings.topSide', 0.05, 'feeler-fine.1', 0.06), {
      'rings.topSide': { ...MAKER, lower: 0.04, upper: 0.08 },
    })
    const last = readingOf(measured, 'rings.topSide/c3').id
    const planned = withSpec(measured, {
      ...measured.spec,
      choice: { ...measured.spec.choice, pistonInBore: [1, 2, 4, 3, 5], chosenAfter: { pistons: last } },
    })
    expect(find(planned, 'rings.topSide.3')).toMatchObject({
      conformity: { verdict: 'inDoubt' },
      remarks: expect.arrayContaining([{ code: 'oldPart', part: 'piston' }]),
    })
  })
})
