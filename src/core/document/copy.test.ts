import { describe, expect, it } from 'vitest'
import { evaluate } from '@/core/evaluation/evaluate'
import { petrelDocument, ternDocument } from '../../../tests/support/builds'
import { openBuild } from '@/core/benches'
import { withChanges, withChosenAfter, withPlannedAfter } from './changes'
import { specForAnother, withNewEntryIds } from './copy'
import type { BuildDocument, EngineChange, Pull } from './types'
import { jointsOf, runsOf } from '../joints'

/** The document with changes held, as the server stores them. */
function holding(document: BuildDocument, ...changes: EngineChange[]): BuildDocument {
  const spec = withChanges(document.spec, changes)
  return { ...document, spec: withPlannedAfter(withChosenAfter(spec, document), document) }
}
const said = (document: BuildDocument) =>
  evaluate(openBuild(document)).map(({ id, figure, conformity, remarks }) => [
    id,
    figure?.value.value,
    conformity?.verdict,
    remarks.map(({ code }) => code),
  ])
const planOf = (document: BuildDocument) =>
  document.entries.find((entry) => entry.kind === 'reading' && entry.characteristic === 'bearings.mainClearance')!.id

describe('a copy with entries of its own', () => {
  it.each<[string, BuildDocument]>([
    [
      'another gasket, pistons moved',
      holding(ternDocument, { choose: 'gasket', id: 'hl-g1' }, { choose: 'pistonInBore', marks: [2, 1, 3, 4, 5] }),
    ],
    ['planned work', holding(ternDocument, { what: 'deckCut', by: 0.1 }, { what: 'hone', cylinder: 3, by: 0.02 })],
    [
      'planned shells',
      holding(petrelDocument, {
        choose: 'shells',
        journal: 'main.1',
        pair: {
          upper: petrelDocument.spec.stock.shells[0]!.id,
          lower: petrelDocument.spec.stock.shells[0]!.id,
          plannedOn: planOf(petrelDocument),
        },
      }),
    ],
  ])('is found to be what the original is: %s', (_, document) => {
    const copy = withNewEntryIds(document)
    const before = new Set(document.entries.map(({ id }) => id))
    expect(copy.entries.some(({ id }) => before.has(id))).toBe(false)
    expect(JSON.stringify(copy.spec)).not.toMatch(new RegExp([...before].join('|')))
    expect(said(copy)).toEqual(said(document))
    // What points at an entry matters: pointing at nothing, the engine is found to be another.
    expect(said({ ...copy, spec: document.spec })).not.toEqual(said(document))
  })

  it('keeps a run together: its pulls follow each other in the copy as they did', () => {
    const ids = [1, 2, 3].map((number) => `0199f000-0000-7000-8000-00000000000${number}`)
    const stamp = { kind: 'pull', at: '2026-03-02T10:00:00Z', by: 'KV', device: 'tablet', joint: 'head', run: ids[0]! } as const
    const entries: Pull[] = [
      { ...stamp, id: ids[0]!, did: 'begin' } as const,
      { ...stamp, id: ids[1]!, did: 'pulled', follows: ids[0]!, stage: 1, fastener: 3 } as const,
      { ...stamp, id: ids[2]!, did: 'takeOver', follows: ids[0]!, instead: [ids[1]!] } as const,
    ]
    const copy = withNewEntryIds({ ...ternDocument, entries })
    expect(JSON.stringify(copy.entries)).not.toMatch(new RegExp(ids.join('|')))
    const [run] = runsOf(
      jointsOf(copy.spec).find(({ id }) => id === 'head')!,
      copy.entries as Pull[],
    )
    expect(run!.path.map(({ did }) => did)).toEqual(['begin', 'takeOver'])
  })

  it('for another engine: its paper and limits, nothing chosen or planned for the parts of this one', () => {
    const spec = specForAnother(
      holding(ternDocument, { what: 'deckCut', by: 0.1 }, { choose: 'pistonInBore', marks: [2, 1, 3, 4, 5] }).spec,
    )
    expect(spec).not.toHaveProperty('planned')
    expect(Object.keys(spec.choice)).toEqual(['gasket'])
    expect([spec.paper, spec.limits]).toEqual([ternDocument.spec.paper, ternDocument.spec.limits])
  })
})
