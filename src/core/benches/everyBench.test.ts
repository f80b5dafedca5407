import { describe, expect, it } from 'vitest'
import { withEntries, type Build, type Entry } from '@/core/document'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { soundBuild, stamp, TODAY, without } from '../../../tests/support/builds'
import { benchById, benchChecks, BENCHES, openBuild } from '.'

const [tern, petrel] = DEMO_BUILDS.map((demo) => openBuild(demoDocument(demo, TODAY))) as [Build, Build]
const sound = soundBuild(0)

describe('every bench', () => {
  it.each(BENCHES.map((bench) => [bench.id, bench] as const))(
    '%s: never judges what was not measured, and says what is wanted',
    (_, bench) => {
      const bare = openBuild({ ...demoDocument(DEMO_BUILDS[0]!, TODAY), entries: [] })
      // What a joint bears by its torque follows from its plan, and is called an estimate.
      for (const finding of bench.derive(bare).filter(({ joint }) => joint === undefined)) {
        expect(finding.figure, finding.id).toBeUndefined()
        expect(finding.conformity, finding.id).toBeUndefined()
        expect(finding.missing.length, finding.id).toBeGreaterThan(0)
      }
      expect(bench.advise(bare, bench.derive(bare))).toEqual([])
    },
  )

  it.each(BENCHES.map((bench) => [bench.id, bench] as const))(
    '%s: stations have names and places of their own, and a gauge of the drawer takes each',
    (_, bench) => {
      for (const build of [tern, petrel]) {
        const stations = bench.stations(build)
        expect(new Set(stations.map(({ id }) => id)).size).toBe(stations.length)
        for (const { characteristic, expected } of stations) {
          expect(bench.definition.characteristics[characteristic]).toBeDefined()
          expect(expected.low).toBeLessThan(expected.high)
        }
      }
    },
  )

  it('finds nothing out in an engine without faults', () => {
    const out = BENCHES.flatMap((bench) => bench.derive(sound)).filter(
      ({ conformity }) => conformity?.verdict === 'over' || conformity?.verdict === 'under',
    )
    expect(out.map(({ id }) => id)).toEqual([])
  })

  it('does not depend on the order in which readings arrived', () => {
    const document = demoDocument(DEMO_BUILDS[0]!, TODAY)
    // The torque to turn alone follows the order: each cap is held against the one tightened before it.
    const isSpin = (entry: Entry) => 'characteristic' in entry && entry.characteristic === 'bearings.spin'
    const shuffled = openBuild({
      ...document,
      entries: [...document.entries.filter((entry) => !isSpin(entry)).toReversed(), ...document.entries.filter(isSpin)],
    })
    for (const bench of BENCHES)
      expect(bench.derive(shuffled).map(({ id, figure }) => [id, figure?.value.value])).toEqual(
        bench.derive(tern).map(({ id, figure }) => [id, figure?.value.value]),
      )
  })
})

describe('checks', () => {
  it('keep the last word, and what was said before it', () => {
    const done = benchChecks(benchById('bores'), tern).find(({ id }) => id === 'bores.cracks')!
    expect(done.check).toMatchObject({ passed: true })
    const found = withEntries(tern, [
      { kind: 'check', ...stamp(), characteristic: 'bores.cracks', place: {}, passed: false, text: 'between 2 and 3' },
    ])
    expect(benchChecks(benchById('bores'), found).find(({ id }) => id === 'bores.cracks')!.check).toMatchObject({
      passed: false,
      text: 'between 2 and 3',
    })
    expect(found.readings.history.get('bores.cracks')).toHaveLength(2)
  })

  it('are asked once, or for each', () => {
    expect(
      benchChecks(benchById('bearings'), tern)
        .filter(({ id }) => id === 'bearings.oilHoles')
        .map(({ place }) => place.main),
    ).toEqual([1, 2, 3, 4, 5, 6])
    expect(benchChecks(benchById('rods'), tern).filter(({ id }) => id === 'rods.pinClips')).toHaveLength(5)
  })
})

describe('a figure that is not called within although it is', () => {
  const SAID = new Set(['incomplete', 'leftOutAtSpeed', 'syntheticLobe', 'curveSlips', 'tdcNotProven', 'restsOnPart'])

  it('says why, whatever of it is not read', () => {
    for (const which of [0, 1, 2])
      for (const part of [0, 1, 2, 3]) {
        const build = without(soundBuild(which), ({ id }) => part > 0 && id.charCodeAt(35) % 4 === part)
        const held = BENCHES.flatMap((bench) => bench.derive(build)).filter(({ conformity }) => conformity?.isHeldBack)
        for (const { id, conformity, remarks } of held) {
          expect(conformity!.verdict, id).toBe('inDoubt')
          expect(
            remarks.some(({ code }) => SAID.has(code)),
            id,
          ).toBe(true)
        }
        if (part > 0) expect(held.length).toBeGreaterThan(0)
      }
  })
})
