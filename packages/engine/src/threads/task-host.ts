/** A thread that does the tasks it is given, one at a time; faults go back as code and details. */
import { isFault } from '@tidy-reel/core/faults/fault'
import type { TaskOrder, TaskOutcome } from './pool.ts'
import { TASKS } from './tasks.ts'

export default async function run({ name, input }: TaskOrder): Promise<TaskOutcome> {
  try {
    return { result: await TASKS[name](input as never) }
  } catch (cause) {
    if (!isFault(cause)) throw cause
    return { fault: { code: cause.code, details: cause.details } }
  }
}
