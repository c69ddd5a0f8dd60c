import { useDebounceFn } from '@vueuse/core'
import { onScopeDispose, type Ref, ref, shallowRef, watch } from 'vue'
import type { ScriptChecks } from '@tidy-reel/core/views/checks'
import { lastingWorker } from '../controls/lasting-worker.ts'
import { NOTHING_READ, type ScriptReading } from './script-reading.ts'

const READ_MS = 250
const ASK_MS = 900

/**
 * Reads the script through in a worker while it is written, and asks the server what needs a
 * dictionary. The newest script wins; what is shown meanwhile is of the one before.
 */
export function useScriptReading(
  text: Ref<string>,
  ask: (script: string) => Promise<ScriptChecks>,
) {
  const looked = shallowRef<ScriptReading>(NOTHING_READ)
  const checks = shallowRef<ScriptChecks>()
  const unanswered = ref(false)
  let busy = false
  let waiting = false
  const worker = lastingWorker<string, ScriptReading>(
    () => new Worker(new URL('./checks.worker.ts', import.meta.url), { type: 'module' }),
    (reading) => {
      busy = false
      looked.value = reading
      if (waiting) read()
    },
  )
  function read() {
    waiting = busy
    if (busy) return
    busy = true
    worker.post(text.value)
  }
  async function dictionary() {
    const asked = text.value
    const answer = await ask(asked).catch(() => undefined)
    unanswered.value = !answer
    if (answer && asked === text.value) checks.value = answer
  }
  const [readSoon, askSoon] = [
    useDebounceFn(read, READ_MS, { maxWait: 2000 }),
    useDebounceFn(dictionary, ASK_MS, { maxWait: 6000 }),
  ]
  watch(text, () => {
    void readSoon()
    void askSoon()
  })
  read()
  void dictionary()
  onScopeDispose(() => worker.end())
  return { looked, checks, unanswered, askAgain: dictionary }
}
