import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { EngineChange, Work } from '@/core/document'
import { expectNear } from '../../../tests/support/expectNear'
import { find, readingOf, ternDocument, valueOf, withReading, withSpecOf } from '../../../tests/support/builds'
import { bores } from '../benches/bores'
import { compression } from '../benches/compression'
import { rings } from '../benches/rings'
import { rods } from '../benches/rods'
import { applyChanges, withChanges, withPlannedAfter } from './changes'

const tern = openBuild(ternDocument)
const planned = (...changes: EngineChange[]) => withSpecOf(tern, (spec) => withPlannedAfter(withChanges(spec, changes), tern))
const HONE: Work = { what: 'hone', cylinder: 3, by: 0.02 }

describe('changes applied', () => {
  it.each<[string, EngineChange, Parameters<typeof valueOf>[0], string, number]>([
    ['a deck cut brings a piston up', { what: 'deckCut', by: 0.1 }, compression, 'compression.deckClearance.2', -0.1],
    ['and leaves the stack as it was', { what: 'deckCut', by: 0.1 }, rods, 'rods.stackApart.2', 0],
    ['a chamber opened', { what: 'openChamber', cylinder: 2, by: 0.4 }, compression, 'compression.chamberVolume.2', 0.4],
    ['not its neighbour', { what: 'openChamber', cylinder: 1, by: 0.4 }, compression, 'compression.chamberVolume.2', 0],
    ['a bore honed', HONE, bores, 'bores.clearance.3', 0.02],
    ['opens the gap of the ring in it by π times as much', HONE, rings, 'rings.topGap.3', Math.PI * 0.02],
    ['a ring filed', { what: 'ringGap', ring: 'second', cylinder: 3, by: 0.05 }, rings, 'rings.secondGap.3', 0.05],
    ['grams off a piston', { what: 'lighten', cylinder: 4, by: 2 }, rods, 'rods.reciprocating.4', -2],
  ])('%s', (_, change, bench, id, by) => {
    const moved = (build: typeof tern) => valueOf(bench, build, id) - valueOf(bench, tern, id)
    expectNear(moved(applyChanges(tern, [change])), by, 1e-9)
    expectNear(moved(planned(change)), by, 1e-9)
  })

  it('a head cut takes its depth times the open area of the chamber', () => {
    const openAreaCm2 = tern.spec.paper.chamberOpenArea!.value
    const cut = applyChanges(tern, [{ what: 'headCut', by: 0.1 }])
    const chamber = 'compression.chamberVolume.2'
    expectNear(valueOf(compression, cut, chamber), valueOf(compression, tern, chamber) - 0.01 * openAreaCm2, 1e-9)
  })

  it('two amounts on one place are added up, and what is considered on top of what is planned', () => {
    const twice = applyChanges(planned(HONE), [HONE, { ...HONE, by: 0.01 }])
    expectNear(valueOf(bores, twice, 'bores.clearance.3'), valueOf(bores, tern, 'bores.clearance.3') + 0.05, 1e-9)
  })

  it('nothing changed is the build itself', () => expect(applyChanges(tern, [])).toBe(tern))
})

describe('choices', () => {
  const { choice } = tern.spec
  const pair = { upper: 'x', lower: 'std', plannedOn: tern.entries[0]!.id }
  it.each<[string, EngineChange, object]>([
    ['a gasket', { choose: 'gasket', id: 'hl-g1' }, { gasket: 'hl-g1' }],
    ['other pistons', { choose: 'piston', id: 'flat' }, { piston: 'flat' }],
    ['pistons into other bores', { choose: 'pistonInBore', marks: [2, 1, 3, 4, 5] }, { pistonInBore: [2, 1, 3, 4, 5] }],
    [
      'shells, beside those of other journals',
      { choose: 'shells', journal: 'main.2', pair },
      { shells: { 'main.1': pair, 'main.2': pair } },
    ],
  ])('%s: held in the choice, everything else as it was, and no work planned', (_, change, chosen) => {
    const before = { ...tern.spec, choice: { ...choice, ...('shells' in chosen && { shells: { 'main.1': pair } }) } }
    expect(withChanges(before, [change])).toEqual({ ...before, choice: { ...before.choice, ...chosen } })
  })

  it('only of the part that is chosen is what was measured the old one’s', () => {
    const last = tern.entries.at(-1)!.id
    const gasket = applyChanges(tern, [{ choose: 'gasket', id: 'hl-g1' }]).spec.choice
    expect(gasket.chosenAfter).toEqual({ ...choice.chosenAfter, gasket: last })
    const pistons = applyChanges(tern, [{ choose: 'pistonInBore', marks: [2, 1, 3, 4, 5] }]).spec.choice
    expect(pistons.chosenAfter).toEqual({ ...choice.chosenAfter, pistons: last })
    expect(applyChanges(tern, [{ choose: 'gasket', id: choice.gasket! }]).spec).toEqual(tern.spec)
  })
})

describe('what the parts were when they were read', () => {
  const machined = (build: typeof tern, spots: readonly string[]) =>
    spots.reduce((now, spot) => {
      const { value, gauge } = readingOf(tern, `bores.bore/c3/${spot}`)
      const more = { partState: 'machined', supersedes: undefined }
      return withReading(now, 'bores.bore', { cylinder: 3, spot }, value + 0.02, gauge, more)
    }, build)
  const SPOTS = ['top', 'middle', 'bottom'].flatMap((depth) => [`${depth}-thrust`, `${depth}-pin`])
  const said = (build: typeof tern, id: string) => find(bores, build, id).remarks.filter(({ code }) => code.startsWith('partState'))

  it('is said of a finding that rests on it, and not of another cylinder', () => {
    const honed = machined(tern, SPOTS)
    expectNear(valueOf(bores, honed, 'bores.boreDiameter.3'), valueOf(bores, tern, 'bores.boreDiameter.3') + 0.02, 1e-9)
    expect(said(honed, 'bores.boreDiameter.3')).toEqual([{ code: 'partState', state: 'machined' }])
    expect(said(honed, 'bores.boreDiameter.2')).toEqual([])
    // The skirt was read as found: the clearance rests on both.
    expect(said(honed, 'bores.clearance.3')).toEqual([{ code: 'partStates', states: ['asFound', 'machined'] }])
    expect(said(machined(tern, SPOTS.slice(0, 2)), 'bores.boreDiameter.3')).toEqual([
      { code: 'partStates', states: ['asFound', 'machined'] },
    ])
    expect(said(tern, 'bores.boreDiameter.3')).toEqual([])
  })
})

describe('work a build holds', () => {
  it('is said of what rests on it, which is within only once it is measured', () => {
    const build = planned(HONE)
    const codes = (id: string) => find(bores, build, id).remarks.map(({ code }) => code)
    expect(codes('bores.clearance.3')).toContain('planned')
    expect(codes('bores.clearance.2')).not.toContain('planned')
    expect(find(bores, tern, 'bores.outOfRound.3').conformity!.verdict).toBe('within')
    expect(find(bores, build, 'bores.outOfRound.3').conformity!.verdict).toBe('inDoubt')
    expect(find(bores, build, 'bores.outOfRound.2').conformity!.verdict).toBe('within')
    // Considered, not held: judged as it would be.
    expect(find(bores, applyChanges(tern, [HONE]), 'bores.outOfRound.3').conformity!.verdict).toBe('within')
  })

  it('is counted for what was read before it, and no more for what is read after', () => {
    const build = planned({ what: 'deckCut', by: 0.1 })
    const spots = ['front', 'left', 'rear', 'right']
    const measured = spots.reduce((now, spot) => {
      const { value, gauge } = readingOf(tern, `compression.deck/c2/${spot}`)
      return withReading(now, 'compression.deck', { cylinder: 2, spot }, value - 0.08, gauge)
    }, build)
    const deck = (of: typeof tern, cylinder: number) => valueOf(compression, of, `compression.deckClearance.${cylinder}`)
    expectNear(deck(measured, 2), deck(tern, 2) - 0.08, 1e-9)
    expectNear(deck(measured, 1), deck(tern, 1) - 0.1, 1e-9)
    expect(find(compression, measured, 'compression.deckClearance.2').remarks.map(({ code }) => code)).not.toContain('planned')
    expect(find(compression, measured, 'compression.deckClearance.1').remarks.map(({ code }) => code)).toContain('planned')
  })

  it('dropped and taken back, is planned on the parts as they were when it was planned first', () => {
    const first = planned(HONE)
    const later = withReading({ ...first, spec: tern.spec }, 'bores.skirt', { cylinder: 2 }, 82.9, 'mic-metric.1')
    expect(withPlannedAfter(first.spec, later).planned).toEqual(first.spec.planned)
  })

  it('of the deck leaves the stack alone: also once the deck is measured again, paper being of the block before', () => {
    const build = planned({ what: 'deckCut', by: 0.1 })
    const measured = ['front', 'left', 'rear', 'right'].reduce((now, spot) => {
      const { value, gauge } = readingOf(tern, `compression.deck/c2/${spot}`)
      return withReading(now, 'compression.deck', { cylinder: 2, spot }, value - 0.1, gauge)
    }, build)
    expectNear(valueOf(rods, measured, 'rods.stackApart.2'), valueOf(rods, tern, 'rods.stackApart.2'), 1e-9)
    const codes = (cylinder: number) => find(rods, measured, `rods.stackApart.${cylinder}`).remarks.map(({ code }) => code)
    expect([codes(1).includes('planned'), codes(2).includes('planned')]).toEqual([true, false])
  })

  it('keeps the entry it was planned after when the spec is stored again, and a new one gets the last there is', () => {
    const first = planned(HONE)
    const later = withReading(first, 'bores.skirt', { cylinder: 2 }, 82.9, 'mic-metric.1')
    const next = withPlannedAfter(withChanges(later.spec, [{ what: 'deckCut', by: 0.1 }]), later)
    expect(next.planned!.map(({ after }) => after)).toEqual([tern.entries.at(-1)!.id, later.entries.at(-1)!.id])
    expect(withPlannedAfter(withChanges({ ...tern.spec }, [HONE]), { spec: tern.spec, entries: [] }).planned![0]).not.toHaveProperty(
      'after',
    )
  })
})
