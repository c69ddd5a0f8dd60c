<script setup lang="ts">
import { computed } from 'vue'
import type { Flag } from '@tidy-reel/core/checks/flags'
import { lastOf } from '@tidy-reel/core/faults/certain'
import type { TakeFacts, Timeline } from '@tidy-reel/core/timeline/timeline'
import FilmTrack from '../monitor/FilmTrack.vue'
import FilmMapScenes from './FilmMapScenes.vue'

const props = defineProps<{
  film: Timeline
  at: number
  selected: readonly string[]
  flags: ReadonlyMap<string, readonly Flag[]>
  takes: Readonly<Record<string, TakeFacts>>
}>()
const emit = defineEmits<{ go: [sample: number] }>()
const share = (sample: number) => `${(100 * sample) / Math.max(1, props.film.samples)}%`
/** One mark for each run of selected scenes. */
const marked = computed(() => {
  const wanted = new Set(props.selected)
  const runs: { from: number; to: number }[] = []
  for (const { id, startSample, endSample } of props.film.scenes) {
    if (!wanted.has(id)) continue
    if (runs.at(-1)?.to === startSample) lastOf(runs).to = endSample
    else runs.push({ from: startSample, to: endSample })
  }
  return runs.map(({ from, to }) => ({ left: share(from), width: share(to - from) }))
})
</script>

<template>
  <FilmTrack label="The whole film" :film :at @go="(sample) => emit('go', sample)">
    <FilmMapScenes :film="film" :flags="flags" :takes="takes" />
    <template #over>
      <span v-for="(run, i) in marked" :key="i" class="on" :style="run" />
    </template>
  </FilmTrack>
</template>

<style scoped>
.on {
  position: absolute;
  top: 24px;
  height: 4px;
  background: var(--blue);
  pointer-events: none;
}
</style>
