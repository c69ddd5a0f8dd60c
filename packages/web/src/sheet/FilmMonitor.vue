<script setup lang="ts">
import { Pause, Play } from 'lucide-vue-next'
import { computed } from 'vue'
import type { Cue } from '@tidy-reel/core/subtitles/cues'
import { frameAtSample, clockText, secondsFromSamples } from '@tidy-reel/core/time'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import { preview, thumbnail } from '../api.ts'
import type { Player } from './use-player.ts'

const props = defineProps<{ film: Timeline; cues: readonly Cue[]; player: Player }>()
defineEmits<{ toggle: [] }>()
const frame = computed(() => frameAtSample(props.player.at.value, props.film.fps))
const item = computed(() => props.film.scenes[props.player.sceneIndex.value]?.shots.find(({ endFrame }) => frame.value < endFrame)?.item)
const cue = computed(() => props.cues.find(({ start, end }) => props.player.at.value >= start && props.player.at.value < end))
const words = computed(() => props.film.scenes[props.player.sceneIndex.value]?.text ?? '')
</script>

<template>
  <section class="monitor" aria-label="Monitor">
    <div class="screen" @click="$emit('toggle')">
      <video v-if="item?.kind === 'clip' && player.playing.value" :key="item.id" :src="preview(item.id)" :poster="thumbnail(item.id)" autoplay muted loop playsinline />
      <img v-else-if="item" :key="item.id" :src="thumbnail(item.id)" :alt="item.title" :class="{ moving: player.playing.value }" />
      <p v-else class="card serif">{{ words }}</p>
      <p v-if="cue && item" class="cue"><span v-for="line in cue.lines" :key="line">{{ line }}</span></p>
    </div>
    <div class="bar">
      <button class="plain" :aria-label="player.playing.value ? 'Stop' : 'Play from here'" :title="`${player.playing.value ? 'Stop' : 'Play from here'} (space)`" @click="$emit('toggle')"><Pause v-if="player.playing.value" :size="16" :stroke-width="1.6" /><Play v-else :size="16" :stroke-width="1.6" /></button>
      <span class="mono now">{{ clockText(Math.floor(secondsFromSamples(player.at.value))) }}</span>
      <input type="range" min="0" :max="film.samples" :value="player.at.value" step="4800" aria-label="Place in the film" @input="player.seek(Number(($event.target as HTMLInputElement).value))" />
      <span class="mono">{{ clockText(secondsFromSamples(film.samples)) }}</span>
    </div>
  </section>
</template>

<style scoped>
.screen { position: relative; aspect-ratio: 16 / 9; background: #14161c; overflow: hidden; cursor: pointer; }
video, img { width: 100%; height: 100%; object-fit: cover; display: block; }
.moving { animation: push 12s linear forwards; }
@keyframes push { to { transform: scale(1.08); } }
@media (prefers-reduced-motion: reduce) { .moving { animation: none; } }
.card { height: 100%; display: grid; place-items: center; text-align: center; padding: 40px; background: #f4f0e6; color: #20252b; font-size: 20px; }
.cue { position: absolute; inset: auto 5% 6%; text-align: center; color: #fbfbf7; font-weight: 600; font-size: 14.5px; line-height: 1.28; text-shadow: 0 0 3px #141a24, 0 0 3px #141a24, 0 1px 2px #141a24; }
.cue span { display: block; }
.bar { display: flex; align-items: center; gap: 12px; padding: 7px 16px; border-bottom: 1px solid var(--hair); }
.now { min-width: 38px; color: var(--ink); }
input { flex: 1; accent-color: var(--blue); height: 18px; }
</style>
