/**
 * `npm run build`: every program of ours as JavaScript in `dist/`, with source maps, and the
 * browser's client.
 * What is newer than its sources is left as it is.
 */
import { execFileSync } from 'node:child_process'
import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import { build } from 'esbuild'
import { ROOT, say } from './prepare.mjs'

/** Programs that are started by themselves, by the names they are built under. */
const PROGRAMS = {
  'tidy-reel': 'packages/cli/src/main.ts',
  server: 'packages/server/src/main.ts',
  worker: 'packages/server/src/worker.ts',
  setup: 'packages/server/src/setup.ts',
  'speech-host': 'packages/engine/src/speech/host/speech-host.ts',
  'task-host': 'packages/engine/src/threads/task-host.ts',
  stock: 'packages/standins/src/stock/main.ts',
  prints: 'packages/standins/src/prints/main.ts',
  maker: 'packages/standins/src/maker/main.ts',
  statistics: 'packages/standins/src/statistics/main.ts',
  'paint-item': 'packages/standins/src/stock/paint-item.ts',
}

const DIST = join(ROOT, 'dist')

function newest(folder) {
  const files = readdirSync(join(ROOT, folder), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => statSync(join(entry.parentPath, entry.name)).mtimeMs)
  return Math.max(0, ...files)
}

function isNewer(file, folders) {
  if (!existsSync(file)) return false
  const built = statSync(file).mtimeMs
  return folders.every((folder) => newest(folder) < built)
}

/** A module that looks for files beside itself goes on finding them beside its source. */
const besideItsSource = {
  name: 'beside-its-source',
  setup({ onLoad }) {
    onLoad({ filter: /packages\/\w+\/src\/.*\.ts$/ }, ({ path }) => {
      const text = readFileSync(path, 'utf8')
      if (!text.includes('import.meta.url')) return undefined
      const source = JSON.stringify(`../${relative(ROOT, path)}`)
      const here = `new URL(${source}, import.meta.url).href`
      return { contents: text.replaceAll('import.meta.url', here), loader: 'ts' }
    })
  },
}

/** Our own packages are part of the programs; those of others stay where npm put them. */
const ours = {
  name: 'ours',
  setup({ onResolve }) {
    onResolve({ filter: /^@tidy-reel\// }, ({ path }) => {
      const [, name, ...rest] = path.split('/')
      return { path: join(ROOT, 'packages', name, 'src', `${rest.join('/')}.ts`) }
    })
  },
}

/** The programs of server, worker, shell and stand-ins. */
export async function buildPrograms() {
  const sources = ['core', 'engine', 'server', 'cli', 'standins'].map((p) => `packages/${p}/src`)
  if (isNewer(join(DIST, 'tidy-reel.js'), [...sources, 'scripts'])) return
  say('building the programs, a second')
  rmSync(DIST, { recursive: true, force: true })
  await build({
    absWorkingDir: ROOT,
    entryPoints: PROGRAMS,
    outdir: DIST,
    chunkNames: 'part-[hash]',
    bundle: true,
    splitting: true,
    packages: 'external',
    format: 'esm',
    platform: 'node',
    // The first that knows by `with` what kind of file it is to read.
    target: 'node20.10',
    sourcemap: true,
    logLevel: 'warning',
    plugins: [ours, besideItsSource],
  })
}

/** The client in the browser. */
export function buildWeb() {
  const index = join(ROOT, 'packages/web/dist/index.html')
  if (isNewer(index, ['packages/web/src', 'packages/core/src'])) return
  say('building the client, about ten seconds')
  execFileSync('npm', ['run', '--silent', 'build:web'], { cwd: ROOT, stdio: 'inherit' })
  packed(join(ROOT, 'packages/web/dist'))
}

/** What packs well; fonts and pictures are packed already. */
const PACKED = /\.(?:js|css|html|wasm|json|svg)$/
/** What a room waits for is packed as tightly as can be; for the rest that takes too long. */
const WAITED_FOR = /\.(?:js|css)$/
const qualityOf = (name) => (WAITED_FOR.test(name) ? 11 : 9)

/** Files packed once, here, beside the plain ones: the server sends them as they are. */
function packed(folder) {
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile() || !PACKED.test(entry.name)) continue
    const file = join(entry.parentPath, entry.name)
    const bytes = readFileSync(file)
    const params = { [constants.BROTLI_PARAM_QUALITY]: qualityOf(entry.name) }
    writeFileSync(`${file}.br`, brotliCompressSync(bytes, { params }))
    writeFileSync(`${file}.gz`, gzipSync(bytes))
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  await buildPrograms()
  buildWeb()
}
