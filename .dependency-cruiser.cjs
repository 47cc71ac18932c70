// Who may import whom: the table of docs/architecture.md. Each rule was broken on purpose once and seen to fire.
const CORE = [
  'units',
  'numeric',
  'geometry',
  'tool',
  'clamp',
  'fits',
  'imaging',
  'features',
  'outline',
  'shapes',
  'sets',
  'judge',
  'balance',
  'adjust',
  'handover',
  'program',
  'plan',
  'load',
  'stats',
]
const rule = (name, comment, from, to) => ({ name, comment, severity: 'error', from, to })
const only = (layer, targets) =>
  rule(
    `${layer}-reach`,
    `src/${layer} may import only ${targets.join(', ')}`,
    { path: `^src/${layer}/`, pathNot: '\\.test\\.tsx?$' },
    { path: '^(src|standins|scripts|test|bench)/', pathNot: [`^src/${layer}/`, ...targets.map((t) => `^src/${t}`)] },
  )

module.exports = {
  forbidden: [
    rule('no-circular', 'type-only ones included', {}, { circular: true }),
    rule(
      'not-found',
      'an import that leads nowhere',
      { pathNot: '^node_modules' },
      { couldNotResolve: true, pathNot: '\\.css$' },
    ),
    rule('core-is-pure', 'no package, no node:', { path: '^src/core/', pathNot: '\\.test\\.ts$' }, { pathNot: '^src/core/' }),
    ...CORE.map((room, i) =>
      rule(
        `core-${room}`,
        `may import earlier rooms: ${CORE.slice(0, i).join(', ') || 'none'}`,
        { path: `^src/core/${room}/`, pathNot: '\\.test\\.ts$' },
        { path: '^src/core/', pathNot: CORE.slice(0, i + 1).map((u) => `^src/core/${u}/`) },
      ),
    ),
    rule(
      'core-unlisted',
      'a new room needs its place in CORE',
      {},
      { path: '^src/core/', pathNot: CORE.map((m) => `^src/core/${m}/`) },
    ),
    rule(
      'core-front-door',
      'from outside, a room is its index.ts',
      { path: '^(?:src|test|standins|scripts|bench)/(?:core/([^/]+)|[^/]+)/', pathNot: '^src/core/.*\\.test\\.ts$' },
      { path: '^src/core/', pathNot: ['^src/core/[^/]+/index\\.ts$', '^src/core/$1/'] },
    ),
    rule(
      'stand-ins-know-no-answers',
      'a simulation shares no code with what solves it',
      { path: '^src/devices/([^/]+/simulated|world/)' },
      {
        path: '^src/(core/(clamp|imaging|features|outline|shapes|sets|judge|balance|adjust|handover|program|plan|stats)|codecs)/',
        dependencyTypesNot: ['type-only'],
      },
    ),
    rule(
      'truth-is-private',
      'only simulations look inside the world',
      { path: '^(src|scripts|standins)/', pathNot: ['^src/devices/([^/]+/simulated|world/)', '^src/runtime/'] },
      { path: '^src/devices/world/' },
    ),
    rule(
      'ports-only',
      'interfaces, never an implementation',
      { path: '^src/(stations|ui|app)/' },
      { path: '^src/devices/', pathNot: '/port\\.ts$' },
    ),
    rule(
      'sql-lives-in-db',
      'better-sqlite3 only there',
      { path: '^(src|scripts)/', pathNot: '^src/db/' },
      { path: 'better-sqlite3' },
    ),
    rule(
      'rows-are-private',
      'a row is known to its own folder only',
      { path: '^src/', pathNot: '^src/db/' },
      { path: '^src/db/[^/]+/row\\.ts$' },
    ),
    rule('pages-ask-stations', 'the database is behind the stations', { path: '^src/app/' }, { path: '^src/db/' }),
    rule('control-stands-alone', 'the stand-in imports nothing of ours', { path: '^standins/' }, { path: '^src/' }),
    only('codecs', ['core/']),
    only('words', [
      'core/',
      'codecs/faults\\.ts$',
      'stations/contract\\.ts$',
      'stations/[^/]+/contract\\.ts$',
      'stations/refusals\\.ts$',
      'stations/entries\\.ts$',
      'devices/[^/]+/port\\.ts$',
    ]),
    rule(
      'words-of-others-as-types',
      'words know contracts and ports by their types',
      { path: '^src/words/' },
      { path: '^src/(stations|devices)/', dependencyTypesNot: ['type-only'] },
    ),
    rule(
      'contracts-are-plain',
      'a contract is said with the core, Zod and the types of ports',
      { path: ['^src/stations/contract\\.ts$', '^src/stations/[^/]+/contract\\.ts$'] },
      {
        pathNot: [
          '^src/core/',
          '^src/stations/contract\\.ts$',
          '^src/stations/[^/]+/contract\\.ts$',
          '^node_modules/zod/',
          '^src/devices/[^/]+/port\\.ts$',
          '^src/codecs/faults\\.ts$',
        ],
      },
    ),
    only('devices', ['core/', 'codecs/']),
    only('db', ['core/']),
    only('workers', ['core/', 'codecs/', 'devices/']),
    only('ui', ['core/', 'words/', 'codecs/', 'workers/', 'stations/contract\\.ts$', 'stations/[^/]+/contract\\.ts$']),
    only('stations', ['core/', 'words/', 'codecs/', 'db/', 'devices/']),
    only('runtime', ['devices/', 'db/', 'core/', 'codecs/', 'workers/server/']),
    only('app', ['core/', 'words/', 'codecs/', 'ui/', 'stations/', 'runtime/', 'devices/']),
    rule(
      'no-tests-in-src',
      'nothing that runs imports a test',
      { path: '^src/', pathNot: '\\.test\\.tsx?$' },
      { path: '(^test/|\\.test\\.tsx?$)' },
    ),
    rule(
      'reference-by-front-doors',
      'reference tests use what any other user of a room uses',
      { path: '^test/reference/' },
      { path: '^src/', pathNot: ['^src/core/[^/]+/index\\.ts$', '^src/codecs/[^/]+\\.ts$', '^src/words/', '^src/devices/'] },
    ),
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
}
