import pg from 'pg'
import PgBoss from 'pg-boss'
import type { z } from 'zod'
import { withTimeLimit } from '@tidy-reel/engine/run/time-limit'

/** A kind of work: where it waits, what it is given, how it is tried again. */
export interface JobKind<T> {
  queue: string
  input: z.ZodType<T>
  retryLimit: number
  timeoutSeconds: number
}

export interface Queue {
  /** Asks for work; with a key, once while the same is still waiting. */
  send<T>(kind: JobKind<T>, input: T, key?: string): Promise<void>
  /** Does work as it comes, one at a time; `signal` ends with the time limit or `stop`. */
  work<T>(kind: JobKind<T>, run: (input: T, signal: AbortSignal) => Promise<void>): Promise<void>
  /** Puts work back whose worker died without a word. @returns how many */
  sweep(): Promise<number>
  stop(): Promise<void>
}

/** So often a worker says that it lives, and so long without that is death. */
const BEAT_MS = 2_000
const DEAD_SECONDS = 15
/** Work that so many workers have died over is at fault itself. */
const MOST_DEATHS = 20

/**
 * The one place that knows pg-boss: its version 10 gives no abort signal and goes on after a
 * time-out, so we make the signal.
 */
export async function openQueue(database: string): Promise<Queue> {
  const boss = new PgBoss({ connectionString: database, max: 4 })
  boss.on('error', (error) => console.error(`queue: ${error.message}`))
  await boss.start()
  const pool = new pg.Pool({ connectionString: database, max: 2 })
  pool.on('error', (error) => console.error(`queue: ${error.message}`))
  const own = new Set<string>()
  const stop = new AbortController()
  const made = new Set<string>()
  const ensure = async ({ queue }: { queue: string }) => {
    if (made.has(queue)) return
    await boss.createQueue(queue, { name: queue, policy: 'short' }).catch(() => undefined)
    made.add(queue)
  }
  return {
    async send(kind, input, key) {
      await ensure(kind)
      await boss.send(kind.queue, input as object, {
        retryLimit: kind.retryLimit,
        retryDelay: 2,
        expireInSeconds: kind.timeoutSeconds,
        ...(key ? { singletonKey: key } : {}),
      })
    },
    async work(kind, run) {
      await ensure(kind)
      await boss.work(kind.queue, { pollingIntervalSeconds: 0.5, batchSize: 1 }, async (jobs) => {
        for (const job of jobs)
          await beating(pool, own, job.id, () =>
            withTimeLimit(kind.timeoutSeconds * 1000, stop.signal, (signal) =>
              run(kind.input.parse(job.data), signal),
            ),
          )
      })
    },
    async sweep() {
      // Held by another process that may be slow; our own are seen to live.
      const dead = await pool.query(PUT_BACK, [DEAD_SECONDS, MOST_DEATHS, [...own]])
      const silent = await pool.query(NEVER_BEGUN, [DEAD_SECONDS, [...own]])
      return (dead.rowCount ?? 0) + (silent.rowCount ?? 0)
    },
    async stop() {
      stop.abort()
      await boss.stop({ graceful: true, timeout: 4000, wait: true })
      await pool.end()
    },
  }
}

/** Does a job and says meanwhile that it is being done. */
async function beating(
  pool: pg.Pool,
  own: Set<string>,
  jobId: string,
  run: () => Promise<void>,
): Promise<void> {
  const beat = () =>
    void pool
      .query(
        `insert into job_beats (job_id) values ($1)
         on conflict (job_id) do update set at = now()`,
        [jobId],
      )
      .catch(() => undefined)
  own.add(jobId)
  beat()
  const timer = setInterval(beat, BEAT_MS)
  try {
    await run()
  } finally {
    clearInterval(timer)
    own.delete(jobId)
    await pool.query('delete from job_beats where job_id = $1', [jobId]).catch(() => undefined)
  }
}

/**
 * A death is no fault of the work: pg-boss counts a try by `started_on`, so that is taken back; what
 * too many have died over stays where it is until its time is up.
 */
const PUT_BACK = `
  with dead as (
    update job_beats set deaths = deaths + 1, at = now()
    where at < now() - make_interval(secs => $1) and job_id <> all ($3::uuid[])
    returning job_id, deaths
  )
  update pgboss.job set state = 'retry', started_on = null, start_after = now()
  from dead where id = dead.job_id and state = 'active' and dead.deaths <= $2`

/** Taken by a worker that died before it could say so; the queue's own housekeeping is left alone. */
const NEVER_BEGUN = `
  update pgboss.job set state = 'retry', started_on = null, start_after = now()
  where state = 'active' and started_on < now() - make_interval(secs => $1)
    and id <> all ($2::uuid[]) and name not like '\\_\\_%'
    and not exists (select 1 from job_beats where job_id = id)`
