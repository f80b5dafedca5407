import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import { withSpec, type Build, type Spec } from '@/core/document'
import { applyChanges } from '@/core/document/changes'
import { freshLayout } from '@/core/document/fresh'
import { startingLimits } from '@/core/benches'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { soundBuild, TODAY } from '../../../../tests/support/builds'
import { by, number, onPaper } from '../../../../tests/support/cams'
import { adviceOf, at, codesOf, found, LEAF, mmOf } from '../../../../tests/support/clearances'
import { expectNear } from '../../../../tests/support/expectNear'
import { expand, standardUncertainty } from '../../metrology'
import { judgedAdvice } from '../../evaluation/judgeAdvice'
import { closestOverAllLifts, valveToValveMm } from '../../geometry/valvetrain/valveToValve'
import { clearance } from '.'
import { rodStretch } from './redline'

/** What else is round a valve, what redline takes, where a cam may be turned alone; and what restores room. */
const one = soundBuild(0)
const figure = (value: number) => ({ value: { value, components: [] }, origin: { from: 'leftOut' } as const })

describe('at redline', () => {
  it('a rod stretches by Hooke: 0.55 kg at 8,200 rpm over 46.4 mm on 200 mm² of steel, worked by hand', () => {
    // ω = 858.70 rad/s; a = 0.0464 · ω² · (1 + 46.4/144) = 45,238 m/s²; F = 24,881 N; 24,881 · 144 ÷ (200 · 205,000) = 0.0874 mm.
    const stretch = rodStretch.of({
      massG: figure(550),
      strokeMm: figure(92.8),
      rodMm: figure(144),
      rpm: figure(8200),
      areaCm2: figure(2),
      modulusMpa: figure(205_000),
    })
    expectNear(stretch.value.value, 0.0874, 0.0001)
  })

  it('each thing that takes of a gap stands on its own line, slack with its sign', () => {
    const sum = (build: Build, valve: string) => {
      const { origin } = found(build, `atRedline.${valve}`).figure!
      if (origin.from !== 'sum') throw new Error('a sum')
      return Object.fromEntries(origin.sum.terms.map(({ label, figure: { value } }) => [label, value.value]))
    }
    const lines = sum(one, 'intake2a')
    expect(Object.keys(lines)).toEqual(['Standing still', 'Rod stretch', 'Oil clearances taken up', 'Slack of the drive', 'Heat'])
    expect(lines['Slack of the drive']).toBeGreaterThan(0.05)
    expect(sum(one, 'exhaust2a')['Slack of the drive']).toBeLessThan(-0.05)
    const left =
      lines['Standing still']! -
      (lines['Rod stretch']! + lines['Oil clearances taken up']!) * Math.cos((15.5 * Math.PI) / 180) +
      lines['Slack of the drive']! -
      lines.Heat!
    expectNear(mmOf(one, 'atRedline.intake2a'), left, 1e-9)
  })

  it('slack is as sure as its degrees, by what a degree takes of the gap', () => {
    const line = (slackDeg: number) => {
      const { origin } = found(onPaper(one, { driveSlack: { ...number(slackDeg), tolerance: 0.5 } }), 'atRedline.exhaust2a').figure!
      if (origin.from !== 'sum') throw new Error('a sum')
      return origin.sum.terms.find(({ label }) => label === 'Slack of the drive')!.figure.value
    }
    const mmPerDeg = (line(2.2).value - line(1.8).value) / 0.4
    expect(mmPerDeg).toBeLessThan(-0.02)
    // A tolerance of half a degree, taken as uniform: u = 0.5 / √3 (JCGM 100, 4.3.7).
    expectNear(standardUncertainty(line(2)), (0.5 / Math.sqrt(3)) * -mmPerDeg, 0.001)
  })

  it('what nothing is known of is left out, said, and keeps it from being within', () => {
    const { driveSlack: _, heatGrowth: __, ...paper } = one.spec.paper
    const build = withSpec(one, { ...one.spec, paper })
    expect(found(build, 'atRedline.intake2a').remarks).toEqual([{ code: 'leftOutAtSpeed', what: ['slack', 'heat'] }])
    expect(found(build, 'atRedline.intake2a').conformity?.verdict).toBe('inDoubt')
    const geared = withSpec(build, { ...build.spec, drive: { ...build.spec.drive!, kind: 'gears' } })
    expect(found(geared, 'atRedline.intake2a').remarks).toEqual([{ code: 'leftOutAtSpeed', what: ['heat'] }])
    const { rodSection: ___, ...noRod } = one.spec.paper
    expect(found(withSpec(one, { ...one.spec, paper: noRod }), 'atRedline.intake2a').missing).toEqual([
      { kind: 'paper', key: 'rodSection' },
    ])
  })

  it('is no more than nothing where a redline is reached that the gap does not bear: under its own limit', () => {
    const fast = withSpec(one, { ...one.spec, duty: { ...one.spec.duty, redlineRpm: 29_000 } })
    expectNear(mmOf(one, 'atRedline.exhaust2a') - mmOf(fast, 'atRedline.exhaust2a'), 1.09, 0.1)
    const close = onPaper(one, { heatGrowth: number(1.98, 'mm'), clearanceTakenUp: number(0.4, 'mm') })
    expect(found(close, 'atRedline.exhaust2a').conformity?.verdict).toBe('under')
  })
})

describe('round a valve', () => {
  it('is half of what the pocket is larger, less how far their axes are apart, less what cuts move a leaning valve', () => {
    const read = at(at(one, 'clearance.headSize', { cam: 'intake' }, 33, LEAF), 'clearance.pocketSize', { cam: 'intake' }, 36.5, LEAF)
    expectNear(mmOf(read, 'radial.intake'), 1.75, 1e-9)
    expect(found(read, 'radial.intake').conformity?.verdict).toBe('within')
    const off = onPaper(read, { intakePocketOffset: number(0.49, 'mm') })
    expectNear(mmOf(off, 'radial.intake'), 1.26, 1e-9)
    expect(found(off, 'radial.intake').conformity?.verdict).toBe('inDoubt')
    const cut = applyChanges(read, [{ what: 'deckCut', by: 0.4 }])
    expectNear(mmOf(cut, 'radial.intake'), 1.75 - 0.4 * Math.sin((15.5 * Math.PI) / 180), 1e-9)
  })

  it('by the side of the clay is of each valve by itself', () => {
    const build = at(by(one, { clearanceClay: true }), 'clearance.claySide', { valve: 'exhaust4b' }, 0.9, LEAF)
    expect(found(build, 'radial.exhaust4b').conformity?.verdict).toBe('under')
    expect(found(build, 'radial.exhaust4a').missing).toEqual([{ kind: 'reading', stationId: 'clearance.claySide/v-exhaust4a' }])
  })

  it('another valve comes nearer with a smaller span between both, and wants the cams read', () => {
    expectNear(mmOf(one, 'valveToValve'), 2.1, 0.2)
    expect(found(one, 'valveToValve').conformity?.verdict).toBe('within')
    const near = onPaper(one, { valvesApart: number(31, 'mm') })
    expectNear(mmOf(one, 'valveToValve') - mmOf(near, 'valveToValve'), 1.2, 0.1)
    expect(found(near, 'valveToValve').conformity?.verdict).toBe('under')
    const { valvesApart: _, ...paper } = one.spec.paper
    expect(found(withSpec(one, { ...one.spec, paper }), 'valveToValve').missing).toEqual([{ kind: 'paper', key: 'valvesApart' }])
    // Both further open at overlap: an intake earlier, an exhaust later.
    const more = applyChanges(one, [
      { what: 'turnCam', cam: 'intake', by: 6 },
      { what: 'turnCam', cam: 'exhaust', by: -6 },
    ])
    expect(mmOf(more, 'valveToValve')).toBeLessThan(mmOf(one, 'valveToValve'))
  })
})

describe('piston to head', () => {
  const asked = by(one, { clearanceHead: true })

  it('is as a wire was squeezed, or by deck and gasket where none was; at redline less stretch and clearances', () => {
    expectNear(mmOf(asked, 'pistonToHead.2'), 0.05 + 1.1, 0.02)
    const wire = at(asked, 'clearance.squish', { cylinder: 2 }, 1.02, LEAF)
    expectNear(mmOf(wire, 'pistonToHead.2'), 1.02, 1e-9)
    const takes = mmOf(wire, 'pistonToHead.2') - mmOf(wire, 'headAtRedline.2')
    expect(takes).toBeGreaterThan(0.15)
    expect(takes).toBeLessThan(0.3)
  })
})

describe('a cam turned alone', () => {
  // So wide that the valves of both cams never meet.
  const wide = onPaper(one, { valvesApart: number(60, 'mm') })

  it('over a crank that is parked has what common practice has: the five’s highest piston 11.47 mm down', () => {
    const least = Math.min(
      ...['1a', '1b', '2a', '2b', '3a', '3b', '4a', '4b', '5a', '5b'].map((one_) => mmOf(one, `dropAtTdc.intake${one_}`)),
    )
    expectNear(mmOf(wide, 'parked.intake'), least + 11.47 * Math.cos((15.5 * Math.PI) / 180) - 10.2, 0.05)
    expect(found(wide, 'parked.intake').conformity?.verdict).toBe('within')
    const degrees = (found(wide, 'parked.intake').remarks[0] as { degrees: readonly number[] }).degrees
    expect(degrees.map(Math.round)).toContain(36)
  })

  it('meets the valves of the other cam, whatever that one stands at: by plane geometry, both at full lift', () => {
    // Rim corners at full lift, by hand: intake (10.2 s + 16.5 c, 10.2 c − 16.5 s) at 15.5°,
    // exhaust (a − 10.0 s − 14.25 c, …) at 17°.
    const paper = one.spec.paper
    const [i, e] = [paper.intakeValveAngle!.value, paper.exhaustValveAngle!.value].map((deg) => (deg * Math.PI) / 180) as [number, number]
    const reach = 10.2 * Math.sin(i) + 16.5 * Math.cos(i) + 10 * Math.sin(e) + 14.25 * Math.cos(e)
    const apart = paper.valvesApart!.value
    expect(reach).toBeGreaterThan(apart)
    for (const cam of ['intake', 'exhaust'] as const) {
      const alone = found(one, `parked.${cam}`)
      expect(alone.figure!.value.value).toBeLessThan(0)
      expect(alone.conformity).toBeUndefined()
      expect(alone.remarks.map(({ code }) => code)).toEqual(['parkAt', 'valvesMeet'])
    }
    // Brute force over both lifts, a tenth of a millimetre at a time, between heads that just pass each other.
    const pair = {
      apartMm: 36,
      stepMm: 0.4,
      intake: { diameterMm: 33, marginMm: 1, angleDeg: 15.5 },
      exhaust: { diameterMm: 28.5, marginMm: 1.2, angleDeg: 17 },
    }
    const lifts = (most: number) => Array.from({ length: Math.round(most * 10) + 1 }, (_, step) => step / 10)
    for (const apartMm of [33, 36, 38, 44]) {
      const brute = Math.min(...lifts(10.2).flatMap((li) => lifts(10).map((le) => valveToValveMm({ ...pair, apartMm }, li, le))))
      const { gapMm } = closestOverAllLifts({ ...pair, apartMm }, 10.2, 10)
      expect(gapMm).toBeLessThanOrEqual(brute + 1e-9)
      expect(gapMm).toBeGreaterThan(brute - 0.1)
    }
  })

  it('wants the span between the valves where two shafts lean towards each other, and not where both stand square', () => {
    const { valvesApart: _, ...paper } = one.spec.paper
    const unknown = withSpec(one, { ...one.spec, paper })
    expect(found(unknown, 'parked.intake').missing).toEqual([{ kind: 'paper', key: 'valvesApart' }])
    const square = withSpec(one, {
      ...one.spec,
      paper: { ...paper, intakeValveAngle: number(0, 'deg'), exhaustValveAngle: number(0, 'deg') },
    })
    expect(found(square, 'parked.intake').missing).toEqual([])
  })

  it('may not be turned with the head on where a piston is always near its top', () => {
    const layout = freshLayout({ kind: 'v', cylinders: 12, bankAngleDeg: 60, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder' })
    const paper = { ...DEMO_BUILDS[0]!.spec.paper, intakeLobeLift: number(13, 'mm'), valvesApart: number(80, 'mm') }
    const spec: Spec = { ...DEMO_BUILDS[0]!.spec, layout, joints: undefined, drive: undefined, paper }
    const v12 = openBuild(
      demoDocument({ ...DEMO_BUILDS[0]!, faults: {}, spec: { ...spec, limits: startingLimits(spec) }, read: () => true }, TODAY),
    )
    expect(codesOf(v12, 'parked.intake-left')).toContain('mayNotTurn')
    // No fault of the engine, and nothing within: what waits for it waits.
    expect(found(v12, 'parked.intake-left').conformity).toBeUndefined()
  })
})

describe('ways to give a valve room', () => {
  const short = withSpec(one, {
    ...one.spec,
    limits: { ...one.spec.limits, 'clearance.intake': { lower: 1.9, source: 'test', reason: '' } },
  })

  it('each restores it by its uncertainty, and says what it breaks elsewhere', () => {
    const judged = judgedAdvice(clearance, short)
    const ids = judged.map(({ id }) => id)
    expect(ids).toEqual(expect.arrayContaining(['cutPockets.intake', 'thickerGasket.hl-g4', 'retimeCam.intake']))
    for (const { id, changes } of judged.filter((way) => /^(?:cutPockets|thickerGasket|retimeCam)/.test(way.id))) {
      const after = applyChanges(short, changes!)
      for (const valve of ['intake1a', 'intake3b', 'intake5b']) {
        const closest = found(after, `closest.${valve}`).figure!
        expect(closest.value.value - expand(closest.value).U, `${id} ${valve}`).toBeGreaterThan(1.9 - 1e-6)
      }
    }
    const gasket = judged.find(({ id }) => id === 'thickerGasket.hl-g4')!
    expect(gasket.breaks.map(({ output }) => output)).toContain('compression.quench')
    expect(judged.find(({ id }) => id === 'retimeCam.intake')!.change).toMatchObject({ code: 'retimeCam', cam: 'intake' })
  })

  it('none is proposed where nothing lacks room, nor a pocket where there is none', () => {
    expect(adviceOf(one)).toEqual([])
    expect(adviceOf(by(short, { valveSurface: 'flat' })).map(({ id }) => id)).not.toContain('cutPockets.intake')
  })

  it('less of a cut is proposed where one is planned', () => {
    const planned = applyChanges(one, [{ what: 'headCut', by: 1.2 }])
    const ids = adviceOf(planned).map(({ id }) => id)
    expect(ids).toContain('less.headCut')
    const way = adviceOf(planned).find(({ id }) => id === 'less.headCut')!
    expect(mmOf(applyChanges(planned, way.changes!), 'closest.intake2a')).toBeGreaterThan(mmOf(planned, 'closest.intake2a') + 0.3)
  })
})
