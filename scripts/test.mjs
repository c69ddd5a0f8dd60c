/**
 * `npm test [unit | parts | e2e | checks]`: prepares the machine and runs every test, or one kind
 * of them, the quickest
 * first; names the slowest twenty and ends with one line of sums, `N passed, N failed`.
 */
import { spawn } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join, relative } from 'node:path'
import { prepare, ROOT } from './prepare.mjs'

const SLOWEST = 20
const REPORTS = join(ROOT, '.data')

const npm = (name) => ['npm', ['run', '--silent', name]]

const vitest = (project) => ({
  name: `${project} tests`,
  command: ['npx', ['vitest', 'run', '--project', project, ...reporters(project)]],
  report: { file: reportOf(project), read: vitestReport },
})

const STEPS = {
  format: { name: 'format', command: npm('check:format') },
  imports: { name: 'who imports whom', command: npm('check:imports') },
  unused: { name: 'what nothing uses', command: npm('check:unused') },
  types: { name: 'types', command: npm('check:types') },
  lint: { name: 'lint', command: npm('check:lint') },
  build: { name: 'build', command: npm('build') },
  rooms: { name: 'what rooms load', command: npm('measure:rooms') },
  licences: { name: 'licences', command: npm('check:licences') },
  unit: vitest('unit'),
  parts: vitest('parts'),
  server: vitest('server'),
  e2e: {
    name: 'browser tests',
    command: ['npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts']],
    report: { file: reportOf('browser'), read: playwrightReport },
  },
}

/**
 * Two rows of steps side by side: much of each is waiting for other programs, which fills the
 * other's gaps. A third row takes longer altogether, and tests that measure fail by it.
 */
const ROWS = {
  all: [
    ['unit', 'types', 'build', 'licences', 'rooms', 'parts', 'server'],
    ['imports', 'unused', 'format', 'lint', 'e2e'],
  ],
  checks: [['format', 'imports', 'unused', 'types', 'lint']],
  unit: [['unit']],
  parts: [['build', 'parts', 'server']],
  e2e: [['build', 'e2e']],
}
/** Steps that stand on what was built. */
const ON_BUILT = new Set(['licences', 'rooms', 'parts', 'server', 'e2e'])
let built

const wanted = process.argv[2] ?? 'all'
if (!(wanted in ROWS)) {
  console.error(`There are no tests called "${wanted}"; there are ${Object.keys(ROWS).join(', ')}.`)
  process.exit(1)
}
process.env.TIDY_NICE = '0'
if (wanted !== 'unit') await prepare()
mkdirSync(REPORTS, { recursive: true })
const begun = performance.now()
const rows = await Promise.all(ROWS[wanted].map(runRow))
const results = rows.flat()
printSlowest(results.flatMap(({ tests }) => tests))
for (const { name, seconds, failed } of results)
  console.log(`${name}: ${seconds.toFixed(0)} s${failed ? `, ${failed} failed` : ''}`)
console.log(`all of it: ${((performance.now() - begun) / 1000).toFixed(0)} s`)
const passed = results.reduce((sum, result) => sum + result.passed, 0)
const failed = results.reduce((sum, result) => sum + result.failed, 0)
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed ? 1 : 0)

/** Made once, by whichever row comes to it first; the others wait for it. */
function buildOnce(isAside) {
  built ??= run(STEPS.build, isAside)
  return built
}

async function runRow(names, row) {
  const isAside = row > 0
  const done = []
  for (const name of names) {
    if (ON_BUILT.has(name)) await buildOnce(isAside)
    if (name === 'build') done.push(await buildOnce(isAside))
    else done.push(await run(STEPS[name], isAside))
  }
  return done
}

async function run({ name, command: [program, args], report }, isAside) {
  if (!isAside) console.log(`\n— ${name}`)
  if (report) rmSync(report.file, { force: true })
  const start = performance.now()
  const { status, said } = await ended(program, args, isAside)
  if (isAside) console.log(`\n— ${name}\n${said}`)
  const seconds = (performance.now() - start) / 1000
  const counts = report ? read(report, name) : undefined
  if (!counts) return { name, seconds, tests: [], passed: status ? 0 : 1, failed: status ? 1 : 0 }
  // A run that failed as a whole, with no test of it that did, has failed all the same.
  const failures = status && !counts.failed ? 1 : counts.failed
  return { name, seconds, ...counts, failed: failures }
}

/** Runs a program; what it says is shown as it comes, or handed over when it has ended. */
function ended(program, args, isAside) {
  return new Promise((resolve) => {
    const child = spawn(program, args, {
      cwd: ROOT,
      stdio: isAside ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, FORCE_COLOR: '0' },
    })
    const said = []
    child.stdout?.on('data', (chunk) => said.push(chunk))
    child.stderr?.on('data', (chunk) => said.push(chunk))
    child.once('close', (status) => resolve({ status, said: Buffer.concat(said).toString() }))
  })
}

function read({ file, read: counted }, name) {
  try {
    return counted(JSON.parse(readFileSync(file, 'utf8')))
  } catch {
    console.log(`${name} left no report`)
    return undefined
  }
}

function reportOf(name) {
  return join(REPORTS, `${name}.json`)
}

function reporters(project) {
  return ['--reporter=default', '--reporter=json', `--outputFile.json=${reportOf(project)}`]
}

function vitestReport({ numPassedTests, numFailedTests, testResults }) {
  const tests = testResults.flatMap(({ name, assertionResults }) =>
    assertionResults.map(({ title, duration }) => ({
      title: `${relative(ROOT, name)}: ${title}`,
      seconds: (duration ?? 0) / 1000,
    })),
  )
  return { passed: numPassedTests, failed: numFailedTests, tests }
}

function playwrightReport({ stats, suites }) {
  const specsOf = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsOf)]
  const tests = suites.flatMap(specsOf).map(({ file, title, tests: runs }) => ({
    title: `e2e/${file}: ${title}`,
    seconds:
      runs.flatMap(({ results: r }) => r).reduce((sum, { duration }) => sum + duration, 0) / 1000,
  }))
  return { passed: stats.expected, failed: stats.unexpected + stats.flaky, tests }
}

function printSlowest(tests) {
  if (!tests.length) return
  console.log(`\nThe slowest ${SLOWEST}:`)
  const slowest = tests.sort((a, b) => b.seconds - a.seconds).slice(0, SLOWEST)
  for (const { title, seconds } of slowest)
    console.log(`${seconds.toFixed(1).padStart(6)} s  ${title}`)
}
