import { readFileSync } from 'node:fs'
import path from 'node:path'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '@/demo/scenario'
import { demoDocument } from '@/demo/readings'
import { migrateDocument, migrateSpec } from './migrations'
import { readBuildFile, readBuildJson, writeBuildFile } from './buildFile'

const TODAY = new Date('2026-03-01T12:00:00Z')
const tern = demoDocument(DEMO_BUILDS[0]!, TODAY)

/** The document with one thing changed by hand, as a person with an editor would. */
function edited(change: (json: any) => void) {
  const json = JSON.parse(writeBuildFile(tern))
  change(json)
  return readBuildJson(json)
}

describe('build files', () => {
  it.each(DEMO_BUILDS.map((demo) => [demo.spec.name, demo] as const))('%s reads back as it was written', (_, demo) => {
    const document = demoDocument(demo, TODAY)
    expect(readBuildFile(writeBuildFile(document))).toEqual({ ok: true, document })
  })

  it('names a truncated file, a stranger’s file and a newer version', () => {
    const codeOf = (result: ReturnType<typeof readBuildFile>) => (result.ok ? 'ok' : result.issues[0]!.code)
    expect(codeOf(readBuildFile(writeBuildFile(tern).slice(0, 5000)))).toBe('notJson')
    expect(codeOf(readBuildFile('{"format":"something-else"}'))).toBe('notABuildFile')
    expect(codeOf(readBuildFile('[1,2]'))).toBe('notABuildFile')
    expect(codeOf(edited((json) => { json.version = 99 }))).toBe('newerVersion')
  })

  it.each([
    ['a value that is text', (json: any) => { json.entries[30].value = '0.05' }, ['entries', 30, 'value']],
    ['a reading whose gauge is not in the file', (json: any) => { json.entries[20].gauge = 'gone' }, ['entries', 20, 'gauge']],
    ['an id used twice', (json: any) => { json.entries[5].id = json.entries[4].id }, ['entries', 5, 'id']],
    ['a cylinder that never fires', (json: any) => { json.spec.layout.firingOrder = [1, 2, 4, 5, 5] }, ['spec', 'layout', 'firingOrder']],
    ['a limit upside down', (json: any) => { json.spec.limits.quench = { lower: 2, upper: 1, source: 'x', reason: '' } }, ['spec', 'limits', 'quench']],
    ['a gasket chosen that is not in stock', (json: any) => { json.spec.choice.gasket = 'nope' }, ['spec', 'choice', 'gasket']],
  ])('refuses %s and says where', (_, change, path) => {
    const result = edited(change)
    expect(result.ok ? [] : result.issues.map((issue) => issue.path)).toContainEqual(path)
  })

  it('brings a file of version 1 to this version, every reading as it was, and opens it', () => {
    const text = readFileSync(path.resolve(import.meta.dirname, '../../../tests/reference/samples/build.v1.kalibros.json'), 'utf8')
    const old = JSON.parse(text)
    const result = readBuildFile(text)
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    const { document } = result
    expect(old.version).toBe(1)
    expect(document).toMatchObject({ version: 2, id: old.id, entries: old.entries, gauges: old.gauges })
    expect(document.spec).toMatchObject({ paper: old.spec.paper, limits: old.spec.limits, layout: { ...old.spec.layout, mains: 5 }, stock: { gaskets: old.spec.stock.gaskets, shells: [] } })
    expect(migrateSpec(old.spec, 1)).toEqual(document.spec)
    expect(migrateSpec(document.spec, 2)).toEqual(document.spec)
  })

  it('applies migration steps in order and leaves the input alone', () => {
    const old = Object.freeze({ version: 1, a: 1 })
    const steps = { 1: (d: any) => ({ ...d, b: d.a + 1 }), 2: (d: any) => ({ ...d, c: d.b + 1 }) }
    expect(migrateDocument(old, steps)).toEqual({ version: 3, a: 1, b: 2, c: 3 })
    expect(old).toEqual({ version: 1, a: 1 })
  })
})
