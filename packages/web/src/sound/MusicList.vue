<script setup lang="ts">
import { ref } from 'vue'
import type { Instrumentation, Mood } from '@tidy-reel/core/style/film-choices'
import { soundsApi } from '../api/sounds.ts'
import type { FilmSound } from '../monitor/film-sound.ts'
import { MOOD_CHOICES } from './mood-choices.ts'
import PlayButton from './PlayButton.vue'

/** All music there is, each heard under the film's own voice before it is chosen. */
const props = defineProps<{
  episodeId: string
  mood: Mood
  instruments: Instrumentation | null
  /** Samples of the film it is heard from. */
  at: number
  /** What is heard now. */
  playing: string
}>()
const emit = defineEmits<{
  hear: [mood: Mood, bed: FilmSound['bed']]
  stop: []
  choose: [mood: Mood]
}>()
const asking = ref('')
const fault = ref('')
let last = 0

async function hear(mood: Mood) {
  if (props.playing === mood) return emit('stop')
  const turn = ++last
  asking.value = mood
  fault.value = ''
  try {
    const { instruments, at } = props
    const bed = await soundsApi.tried(props.episodeId, { mood, instruments, at })
    if (turn === last) emit('hear', mood, bed)
  } catch (cause) {
    if (turn === last) fault.value = (cause as Error).message
  }
  if (turn === last) asking.value = ''
}
</script>

<template>
  <div class="music">
    <p v-if="fault" class="red" role="alert">{{ fault }}</p>
    <ul aria-label="Music">
      <li v-for="[name, label] in MOOD_CHOICES" :key="name" :class="{ on: name === mood }">
        <PlayButton
          v-if="name !== 'none'"
          :label="`Hear ${name} music under the voice`"
          :name
          :saying="asking || playing"
          :heard="playing"
          @play="hear(name)"
        />
        <span v-else />
        <span class="serif">{{ label }}</span>
        <span v-if="name === mood" class="soft">in the film</span>
        <button v-else class="plain link" @click="emit('choose', name)">Use</button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
}
li {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  min-height: 28px;
  font-size: 14.5px;
}
</style>
