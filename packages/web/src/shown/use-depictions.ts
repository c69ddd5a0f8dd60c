import { watchDebounced } from '@vueuse/core'
import { onScopeDispose, ref, shallowRef } from 'vue'
import type { DepictedScene } from '@tidy-reel/core/views/depictions'
import { depictionsApi } from '../api/depictions.ts'
import { inTheEnd } from '../controls/in-the-end.ts'

/** After the last letter; what is read depends on the sentences around. */
const READ_AFTER_MS = 400

/**
 * What rules read from an episode, again when its script changes, and the asking of a service.
 *
 * @param script of the episode as it is saved
 */
export function useDepictions(episodeId: () => string, script: () => string) {
  const read = shallowRef<DepictedScene[]>([])
  const problem = ref('')
  /** What a service did not answer, in words. */
  const limits = ref<string[]>([])
  const asking = ref(false)
  let reading = new AbortController()
  let work = new AbortController()
  const told = (cause: unknown) => (problem.value = (cause as Error).message)

  async function readAgain() {
    reading.abort()
    const { signal } = (reading = new AbortController())
    const asked = () =>
      depictionsApi.read(episodeId(), signal).catch((cause: unknown) => {
        if (!signal.aborted) told(cause)
        throw cause
      })
    const { scenes } = await inTheEnd(asked, () => !signal.aborted)
    if (signal.aborted) return
    read.value = scenes
    problem.value = ''
  }
  watchDebounced(script, readAgain, { debounce: READ_AFTER_MS, immediate: true })

  async function ask() {
    asking.value = true
    problem.value = ''
    limits.value = []
    const { signal } = (work = new AbortController())
    try {
      limits.value = (await depictionsApi.askService(episodeId(), signal)).limits
    } catch (cause) {
      if (!signal.aborted) told(cause)
    } finally {
      asking.value = false
    }
  }
  const stop = () => work.abort()
  onScopeDispose(() => {
    reading.abort()
    stop()
  })
  return { read, problem, limits, asking, ask, stop }
}
