/** `npm test`: prepares the machine and runs types, lint, unit tests and the browser tests; ends with `N passed, N failed`. */
import { spawn } from 'node:child_process'
import { readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { prepare, ROOT } from './prepare.mjs'

await prepare()
let passed = 0
let failed = 0

/** Runs a program; what it says is shown as it comes, or when it has ended if others speak meanwhile. */
function run(command, args, aside) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      stdio: aside ? ['ignore', 'pipe', 'pipe'] : 'inherit',
      env: { ...process.env, FORCE_COLOR: '0' },
    })
    const said = []
    if (aside)
      for (const stream of [child.stdout, child.stderr])
        stream.on('data', (chunk) => said.push(chunk))
    child.once('close', (status) => resolve({ status, said: Buffer.concat(said).toString() }))
  })
}

async function step(name, command, args, { report, aside } = {}) {
  if (!aside) console.log(`\n— ${name}`)
  if (report) rmSync(report.file, { force: true })
  const { status, said } = await run(command, args, aside)
  if (aside) console.log(`\n— ${name}\n${said}`)
  if (report) {
    try {
      const counts = report.read(JSON.parse(readFileSync(report.file, 'utf8')))
      passed += counts.passed
      failed += counts.failed
      if (status !== 0 && counts.failed === 0) failed++
      return
    } catch {
      console.log(`${name} left no report`)
    }
  }
  if (status === 0) passed++
  else failed++
}

const unit = join(ROOT, '.data/unit.json')
const browser = join(ROOT, '.data/browser.json')
const checks = async () => {
  await step('types', 'npm', ['run', '--silent', 'check:types'], { aside: true })
  await step('format', 'npm', ['run', '--silent', 'check:format'], { aside: true })
  await step('imports', 'npm', ['run', '--silent', 'check:imports'], { aside: true })
  await step('lint', 'npm', ['run', '--silent', 'check:lint'], { aside: true })
  await step('the web client builds', 'npm', ['run', '--silent', 'build:web'], { aside: true })
  await step('browser tests', 'npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
    aside: true,
    report: {
      file: browser,
      read: ({ stats }) => ({ passed: stats.expected, failed: stats.unexpected + stats.flaky }),
    },
  })
}
// Much of both is waiting for other programs: they fill each other's gaps.
await Promise.all([
  step(
    'unit and integration tests',
    'npx',
    ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${unit}`],
    {
      report: {
        file: unit,
        read: ({ numPassedTests, numFailedTests }) => ({
          passed: numPassedTests,
          failed: numFailedTests,
        }),
      },
    },
  ),
  checks(),
])
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed ? 1 : 0)
