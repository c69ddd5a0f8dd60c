import { refDebounced, useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount } from 'vue'
import { chapterLengths } from '@tidy-reel/core/checks/chapters'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { SCENE_SECONDS_LIMIT } from '@tidy-reel/core/script/parse'
import { parsedScript } from '@tidy-reel/core/script/parsed-script'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import type { Episode } from '../episode/episode-store.ts'
import { useScriptText } from './use-script-text.ts'

/** A script of a book's length is read again only when the fingers rest. */
const READ_MS = 120

/** The script under the hands: what is typed, what is read in it, and its way into the document. */
export function useScript(episode: Episode) {
  const { text, problem, save, onAdopted } = useScriptText(episode)
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

  onBeforeUnmount(save)
  // The outbox is in local storage: what was typed in the last moment goes out when the episode is
  // next opened.
  useEventListener(window, 'pagehide', save)
  return { text, onAdopted, read, problem, parsed, seconds, chapters, starts, save, speed }
}
