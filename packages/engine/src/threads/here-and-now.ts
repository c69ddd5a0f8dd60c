import type { WorkPool } from './pool.ts'
import { TASKS } from './tasks.ts'

/** Does tasks where it is called: for programs that nobody waits for. */
export const hereAndNow: Pick<WorkPool, 'run'> = {
  run: async (name, input) => (await TASKS[name](input as never)) as never,
}
