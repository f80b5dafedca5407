// Every list of benches, written from the one line each has in benches.json and from the files in its folders.
// `npm run benches` writes them, with `--check` it says which are not as they would be written; `--new NAME` makes the folders of a
// bench from a template, and its line.
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { parseArgs } from 'node:util'
import { format } from 'oxfmt'
import { ROOT } from './setup.mjs'

const FOLDER = 'src/core/benches'
const LINES = path.join(ROOT, FOLDER, 'benches.json')
const TEMPLATE = path.join(ROOT, 'scripts/newBench')
const { values: asked } = parseArgs({ options: { check: { type: 'boolean' }, new: { type: 'string' } } })

const capital = (name) => `${name[0].toUpperCase()}${name.slice(1)}`

if (asked.new !== undefined) makeBench(asked.new)
const BENCHES = JSON.parse(readFileSync(LINES, 'utf8'))
for (const bench of BENCHES) checkParts(bench)

/** The folders of a bench as they begin, and its line after the others: where it stands among them is the order of work. */
function makeBench(name) {
  if (!/^[a-z][a-zA-Z]*$/.test(name)) fail(`A bench has a name as oilPump is one, not “${name}”.`)
  const benches = JSON.parse(readFileSync(LINES, 'utf8'))
  if (benches.includes(name)) fail(`There is a bench ${name}.`)
  const words = name.replaceAll(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)
  const filled = (text) =>
    text
      .replaceAll('$Name', capital(name))
      .replaceAll('$Title', capital(words))
      .replaceAll('$file', words.replaceAll(' ', '-'))
      .replaceAll('$name', name)
  const put = (from, to) => {
    mkdirSync(path.dirname(path.join(ROOT, to)), { recursive: true })
    writeFileSync(path.join(ROOT, to), filled(readFileSync(path.join(TEMPLATE, from), 'utf8')))
  }
  for (const file of readdirSync(path.join(TEMPLATE, 'core')))
    put(`core/${file}`, `${FOLDER}/${name}/${filled(file).replace(/\.txt$/, '')}`)
  put('wording.ts.txt', `src/wording/benches/${name}.ts`)
  put('page.tsx.txt', pageOf(name))
  writeFileSync(LINES, `${JSON.stringify([...benches, name], undefined, 2)}\n`)
}

/** `rings` has its page in `features/rings/RingsBench.tsx`. */
function pageOf(bench) {
  return `src/features/${bench}/${capital(bench)}Bench.tsx`
}

/** What no bench is whole without, named where it is left out. */
function checkParts(bench) {
  const core = ['manifest', 'definition', 'presets', 'twin'].map((part) => `${FOLDER}/${bench}/${part}.ts`)
  const missing = [...core, `src/wording/benches/${bench}.ts`, pageOf(bench)].filter((file) => !existsSync(path.join(ROOT, file)))
  if (missing.length > 0) fail(`The bench ${bench} has no ${missing.join(', no ')}.`)
}

function fail(words) {
  console.error(words)
  process.exit(1)
}

const HEAD = (words) => `/**\n * ${words}\n * Written by \`npm run benches\`: a bench is one line in \`core/benches/benches.json\`.\n */`

/** What a bench may declare in a file of its own, and the name it has there; each list is fetched only by what uses it. */
const PARTS = {
  methods: { name: 'methods', words: 'The ways of measuring each bench leaves to choose.' },
  stock: { name: 'stock', words: 'The parts each bench chooses among.' },
  presets: { name: 'presets', words: 'What each bench starts a fresh engine with.' },
  knobs: { name: 'knobs', words: 'What each bench lets be turned on an engine before metal is cut.' },
  kernel: { name: 'kernel', words: 'The figures of each bench that variants are searched by.' },
  gauges: { name: 'gauges', words: 'The gauges each bench needs beside the common ones.' },
  sums: { name: 'sums', words: 'The quick sums of each bench.' },
  aims: { name: 'aims', words: 'By which limits of each bench a virtual engine was made.' },
  twin: { name: 'truths', words: 'What a virtual engine shows at each bench.' },
}

function page(bench) {
  const name = `${capital(bench)}Bench`
  return `lazy(async () => ({ default: (await import('./${bench}/${name}')).${name} }))`
}

const files = {
  [`${FOLDER}/all.ts`]: [
    HEAD('Every bench, in the order of work.'),
    "import type { Manifest } from '../bench/manifest'",
    ...BENCHES.map((bench) => `import { manifest as ${bench} } from './${bench}/manifest'`),
    `\nexport const BENCHES: readonly Manifest[] = [${BENCHES.join(', ')}]`,
  ],
  ...Object.fromEntries(
    Object.entries(PARTS).map(([file, { name, words }]) => {
      const having = BENCHES.filter((bench) => existsSync(path.join(ROOT, FOLDER, bench, `${file}.ts`)))
      const lines = [
        HEAD(words),
        ...having.map((bench) => `import { ${name} as ${bench} } from '../${bench}/${file}'`),
        `\nexport const ${name.toUpperCase()}_OF = { ${having.join(', ')} }`,
      ]
      return [`${FOLDER}/lists/${name}.ts`, lines]
    }),
  ),
  'src/wording/benches/all.ts': [
    HEAD('The sentences of every bench, by code; one that is missing does not compile.'),
    ...BENCHES.map((bench) => `import * as ${bench} from './${bench}'`),
    ...['REMARKS', 'CHANGES', 'COSTS'].map(
      (codes) => `\nexport const ${codes} = { ${BENCHES.map((bench) => `...${bench}.${codes}`).join(', ')} }`,
    ),
  ],
  'src/features/benchPages.ts': [
    HEAD('The page of every bench, fetched with its own part of the core and no other’s.'),
    "import { lazy, type ComponentType } from 'react'",
    "import type { BenchId } from '@/core/bench/bench'",
    "import type { BenchInFrame } from './benchFrame/BenchPage'",
    `\nexport const BENCH_PAGES: Readonly<Record<BenchId, ComponentType<BenchInFrame>>> = { ${BENCHES.map((bench) => `${bench}: ${page(bench)}`).join(', ')} }`,
  ],
}

const { ignorePatterns: _, ...options } = JSON.parse(readFileSync(path.join(ROOT, '.oxfmtrc.json'), 'utf8'))
const other = []
for (const [file, lines] of Object.entries(files)) {
  const { code: text } = await format(file, lines.join('\n'), options)
  const at = path.join(ROOT, file)
  if (existsSync(at) && readFileSync(at, 'utf8') === text) continue
  if (asked.check) other.push(file)
  else {
    mkdirSync(path.dirname(at), { recursive: true })
    writeFileSync(at, text)
  }
}
if (other.length > 0) fail(`Not as \`npm run benches\` writes them: ${other.join(', ')}`)
