<script setup lang="ts">
import { type Grade, GRADE_RANGES, type GradeNumber } from '@tidy-reel/core/pictures/grade/grade'
import KeptSlider from '../controls/KeptSlider.vue'
import { NUMBER_WORDS } from './grade-words.ts'

/** The numbers of a grade, each on a slider with its middle at what changes nothing. */
defineProps<{ grade: Grade }>()
const emit = defineEmits<{ set: [name: GradeNumber, value: number | null] }>()
const stepOf = (name: GradeNumber) => (name === 'exposure' ? 0.1 : 1)
const shown = (name: GradeNumber, value: number) =>
  `${value > 0 && GRADE_RANGES[name][0] < 0 ? '+' : ''}${value}`.replace('-', '−')
const set = (name: GradeNumber, value: number) =>
  emit('set', name, value === 0 ? null : Math.round(value * 10) / 10)
</script>

<template>
  <div class="numbers">
    <div v-for="[name, label, unit] in NUMBER_WORDS" :key="name" class="number">
      <span>{{ label }}</span>
      <KeptSlider
        :value="grade[name] ?? 0"
        :min="GRADE_RANGES[name][0]"
        :max="GRADE_RANGES[name][1]"
        :step="stepOf(name)"
        :show-tooltip="false"
        size="small"
        :aria-label="unit ? `${label}, ${unit}` : label"
        @keep="(value) => set(name, value)"
      />
      <button
        class="plain mono"
        :disabled="!grade[name]"
        :title="grade[name] ? `${label} as it is` : ''"
        :aria-label="`${shown(name, grade[name] ?? 0)}, ${label} as it is`"
        @click="set(name, 0)"
      >
        {{ shown(name, grade[name] ?? 0) }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.numbers {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 1px 26px;
}
.number {
  display: grid;
  grid-template-columns: 68px minmax(0, 1fr) 34px;
  align-items: center;
  gap: 10px;
  font-size: 13.5px;
}
/* What is more or less than nothing does not fill up from one side. */
.number :deep(.el-slider__bar) {
  background: none;
}
.mono {
  font-size: 12.5px;
  text-align: right;
}
.mono:enabled {
  cursor: pointer;
  color: var(--blue);
}
</style>
