import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { beforeAll, describe, expect, it } from 'vitest'
import { connect } from './db/models.ts'
import { announce, type EpisodeEvent, eventHub } from './events.ts'
import { PREPARE } from './jobs/kinds.ts'
import { openQueue } from './jobs/queue.ts'
import { freshDatabase } from './test/fresh-app.ts'

let database: string
beforeAll(async () => {
  database = await freshDatabase()
})

/** Ends every connection of the database, as its crash would. */
async function cutOff() {
  const client = new pg.Client({ connectionString: process.env.TIDY_TEST_DATABASE! })
  await client.connect()
  await client.query('select pg_terminate_backend(pid) from pg_stat_activity where datname = $1', [
    new URL(database).pathname.slice(1),
  ])
  await client.end()
}

describe('eventHub', () => {
  it('listens again after its connection broke, and tells that something may have been missed', async () => {
    const sequelize = connect(database)
    const hub = await eventHub(database)
    const episodeId = randomUUID()
    const heard: EpisodeEvent['kind'][] = []
    hub.follow(episodeId, ({ kind }) => heard.push(kind))
    await announce(sequelize, { episodeId, kind: 'proxy', data: { id: 'a' } })
    await expect.poll(() => heard).toEqual(['proxy'])
    await cutOff()
    await expect.poll(() => heard, { timeout: 8000 }).toEqual(['proxy', 'reload'])
    await announce(sequelize, { episodeId, kind: 'document', data: { revision: 2 } })
    await expect.poll(() => heard).toEqual(['proxy', 'reload', 'document'])
    await hub.close()
    await sequelize.close()
  }, 20_000)

  it('tells of news that are too large for a notice that something came', async () => {
    const sequelize = connect(database)
    const hub = await eventHub(database)
    const episodeId = randomUUID()
    const heard: EpisodeEvent[] = []
    hub.follow(episodeId, (event) => heard.push(event))
    const remarks = Array.from({ length: 40 }, () => 'A sentence no voice could speak. '.repeat(10))
    await announce(sequelize, { episodeId, kind: 'prepare', data: { remarks } })
    await expect.poll(() => heard).toEqual([{ episodeId, kind: 'reload' }])
    await hub.close()
    await sequelize.close()
  })
})

describe('work whose worker died', () => {
  it('is put back and done by the next one, without anybody asking again', async () => {
    const queue = await openQueue(database)
    const client = new pg.Client({ connectionString: database })
    await client.connect()
    const episodeId = randomUUID()
    await queue.send(PREPARE, { episodeId })
    // A worker took it, said once that it lives, and was killed.
    await client.query(
      "update pgboss.job set state = 'active', started_on = now() - interval '1 minute' where name = $1",
      [PREPARE.queue],
    )
    await client.query(
      "insert into job_beats (job_id, at) select id, now() - interval '1 minute' from pgboss.job where name = $1",
      [PREPARE.queue],
    )
    expect(await queue.sweep()).toBe(1)
    expect(await queue.sweep()).toBe(0)
    const done: string[] = []
    await queue.work(PREPARE, async (input) => void done.push(input.episodeId))
    await expect.poll(() => done, { timeout: 8000 }).toEqual([episodeId])
    await expect.poll(async () => (await client.query('select 1 from job_beats')).rowCount).toBe(0)
    await client.end()
    await queue.stop()
  }, 20_000)

  it('is put back too where it had not said a word yet, and left alone while it lives', async () => {
    const queue = await openQueue(database)
    const client = new pg.Client({ connectionString: database })
    await client.connect()
    await client.query('delete from pgboss.job')
    const [lost, living] = [randomUUID(), randomUUID()]
    await queue.send(PREPARE, { episodeId: lost }, lost)
    await queue.send(PREPARE, { episodeId: living }, living)
    await client.query(
      "update pgboss.job set state = 'active', started_on = now() - interval '1 minute'",
    )
    await client.query(
      "insert into job_beats (job_id) select id from pgboss.job where data->>'episodeId' = $1",
      [living],
    )
    expect(await queue.sweep()).toBe(1)
    const states = await client.query(
      "select data->>'episodeId' as id, state from pgboss.job where name = $1",
      [PREPARE.queue],
    )
    expect(
      new Map(states.rows.map(({ id, state }: { id: string; state: string }) => [id, state])),
    ).toEqual(
      new Map([
        [lost, 'retry'],
        [living, 'active'],
      ]),
    )
    await client.end()
    await queue.stop()
  }, 20_000)
})
