<script setup lang="ts">
import { ElInput, ElInputNumber } from 'element-plus'
import { computed } from 'vue'
import type { Brief } from '@tidy-reel/core/writing/brief'
import SourceList from './SourceList.vue'

const props = defineProps<{ brief: Brief }>()
const emit = defineEmits<{ change: [brief: Brief] }>()
const set = (fields: Partial<Brief>) => emit('change', { ...props.brief, ...fields })
const points = computed(() => props.brief.points.join('\n'))
</script>

<template>
  <div class="brief">
    <label>Topic<ElInput :model-value="brief.topic" maxlength="300" @update:model-value="(topic: string) => set({ topic })" /></label>
    <div class="three">
      <label>For whom<ElInput :model-value="brief.audience" maxlength="300" placeholder="anybody" @update:model-value="(audience: string) => set({ audience })" /></label>
      <label>Tone<ElInput :model-value="brief.tone" maxlength="300" placeholder="calm, curious" @update:model-value="(tone: string) => set({ tone })" /></label>
      <label>Minutes<ElInputNumber :model-value="brief.minutes" :min="1" :max="60" :step="0.5" controls-position="right" @change="(minutes: number | undefined) => minutes && set({ minutes })" /></label>
    </div>
    <label>Must be in it, a line each<ElInput type="textarea" :autosize="{ minRows: 2, maxRows: 8 }" :model-value="points" placeholder="who lit the first lamp" @change="(text: string) => set({ points: text.split('\n').map((line) => line.trim().slice(0, 300)).filter(Boolean).slice(0, 40) })" /></label>
    <div class="field"><span>Sources</span><SourceList :sources="brief.sources" @change="(sources) => set({ sources })" /></div>
    <label>Some of your own writing, to be measured against<ElInput type="textarea" :autosize="{ minRows: 2, maxRows: 5 }" :model-value="brief.sample" maxlength="60000" @change="(sample: string) => set({ sample })" /></label>
  </div>
</template>

<style scoped>
.brief { display: grid; gap: 12px; }
label, .field { display: grid; gap: 3px; color: var(--soft); }
.three { display: grid; grid-template-columns: 1fr 1fr 110px; gap: 12px; }
.el-input-number { width: 110px; }
</style>
