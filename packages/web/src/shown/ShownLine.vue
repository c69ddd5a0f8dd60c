<script setup lang="ts">
import { computed } from 'vue'
import { depictionText } from '@tidy-reel/core/pictures/depiction'
import KeptInput from '../controls/KeptInput.vue'
import type { ShownRow } from './shown-rows.ts'

const props = defineProps<{ row: ShownRow; on: boolean }>()
const emit = defineEmits<{
  /** What is to be seen, as it goes into the script; empty leaves it to what is read. */
  write: [text: string]
  take: []
  leave: []
}>()
const FROM = {
  direction: 'as you wrote it',
  sentence: '',
  pronoun: 'from what its pronoun stands for',
  around: 'from what stands around it',
}
const from = computed(() =>
  props.row.asked ? FROM.direction : props.row.read && FROM[props.row.read.from],
)
const finds = computed(() => {
  const count = props.row.offered?.finds ?? 0
  if (!count) return 'no picture found for it'
  return count === 1 ? '1 picture' : `${count} pictures`
})
/** Hints that nobody changed are no direction. */
function write(text: string) {
  const written = text.replace(/[[\]\n]/g, ' ').trim()
  if (written !== props.row.asked) emit('write', written)
}
</script>

<template>
  <div class="line" :class="{ on }" :data-scene="row.id">
    <span class="mono number">{{ row.number }}</span>
    <p class="serif">{{ row.text }}</p>
    <div class="seen">
      <KeptInput
        :value="row.asked"
        :label="`Scene ${row.number} shows`"
        :placeholder="row.read?.see ?? ''"
        @keep="write"
      />
      <p
        v-if="from"
        class="soft small"
        :class="{ doubt: row.read?.from === 'around' && !row.asked }"
      >
        {{ from }}
      </p>
      <p v-if="row.offered" class="offer">
        <span class="words">{{ depictionText(row.offered) }}</span>
        <span class="small" :class="row.offered.finds ? 'soft' : 'red'">{{ finds }}</span>
        <button
          class="plain link"
          :aria-label="`Take for scene ${row.number}: ${row.offered.see}`"
          @click="emit('take')"
        >
          Take
        </button>
        <button
          class="plain link"
          :aria-label="`Leave for scene ${row.number}: ${row.offered.see}`"
          @click="emit('leave')"
        >
          Leave
        </button>
      </p>
    </div>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) minmax(0, 1fr);
  gap: 0 18px;
  padding: 8px 20px 7px 0;
  border-bottom: 1px solid var(--hair);
  border-left: 3px solid transparent;
  content-visibility: auto;
  contain-intrinsic-height: auto 56px;
}
.on {
  border-left-color: var(--blue);
  background: var(--wash);
}
.number {
  text-align: right;
  padding-top: 4px;
}
.serif {
  font-size: 17px;
  line-height: 1.35;
}
.seen :deep(.el-input__wrapper) {
  box-shadow: 0 1px 0 var(--edge);
  background: none;
}
.seen :deep(.el-input__wrapper.is-focus) {
  box-shadow: 0 2px 0 var(--blue);
  background: var(--paper);
}
.small {
  font-size: 13px;
}
.seen > .small {
  padding: 2px 0 0 12px;
}
.doubt {
  color: var(--red);
}
.offer {
  display: flex;
  align-items: baseline;
  gap: 14px;
  padding: 4px 0 2px 12px;
}
.words {
  color: var(--blue);
  flex: 1;
}
</style>
