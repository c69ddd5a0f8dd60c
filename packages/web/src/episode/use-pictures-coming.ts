import { useTimeoutFn } from '@vueuse/core'
import { computed, type Ref, ref } from 'vue'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'

/** Milliseconds without news after which no picture is expected any more: some cannot be had. */
const SILENT_MS = 60_000

/** How many pictures of a film the monitor still waits for while they are being made. */
export function usePicturesComing(
  film: Readonly<Ref<Timeline>>,
  proxies: Readonly<Ref<ReadonlySet<string>>>,
) {
  const isComing = ref(false)
  const silent = useTimeoutFn(() => (isComing.value = false), SILENT_MS, { immediate: false })
  const count = computed(() => {
    if (!isComing.value) return 0
    const seen = film.value.scenes.flatMap(({ shots }) =>
      shots.flatMap(({ item }) => item?.id ?? []),
    )
    return [...new Set(seen)].filter((id) => !proxies.value.has(id)).length
  })
  function expectMore() {
    isComing.value = true
    silent.start()
  }
  return { count, expectMore }
}
