// Every list of benches, written from the one line each has in benches.json and from the files in its folders.
// `npm run benches` writes them, with `--check` it says which are not as they would be written.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import prettier from 'prettier'
import { ROOT } from './setup.mjs'

const FOLDER = 'src/core/benches'
const BENCHES = JSON.parse(readFileSync(path.join(ROOT, FOLDER, 'benches.json'), 'utf8'))
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

/** `rings` has its page in `features/rings/RingsBench.tsx`. */
function page(bench) {
  const name = `${bench[0].toUpperCase()}${bench.slice(1)}Bench`
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
    "import type { BenchInFrame } from './bench/BenchPage'",
    `\nexport const BENCH_PAGES: Readonly<Record<BenchId, ComponentType<BenchInFrame>>> = { ${BENCHES.map((bench) => `${bench}: ${page(bench)}`).join(', ')} }`,
  ],
}

const { error } = console
const options = await prettier.resolveConfig(path.join(ROOT, 'package.json'))
const other = []
for (const [file, lines] of Object.entries(files)) {
  const text = await prettier.format(lines.join('\n'), { ...options, filepath: file })
  const at = path.join(ROOT, file)
  if (existsSync(at) && readFileSync(at, 'utf8') === text) continue
  if (process.argv.includes('--check')) other.push(file)
  else {
    mkdirSync(path.dirname(at), { recursive: true })
    writeFileSync(at, text)
  }
}
if (other.length > 0) {
  error(`Not as \`npm run benches\` writes them: ${other.join(', ')}`)
  process.exit(1)
}
