import { watchDebounced } from '@vueuse/core'
import { onBeforeUnmount, shallowRef, toRaw } from 'vue'
import type { Film } from '@tidy-reel/core/document/film-scenes'
import type { CueRow } from '@tidy-reel/core/film/subtitles/cue-rows'
import type { Light } from '@tidy-reel/core/pictures/light'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import { lastingWorker } from '../controls/lasting-worker.ts'
import type { CuesAsked } from './cue-list.worker.ts'

/** The subtitles of a film, listed anew whenever it changes; undefined until they are there. */
export function useCueList(
  film: () => Timeline,
  plan: () => Film,
  lights: () => ReadonlyMap<string, Light>,
) {
  const rows = shallowRef<CueRow[]>()
  const lister = lastingWorker<CuesAsked, CueRow[]>(
    () => new Worker(new URL('./cue-list.worker.ts', import.meta.url), { type: 'module' }),
    (listed) => (rows.value = listed),
  )
  const list = () => {
    const { lettering, subtitling, scenes } = plan()
    lister.post({
      film: toRaw(film()),
      plan: {
        lettering: toRaw(lettering),
        subtitling: toRaw(subtitling),
        scenes: toRaw(scenes),
      },
      lights: lights(),
    })
  }
  list()
  watchDebounced([film, plan, lights], list, { debounce: 120 })
  onBeforeUnmount(lister.end)
  return rows
}
