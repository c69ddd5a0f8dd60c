<script setup lang="ts">
import { Pause, Play } from 'lucide-vue-next'
import { computed, onBeforeUnmount, watch } from 'vue'
import { SPEECH_LUFS } from '@tidy-reel/core/film/sound/mix'
import { clockText, secondsFromSamples } from '@tidy-reel/core/time/time'
import { sceneIndexAt } from '@tidy-reel/core/timeline/timeline'
import { commandsUnder } from '../keys/key-command.ts'
import { useRoomKeys } from '../keys/room-keys.ts'
import type { FilmSound } from '../monitor/film-sound.ts'
import { usePlayer } from '../monitor/use-player.ts'
import MixStrip from './MixStrip.vue'
import { useMix } from './use-mix.ts'

/** The film as it will sound, from the scene that is chosen on. */
const props = defineProps<{ sound: FilmSound; selected: string }>()
const emit = defineEmits<{ select: [sceneId: string]; play: [] }>()
const player = usePlayer(() => props.sound)
const { curve, below } = useMix(() => props.sound)
const playing = computed(() => player.playing.value)
const foot = computed(
  () => SPEECH_LUFS - props.sound.mixing.below - (props.sound.bed?.lufs ?? SPEECH_LUFS),
)
const said = computed(() => {
  const distance = below.value.get(props.selected)
  if (!props.sound.bed) return 'no music yet'
  return distance === undefined ? 'nobody speaks here' : `music ${distance.toFixed(0)} dB below`
})
function toggle() {
  if (!playing.value) emit('play')
  player.toggle()
}
function go(sample: number) {
  player.seek(sample)
  const scene = props.sound.film.scenes[sceneIndexAt(props.sound.film, sample)]
  if (scene) emit('select', scene.id)
}
watch(player.sceneIndex, (index) => {
  const scene = props.sound.film.scenes[index]
  if (scene && playing.value && scene.id !== props.selected) emit('select', scene.id)
})
watch(
  () => props.selected,
  (id) => {
    const scene = props.sound.film.scenes.find((one) => one.id === id)
    const here = props.sound.film.scenes[player.sceneIndex.value]
    if (scene && scene !== here) player.seek(scene.startSample)
  },
  { immediate: true },
)
onBeforeUnmount(() => player.stop())
defineExpose({ stop: player.stop })
useRoomKeys(() => [commandsUnder('Sound')('Hear the film from here', [' '], toggle)])
</script>

<template>
  <footer>
    <div class="controls">
      <button
        class="plain play"
        :aria-label="playing ? 'Stop the film' : 'Hear the film from here'"
        title="Voice and music, as they will be in the film"
        @click="toggle"
      >
        <Pause v-if="playing" :size="16" fill="currentColor" /><Play
          v-else
          :size="16"
          fill="currentColor"
        />
      </button>
      <span class="mono">{{ clockText(secondsFromSamples(player.at.value)) }}</span>
      <span class="soft">{{ said }}</span>
    </div>
    <MixStrip :film="sound.film" :at="player.at.value" :curve :foot @go="go" />
  </footer>
</template>

<style scoped>
footer {
  display: grid;
  grid-template-columns: 188px minmax(0, 1fr);
  align-items: end;
  border-top: 1px solid var(--ink);
  background: var(--ground);
}
.controls {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 12px;
  align-items: center;
  padding: 0 0 14px 20px;
}
.play {
  width: 34px;
  height: 34px;
  display: grid;
  place-items: center;
  border: 1px solid var(--ink);
}
.controls .soft {
  grid-column: 1 / 3;
}
</style>
