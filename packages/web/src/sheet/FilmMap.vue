<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Flag } from '@tidy-reel/core/sheet/flags'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import ItemThumb from '../ItemThumb.vue'

const props = defineProps<{ film: Timeline; at: number; selected: readonly string[]; flags: ReadonlyMap<string, readonly Flag[]>; spoken: (id: string) => boolean }>()
const emit = defineEmits<{ go: [sample: number] }>()
const track = ref<HTMLElement>()
const share = (sample: number) => `${(100 * sample) / Math.max(1, props.film.samples)}%`
const scenes = computed(() => props.film.scenes.map((scene, i) => ({
  id: scene.id, number: i + 1, left: share(scene.startSample), width: share(scene.endSample - scene.startSample), item: scene.shots[0]?.item,
  voice: { left: share(scene.speechStart), width: share(scene.speechEnd - scene.speechStart) },
})))

/** Pressed or dragged, the player goes where the pointer is. */
function point(event: PointerEvent) {
  if (event.type === 'pointermove' && !(event.buttons & 1)) return
  if (event.type === 'pointerdown') track.value!.setPointerCapture(event.pointerId)
  const box = track.value!.getBoundingClientRect()
  emit('go', Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)) * props.film.samples)
}
</script>

<template>
  <nav aria-label="The whole film" class="film-map">
    <div ref="track" class="track" @pointerdown="point" @pointermove="point">
      <span v-for="scene in scenes" :key="scene.id" class="scene" :class="{ on: selected.includes(scene.id) }" :style="{ left: scene.left, width: scene.width }" :title="flags.get(scene.id)?.map(({ text }) => text).join('; ') ?? ''"><ItemThumb v-if="scene.item" :id="scene.item.id" /></span>
      <span v-for="scene in scenes" :key="`v${scene.id}`" class="voice" :class="{ silent: !spoken(scene.id) }" :style="scene.voice" />
      <template v-for="scene in scenes" :key="`f${scene.id}`"><span v-if="flags.has(scene.id)" class="flag" :style="{ left: scene.left }" /></template>
      <span v-for="chapter in film.chapters" :key="chapter.startSample" class="chapter serif" :style="{ left: share(chapter.startSample) }">{{ chapter.title }}</span>
      <span class="head" :style="{ left: share(at) }" />
    </div>
  </nav>
</template>

<style scoped>
.film-map { padding: 24px 20px 8px; user-select: none; }
.track { height: 40px; position: relative; background: var(--deep); cursor: pointer; touch-action: none; }
.scene { position: absolute; top: 0; height: 31px; overflow: hidden; border-right: 1px solid var(--ground); }
.scene img { width: 100%; height: 100%; object-fit: cover; display: block; pointer-events: none; }
.on::after { content: ''; position: absolute; inset: auto 0 0; height: 4px; background: var(--blue); }
.voice { position: absolute; top: 34px; height: 4px; background: var(--soft); }
.voice.silent { background: none; border: 1px solid var(--soft); }
.flag { position: absolute; top: -4px; width: 7px; height: 7px; background: var(--red); clip-path: polygon(0 0, 100% 0, 0 100%); }
.chapter { position: absolute; top: -21px; font-size: 12.5px; line-height: 16px; color: var(--soft); border-left: 1px solid var(--soft); padding-left: 5px; white-space: nowrap; pointer-events: none; max-width: 260px; overflow: hidden; text-overflow: ellipsis; }
.head { position: absolute; top: -4px; bottom: -4px; width: 2px; background: var(--blue); pointer-events: none; }
</style>
