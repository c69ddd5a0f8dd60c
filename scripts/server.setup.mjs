/**
 * For the server's tests: a PostgreSQL server on loopback in a data folder of their own; its
 * address is in
 * TIDY_TEST_DATABASE.
 */
import { join } from 'node:path'
import { startPostgres } from './postgres.mjs'
import { ROOT } from './prepare.mjs'

export default async function setup() {
  const postgres = await startPostgres(join(ROOT, '.data/postgres-unit'))
  process.env.TIDY_TEST_DATABASE = postgres.keeperAddress
  return () => postgres.stop()
}
