<script setup lang="ts">
import { computed, ref } from 'vue'
import { certain } from '@tidy-reel/core/faults/certain'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'

/** The whole film from left to right, its chapters over it; pressed or dragged, one goes there. */
const props = defineProps<{ film: Timeline; at: number; label: string }>()
const emit = defineEmits<{ go: [sample: number] }>()
const track = ref<HTMLElement>()
const share = (sample: number) => `${(100 * sample) / Math.max(1, props.film.samples)}%`
/** Headings, each as wide at most as its chapter is long. */
const chapters = computed(() =>
  props.film.chapters.map(({ title, startSample }, i) => ({
    title,
    startSample,
    style: {
      left: share(startSample),
      maxWidth: share(
        (props.film.chapters[i + 1]?.startSample ?? props.film.samples) - startSample,
      ),
    },
  })),
)

/** Pressed or dragged, the player goes where the pointer is. */
function point(event: PointerEvent) {
  if (event.type === 'pointermove' && !(event.buttons & 1)) return
  if (event.type === 'pointerdown') certain(track.value).setPointerCapture(event.pointerId)
  const box = certain(track.value).getBoundingClientRect()
  emit('go', Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)) * props.film.samples)
}
</script>

<template>
  <nav :aria-label="label" class="film-map">
    <div ref="track" class="track" @pointerdown="point" @pointermove="point">
      <slot />
      <span
        v-for="{ title, startSample, style } in chapters"
        :key="startSample"
        class="chapter serif"
        :style="style"
        :title="title"
        >{{ title }}</span
      >
      <slot name="over" />
      <span class="head" :style="{ left: share(at) }" />
    </div>
  </nav>
</template>

<style scoped>
.film-map {
  padding: 24px 20px 8px;
  user-select: none;
}
.track {
  height: var(--track-height, 40px);
  position: relative;
  background: var(--deep);
  cursor: pointer;
  touch-action: none;
}
.chapter {
  position: absolute;
  top: -21px;
  font-size: 12.5px;
  line-height: 16px;
  color: var(--soft);
  border-left: 1px solid var(--soft);
  padding-left: 5px;
  white-space: nowrap;
  pointer-events: none;
  box-sizing: border-box;
  overflow: hidden;
  text-overflow: ellipsis;
}
.head {
  position: absolute;
  top: -4px;
  bottom: -4px;
  width: 2px;
  background: var(--blue);
  pointer-events: none;
}
</style>
