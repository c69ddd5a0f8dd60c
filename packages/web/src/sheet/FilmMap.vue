<script setup lang="ts">
import { computed } from 'vue'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import { thumbnail } from '../api.ts'

const props = defineProps<{ film: Timeline; at: number; selected: number }>()
defineEmits<{ go: [scene: number] }>()
const share = (sample: number) => `${(100 * sample) / Math.max(1, props.film.samples)}%`
const scenes = computed(() => props.film.scenes.map((scene) => ({ id: scene.id, width: share(scene.endSample - scene.startSample), item: scene.shots[0]?.item })))
</script>

<template>
  <nav aria-label="The whole film" class="film-map">
    <div class="track">
      <button v-for="(scene, i) in scenes" :key="scene.id" class="plain" :class="{ on: i === selected }" :style="{ width: scene.width, backgroundImage: scene.item ? `url(${thumbnail(scene.item.id)})` : 'none' }" :aria-label="`Go to scene ${i + 1}`" :title="`Scene ${i + 1}`" @click="$emit('go', i)" />
      <span v-for="chapter in film.chapters" :key="chapter.startSample" class="chapter serif" :style="{ left: share(chapter.startSample) }">{{ chapter.title }}</span>
      <span class="head" :style="{ left: share(at) }" />
    </div>
  </nav>
</template>

<style scoped>
.film-map { padding: 26px 20px 10px; }
.track { display: flex; height: 36px; position: relative; background: var(--deep); }
button { flex: none; background-size: cover; background-position: center; border-right: 1px solid var(--ground); }
.on { box-shadow: inset 0 -4px 0 var(--blue); }
.chapter { position: absolute; top: -21px; font-size: 12.5px; line-height: 16px; color: var(--soft); border-left: 1px solid var(--soft); padding-left: 5px; white-space: nowrap; pointer-events: none; max-width: 260px; overflow: hidden; text-overflow: ellipsis; }
.head { position: absolute; top: -4px; bottom: -4px; width: 2px; background: var(--blue); pointer-events: none; }
</style>
