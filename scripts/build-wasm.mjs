/** Compiles what makes frames to WebAssembly, when a source of it is newer than what is there. */
import { execFileSync } from 'node:child_process'
import { existsSync, statSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('..', import.meta.url))
const folder = `${root}packages/engine/assembly`
const sources = ['resample', 'grade'].map((name) => `${folder}/${name}.ts`)
const out = `${folder}/frames.wasm`
const isOld = () => sources.some((source) => statSync(out).mtimeMs < statSync(source).mtimeMs)
if (!existsSync(out) || isOld()) {
  execFileSync(
    process.execPath,
    [
      `${root}node_modules/assemblyscript/bin/asc.js`,
      ...sources,
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
