import { describe, expect, it } from 'vitest'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { openBuild } from '@/core/benches'
import { evaluate } from '@/core/evaluation/evaluate'
import { soundBuild, TODAY } from '../../tests/support/builds'
import { benchSummaries, marksOf, summarise } from './summary'

const [tern, petrel, wren] = DEMO_BUILDS.map((demo) => demoDocument(demo, TODAY)) as [
  ReturnType<typeof demoDocument>,
  ReturnType<typeof demoDocument>,
  ReturnType<typeof demoDocument>,
]

describe('what the board and the front of a build show', () => {
  it('draws the worst of each cylinder and main at its place, over all benches, and nothing where all is well', () => {
    const at = (marks: ReturnType<typeof marksOf>) => marks.map(({ id, standing }) => `${id} ${standing}`).sort()
    expect(at(marksOf(openBuild(tern)))).toEqual(['cylinder/2 under', 'cylinder/3 over', 'cylinder/4 over'])
    // Valves of the first four cylinders were read, over lobes of which only the card is known; the fifth follows from them.
    const cylinders = [1, 2, 3, 4, 5, 6].map((cylinder) => `cylinder/${cylinder} inDoubt`)
    expect(at(marksOf(openBuild(petrel)))).toEqual([...cylinders, 'main/2 inDoubt', 'main/4 over'])
    expect(marksOf(soundBuild(2)).filter(({ standing }) => standing === 'over' || standing === 'under')).toEqual([])
    const four = summarise(openBuild(petrel)).marks.find(({ id }) => id === 'main/4')!
    expect(four).toMatchObject({ main: 4, x: 0, y: 0, label: 'Main clearance, main 4: over by 0.3 thou' })
    expect(four.cylinder).toBeUndefined()
  })

  it('says of each bench what wants a hand and what is read next, in both systems', () => {
    const rings = benchSummaries(openBuild(tern)).find(({ bench }) => bench === 'rings')!
    expect(rings).toMatchObject({
      title: 'Rings',
      worst: {
        standing: 'under',
        words: { metric: 'Top ring gap, cylinder 2: under by 0.035 mm', inch: 'Top ring gap, cylinder 2: under by 1.4 thou' },
      },
    })
    expect(rings.next).toBeUndefined()
    const bores = benchSummaries(openBuild(wren))[0]!
    expect(bores).toMatchObject({ read: 0, next: 'Cylinder 1, bore, top, thrust axis' })
    expect(bores.worst).toBeUndefined()
  })

  it('counts verdicts and readings over all benches, with what wants a hand first and what is read next', () => {
    const counted = (document: typeof tern) => {
      const judged = evaluate(openBuild(document)).filter(({ limit }) => limit !== undefined)
      const within = judged.filter(({ conformity }) => conformity?.verdict === 'within').length
      return { within, notMeasured: judged.filter(({ conformity }) => conformity === undefined).length }
    }
    expect(summarise(openBuild(petrel))).toMatchObject({
      name: 'Petrel',
      boreMm: expect.closeTo(105.537, 3),
      verdicts: { out: 5, inDoubt: 18, ...counted(petrel) },
      worst: { bench: 'bearings', standing: 'over', words: 'Main clearance, main 4: over by 0.3 thou' },
      next: { bench: 'bearings', title: 'Crank and bearings', words: 'Crank end float' },
    })
    const full = summarise(openBuild(tern))
    const read = openBuild(tern).readings.current.size
    expect(full).toMatchObject({ verdicts: { out: 13, inDoubt: 14, ...counted(tern) }, read, wanted: read })
    expect(full.verdicts.notMeasured).toBe(0)
    expect([full.worst?.words, full.next, full.copyOf]).toEqual(['Top ring gap, cylinder 2: under by 0.035 mm', undefined, undefined])
    expect(summarise(openBuild({ ...wren, spec: { ...wren.spec, copyOf: { id: tern.id, name: 'Tern' }, paper: {} } }))).toMatchObject({
      copyOf: 'Tern',
      boreMm: 85,
      read: 0,
    })
  })
})
