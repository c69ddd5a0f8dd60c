/** For the tests that start programs: ours are built. */
export { buildPrograms as default } from './build.mjs'
