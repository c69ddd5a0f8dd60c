<script setup lang="ts">
import { ElInputNumber } from 'element-plus'
import { ArrowDown, ArrowUp, X } from 'lucide-vue-next'
import { computed } from 'vue'
import { cutText } from '@tidy-reel/core/text/well-formed'
import type { Outline, OutlineChapter } from '@tidy-reel/core/writing/brief'
import KeptInput from '../../controls/KeptInput.vue'
import { lines } from './lines.ts'

const props = defineProps<{ outline: Outline; minutes: number }>()
const emit = defineEmits<{ change: [outline: Outline] }>()
const all = computed(() => props.outline.reduce((sum, chapter) => sum + chapter.minutes, 0))
const set = (i: number, fields: Partial<OutlineChapter>) =>
  emit(
    'change',
    props.outline.map((chapter, n) => (n === i ? { ...chapter, ...fields } : chapter)),
  )
function move(i: number, way: 1 | -1) {
  const next = [...props.outline]
  next.splice(i + way, 0, ...next.splice(i, 1))
  emit('change', next)
}
</script>

<template>
  <ol>
    <li v-for="(chapter, i) in outline" :key="i">
      <KeptInput
        class="title"
        :value="chapter.title"
        :label="`Title of chapter ${i + 1}`"
        placeholder="Title"
        @keep="(title) => title.trim() && set(i, { title: cutText(title.trim(), 200) })"
      />
      <ElInputNumber
        :model-value="chapter.minutes"
        :min="0.1"
        :max="60"
        :step="0.1"
        :precision="1"
        controls-position="right"
        size="small"
        :aria-label="`Minutes of chapter ${i + 1}`"
        @change="(minutes: number | undefined) => minutes && set(i, { minutes })"
      />
      <span class="moves">
        <button
          class="plain"
          :disabled="i === 0"
          :aria-label="`Chapter ${i + 1} earlier`"
          title="Earlier"
          @click="move(i, -1)"
        >
          <ArrowUp :size="15" :stroke-width="1.6" />
        </button>
        <button
          class="plain"
          :disabled="i === outline.length - 1"
          :aria-label="`Chapter ${i + 1} later`"
          title="Later"
          @click="move(i, 1)"
        >
          <ArrowDown :size="15" :stroke-width="1.6" />
        </button>
        <button
          class="plain"
          :disabled="outline.length === 1"
          :aria-label="`Take chapter ${i + 1} out`"
          title="Take out"
          @click="
            emit(
              'change',
              outline.filter((_, n) => n !== i),
            )
          "
        >
          <X :size="15" :stroke-width="1.6" />
        </button>
      </span>
      <KeptInput
        class="points"
        :lines="{ minRows: 1, maxRows: 5 }"
        :value="chapter.points.join('\n')"
        :label="`Points of chapter ${i + 1}`"
        placeholder="What it tells, a line each"
        @keep="(text) => set(i, { points: lines(text) })"
      />
    </li>
  </ol>
  <p class="soft">
    <button
      class="plain link"
      @click="emit('change', [...outline, { title: 'A new chapter', minutes: 1, points: [] }])"
    >
      Add a chapter
    </button>
    <span :class="{ red: Math.abs(all - minutes) > minutes * 0.1 }"
      >{{ all.toFixed(1) }} of {{ minutes }} min; each chapter takes its share.</span
    >
  </p>
</template>

<style scoped>
ol {
  margin: 0;
  padding-left: 20px;
  display: grid;
  gap: 10px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 88px auto;
  gap: 6px 8px;
  align-items: center;
}
li::marker {
  color: var(--soft);
}
.points {
  grid-column: 1 / -1;
}
.title :deep(input) {
  font-family: var(--serif);
  font-size: 16.5px;
}
.el-input-number {
  width: 88px;
}
.moves {
  display: flex;
  gap: 8px;
}
.moves button:disabled {
  color: var(--hair);
  cursor: default;
}
p {
  margin-top: 10px;
  display: flex;
  gap: 16px;
}
</style>
