<script setup lang="ts">
import { ElCheckbox, ElInputNumber } from 'element-plus'
import { computed } from 'vue'
import type { Command, CommandOf, Target } from '@tidy-reel/core/document/command'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import KeptInput from '../controls/KeptInput.vue'
import { FOR_SCENES } from './for-which.ts'
import ForWhich from './ForWhich.vue'
import type { SheetRow } from './sheet-rows.ts'

const props = defineProps<{ row: SheetRow; count: number; target: Target }>()
const emit = defineEmits<{
  run: [command: Command]
  target: [target: 'these' | 'chapter' | 'all']
}>()
const set = (settings: CommandOf<'adjustScenes'>['set']) =>
  emit('run', { type: 'adjustScenes', target: props.target, set: settings })
const samples = (seconds: number | null | undefined) =>
  seconds === null || seconds === undefined ? null : Math.round(seconds * SAMPLE_RATE)
const pause = computed(() => {
  const asked = props.row.directions.flatMap((d) => (d.kind === 'pause' ? [d.seconds] : []))
  return asked.length ? asked.reduce((sum, seconds) => sum + seconds, 0) : null
})
const lasts = computed(() =>
  props.row.scene ? (props.row.scene.endSample - props.row.scene.startSample) / SAMPLE_RATE : 0,
)
const voice = computed(() =>
  props.row.scene ? (props.row.scene.speechEnd - props.row.scene.speechStart) / SAMPLE_RATE : 0,
)
const chapter = (title: string) =>
  emit('run', { type: 'setChapter', sceneId: props.row.id, title: title.trim() || null })
</script>

<template>
  <section class="panel" aria-label="This scene">
    <h2 class="serif">
      {{ count > 1 ? `${count} scenes` : `Scene ${row.number}` }}
      <span class="mono">{{ lasts.toFixed(1) }} s, voice {{ voice.toFixed(1) }} s</span>
    </h2>
    <ForWhich :choices="FOR_SCENES" @change="(which) => emit('target', which)" />
    <div class="fields">
      <label for="scene-pause">Pause after it</label>
      <span
        ><ElInputNumber
          id="scene-pause"
          :model-value="pause"
          :min="0"
          :max="60"
          :step="0.5"
          :precision="2"
          controls-position="right"
          placeholder="as usual"
          @change="(seconds) => set({ pause: samples(seconds) })"
        />
        s
        <button v-if="pause !== null" class="plain link" @click="set({ pause: null })">
          as usual
        </button></span
      >
      <label for="scene-length">Lasts</label>
      <span
        ><ElInputNumber
          id="scene-length"
          :model-value="Number(lasts.toFixed(2))"
          :min="0.1"
          :max="300"
          :step="0.5"
          :precision="2"
          controls-position="right"
          @change="(seconds) => set({ length: samples(seconds) })"
        />
        s
        <button class="plain link" @click="set({ length: null })">
          as long as the voice
        </button></span
      >
      <label for="scene-speaker">Speaker</label>
      <KeptInput
        id="scene-speaker"
        :value="row.speaker"
        label="Speaker"
        placeholder="the narrator"
        :maxlength="31"
        @keep="(name) => set({ speaker: name.trim().toUpperCase() || null })"
      />
      <label for="scene-chapter">Chapter begins</label>
      <KeptInput
        id="scene-chapter"
        :value="row.heading ?? ''"
        label="Chapter begins"
        placeholder="no heading here"
        :maxlength="200"
        @keep="chapter"
      />
      <span />
      <ElCheckbox :model-value="row.hidden" @change="(hidden) => set({ hidden: !!hidden })"
        >Leave it out of the film</ElCheckbox
      >
    </div>
  </section>
</template>

<style scoped>
.panel {
  padding: 10px 16px;
  display: grid;
  gap: 12px;
  align-content: start;
}
h2 {
  font-size: 17px;
  font-weight: 600;
  display: flex;
  gap: 12px;
  align-items: baseline;
}
.fields {
  display: grid;
  grid-template-columns: 112px 1fr;
  gap: 9px 12px;
  align-items: center;
}
.el-input-number {
  width: 130px;
}
.link {
  margin-left: 8px;
}
</style>
