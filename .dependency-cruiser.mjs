import { readFileSync } from 'node:fs'

/** The layers, lowest first: each may import what stands before it. `demo` and `cli` sit beside `app` on top. */
const LAYERS = {
  core: [],
  wording: ['core'],
  data: ['core'],
  workers: ['core'],
  ui: ['core', 'wording'],
  shop: ['core', 'wording', 'data'],
  features: ['core', 'wording', 'shop', 'ui', 'workers'],
  demo: ['core', 'data'],
  cli: ['core', 'wording', 'data'],
  app: ['core', 'wording', 'data', 'shop', 'ui', 'features'],
}

const own = Object.keys(LAYERS)

/** Inside the core, lowest first: each folder may import those before it, never one that stands after. */
const CORE = [
  'numerics',
  'units',
  'metrology',
  'geometry',
  'document',
  'joints',
  'assembly',
  'bench',
  'shared',
  'twin',
  'benches',
  'evaluation',
  'parts',
  'walk',
  'schedule',
  'whatIf',
  'sums',
  'liveGauge',
  'files',
]

const BENCHES = JSON.parse(readFileSync(new URL('src/core/benches/benches.json', import.meta.url), 'utf8'))

/** What a room has written of it in a document is for the room to say: its schema stands beneath the document, the room above it. */
const SCHEMAS = '^src/core/(joints|walk)/schema[.]ts$'

/** Screens and workers of a bench that rest on another's core as well: its own core never does, but for what stands in `shared`. */
const RESTS_ON = { rods: ['bores'], cam: ['clearance'] }

/** Under the screens, lowest first: what a device enters and hears, what is printed, fields, the frame of a bench, clocks. */
const UNDER_SCREENS = ['entries', 'print', 'fields', 'benchFrame', 'clocks']

/** Screens that rest on another one. */
const SCREENS_REST_ON = { job: ['parts'], walk: ['schedule'] }

/** A screen imports no other, but what stands under all of them. */
function screensApart() {
  const may = (others) => [...UNDER_SCREENS, ...others].join('|')
  return [
    {
      name: 'screens-stand-apart',
      severity: 'error',
      from: { path: '^src/features/([^/]+)/', pathNot: `^src/features/(${Object.keys(SCREENS_REST_ON).join('|')})/` },
      to: { path: '^src/features/[^/]+/', pathNot: `^src/features/($1|${may([])})/` },
    },
    ...Object.entries(SCREENS_REST_ON).map(([screen, others]) => ({
      name: `${screen}-rests-on-${others.join('-and-')}`,
      severity: 'error',
      from: { path: `^src/features/${screen}/` },
      to: { path: '^src/features/[^/]+/', pathNot: `^src/features/(${screen}|${may(others)})/` },
    })),
  ]
}

/** Inside the geometry likewise. */
const GEOMETRY = ['sheets', 'patterns', 'crank', 'valvetrain']

/** Folders of a room, lowest first: none imports one that stands after it. */
function downwards(room, folders, beneath = '^$') {
  return folders
    .slice(0, -1)
    .map((folder, index) => ({
      name: `${room}-${folder}-imports-downwards`,
      severity: 'error',
      from: { path: `^${room}/${folder}/`, pathNot: '\\.test\\.ts$' },
      to: { path: `^${room}/(${folders.slice(index + 1).join('|')})/`, pathNot: beneath },
    }))
}

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    ...own.map((layer) => ({
      name: `${layer}-imports-downwards`,
      severity: 'error',
      from: { path: `^src/${layer}/`, pathNot: '\\.test\\.tsx?$' },
      to: { path: `^src/(${own.filter((other) => other !== layer && !LAYERS[layer].includes(other)).join('|')})/` },
    })),
    ...downwards('src/core', CORE, SCHEMAS),
    {
      name: 'schemas-stand-beneath-the-document',
      severity: 'error',
      from: { path: SCHEMAS },
      to: { path: '^src/', pathNot: '^src/core/(numerics|units|geometry)/|^src/core/document/(schemaFields|walkStages)[.]ts$' },
    },
    ...downwards('src/core/geometry', GEOMETRY),
    ...downwards('src/features', UNDER_SCREENS),
    ...screensApart(),
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'No DOM, no Node, no framework in the core.',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-has-no-interface',
      severity: 'error',
      from: { path: '^src/core/' },
      to: { path: 'node_modules/(react|next|styled-components|drizzle-orm|@libsql)' },
    },
    {
      name: 'a-bench-never-imports-a-bench',
      severity: 'error',
      from: { path: '^src/core/benches/([^/]+)/.+', pathNot: '^src/core/benches/lists/' },
      to: { path: '^src/core/benches/([^/]+)/.+', pathNot: '^src/core/benches/$1/' },
    },
    ...BENCHES.map((bench) => ({
      name: `screens-of-${bench}-use-what-it-rests-on`,
      severity: 'error',
      from: { path: `^src/(features/${bench}/|workers/${bench}[.])`, pathNot: '\\.test\\.tsx?$' },
      to: { path: `^src/core/benches/(${BENCHES.filter((other) => ![bench, ...(RESTS_ON[bench] ?? [])].includes(other)).join('|')})/` },
    })),
    {
      name: 'drizzle-stays-in-data',
      severity: 'error',
      from: { path: '^src/', pathNot: '^src/data/' },
      to: { path: 'node_modules/(drizzle-orm|@libsql)' },
    },
    {
      name: 'no-cycles',
      severity: 'error',
      from: { path: '^src' },
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types'] },
  },
}
