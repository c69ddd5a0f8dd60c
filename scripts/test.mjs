/** `npm test`: prepares the machine and runs types, lint, unit tests and the browser tests; ends with `N passed, N failed`. */
import { spawnSync } from 'node:child_process'
import { readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { prepare, ROOT } from './prepare.mjs'

await prepare()
let passed = 0
let failed = 0

function step(name, command, args, report) {
  console.log(`\n— ${name}`)
  if (report) rmSync(report.file, { force: true })
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, FORCE_COLOR: '0' } })
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
step('types', 'npm', ['run', '--silent', 'check:types'])
step('lint', 'npm', ['run', '--silent', 'check:lint'])
step('unit and integration tests', 'npx', ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${unit}`], {
  file: unit, read: ({ numPassedTests, numFailedTests }) => ({ passed: numPassedTests, failed: numFailedTests }),
})
step('the web client builds', 'npm', ['run', '--silent', 'build:web'])
step('browser tests', 'npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
  file: browser, read: ({ stats }) => ({ passed: stats.expected, failed: stats.unexpected + stats.flaky }),
})
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed ? 1 : 0)
