/** The layers, lowest first: each may import what stands before it. `demo` and `cli` sit beside `app` on top. */
const LAYERS = {
  core: [],
  wording: ['core'],
  data: ['core'],
  workers: ['core'],
  ui: ['core', 'wording'],
  features: ['core', 'wording', 'ui', 'workers'],
  demo: ['core', 'data'],
  cli: ['core', 'wording', 'data'],
  app: ['core', 'wording', 'data', 'ui', 'features'],
}

const own = Object.keys(LAYERS)

/** Inside the core, lowest first: each folder may import those before it, never one that stands after. */
const CORE = [
  'numerics',
  'quantity',
  'metrology',
  'engine',
  'cam',
  'clearance',
  'trueScale',
  'build',
  'joints',
  'bench',
  'quantities',
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

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    ...own.map((layer) => ({
      name: `${layer}-imports-downwards`,
      severity: 'error',
      from: { path: `^src/${layer}/`, pathNot: '\\.test\\.tsx?$' },
      to: { path: `^src/(${own.filter((other) => other !== layer && !LAYERS[layer].includes(other)).join('|')})/` },
    })),
    ...CORE.slice(0, -1).map((folder, index) => ({
      name: `core-${folder}-imports-downwards`,
      severity: 'error',
      from: { path: `^src/core/${folder}/`, pathNot: '\\.test\\.ts$' },
      to: { path: `^src/core/(${CORE.slice(index + 1).join('|')})/` },
    })),
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
      from: { path: '^src/core/benches/([^/]+)/.+' },
      to: { path: '^src/core/benches/([^/]+)/.+', pathNot: '^src/core/benches/$1/' },
    },
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
