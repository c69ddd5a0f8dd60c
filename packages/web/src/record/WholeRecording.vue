<script setup lang="ts">
import { ElButton, ElProgress } from 'element-plus'
import { FileAudio } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import { clockText } from '@tidy-reel/core/time/time'
import type { ReadSentence, RecordingView } from '@tidy-reel/core/views/recording'
import PlayButton from '../sound/PlayButton.vue'

const props = defineProps<{
  result: RecordingView | undefined
  /** 0 to 1; undefined when nothing is listened to. */ share: number | undefined
  problem: string
  saying: string
  heard: string
}>()
const emit = defineEmits<{
  bring: [file: File]
  use: [sentences: ReadSentence[]]
  hear: [sentence: ReadSentence]
  show: [sceneId: string]
}>()
const over = ref(false)
const found = computed(() => props.result?.sentences.filter(({ take }) => take) ?? [])
const NOT_READ = { begun: 'begun, never finished', left: 'not read' }
const notes = ({ missing, extra, tries, take }: ReadSentence) =>
  [
    take ? '' : NOT_READ[tries ? 'begun' : 'left'],
    missing.length ? `without ${missing.join(', ')}` : '',
    extra.length ? `with ${extra.join(', ')}` : '',
    take && tries > 1 ? `last good one of ${tries}` : '',
  ]
    .filter(Boolean)
    .join('; ')
function drop(event: DragEvent) {
  over.value = false
  const file = event.dataTransfer?.files[0]
  if (file) emit('bring', file)
}
function choose(event: Event) {
  const input = event.target as HTMLInputElement
  if (input.files?.[0]) emit('bring', input.files[0])
  input.value = ''
}
</script>

<template>
  <section aria-label="The whole in one go">
    <h2 class="serif">Read elsewhere?</h2>
    <label
      class="zone"
      :class="{ over }"
      @dragover.prevent="over = true"
      @dragleave="over = false"
      @drop.prevent="drop"
    >
      <FileAudio :size="18" />
      <span
        >Bring a recording of the whole: each sentence finds its place, the last good reading is
        kept.</span
      >
      <input
        type="file"
        accept="audio/*,video/*"
        class="hidden"
        aria-label="A recording of the whole"
        @change="choose"
      />
    </label>
    <p v-if="problem || result?.fault" class="red" role="alert">
      {{ problem || result?.fault?.message }}
    </p>
    <p v-for="remark in result?.remarks" :key="remark" class="red">{{ remark }}</p>
    <div v-if="share !== undefined && !result" role="status">
      <p class="soft">Listening …</p>
      <ElProgress :percentage="Math.round(share * 100)" :stroke-width="4" />
    </div>
    <template v-if="result && !result.fault">
      <p>
        {{ found.length }} of {{ result.sentences.length }} sentences found in
        {{ clockText(result.seconds) }}.
      </p>
      <ElButton type="primary" :disabled="!found.length" @click="emit('use', found)"
        >Use {{ found.length === 1 ? 'this take' : `these ${found.length} takes` }}</ElButton
      >
      <ol>
        <li
          v-for="sentence in result.sentences"
          :key="sentence.sceneId"
          :class="{ lost: !sentence.take }"
        >
          <PlayButton
            v-if="sentence.take"
            label="Hear this reading"
            :name="`read ${sentence.sceneId}`"
            :saying
            :heard
            @play="emit('hear', sentence)"
          /><span v-else />
          <button class="plain serif" @click="emit('show', sentence.sceneId)">
            {{ sentence.text }}
          </button>
          <span
            v-if="notes(sentence)"
            class="note"
            :class="sentence.take && !sentence.missing.length ? 'soft' : 'red'"
            >{{ notes(sentence) }}</span
          >
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped>
section {
  padding: 16px;
  display: grid;
  gap: 12px;
  align-content: start;
}
h2 {
  font-size: 17px;
  font-weight: 600;
}
.zone {
  display: flex;
  gap: 12px;
  align-items: center;
  border: 1px dashed var(--soft);
  padding: 14px;
  cursor: pointer;
}
.zone svg {
  flex: none;
}
.zone:hover,
.zone.over,
.zone:focus-within {
  border-color: var(--blue);
  background: var(--wash);
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr);
  gap: 2px 10px;
  padding: 7px 0;
  border-top: 1px solid var(--hair);
}
li.lost button {
  color: var(--soft);
}
.note {
  grid-column: 2;
  font-size: 13.5px;
}
</style>
