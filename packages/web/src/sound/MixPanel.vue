<script setup lang="ts">
import { ElInputNumber, ElOption, ElSelect } from 'element-plus'
import { computed } from 'vue'
import { LEAD_TEXT } from '@tidy-reel/core/film/music/asked-music'
import { LEAST_BELOW_SPEECH_DB } from '@tidy-reel/core/film/sound/mix'
import {
  FILM_TARGETS,
  type Fullness,
  FULLNESSES,
  type Instrumentation,
  INSTRUMENTATIONS,
  type Mixing,
  type Mood,
  MUSIC_PARTS,
  type MusicPart,
  type Score,
} from '@tidy-reel/core/style/film-choices'
import { clockText, SAMPLE_RATE, secondsFromSamples } from '@tidy-reel/core/time/time'
import ToggleWords from '../controls/ToggleWords.vue'
import type { FilmSound } from '../monitor/film-sound.ts'
import ChoiceField from '../styles/ChoiceField.vue'
import { MOOD_CHOICES } from './mood-choices.ts'
import { useOwnMusic } from './own-music.ts'
import type { SpokenScene } from './spoken-scenes.ts'
import { useMix } from './use-mix.ts'

/** How music and voice stand to each other. */
const props = defineProps<{
  mood: Mood
  score: Score
  sound: FilmSound
  scenes: readonly Pick<SpokenScene, 'id' | 'number'>[]
  /** Whether the voice is finished as one that speaks near to the ear. */
  closer: boolean
}>()
const emit = defineEmits<{
  set: [set: Partial<Mixing>]
  mood: [mood: Mood]
  score: [set: Partial<Score>]
  hear: [from: number]
  closer: [isClose: boolean]
}>()
const own = useOwnMusic()
/** Decibels that figures are rounded by. */
const ROUNDED = 0.05
const TARGET_NAMES: Record<Mixing['lufs'], string> = {
  [-14]: '−14 LUFS, large video sites',
  [-16]: '−16 LUFS, some others',
  [-23]: '−23 LUFS, broadcast (EBU R 128)',
}
const FULLNESS_NAMES: Record<Fullness, string> = {
  calmer: 'less',
  usual: 'as usual',
  fuller: 'more',
}
const CLOSENESS = [
  ['usual', 'as it is'],
  ['close', 'closer, as at the ear'],
] as const
const TUNE_NAMES = [
  ['alone', 'where nobody speaks'],
  ['along', 'under the voice too'],
] as const
/** Own music first, then what is made. */
const choices = computed(() => [
  ...own.music.map(({ id, title }) => [id, `“${title}”`] as const),
  ...MOOD_CHOICES,
])
const isOwn = computed(() => own.music.some(({ id }) => id === props.score.own))
const chosen = computed(() => (isOwn.value ? props.score.own! : props.mood))
function choose(one: string) {
  const isPiece = own.music.some(({ id }) => id === one)
  if (isPiece) emit('score', { own: one })
  else emit('mood', one as Mood)
}
/** Places where own music is joined, by the clock. */
const joins = computed(() =>
  (props.sound.bed?.parts ?? []).flatMap(({ joins: places }) => places ?? []),
)
/** A join is heard from a little before it. */
const BEFORE_JOIN = 3 * SAMPLE_RATE
const hearJoin = (at: number) => emit('hear', Math.max(0, at - BEFORE_JOIN))
const PART_NAMES: readonly (readonly [MusicPart, string])[] = [
  ['pad', 'chords'],
  ['keys', 'piano'],
  ['plucked', 'guitar'],
  ['strings', 'strings'],
  ['bass', 'bass'],
  ['percussion', 'percussion'],
  ['lead', 'tune'],
]
/** Softer or louder by a step that is heard (common practice). */
const STEP_DB = 2
const nearer = (by: number) =>
  emit('set', { below: Math.min(40, Math.max(6, mixing.value.below + by)) })
const toggle = (part: MusicPart) =>
  emit('score', {
    without: MUSIC_PARTS.filter((one) => (one === part) !== props.score.without.includes(one)),
  })
const mixing = computed(() => props.sound.mixing)
const { below: distances } = useMix(() => props.sound)
/** Scenes under which the music comes nearer than it should, by their numbers. */
const near = computed(() =>
  props.scenes.flatMap(({ id, number }) =>
    (distances.value.get(id) ?? LEAST_BELOW_SPEECH_DB) < LEAST_BELOW_SPEECH_DB - ROUNDED
      ? [number]
      : [],
  ),
)
const isNear = computed(() => mixing.value.below < LEAST_BELOW_SPEECH_DB)
</script>

<template>
  <section aria-label="Music and voice">
    <h2 class="serif">Music and voice</h2>
    <details>
      <summary>Hear others under the voice</summary>
      <slot name="list" />
    </details>
    <div class="fields">
      <label for="mix-mood">Music</label>
      <ElSelect id="mix-mood" :model-value="chosen" @change="choose"
        ><ElOption v-for="[name, label] in choices" :key="name" :value="name" :label
      /></ElSelect>
      <template v-if="isOwn && joins.length">
        <span>Joined at</span>
        <span class="joins"
          ><button
            v-for="at in joins"
            :key="at"
            class="plain link mono"
            :aria-label="`Hear the join at ${clockText(secondsFromSamples(at))}`"
            @click="hearJoin(at)"
          >
            {{ clockText(secondsFromSamples(at)) }}
          </button></span
        >
      </template>
      <template v-if="mood !== 'none' && !isOwn">
        <label for="mix-led">Led by</label>
        <ElSelect
          id="mix-led"
          :empty-values="[undefined]"
          :model-value="score.instruments ?? ''"
          @change="(led: Instrumentation | '') => emit('score', { instruments: led || null })"
          ><ElOption value="" label="what suits the film" /><ElOption
            v-for="led in INSTRUMENTATIONS"
            :key="led"
            :value="led"
            :label="LEAD_TEXT[led]"
        /></ElSelect>
        <span>Playing</span>
        <ToggleWords
          label="Parts of the music that play"
          :choices="PART_NAMES"
          :on="(part) => !score.without.includes(part)"
          @toggle="toggle"
        />
        <span>Moves</span>
        <ChoiceField
          :value="score.fullness"
          label="How much moves in the music"
          :choices="FULLNESSES.map((one) => [one, FULLNESS_NAMES[one]] as const)"
          @change="(fullness) => emit('score', { fullness })"
        />
        <span>Tune</span>
        <ChoiceField
          :value="score.sings ? 'along' : 'alone'"
          label="Where the tune plays"
          :choices="TUNE_NAMES"
          @change="(one) => emit('score', { sings: one === 'along' })"
        />
      </template>
      <template v-if="mood !== 'none' || isOwn">
        <span>Alone</span>
        <span
          ><ElInputNumber
            :model-value="score.opens"
            :min="0"
            :max="10"
            :step="0.5"
            aria-label="Seconds the music plays before the voice"
            controls-position="right"
            @change="(opens) => emit('score', { opens: opens ?? 0 })"
          />
          s before the voice</span
        >
        <span />
        <span
          ><ElInputNumber
            :model-value="score.closes"
            :min="0"
            :max="20"
            :step="0.5"
            aria-label="Seconds the music plays after the voice"
            controls-position="right"
            @change="(closes) => emit('score', { closes: closes ?? 0 })"
          />
          s after it</span
        >
        <label for="mix-below">Under voice</label>
        <span
          ><ElInputNumber
            id="mix-below"
            :model-value="mixing.below"
            :min="6"
            :max="40"
            :step="1"
            aria-label="Decibels the music lies below the voice"
            controls-position="right"
            @change="(below) => below && emit('set', { below })"
          />
          dB <button class="plain link" @click="nearer(STEP_DB)">softer</button>{{ ' ' }}
          <button class="plain link" @click="nearer(-STEP_DB)">louder</button></span
        >
        <span>Voice</span>
        <ChoiceField
          :value="closer ? 'close' : 'usual'"
          label="How close the voice is"
          :choices="CLOSENESS"
          @change="(how) => emit('closer', how === 'close')"
        />
        <label for="mix-rise">In pauses</label>
        <span
          ><ElInputNumber
            id="mix-rise"
            :model-value="mixing.rise"
            :min="0"
            :max="15"
            :step="1"
            aria-label="Decibels the music rises where nobody speaks"
            controls-position="right"
            @change="(rise) => rise !== undefined && rise !== null && emit('set', { rise })"
          />
          dB more</span
        >
      </template>
      <label for="mix-lufs">Film</label>
      <ElSelect
        id="mix-lufs"
        :model-value="mixing.lufs"
        @change="(lufs: Mixing['lufs']) => emit('set', { lufs })"
        ><ElOption
          v-for="lufs in FILM_TARGETS"
          :key="lufs"
          :value="lufs"
          :label="TARGET_NAMES[lufs]"
      /></ElSelect>
    </div>
    <p v-if="mood !== 'none' && isNear" class="red">
      Nearer than {{ LEAST_BELOW_SPEECH_DB }} dB words are lost to who hears badly (WCAG 2.2 asks
      for {{ LEAST_BELOW_SPEECH_DB }}).
    </p>
    <p v-else-if="near.length" class="red">
      Nearer than {{ LEAST_BELOW_SPEECH_DB }} dB at
      {{ near.length === 1 ? `scene ${near[0]}` : `scenes ${near.join(', ')}` }}.
    </p>
  </section>
</template>

<style scoped>
section {
  padding: 14px 16px;
  display: grid;
  gap: 12px;
  border-bottom: 1px solid var(--hair);
}
summary {
  cursor: pointer;
  width: fit-content;
}
details[open] summary {
  margin-bottom: 8px;
}
h2 {
  font-size: 17px;
  font-weight: 600;
}
.fields {
  display: grid;
  grid-template-columns: 78px minmax(0, 1fr);
  gap: 7px 10px;
  align-items: center;
}
.joins {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
}
.fields :deep(.el-input-number) {
  width: 84px;
}
</style>
