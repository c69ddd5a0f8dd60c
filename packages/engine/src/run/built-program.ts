import { fileURLToPath } from 'node:url'

/**
 * A program of ours as `npm run build` makes it; children are started from these, never from
 * sources.
 *
 * @param name as `scripts/build.mjs` lists it
 */
export const builtProgram = (name: 'speech-host' | 'stock' | 'task-host') =>
  fileURLToPath(new URL(`../../../../dist/${name}.js`, import.meta.url))
