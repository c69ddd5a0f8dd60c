import { ref } from 'vue'

/**
 * Does what is asked one thing after the other, each once: what is asked again under the same
 * name while it waits or is under way is the same press.
 *
 * @returns `problem`: why the last thing could not be done, as a sentence; empty while all is well.
 *   `run` tells whether it was done; for what is under way already, whether that was.
 */
export function useInTurn() {
  const problem = ref('')
  const waiting = new Map<string, Promise<boolean>>()
  let last: Promise<unknown> = Promise.resolve()

  async function doneWell(act: () => Promise<unknown>) {
    problem.value = ''
    try {
      await act()
      return true
    } catch (cause) {
      problem.value = (cause as Error).message
      return false
    }
  }

  function run(name: string, act: () => Promise<unknown>): Promise<boolean> {
    const underWay = waiting.get(name)
    if (underWay) return underWay
    const doing = last.then(() => doneWell(act)).finally(() => waiting.delete(name))
    waiting.set(name, doing)
    last = doing
    return doing
  }

  return { problem, run }
}
