/** Compiles the sub-pixel resampler to WebAssembly, when its source is newer than what is there. */
import { execFileSync } from 'node:child_process'
import { existsSync, statSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('..', import.meta.url))
const source = `${root}packages/engine/assembly/resample.ts`
const out = `${root}packages/engine/assembly/resample.wasm`
if (!existsSync(out) || statSync(out).mtimeMs < statSync(source).mtimeMs) {
  execFileSync(
    process.execPath,
    [
      `${root}node_modules/assemblyscript/bin/asc.js`,
      source,
      '-o',
      out,
      '-O3',
      '--noAssert',
      '--runtime',
      'stub',
      '--enable',
      'simd',
    ],
    { stdio: 'inherit' },
  )
}
