<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { type OwnMusic, type Purpose, PURPOSES } from '@tidy-reel/core/film/music/own/own-music'
import type { Mood, Score } from '@tidy-reel/core/style/film-choices'
import { musicApi, type TriedMusic } from '../api/music.ts'
import ToggleWords from '../controls/ToggleWords.vue'
import type { FilmSound } from '../monitor/film-sound.ts'
import { MOOD_CHOICES, MOOD_PURPOSES } from './mood-choices.ts'
import { useOwnMusic } from './own-music.ts'
import OwnMusicLine from './OwnMusicLine.vue'
import PlayButton from './PlayButton.vue'

/** All music there is, each heard under the film's own voice before it is chosen. */
const props = defineProps<{
  episodeId: string
  mood: Mood
  score: Score
  /** Samples of the film it is heard from. */
  at: number
  /** What is heard now. */
  playing: string
}>()
const emit = defineEmits<{
  hear: [name: string, bed: FilmSound['bed']]
  stop: []
  choose: [mood: Mood]
  chooseOwn: [id: string]
}>()
const own = useOwnMusic()
const asking = ref('')
const fault = ref('')
const purpose = ref<Purpose>()
const file = useTemplateRef<HTMLInputElement>('file')
let last = 0
onMounted(own.load)

const suits = (of: readonly Purpose[]) => !purpose.value || of.includes(purpose.value)
const moods = computed(() => MOOD_CHOICES.filter(([mood]) => suits(MOOD_PURPOSES[mood])))
const pieces = computed(() =>
  own.music.filter((one) => suits(one.purpose ? [one.purpose] : [...PURPOSES])),
)
/** What is made has no own piece in its place. */
const isIn = (mood: Mood) => mood === props.mood && props.score.own === null

async function hear(name: string, tried: TriedMusic) {
  if (props.playing === name) return emit('stop')
  const turn = ++last
  asking.value = name
  fault.value = ''
  try {
    const bed = await musicApi.tried(props.episodeId, { ...tried, at: Math.round(props.at) })
    if (turn === last) emit('hear', name, bed)
  } catch (cause) {
    if (turn === last) fault.value = (cause as Error).message
  }
  if (turn === last) asking.value = ''
}
const hearMood = (mood: Mood) =>
  hear(mood, { mood, instruments: props.score.instruments, own: null })
const hearOwn = ({ id }: OwnMusic) => hear(id, { mood: 'calm', instruments: null, own: id })
async function bring(event: Event) {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  for (const one of files) await own.take(one)
}
</script>

<template>
  <div class="music">
    <ToggleWords
      label="What the music is for"
      :choices="PURPOSES.map((one) => [one, one] as const)"
      :on="(one) => !purpose || purpose === one"
      @toggle="(one) => (purpose = purpose === one ? undefined : one)"
    />
    <p v-if="fault || own.fault" class="red" role="alert">{{ fault || own.fault }}</p>
    <ul aria-label="Music">
      <OwnMusicLine
        v-for="piece in pieces"
        :key="piece.id"
        :music="piece"
        :in-film="piece.id === score.own"
        :asking
        :playing
        @hear="hearOwn(piece)"
        @choose="emit('chooseOwn', piece.id)"
        @change="(said) => own.change(piece.id, said)"
        @remove="own.remove(piece.id)"
      />
      <li v-for="[name, label] in moods" :key="name" :class="{ on: isIn(name) }">
        <PlayButton
          v-if="name !== 'none'"
          :label="`Hear ${name} music under the voice`"
          :name
          :saying="asking || playing"
          :heard="playing"
          @play="hearMood(name)"
        />
        <span v-else />
        <span class="serif">{{ label }}</span>
        <span v-if="isIn(name)" class="soft">in the film</span>
        <button v-else class="plain link" @click="emit('choose', name)">Use</button>
      </li>
    </ul>
    <p class="soft">
      <template v-if="own.coming">Listening to {{ own.coming }} for its bars …</template>
      <button v-else class="plain link" @click="file?.click()">Bring your own</button>
      <input
        ref="file"
        class="hidden"
        type="file"
        multiple
        accept="audio/*,.wav,.flac,.mp3,.ogg,.m4a,.mid,.midi"
        aria-label="Music of your own: files"
        tabindex="-1"
        @change="bring"
      />
    </p>
  </div>
</template>

<style scoped>
.music {
  display: grid;
  gap: 8px;
}
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
