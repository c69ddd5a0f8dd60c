<script setup lang="ts">
import { computed } from 'vue'
import type { CueRow } from '@tidy-reel/core/film/subtitles/cue-rows'
import { clockText, secondsFromSamples } from '@tidy-reel/core/time/time'
import KeptInput from '../controls/KeptInput.vue'

/** A subtitle, to be read and written over. */
const props = defineProps<{ row: CueRow; number: number; on: boolean }>()
const emit = defineEmits<{ write: [text: string]; spoken: [] }>()

/** A subtitle that stands so long, in seconds, fills its bar. */
const FULL_SECONDS = 7
/** A gap this long, in seconds, is told. */
const LONG_GAP = 1
const time = computed(() => clockText(secondsFromSamples(props.row.cue.start)))
const width = computed(() => `${Math.min(100, (100 * props.row.seconds) / FULL_SECONDS)}%`)
</script>

<template>
  <div class="line" :class="{ on, fault: row.faults.length }">
    <span class="mono number">{{ time }}</span>
    <div class="words">
      <KeptInput
        :value="row.text"
        :label="`Subtitle ${number}, at ${time}`"
        placeholder="nothing is shown"
        :lines="{ minRows: 1, maxRows: 3 }"
        @keep="(text) => emit('write', text)"
      />
      <p v-if="row.said" class="soft small said">
        Said: <i>{{ row.said }}</i>
        <button
          class="plain link"
          :aria-label="`Subtitle ${number} as it is said`"
          @click="emit('spoken')"
        >
          Show it as it is said
        </button>
      </p>
    </div>
    <div class="pace small">
      <span class="bar" aria-hidden="true"><i :style="{ width }" /></span>
      <span class="mono">{{ row.seconds.toFixed(1) }} s</span>
      <span class="mono">{{ Math.round(row.charactersPerSecond) }} letters/s</span>
      <span v-if="row.gap >= LONG_GAP" class="soft gap"
        >{{ row.gap.toFixed(1) }} s of nothing before</span
      >
      <span v-for="{ kind, said } in row.faults" :key="kind" class="red told">{{ said }}</span>
    </div>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 52px minmax(0, 1fr) 250px;
  gap: 0 14px;
  padding: 5px 14px 5px 0;
  border-bottom: 1px solid var(--hair);
  border-left: 3px solid transparent;
  content-visibility: auto;
  contain-intrinsic-height: auto 52px;
}
.on {
  border-left-color: var(--blue);
  background: var(--wash);
}
.number {
  text-align: right;
  padding-top: 6px;
}
.words :deep(.el-textarea__inner) {
  font-family: var(--serif, inherit);
  font-size: 17px;
  line-height: 1.3;
  box-shadow: none;
  background: none;
  padding: 3px 8px;
  resize: none;
}
.words :deep(.el-textarea__inner:hover) {
  box-shadow: 0 1px 0 var(--edge);
}
.words :deep(.el-textarea__inner:focus) {
  box-shadow: 0 2px 0 var(--blue);
  background: var(--paper);
}
.small {
  font-size: 13px;
}
.said {
  margin: 0;
  padding: 0 8px 2px;
}
.pace {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  align-content: flex-start;
  gap: 1px 10px;
  padding-top: 7px;
}
.bar {
  width: 62px;
  height: 6px;
  background: var(--hair);
}
.bar i {
  display: block;
  height: 100%;
  background: var(--soft);
}
.fault .bar i {
  background: var(--red);
}
.told,
.gap {
  flex-basis: 100%;
}
@media (max-width: 1000px) {
  .line {
    grid-template-columns: 46px minmax(0, 1fr);
  }
  .pace {
    grid-column: 2;
    padding: 0 8px;
  }
}
</style>
