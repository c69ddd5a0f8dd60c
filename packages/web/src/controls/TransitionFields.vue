<script setup lang="ts">
import { ElInputNumber, ElOption, ElSelect } from 'element-plus'
import {
  isMoving,
  THROUGH,
  type Through,
  type Transition,
  TRANSITION_SECONDS,
  type TransitionKind,
  TRANSITIONS,
  type Way,
  WAYS,
} from '@tidy-reel/core/style/transition'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import {
  lasting,
  THROUGH_WORDS,
  TRANSITION_WORDS,
  transitionOf,
  WAY_WORDS,
} from './transition-words.ts'

/** How one picture gives way to the next: the kind, what it goes through or where to, how long. */
defineProps<{ transition: Transition; id?: string }>()
const emit = defineEmits<{ change: [transition: Transition] }>()
</script>

<template>
  <span class="transition">
    <ElSelect
      :id="id"
      :model-value="transition.kind"
      aria-label="How it gives way to the next"
      @change="(kind: TransitionKind) => emit('change', transitionOf(kind))"
    >
      <ElOption
        v-for="kind in TRANSITIONS"
        :key="kind"
        :value="kind"
        :label="TRANSITION_WORDS[kind]"
      />
    </ElSelect>
    <ElSelect
      v-if="transition.kind === 'dip'"
      :model-value="transition.through ?? 'black'"
      aria-label="What it goes through"
      @change="(through: Through) => emit('change', { ...transition, through })"
    >
      <ElOption v-for="one in THROUGH" :key="one" :value="one" :label="THROUGH_WORDS[one]" />
    </ElSelect>
    <ElSelect
      v-if="isMoving(transition.kind)"
      :model-value="transition.way ?? 'left'"
      aria-label="Where to it moves"
      @change="(way: Way) => emit('change', { ...transition, way })"
    >
      <ElOption v-for="one in WAYS" :key="one" :value="one" :label="WAY_WORDS[one]" />
    </ElSelect>
    <template v-if="transition.kind !== 'cut'">
      <ElInputNumber
        :model-value="transition.samples / SAMPLE_RATE"
        :min="TRANSITION_SECONDS.least"
        :max="TRANSITION_SECONDS.most"
        :step="0.2"
        :precision="1"
        controls-position="right"
        aria-label="Seconds it takes"
        @change="(seconds) => emit('change', lasting(transition, seconds ?? 1))"
      />
      s
    </template>
  </span>
</template>

<style scoped>
.transition {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
}
.el-select {
  width: 118px;
}
.el-input-number {
  width: 78px;
}
</style>
