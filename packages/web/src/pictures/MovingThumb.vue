<script setup lang="ts">
import { usePreferredReducedMotion } from '@vueuse/core'
import { onBeforeUnmount, ref, watch } from 'vue'
import type { ChosenItem } from '@tidy-reel/core/pictures/item'
import { preview } from '../api/media.ts'
import ItemThumb from './ItemThumb.vue'

/**
 * A picture that moves while it is looked at: a clip plays as soon as it can, a still is pushed in
 * slowly.
 */
const props = withDefaults(
  defineProps<{
    item: Pick<ChosenItem, 'id' | 'kind' | 'title'>
    moving: boolean
    after?: number
  }>(),
  { after: 350 },
)
const still = usePreferredReducedMotion()
const asked = ref(false)
const plays = ref(false)
const film = ref<HTMLVideoElement>()
let waiting = 0

/** A pass that goes by quickly asks for nothing. */
watch(
  () => [props.item.id, props.moving] as const,
  () => {
    clearTimeout(waiting)
    letGo()
    if (props.moving && props.item.kind === 'clip' && still.value !== 'reduce')
      waiting = window.setTimeout(() => (asked.value = true), props.after)
  },
  { immediate: true },
)
onBeforeUnmount(() => {
  clearTimeout(waiting)
  letGo()
})
/**
 * The browser goes on loading a video that has left the page until its address is taken from it.
 */
function letGo() {
  if (film.value) {
    film.value.removeAttribute('src')
    film.value.load()
  }
  asked.value = plays.value = false
}
</script>

<template>
  <span class="moving" :class="{ push: moving && !plays }">
    <ItemThumb :id="item.id" :alt="item.title" />
    <video
      v-if="asked"
      ref="film"
      :class="{ seen: plays }"
      :src="preview(item.id)"
      muted
      loop
      autoplay
      playsinline
      disablepictureinpicture
      @playing="plays = true"
      @error="asked = false"
    />
  </span>
</template>

<style scoped>
.moving {
  position: relative;
  display: block;
  overflow: hidden;
  background: var(--deep);
}
.moving :deep(img),
video {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  object-fit: cover;
  display: block;
}
video {
  opacity: 0;
}
.seen {
  opacity: 1;
}
.push :deep(img) {
  animation: push 9s ease-out forwards;
}
@keyframes push {
  to {
    transform: scale(1.09);
  }
}
</style>
