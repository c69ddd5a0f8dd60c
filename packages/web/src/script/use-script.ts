import { refDebounced, useDebounceFn, useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { chapterLengths } from '@tidy-reel/core/checks/chapters'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { cleanScript } from '@tidy-reel/core/script/clean'
import { SCENE_SECONDS_LIMIT } from '@tidy-reel/core/script/parse'
import { parsedScript } from '@tidy-reel/core/script/parsed-script'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import type { Episode } from '../episode/episode-store.ts'

const SAVE_MS = 500
/** A script of a book's length is read again only when the fingers rest. */
const READ_MS = 120

/** The script under the hands: what is typed, what is read in it, and its way into the document. */
export function useScript(episode: Episode) {
  const text = ref(episode.document.script)
  const problem = ref('')
  const read = refDebounced(text, READ_MS, { maxWait: 1000 })
  const parsed = computed(() => parsedScript(read.value))
  /** The film's pace as its voice keeps it: over its measured rate. */
  const speed = computed(() => episode.document.speed / episode.data.rate)
  const lengths = computed(() =>
    sceneSeconds(parsed.value.scenes, speed.value, episode.document.speaking.pauses),
  )
  const seconds = computed(() => lengths.value.reduce((a, b) => a + b, 0))
  const chapters = computed(() => chapterLengths(parsed.value, speed.value))
  const starts = computed(() =>
    parsed.value.scenes.map(({ source, opensParagraph, estimatedSeconds }, i) => ({
      from: source.from,
      seconds: itemAt(lengths.value, i),
      over: estimatedSeconds > SCENE_SECONDS_LIMIT,
      opensParagraph,
    })),
  )

  function save() {
    if (text.value === episode.document.script) return
    try {
      episode.run({ type: 'setScript', script: cleanScript(text.value) })
      problem.value = ''
    } catch (cause) {
      problem.value = (cause as Error).message
    }
  }
  const saveSoon = useDebounceFn(save, SAVE_MS)
  watch(text, () => void saveSoon())
  onBeforeUnmount(save)
  // The outbox is in local storage: what was typed in the last moment goes out when the episode is
  // next opened.
  useEventListener(window, 'pagehide', save)
  watch(
    () => episode.document.script,
    (script, before) => {
      // Changed elsewhere, and nothing typed here since: show it.
      if (text.value === before) text.value = script
    },
  )
  return { text, read, problem, parsed, seconds, chapters, starts, save, speed }
}
