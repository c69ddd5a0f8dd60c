<script setup lang="ts">
import { ElInput, ElInputNumber } from 'element-plus'
import { computed } from 'vue'
import type { Brief } from '@tidy-reel/core/writing/brief'
import KeptInput from '../../controls/KeptInput.vue'
import { lines } from './lines.ts'
import SourceList from './SourceList.vue'

const props = defineProps<{ brief: Brief }>()
const emit = defineEmits<{ change: [brief: Brief] }>()
const set = (fields: Partial<Brief>) => emit('change', { ...props.brief, ...fields })
const points = computed(() => props.brief.points.join('\n'))
</script>

<template>
  <div class="brief">
    <label
      >Topic<ElInput
        :model-value="brief.topic"
        maxlength="300"
        @update:model-value="(topic: string) => set({ topic })"
    /></label>
    <div class="three">
      <label
        >For whom<ElInput
          :model-value="brief.audience"
          maxlength="300"
          placeholder="anybody"
          @update:model-value="(audience: string) => set({ audience })"
      /></label>
      <label
        >Tone<ElInput
          :model-value="brief.tone"
          maxlength="300"
          placeholder="calm, curious"
          @update:model-value="(tone: string) => set({ tone })"
      /></label>
      <label
        >Minutes<ElInputNumber
          :model-value="brief.minutes"
          :min="1"
          :max="60"
          :step="0.5"
          controls-position="right"
          @change="(minutes: number | undefined) => minutes && set({ minutes })"
      /></label>
    </div>
    <div class="field">
      <span>Must be in it, a line each</span
      ><KeptInput
        :lines="{ minRows: 2, maxRows: 8 }"
        :value="points"
        label="Must be in it, a line each"
        placeholder="who lit the first lamp"
        @keep="(text) => set({ points: lines(text).slice(0, 40) })"
      />
    </div>
    <div class="field">
      <span>Sources</span
      ><SourceList :sources="brief.sources" @change="(sources) => set({ sources })" />
    </div>
    <div class="field">
      <span>Some of your own writing, to be measured against</span
      ><KeptInput
        :lines="{ minRows: 2, maxRows: 5 }"
        :value="brief.sample"
        label="Some of your own writing"
        placeholder="a page or two of an earlier narration"
        @keep="(sample) => set({ sample: sample.slice(0, 60_000) })"
      />
    </div>
  </div>
</template>

<style scoped>
.brief {
  display: grid;
  gap: 12px;
}
label,
.field {
  display: grid;
  gap: 3px;
  color: var(--soft);
}
.three {
  display: grid;
  grid-template-columns: 1fr 1fr 110px;
  gap: 12px;
}
.el-input-number {
  width: 110px;
}
</style>
