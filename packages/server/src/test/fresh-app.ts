/** The server on a database of its own, without a port; for tests. */
import { randomUUID } from 'node:crypto'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { workPool } from '@tidy-reel/engine/threads/pool'
import { webApp } from '../app.ts'
import { migrate } from '../db/migrate.ts'
import { connect } from '../db/models.ts'
import { openServices } from '../services.ts'

/** Other tests fill the machine: what takes a second alone may take ten. */
const PATIENCE_SECONDS = 60

export async function freshDatabase(): Promise<string> {
  const server = new URL(process.env.TIDY_TEST_DATABASE!)
  const client = new pg.Client({ connectionString: server.href })
  await client.connect()
  const name = `test_${randomUUID().replace(/-/g, '')}`
  await client.query(`create database ${name}`)
  await client.end()
  server.pathname = `/${name}`
  const sequelize = connect(server.href)
  await migrate(sequelize)
  return server.href
}

/** @param stock address of a stock library; nobody answers at the usual one */
export async function freshApp(
  stock = 'http://127.0.0.1:1',
  statistics = 'http://127.0.0.1:1',
  maker?: string,
  writers: readonly string[] = [],
) {
  const database = await freshDatabase()
  const data = mkdtempSync(join(tmpdir(), 'tidy-server-'))
  const engine = { data, stock, statistics, maker, writers }
  const app = await openServices(database, engine, workPool(PATIENCE_SECONDS))
  const served = webApp(app, mkdtempSync(join(tmpdir(), 'tidy-web-')))
  const web = {
    routes: served.routes,
    /** As every client of HTTP/1.1 does, it says whom it asks (RFC 9112, 3.2). */
    request: (address: string, init: RequestInit = {}) => {
      const headers = new Headers(init.headers)
      if (!headers.has('host')) headers.set('host', 'localhost')
      return served.request(address, { ...init, headers })
    },
  }
  const ask = async <Body = never>(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ) => {
    const answer = await web.request(`http://localhost${path}`, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...headers,
      },
      ...(body === undefined
        ? {}
        : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    })
    const text = await answer.text()
    return {
      status: answer.status,
      headers: answer.headers,
      text,
      body: (answer.headers.get('content-type')?.includes('json')
        ? JSON.parse(text)
        : undefined) as Body,
    }
  }
  return {
    app,
    database,
    data,
    engine,
    web,
    ask,
    close: () => app.close(),
  }
}
export type FreshApp = Awaited<ReturnType<typeof freshApp>>
