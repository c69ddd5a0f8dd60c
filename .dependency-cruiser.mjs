/**
 * Who may import whom. Types count as imports.
 *
 * Packages: web → core; cli and server → engine → core; standins stand alone. Inside core the rooms
 * stand in the order of the data, each importing only those before it.
 */

/** Floors of core from the ground up, then its wings, which no floor imports. */
const FLOORS = [
  'faults',
  'time',
  'text',
  'pictures',
  'script',
  'style',
  'document',
  'speech',
  'timeline',
  'film',
  'render',
  'export',
]
const WINGS = ['words', 'match', 'tidy', 'checks', 'writing', 'topics']
/** What the server sends and the browser reads: it may name anything of core. */
const ROOMS = [...FLOORS, ...WINGS, 'views']

const PACKAGES_ABOVE = {
  core: ['engine', 'server', 'web', 'cli', 'standins'],
  engine: ['server', 'web', 'cli', 'standins'],
  server: ['web', 'cli', 'standins'],
  web: ['engine', 'server', 'cli', 'standins'],
  cli: ['server', 'web', 'standins'],
  standins: ['core', 'engine', 'server', 'web', 'cli'],
}

const TESTS = String.raw`\.test\.ts$|/test/|/test-sets/`

const roomRules = ROOMS.slice(0, -1).map((room, floor) => ({
  name: `core-${room}-imports-only-what-stands-before-it`,
  severity: 'error',
  from: { path: `^packages/core/src/${room}/`, pathNot: TESTS },
  to: { path: `^packages/core/src/(?:${ROOMS.slice(floor + 1).join('|')})/` },
}))

const packageRules = Object.entries(PACKAGES_ABOVE).map(([name, others]) => ({
  name: `${name}-imports-only-what-stands-below-it`,
  severity: 'error',
  from: { path: `^packages/${name}/src/`, pathNot: TESTS },
  to: { path: `^packages/(?:${others.join('|')})/` },
}))

export default {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'every-file-of-core-has-a-room',
      severity: 'error',
      from: {},
      to: { path: `^packages/core/src/(?!(?:${ROOMS.join('|')})/|[^/]+\\.d\\.ts$)` },
    },
    {
      name: 'core-has-no-input-or-output',
      severity: 'error',
      from: { path: '^packages/core/src/', pathNot: TESTS },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'nothing-imports-what-is-not-there',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: String.raw`\?raw$|^n2words/|^virtual:` },
    },
    ...packageRules,
    ...roomRules,
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: String.raw`/dist/|\.data` },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
    },
  },
}
