<script setup lang="ts">
import { computed } from 'vue'
import { type OwnMusic, type Purpose, PURPOSES } from '@tidy-reel/core/film/music/own/own-music'
import { type Mood, MOODS } from '@tidy-reel/core/style/film-choices'
import { clockText } from '@tidy-reel/core/time/time'
import ChoiceField from '../styles/ChoiceField.vue'
import PlayButton from './PlayButton.vue'
import SaidOfOwn from './SaidOfOwn.vue'

/** A piece of one's own: heard under the film, chosen, and what is said of it. */
const props = defineProps<{
  music: OwnMusic
  inFilm: boolean
  asking: string
  playing: string
}>()
const emit = defineEmits<{
  hear: []
  choose: []
  change: [said: Partial<OwnMusic>]
  remove: []
}>()
const PURPOSE_NAMES: Record<Purpose, string> = {
  opening: 'for openings',
  story: 'for a story',
  explanation: 'for explaining',
  tension: 'for tension',
  ending: 'for endings',
}
const PURPOSE_CHOICES = [
  ['', 'for anything'],
  ...PURPOSES.map((one) => [one, PURPOSE_NAMES[one]] as const),
] as const
const MOOD_NAMES: readonly (readonly [Exclude<Mood, 'none'> | '', string])[] = [
  ['', 'no mood said'],
  ...MOODS.flatMap((mood) => (mood === 'none' ? [] : [[mood, mood] as const])),
]
const facts = computed(() => {
  const { seconds, tempo, bars, purpose, mood } = props.music
  return [
    clockText(seconds),
    tempo ? `${Math.round(tempo)} a minute, ${bars} bars` : 'no beat heard',
    mood ?? '',
    purpose ? PURPOSE_NAMES[purpose] : '',
  ]
    .filter(Boolean)
    .join(', ')
})
const SAID = [
  ['title', 'Called'],
  ['words', 'Also found by'],
  ['author', 'By'],
  ['licence', 'Licence'],
  ['credit', 'Credit'],
] as const
</script>

<template>
  <li :class="{ on: inFilm }">
    <PlayButton
      :label="`Hear ${music.title} under the voice`"
      :name="music.id"
      :saying="asking || playing"
      :heard="playing"
      @play="emit('hear')"
    />
    <details>
      <summary>
        <span class="serif">{{ music.title }}</span> <span class="soft">{{ facts }}</span>
      </summary>
      <div class="fields">
        <SaidOfOwn
          :own="music"
          :said="SAID"
          @change="(key, text) => emit('change', { [key]: text })"
        />
        <span>Is</span>
        <span class="two"
          ><ChoiceField
            :value="music.mood ?? ''"
            :label="`Mood of ${music.title}`"
            :choices="MOOD_NAMES"
            @change="(mood) => emit('change', { mood: mood || null })" /><ChoiceField
            :value="music.purpose ?? ''"
            :label="`What ${music.title} is for`"
            :choices="PURPOSE_CHOICES"
            @change="(purpose) => emit('change', { purpose: purpose || null })"
        /></span>
        <button class="plain link red" @click="emit('remove')">Take it off the shelf</button>
      </div>
    </details>
    <span v-if="inFilm" class="soft">in the film</span>
    <button v-else class="plain link" @click="emit('choose')">Use</button>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: start;
  min-height: 28px;
  font-size: 14.5px;
}
summary {
  cursor: pointer;
  padding-top: 3px;
}
.fields {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 6px 8px;
  align-items: center;
  padding: 6px 0 10px;
}
.two {
  display: flex;
  gap: 8px;
}
.fields button {
  grid-column: 2;
  justify-self: start;
}
</style>
