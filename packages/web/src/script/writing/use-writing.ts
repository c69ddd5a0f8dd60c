import { useDebounceFn } from '@vueuse/core'
import { onScopeDispose, ref, shallowRef } from 'vue'
import { type Brief, emptyBrief, type Outline, type Writing } from '@tidy-reel/core/writing/brief'
import { ApiError } from '../../api/ask.ts'
import { writingApi } from '../../api/writing.ts'

const KEEP_MS = 700

/**
 * Brief, outline and draft of an episode; everything typed is kept on the server a moment later.
 */
export function useWriting(episodeId: string) {
  const brief = ref<Brief>(emptyBrief('', 5))
  const outline = ref<Outline | null>(null)
  const draft = shallowRef<Writing['draft']>(null)
  const problem = ref('')
  const busy = ref<'' | 'outline' | 'draft'>('')
  const loaded = ref(false)
  let work: AbortController | undefined

  function show(writing: Writing) {
    brief.value = writing.brief
    outline.value = writing.outline
    draft.value = writing.draft
    loaded.value = true
  }
  const told = (cause: unknown) => {
    problem.value = (cause as Error).message
  }
  writingApi.writing(episodeId).then(show, told)

  const keepSoon = useDebounceFn(
    () =>
      writingApi
        .keepBrief(episodeId, brief.value, outline.value)
        .then(() => (problem.value = ''), told),
    KEEP_MS,
  )
  async function make(what: 'outline' | 'draft') {
    busy.value = what
    problem.value = ''
    work = new AbortController()
    try {
      show(
        what === 'outline'
          ? await writingApi.makeOutline(episodeId, brief.value, work.signal)
          : await writingApi.makeDraft(episodeId, brief.value, outline.value!, work.signal),
      )
    } catch (cause) {
      if (cause instanceof ApiError || !work.signal.aborted) told(cause)
    } finally {
      busy.value = ''
    }
  }
  const stop = () => work?.abort()
  onScopeDispose(stop)
  return { brief, outline, draft, problem, busy, loaded, keepSoon, make, stop }
}
