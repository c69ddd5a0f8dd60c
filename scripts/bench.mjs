/**
 * `npm run bench`: ratios measured in one run on this machine; an absolute time would mean nothing
 * elsewhere.
 */
import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { prepare, ROOT } from './prepare.mjs'

await prepare()
execFileSync(process.execPath, ['--import', 'tsx', join(ROOT, 'scripts/bench.ts')], {
  stdio: 'inherit',
  cwd: ROOT,
})
