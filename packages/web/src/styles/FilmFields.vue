<script setup lang="ts">
import { ElInputNumber } from 'element-plus'
import {
  type Accents,
  DIALS,
  FILM_TARGETS,
  MOODS,
  NO_ACCENTS,
  PLAIN_MIXING,
  RHYTHMS,
} from '@tidy-reel/core/style/film-choices'
import type { FilmDefaults } from '@tidy-reel/core/style/house-style'
import { CUT } from '@tidy-reel/core/style/transition'
import ToggleWords from '../controls/ToggleWords.vue'
import TransitionFields from '../controls/TransitionFields.vue'
import { useMakerStyles } from '../pictures/use-maker-styles.ts'
import { ACCENT_CHOICES } from '../sound/accent-choices.ts'
import ChoiceField from './ChoiceField.vue'

/** What films of a style begin with. */
const props = defineProps<{ film: FilmDefaults }>()
const emit = defineEmits<{ change: [set: FilmDefaults] }>()
const { styles } = useMakerStyles()
const named = <Name extends string>(names: readonly Name[]) =>
  names.map((name) => [name, name] as const)
function accent(one: keyof Accents) {
  const now = props.film.accents ?? NO_ACCENTS
  emit('change', { accents: { ...now, [one]: !now[one] } })
}
</script>

<template>
  <div class="fields">
    <span>Music</span>
    <ChoiceField
      label="Music"
      :value="film.mood"
      :choices="named(MOODS)"
      @change="(mood) => emit('change', { mood })"
    />
    <span>Below the voice</span>
    <span
      ><ElInputNumber
        :model-value="film.below ?? PLAIN_MIXING.below"
        :min="6"
        :max="40"
        size="small"
        aria-label="Decibels the music lies below the voice"
        controls-position="right"
        @change="(below) => below && emit('change', { below })"
      />
      dB</span
    >
    <span>Loudness</span>
    <ChoiceField
      label="Loudness"
      :value="film.lufs ?? PLAIN_MIXING.lufs"
      :choices="FILM_TARGETS.map((lufs) => [lufs, `${String(lufs).replace('-', '−')} LUFS`])"
      @change="(lufs) => emit('change', { lufs })"
    />
    <span>By itself</span>
    <ToggleWords
      label="Sounds that come by themselves"
      :choices="ACCENT_CHOICES"
      :on="(one) => (film.accents ?? NO_ACCENTS)[one]"
      @toggle="accent"
    />
    <span>Pictures change</span>
    <ChoiceField
      label="Pictures change"
      :value="film.rhythm"
      :choices="named(RHYTHMS)"
      @change="(rhythm) => emit('change', { rhythm })"
    />
    <span>At cuts</span>
    <TransitionFields
      :transition="film.transition ?? CUT"
      @change="(transition) => emit('change', { transition })"
    />
    <span>Drawn by itself</span>
    <ChoiceField
      label="Drawn by itself"
      :value="film.dial ?? 'none'"
      :choices="named(DIALS)"
      @change="(dial) => emit('change', { dial })"
    />
    <template v-if="styles?.length">
      <span>Made pictures</span>
      <ChoiceField
        label="Made pictures"
        :value="film.made"
        none="as the film says"
        :choices="styles.map(({ id, name }) => [id, name] as const)"
        @change="(made) => emit('change', { made })"
      />
    </template>
    <span>Longest picture</span>
    <span
      ><ElInputNumber
        :model-value="film.longest ?? 8"
        :min="2"
        :max="30"
        size="small"
        aria-label="Seconds a picture stands at most"
        controls-position="right"
        @change="(longest) => longest && emit('change', { longest })"
      />
      s</span
    >
  </div>
</template>
