import { type Ref, ref } from 'vue'

export interface Once<Args extends unknown[]> {
  /** Whether it is being done: until it has ended, it is not begun again. */
  doing: Ref<boolean>
  /** Why it could not be done, as a sentence; empty while all is well. */
  problem: Ref<string>
  run(...args: Args): Promise<void>
}

/** Something that a second press of the same button must not do twice. */
export function useOnce<Args extends unknown[]>(
  act: (...args: Args) => Promise<unknown>,
): Once<Args> {
  const doing = ref(false)
  const problem = ref('')
  async function run(...args: Args) {
    if (doing.value) return
    doing.value = true
    problem.value = ''
    try {
      await act(...args)
    } catch (cause) {
      problem.value = (cause as Error).message
    } finally {
      doing.value = false
    }
  }
  return { doing, problem, run }
}
