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
  stop(): Promise<void>
}

/**
 * The one place that knows pg-boss: its version 10 gives no abort signal and goes on after a
 * time-out, so we make the signal.
 */
export async function openQueue(database: string): Promise<Queue> {
  const boss = new PgBoss({ connectionString: database, max: 4 })
  boss.on('error', (error) => console.error(`queue: ${error.message}`))
  await boss.start()
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
          await withTimeLimit(kind.timeoutSeconds * 1000, stop.signal, (signal) =>
            run(kind.input.parse(job.data), signal),
          )
      })
    },
    async stop() {
      stop.abort()
      await boss.stop({ graceful: true, timeout: 8000, wait: true })
    },
  }
}
