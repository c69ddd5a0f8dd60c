<script setup lang="ts">
import { ElCheckbox, ElInputNumber } from 'element-plus'
import { computed } from 'vue'
import {
  GUIDELINES,
  type HeardMarks,
  type OwnGuideline,
  type Subtitling,
} from '@tidy-reel/core/document/subtitling'
import { GUIDELINE_LABELS, guidelineOf } from '@tidy-reel/core/film/subtitles/guidelines'
import ChoiceField from '../styles/ChoiceField.vue'

/** What the subtitles keep to. */
const props = defineProps<{ subtitling: Subtitling }>()
const emit = defineEmits<{ change: [set: Partial<Omit<Subtitling, 'kept'>>] }>()
const CHOICES = GUIDELINES.map((name) => [name, GUIDELINE_LABELS[name].name] as const)
const SPEAKERS: readonly (readonly [HeardMarks['speakers'], string])[] = [
  ['none', 'not told'],
  ['dash', 'by a dash'],
  ['name', 'by their names'],
]
const OWN: readonly [keyof OwnGuideline, string, number, number, number][] = [
  ['charactersPerLine', 'Letters in a line', 12, 80, 1],
  ['charactersPerSecond', 'Letters a second', 5, 40, 1],
  ['shortest', 'Seconds at least', 0.3, 3, 0.1],
  ['longest', 'Seconds at most', 2, 15, 0.5],
]
const told = computed(() => {
  const { charactersPerLine, charactersPerSecond, wordsPerMinute, shortest, longest } = guidelineOf(
    props.subtitling,
  )
  const pace = Number.isFinite(wordsPerMinute)
    ? `${wordsPerMinute} words a minute`
    : `${charactersPerSecond} letters a second`
  const seconds = (value: number) => String(Math.round(value * 100) / 100)
  return `Lines of ${charactersPerLine} letters, ${pace}, ${seconds(shortest)} to ${longest} s each`
})
const source = computed(() => GUIDELINE_LABELS[props.subtitling.guideline].source)
function setOwn(name: keyof OwnGuideline, value: number | null | undefined) {
  if (typeof value === 'number') emit('change', { own: { ...props.subtitling.own, [name]: value } })
}
</script>

<template>
  <div class="fields">
    <span>They keep to</span>
    <ChoiceField
      label="Guideline"
      :value="subtitling.guideline"
      :choices="CHOICES"
      @change="(guideline) => emit('change', { guideline })"
    />
    <template v-if="subtitling.guideline === 'own'">
      <template v-for="[name, said, min, max, step] in OWN" :key="name">
        <span>{{ said }}</span>
        <ElInputNumber
          :model-value="subtitling.own[name]"
          size="small"
          :min="min"
          :max="max"
          :step="step"
          :aria-label="said"
          controls-position="right"
          @change="(value) => setOwn(name, value)"
        />
      </template>
    </template>
    <p v-else class="soft">
      {{ told }}<template v-if="source">; {{ source }}</template
      >.
    </p>
    <span>Other speakers</span>
    <ChoiceField
      label="How other speakers are told"
      :value="subtitling.marks.speakers"
      :choices="SPEAKERS"
      @change="(speakers) => emit('change', { marks: { ...subtitling.marks, speakers } })"
    />
    <ElCheckbox
      class="wide"
      :model-value="subtitling.marks.sounds"
      @change="(sounds) => emit('change', { marks: { ...subtitling.marks, sounds: !!sounds } })"
      >Sounds in square brackets, for those who cannot hear</ElCheckbox
    >
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 116px minmax(0, 1fr);
  gap: 8px 10px;
  align-items: center;
}
p,
.wide {
  grid-column: 1 / 3;
}
p {
  margin: 0;
  font-size: 14px;
}
</style>
