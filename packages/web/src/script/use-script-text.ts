import { createEventHook, useDebounceFn } from '@vueuse/core'
import { ref, watch } from 'vue'
import { cleanScript } from '@tidy-reel/core/script/clean'
import type { Episode } from '../episode/episode-store.ts'

const SAVE_MS = 500

/**
 * The text under the hands and its way into the document. It goes there with the script it was
 * written on, so that what others wrote meanwhile stays: `@tidy-reel/core/text/merge-texts`.
 */
export function useScriptText(episode: Pick<Episode, 'document' | 'run'>) {
  const text = ref(episode.document.script)
  const problem = ref('')
  /** The script that what is typed was written on: the document's, when the two last met. */
  let base = episode.document.script
  let running = false
  /** Tells at once, before another letter can be typed, of a text that came from elsewhere. */
  const adopted = createEventHook<string>()

  function save() {
    try {
      const script = cleanScript(text.value)
      if (script !== base) handOver(script)
      problem.value = ''
      base = episode.document.script
      if (base !== script) show(base)
    } catch (cause) {
      problem.value = (cause as Error).message
    }
  }
  function handOver(script: string) {
    running = true
    try {
      episode.run({ type: 'setScript', script, base })
    } finally {
      running = false
    }
  }
  function show(script: string) {
    text.value = script
    void adopted.trigger(script)
  }
  /** Changed elsewhere: what was typed meanwhile is put onto it. */
  function meet(script: string) {
    if (running || script === base) return
    if (text.value !== base) return save()
    base = script
    show(script)
  }
  const saveSoon = useDebounceFn(save, SAVE_MS)
  watch(text, () => void saveSoon())
  // At once: a letter typed in between would be taken for one that was written on the newer script.
  watch(() => episode.document.script, meet, { flush: 'sync' })
  return { text, problem, save, onAdopted: adopted.on }
}
