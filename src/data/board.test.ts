import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { v7 as uuidV7 } from 'uuid'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { BuildDocument, Entry } from '@/core/document'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { openDatabase, type Database } from './database'

const tern = demoDocument(DEMO_BUILDS[0]!, new Date('2026-03-01T12:00:00Z'))
let folder: string
let db: Database

beforeEach(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'kalibros-'))
  db = await openDatabase(`file:${path.join(folder, 'test.db')}`)
})
afterEach(() => {
  db.close()
  rmSync(folder, { recursive: true })
})

const reading = (): Entry => ({ ...tern.entries.find(({ kind }) => kind === 'reading')!, id: uuidV7() })

describe('the board', () => {
  it('asks for a summary only when the build or the program has moved on', async () => {
    await db.builds.create(tern, 'KV')
    let asked = 0
    const page = () =>
      db.builds.board(
        { offset: 0, size: 10 },
        {
          program,
          summarise: (build) => {
            asked++
            return { name: build.document.spec.name }
          },
        },
      )
    let program = '1'
    expect(await page()).toMatchObject({ total: 1, rows: [{ id: tern.id, summary: { name: 'Tern' } }] })
    await page()
    expect(asked).toBe(1)
    await db.builds.append(tern.id, [reading()])
    await page()
    expect(asked).toBe(2)
    await db.builds.revise(tern.id, 1, { ...tern.spec, name: 'Tern II' }, 'KV', 'name')
    expect((await page()).rows[0]!.summary).toEqual({ name: 'Tern II' })
    program = '2'
    await page()
    expect(asked).toBe(4)
  })

  it('says which builds are out of date, and works out one alone', async () => {
    const kept = (program: string) => ({
      program,
      summarise: (build: { document: { spec: { name: string } } }) => build.document.spec.name,
    })
    for (const demo of DEMO_BUILDS) await db.builds.create(demoDocument(demo, new Date('2026-03-01T12:00:00Z')), 'KV')
    expect([...(await db.builds.outdated('1'))].sort()).toEqual(DEMO_BUILDS.map(({ id }) => id).sort())
    await db.builds.board({ offset: 0, size: 10 }, kept('1'))
    expect(await db.builds.outdated('1')).toEqual([])
    await db.builds.append(tern.id, [reading()])
    expect(await db.builds.outdated('1')).toEqual([tern.id])
    expect(await db.builds.summarise(tern.id, kept('1'))).toBe('Tern')
    expect(await db.builds.outdated('1')).toEqual([])
    await db.builds.revise(tern.id, 1, { ...tern.spec, putAway: true }, 'KV', 'put away')
    expect(await db.builds.outdated('1')).toEqual([tern.id])
    expect(await db.builds.outdated('2')).toHaveLength(3)
  })

  it('gives one list of every build, those put away last; what is out of date is worked out first, and an empty one is none', async () => {
    for (const demo of DEMO_BUILDS) await db.builds.create(demoDocument(demo, new Date('2026-03-01T12:00:00Z')), 'KV')
    let asked = 0
    const kept = (program: string) => ({
      program,
      summarise: () => ++asked,
      lists: {
        marks: ({ document: { spec, entries } }: { document: BuildDocument }) =>
          new Map(spec.name === 'Wren' ? [] : [[spec.name, [`${spec.name} ${entries.length}`]]]),
      },
    })
    const lists = async (program = '1') => {
      const { builds, waiting } = await db.builds.kept<string, 'marks'>('marks', kept(program))
      expect(waiting).toBe(0)
      return builds.map(({ name, items }) => [name, ...items].join(': '))
    }
    await db.builds.append(tern.id, [reading()])
    const petrelEntries = demoDocument(DEMO_BUILDS[1]!, new Date('2026-03-01T12:00:00Z')).entries.length
    const [ternMark, petrelMark] = [`Tern: Tern ${tern.entries.length + 1}`, `Petrel: Petrel ${petrelEntries}`]
    expect(await lists()).toEqual([ternMark, petrelMark])
    expect(asked).toBe(3)
    await db.builds.revise(tern.id, 1, { ...tern.spec, name: 'Tern II', putAway: true }, 'KV', 'put away')
    const ternsSecond = `Tern II: Tern II ${tern.entries.length + 1}`
    expect(await lists()).toEqual([petrelMark, ternsSecond])
    expect(asked).toBe(4)
    // A newer program of the same shape takes them as they are, and does not wait for all to be worked out again.
    expect(await lists('1.1')).toEqual([petrelMark, ternsSecond])
    expect(asked).toBe(4)
    expect(await lists('2')).toEqual([petrelMark, ternsSecond])
    expect(asked).toBe(7)
    // A list that has become empty is none any more.
    await db.builds.revise(tern.id, 2, { ...tern.spec, name: 'Wren' }, 'KV', 'another name')
    expect(await lists('2')).toEqual([petrelMark])
  })

  it('gives of a list what is of one build, and of any other what is known by a key', async () => {
    for (const name of ['One', 'Two', 'Three'])
      await db.builds.create({ ...tern, id: uuidV7(), entries: [], spec: { ...tern.spec, name } }, 'KV')
    const kept = {
      program: '1',
      summarise: () => 0,
      lists: {
        bolts: ({ document: { spec } }: { document: BuildDocument }) =>
          new Map([
            ['', [`${spec.name} by place`]],
            [spec.name === 'Two' ? 'a8' : 'b9', [`${spec.name}'s`, 'another']],
          ]),
      },
    }
    const [one] = (await db.builds.names()).filter(({ name }) => name === 'One')
    const asked = async (keys: readonly string[]) =>
      (await db.builds.kept<string, 'bolts'>('bolts', kept, { build: one!.id, keys })).builds.flatMap(({ items }) => items).toSorted()
    expect(await asked([])).toEqual(['One by place', "One's", 'another'])
    expect(await asked(['a8'])).toEqual(['One by place', "One's", "Two's", 'another', 'another'])
    expect(await asked(['A8'])).toEqual(['One by place', "One's", 'another'])
    expect((await db.builds.kept('bolts', kept)).builds).toHaveLength(6)
    const inOrder = { ...kept, program: '2', lists: { bolts: () => new Map(['h2', 'h10', 'h1'].map((key) => [key, [key]])) } }
    const own = (await db.builds.kept<string, 'bolts'>('bolts', inOrder)).builds.filter(({ id }) => id === one!.id)
    expect(own.flatMap(({ items }) => items)).toEqual(['h2', 'h10', 'h1'])
  })

  it('works out no more than four builds while somebody waits; the others stand there by name, and as they were kept', async () => {
    const names = ['One', 'Two', 'Three', 'Four', 'Five', 'Six']
    for (const name of names) await db.builds.create({ ...tern, id: uuidV7(), entries: [], spec: { ...tern.spec, name } }, 'KV')
    let asked = 0
    const kept = (program: string) => ({ program, summarise: () => ++asked, lists: { marks: () => new Map([['all', [program]]]) } })
    const page = async () => (await db.builds.board({ offset: 0, size: 10, order: 'name' }, kept('1'))).rows
    const first = await page()
    expect(first.map(({ summary, waiting }) => waiting ?? summary)).toEqual([1, 2, 3, 4, 'Three', 'Two'])
    expect((await page()).map(({ summary, waiting }) => waiting ?? summary)).toEqual([1, 2, 3, 4, 5, 6])
    const lists = await db.builds.kept<string, 'marks'>('marks', kept('2'))
    expect(lists.waiting).toBe(2)
    expect(lists.builds.flatMap(({ items }) => items).sort()).toEqual(['1', '1', '2', '2', '2', '2'])
    expect((await db.builds.kept<string, 'marks'>('marks', kept('2'))).waiting).toBe(0)
  })

  it('waits for no build that cannot be worked out, however many there are', async () => {
    const names = ['a1', 'a2', 'a3', 'a4', 'a5', 'Sound']
    for (const name of names) await db.builds.create({ ...tern, id: uuidV7(), entries: [], spec: { ...tern.spec, name } }, 'KV')
    vi.spyOn(console, 'error').mockImplementation(() => {})
    const kept = {
      program: '1',
      summarise: ({ document: { spec } }: { document: BuildDocument }) => {
        if (spec.name !== 'Sound') throw new Error('cannot be')
        return spec.name
      },
      lists: { marks: () => new Map([['all', ['one']]]) },
    }
    const { rows } = await db.builds.board({ offset: 0, size: 10, order: 'name' }, kept)
    expect(rows.map(({ summary, waiting }) => [summary, waiting])).toEqual([
      ...Array.from({ length: 5 }, () => [undefined, undefined]),
      ['Sound', undefined],
    ])
    const { builds, waiting } = await db.builds.kept<string, 'marks'>('marks', kept)
    expect([builds.map(({ name }) => name), waiting]).toEqual([['Sound'], 0])
    vi.restoreAllMocks()
  })

  it('names builds without working any out: what is kept of them stays', async () => {
    for (const demo of DEMO_BUILDS) await db.builds.create(demoDocument(demo, new Date('2026-03-01T12:00:00Z')), 'KV')
    let asked = 0
    const page = () => db.builds.board({ offset: 0, size: 10 }, { program: '1', summarise: () => ++asked })
    await page()
    await db.builds.revise(tern.id, 1, { ...tern.spec, name: 'Tern II', putAway: true }, 'KV', 'name')
    const names = await db.builds.names()
    expect(
      names
        .map(({ name }) => name)
        .slice(0, 2)
        .sort(),
    ).toEqual(['Petrel', 'Wren'])
    expect(names[2]).toEqual({ id: tern.id, name: 'Tern II' })
    await page()
    expect(asked).toBe(3)
  })

  it('shows what an older program of the same shape kept, and says so, until it is worked out again', async () => {
    await db.builds.create(tern, 'KV')
    let asked = 0
    const kept = (program: string) => ({ program, summarise: () => `${program} ${++asked}` })
    const row = async (program: string) => (await db.builds.board({ offset: 0, size: 10 }, kept(program))).rows[0]!
    expect(await row('16')).toEqual({ id: tern.id, touchedAt: expect.any(String), summary: '16 1' })
    expect(await row('16.1')).toMatchObject({ summary: '16 1', isOfOlderProgram: true })
    expect(await db.builds.outdated('16.1')).toEqual([tern.id])
    await db.builds.summarise(tern.id, kept('16.1'))
    expect(await row('16.1')).toEqual({ id: tern.id, touchedAt: expect.any(String), summary: '16.1 2' })
    // Of another shape, or of the build before it was worked on, it is worked out before it is shown.
    expect((await row('17.1')).summary).toBe('17.1 3')
    expect(await row('17.2')).toMatchObject({ summary: '17.1 3', isOfOlderProgram: true })
    await db.builds.append(tern.id, [reading()])
    expect(await row('17.2')).toEqual({ id: tern.id, touchedAt: expect.any(String), summary: '17.2 4' })
  })

  it('puts the latest work first and pages', async () => {
    for (const demo of DEMO_BUILDS) await db.builds.create(demoDocument(demo, new Date('2026-03-01T12:00:00Z')), 'KV')
    await new Promise((resolve) => setTimeout(resolve, 5))
    await db.builds.append(tern.id, [reading()])
    const name = (build: { document: { spec: { name: string } } }) => build.document.spec.name
    const first = await db.builds.board({ offset: 0, size: 1 }, { program: '1', summarise: name })
    expect(first).toMatchObject({ total: 3, rows: [{ summary: 'Tern' }] })
    expect((await db.builds.board({ offset: 1, size: 5 }, { program: '1', summarise: name })).rows).toHaveLength(2)
  })

  it('shows the builds that are sound when one cannot be worked out, and tries that one again', async () => {
    for (const demo of DEMO_BUILDS) await db.builds.create(demoDocument(demo, new Date('2026-03-01T12:00:00Z')), 'KV')
    const nameOf = (build: { document: { spec: { name: string } } }) => {
      if (build.document.spec.name === 'Petrel') throw new Error('cannot be worked out')
      return build.document.spec.name
    }
    const said = vi.spyOn(console, 'error').mockImplementation(() => {})
    const { rows, total } = await db.builds.board({ offset: 0, size: 10, order: 'name' }, { program: '1', summarise: nameOf })
    expect(total).toBe(3)
    expect(rows.map(({ summary }) => summary)).toEqual([undefined, 'Tern', 'Wren'])
    expect(said).toHaveBeenCalledTimes(1)
    said.mockRestore()
    const again = await db.builds.board(
      { offset: 0, size: 10, order: 'name' },
      { program: '1', summarise: (build) => build.document.spec.name },
    )
    expect(again.rows.map(({ summary }) => summary)).toEqual(['Petrel', 'Tern', 'Wren'])
  })

  it('searches by words in any case, orders, and keeps what is put away apart', async () => {
    for (const demo of DEMO_BUILDS) await db.builds.create(demoDocument(demo, new Date('2026-03-01T12:00:00Z')), 'KV')
    const names = async (page: object) =>
      (
        await db.builds.board(
          { offset: 0, size: 10, order: 'name', ...page },
          { program: '1', summarise: (build) => build.document.spec.name },
        )
      ).rows.map(({ summary }) => summary)
    expect(await names({ search: 'pET' })).toEqual(['Petrel'])
    expect(await names({ search: 'petrel nowhere' })).toEqual([])
    expect(await names({ search: '%' })).toEqual([])
    await db.builds.revise(tern.id, 1, { ...tern.spec, putAway: true }, 'KV', 'put away')
    expect(await names({})).toEqual(['Petrel', 'Wren'])
    expect(await names({ putAway: true })).toEqual(['Tern'])
    await db.builds.revise(tern.id, 2, tern.spec, 'KV', 'taken out')
    expect(await names({})).toEqual(['Petrel', 'Tern', 'Wren'])
  })
})
