import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { build } from 'esbuild'
import { defineConfig, type Plugin } from 'vite'

const WORKER = 'virtual:lettering-worker'

/**
 * Ships the worker of jassub (libass) as a file of its own. Its code names itself as a worker to
 * start, which Vite would follow round and round; esbuild leaves that name alone.
 */
function letteringWorker(): Plugin {
  return {
    name: 'lettering-worker',
    enforce: 'pre',
    resolveId: (id) => (id === WORKER ? `\0${WORKER}` : undefined),
    async load(id) {
      if (id !== `\0${WORKER}`) return
      const entry = fileURLToPath(import.meta.resolve('jassub/dist/worker/worker.js'))
      const { outputFiles } = await build({
        entryPoints: [entry],
        bundle: true,
        format: 'esm',
        write: false,
        minify: true,
        target: 'es2022',
      })
      const file = this.emitFile({
        type: 'asset',
        name: 'lettering-worker.js',
        source: outputFiles[0]!.contents,
      })
      return `export default import.meta.ROLLUP_FILE_URL_${file}`
    },
    transform: (code, id) =>
      /jassub[\\/]dist[\\/]jassub\.js/.test(id)
        ? code.replace(
            "new Worker(new URL('./worker/worker.js', import.meta.url), { name: 'jassub-worker', type: 'module' })",
            'undefined',
          )
        : undefined,
  }
}

/** Tells which packages are part of the client, for the check of their licences. */
function bundledPackages(): Plugin {
  return {
    name: 'bundled-packages',
    generateBundle(_options, bundle) {
      const names = Object.values(bundle).flatMap((part) =>
        part.type === 'chunk' ? Object.keys(part.modules).flatMap((id) => packageOf(id) ?? []) : [],
      )
      const source = JSON.stringify([...new Set(names)].sort())
      this.emitFile({ type: 'asset', fileName: 'packages.json', source })
    },
  }
}

const packageOf = (id: string) => /.*node_modules\/((?:@[^/]+\/)?[^/]+)/.exec(id)?.[1]

export default defineConfig({
  root: fileURLToPath(new URL('.', import.meta.url)),
  plugins: [letteringWorker(), vue(), bundledPackages()],
  resolve: {
    alias: {
      // jassub asks for a stand-in under the GPL for a call that every browser of today has.
      'rvfc-polyfill': fileURLToPath(new URL('src/left-out/nothing.ts', import.meta.url)),
      // Element Plus works out the shades of a button's own colour; ours have none.
      '@ctrl/tinycolor': fileURLToPath(new URL('src/left-out/no-tiny-color.ts', import.meta.url)),
    },
  },
  // Workers load parts of their code when they need them.
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    // Which files a room loads: `npm run measure:rooms`.
    manifest: 'rooms.json',
    chunkSizeWarningLimit: 2000,
    rolldownOptions: {
      onwarn(warning, warn) {
        // A comment in zod that Rolldown takes out: it changes nothing.
        if (warning.code !== 'INVALID_ANNOTATION') warn(warning)
      },
    },
  },
  server: { proxy: { '/api': process.env.TIDY_API ?? 'http://127.0.0.1:4300' } },
})
