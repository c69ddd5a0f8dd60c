<script setup lang="ts">
import { ElInputNumber } from 'element-plus'
import { computed } from 'vue'
import type { SoundFacts } from '@tidy-reel/core/film/sound/effects/known-sound'
import {
  type AskedSound,
  SOUND_LEVELS,
  type SoundLevel,
  type SoundStretch,
} from '@tidy-reel/core/script/asked-sound'
import { defined } from '@tidy-reel/core/text/defined'
import KeptInput from '../controls/KeptInput.vue'
import ChoiceField from '../styles/ChoiceField.vue'
import PlayButton from './PlayButton.vue'

/** One sound of a scene: what it stands for, and how it is heard. */
const props = defineProps<{
  asked: AskedSound
  /** The word it stands before. */
  word: number
  words: readonly string[]
  /** Null where nothing fits; undefined while nobody has looked. */
  sound: SoundFacts | null | undefined
  saying: string
  heard: string
}>()
const emit = defineEmits<{
  set: [asked: AskedSound]
  move: [word: number]
  remove: []
  replace: []
  hear: []
}>()
const LEVEL_NAMES: Record<SoundLevel, string> = {
  faint: 'hardly heard',
  low: 'low',
  usual: 'as usual',
  loud: 'loud',
}
const LEVELS = SOUND_LEVELS.map((level) => [level, LEVEL_NAMES[level]] as const)
type Lasting = 'itself' | 'seconds' | SoundStretch
const LASTING = [
  ['itself', 'as long as it does by itself'],
  ['once', 'once through'],
  ['scene', 'to the end of the scene'],
  ['chapter', 'to the end of the chapter'],
  ['film', 'to the end of the film'],
  ['seconds', 'seconds'],
] as const
/** Seconds a sound gets that is to last so many. */
const FIRST_SECONDS = 4
const FIGURES = [
  {
    key: 'after',
    label: 'Later by',
    said: 'Later by, seconds,',
    from: -60,
    to: 60,
    step: 0.1,
    unit: 's',
  },
  {
    key: 'from',
    label: 'From inside',
    said: 'From inside, seconds,',
    from: 0,
    to: 180,
    step: 0.5,
    unit: 's',
  },
  {
    key: 'fadeIn',
    label: 'Comes in',
    said: 'Comes in, seconds,',
    from: 0,
    to: 30,
    step: 0.5,
    unit: 's',
  },
  {
    key: 'fadeOut',
    label: 'Goes in',
    said: 'Goes in, seconds,',
    from: 0,
    to: 30,
    step: 0.5,
    unit: 's',
  },
  {
    key: 'db',
    label: 'More or less',
    said: 'Decibels more or less',
    from: -20,
    to: 20,
    step: 1,
    unit: 'dB',
  },
  { key: 'speed', label: 'Runs', said: 'Speed', from: 0.5, to: 2, step: 0.05, unit: '× as fast' },
] as const
/** Figures that are not said. */
const usualOf = (key: (typeof FIGURES)[number]['key']) => (key === 'speed' ? 1 : 0)
const figure = (key: (typeof FIGURES)[number]['key'], value: number | null | undefined) =>
  change({ [key]: value === usualOf(key) ? undefined : (value ?? undefined) })
const places = computed(() =>
  props.words.map((word, i) => [i, i === 0 ? `at the start, “${word}”` : `“${word}”`] as const),
)
const lasting = computed((): Lasting => {
  const { lasts } = props.asked
  return typeof lasts === 'number' ? 'seconds' : (lasts ?? 'itself')
})
/** What is not to be said of it any more is left out. */
function change(set: { [Key in keyof AskedSound]?: AskedSound[Key] | undefined }) {
  emit('set', defined({ ...props.asked, ...set }))
}
function last(how: Lasting) {
  if (how === 'itself') return change({ lasts: undefined })
  change({ lasts: how === 'seconds' ? FIRST_SECONDS : how })
}
const rename = (words: string) => {
  const said = words.replace(/[[\]\n]/g, '').trim()
  if (said) change({ words: said })
  else emit('remove')
}
</script>

<template>
  <li>
    <div class="head">
      <PlayButton
        v-if="sound"
        :label="`Hear ${sound.title}`"
        :name="`sound ${sound.id}`"
        :saying
        :heard
        @play="emit('hear')"
      />
      <KeptInput
        small
        :value="asked.words"
        :maxlength="200"
        label="Words of the sound"
        placeholder="rain on glass"
        @keep="rename"
      />
      <button class="plain link" @click="emit('replace')">Another</button>
      <button class="plain link" :aria-label="`Take ${asked.words} away`" @click="emit('remove')">
        Take away
      </button>
    </div>
    <p v-if="sound === null" class="red">
      No sound fits these words. Say it in others, or bring one of your own.
    </p>
    <p v-else-if="sound" class="soft">
      {{ sound.title }}, {{ sound.goesOn ? 'goes on' : `${sound.seconds.toFixed(1)} s` }}, by
      {{ sound.author || 'you' }}
    </p>
    <div class="fields">
      <label>How loud</label>
      <ChoiceField
        :value="asked.level ?? 'usual'"
        :label="`How loud ${asked.words} is`"
        :choices="LEVELS"
        @change="(level) => change({ level: level === 'usual' ? undefined : level })"
      />
      <label>Begins with</label>
      <ChoiceField
        :value="Math.min(word, words.length - 1)"
        :label="`The word ${asked.words} begins with`"
        :choices="places"
        @change="(to) => emit('move', to)"
      />
      <label>Lasts</label>
      <span class="lasts"
        ><ChoiceField
          :value="lasting"
          :label="`How long ${asked.words} lasts`"
          :choices="LASTING"
          @change="last" /><ElInputNumber
          v-if="lasting === 'seconds'"
          :model-value="asked.lasts as number"
          :min="0.1"
          :max="3600"
          :step="0.5"
          size="small"
          controls-position="right"
          :aria-label="`Seconds ${asked.words} lasts`"
          @change="(seconds) => seconds && change({ lasts: seconds })"
      /></span>
    </div>
    <details>
      <summary>More</summary>
      <div class="fields">
        <template v-for="{ key, label, said, from, to, step, unit } in FIGURES" :key="key">
          <label>{{ label }}</label>
          <span
            ><ElInputNumber
              :model-value="asked[key] ?? usualOf(key)"
              :min="from"
              :max="to"
              :step
              size="small"
              controls-position="right"
              :aria-label="`${said} of ${asked.words}`"
              @change="(value) => figure(key, value)"
            />
            {{ unit }}</span
          >
        </template>
      </div>
    </details>
  </li>
</template>

<style scoped>
li {
  display: grid;
  gap: 6px;
  padding-bottom: 10px;
  border-bottom: 1px solid var(--hair);
  font-size: 14.5px;
}
.head {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto auto;
  gap: 10px;
  align-items: center;
}
.fields {
  display: grid;
  grid-template-columns: 88px minmax(0, 1fr);
  gap: 6px 10px;
  align-items: center;
}
.lasts {
  display: flex;
  gap: 8px;
}
.fields :deep(.el-input-number) {
  width: 92px;
}
summary {
  cursor: pointer;
  color: var(--soft);
  width: fit-content;
}
details[open] summary {
  margin-bottom: 6px;
}
</style>
