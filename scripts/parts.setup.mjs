/**
 * For the tests that start programs: ours are built, and a PostgreSQL server runs on loopback in a
 * data folder of the tests' own; its address is in TIDY_TEST_DATABASE.
 */
import { join } from 'node:path'
import { buildPrograms } from './build.mjs'
import { startPostgres } from './postgres.mjs'
import { ROOT } from './prepare.mjs'

export default async function setup() {
  await buildPrograms()
  const postgres = await startPostgres(join(ROOT, '.data/postgres-unit'))
  process.env.TIDY_TEST_DATABASE = postgres.address
  return () => postgres.stop()
}
