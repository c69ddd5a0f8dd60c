import { availableParallelism } from 'node:os'
import pLimit from 'p-limit'
import { Piscina } from 'piscina'
import type { FaultCode } from '@tidy-reel/core/faults/codes'
import { faultAgain, TidyError } from '@tidy-reel/core/faults/fault'
import { builtProgram } from '../run/built-program.ts'
import { withTimeLimit } from '../run/time-limit.ts'
import { LONGER_SECONDS, type TaskInput, type TaskName, type TaskResult } from './tasks.ts'

/** What a thread is given. */
export interface TaskOrder {
  name: TaskName
  input: unknown
}

/** What a thread gives back. */
export type TaskOutcome = { result: unknown } | { fault: { code: FaultCode; details: unknown } }

/** What a person waits for; the longest script is read in a tenth of it. */
export const TASK_SECONDS = 10
/** Dictionary, words and the largest document take half of it. */
const MEMORY_MB = 700
/** A thread that has nothing to do gives its memory back. */
const IDLE_MS = 60_000
/** More than these waiting are turned away: nobody would wait for the last. */
const MOST_WAITING = 64

/** Does tasks in threads, so that none of them stops who waits for something else. */
export interface WorkPool {
  /**
   * @throws TidyError what the task throws; `work_too_long` when it took over `TASK_SECONDS` or more
   *   memory than it may; `work_too_much` when too many are waiting; `cancelled`
   */
  run<Name extends TaskName>(
    name: Name,
    input: TaskInput<Name>,
    signal?: AbortSignal,
  ): Promise<TaskResult<Name>>
  close(): Promise<void>
}

/**
 * @param seconds what a task may take from when a thread begins it, whatever waited before it;
 *   some have more (`LONGER_SECONDS`)
 */
export function workPool(seconds = TASK_SECONDS): WorkPool {
  const threads = Math.max(2, availableParallelism())
  const turn = pLimit(threads)
  const pool = new Piscina<TaskOrder, TaskOutcome>({
    filename: builtProgram('task-host'),
    minThreads: 0,
    maxThreads: threads,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
    execArgv: [],
  })
  return {
    async run<Name extends TaskName>(name: Name, input: TaskInput<Name>, signal?: AbortSignal) {
      if (turn.pendingCount >= MOST_WAITING) throw new TidyError('work_too_much')
      const limit = Math.max(seconds, LONGER_SECONDS[name] ?? 0)
      const outcome = await turn(() =>
        withTimeLimit(limit * 1000, signal, (ended) =>
          pool.run({ name, input }, { signal: ended }),
        ),
      ).catch((cause: unknown) => {
        throw faultOf(cause, limit, signal)
      })
      if ('result' in outcome) return outcome.result as TaskResult<Name>
      throw faultAgain(outcome.fault)
    },
    close: () => pool.destroy(),
  }
}

function faultOf(cause: unknown, seconds: number, signal?: AbortSignal): unknown {
  if (signal?.aborted) return new TidyError('cancelled')
  if (!(cause instanceof Error)) return cause
  const code = 'code' in cause ? cause.code : undefined
  if (cause.name === 'AbortError' || code === 'ERR_WORKER_OUT_OF_MEMORY')
    return new TidyError('work_too_long', { seconds })
  return cause
}
