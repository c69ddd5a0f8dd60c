<script setup lang="ts">
import { ElButton, ElProgress } from 'element-plus'
import { computed, useTemplateRef } from 'vue'
import type { Document } from '@tidy-reel/core/document/document'
import { FILM_FILES, TRACK_FORMATS, trackFile } from '@tidy-reel/core/export/film-files'
import { savedName } from '@tidy-reel/core/export/saved-name'
import { overallProgress } from '@tidy-reel/core/render/progress'
import { isHeldBack } from '@tidy-reel/core/render/report'
import { languageName } from '@tidy-reel/core/text/language-name'
import { clockText } from '@tidy-reel/core/time/time'
import type { RenderView } from '@tidy-reel/core/views/episode'
import { renderFile } from '../api/media.ts'
import FilmCheck from './FilmCheck.vue'
import FilmCopies from './FilmCopies.vue'

const props = defineProps<{ render: RenderView; document: Document }>()
defineEmits<{ cancel: []; taken: [reason: string] }>()
const STEPS = {
  speak: 'Speaking',
  mix: 'Mixing the sound',
  fetch: 'Fetching pictures',
  render: 'Encoding',
  join: 'Joining',
  check: 'Checking the film',
}
const FILES = FILM_FILES.filter(({ label }) => label !== null)
const files = computed(() => [
  ...FILES,
  ...(props.render.report?.languages ?? []).flatMap((language) =>
    TRACK_FORMATS.map((format) => ({
      name: trackFile(language, format),
      label: `${languageName(language)}, ${format.toUpperCase()}`,
    })),
  ),
])
const live = computed(() => props.render.state === 'queued' || props.render.state === 'running')
const size = computed(() => `${props.render.shape.width} × ${props.render.shape.height}`)
const when = computed(() =>
  new Date(props.render.createdAt).toLocaleTimeString('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
  }),
)
const done = computed(() =>
  props.render.progress ? Math.round(100 * overallProgress(props.render.progress)) : 0,
)
/** For who does not see it: that it began, is half done, has ended. */
const told = computed(() => {
  const { state } = props.render
  if (state === 'running')
    return done.value < 50 ? 'The film is being made' : 'Half of the film is made'
  return {
    queued: 'The film waits for its turn',
    done: 'The film is made',
    failed: '',
    cancelled: '',
  }[state]
})
const step = computed(() => {
  const { progress } = props.render
  if (!progress) return 'Waiting for the worker'
  const left =
    progress.remainingSeconds === null ? '' : `, about ${clockText(progress.remainingSeconds)} left`
  return `${STEPS[progress.step]}${left}`
})
const stop = useTemplateRef<InstanceType<typeof ElButton>>('stop')
defineExpose({ focusStop: () => stop.value?.ref?.focus() })
</script>

<template>
  <article>
    <span class="mono">{{ when }}<br />{{ size }}</span>
    <span class="hidden" role="status">{{ told }}</span>
    <div v-if="live" class="live">
      <ElProgress :percentage="done" :stroke-width="6" :show-text="true" color="var(--blue)" />
      <span class="soft">{{ step }}</span>
    </div>
    <div v-else-if="render.state === 'done' && render.report" class="files">
      <span v-if="!isHeldBack(render.report)"
        ><a
          v-for="{ name, label } in files"
          :key="name"
          :href="renderFile(render.id, name, savedName(document, render, name))"
          download
          >{{ label }}</a
        ></span
      >
      <span class="soft"
        >{{ clockText(render.report.seconds) }} min · {{ render.report.lufs.toFixed(1) }} LUFS, true
        peak {{ render.report.truePeak.toFixed(1) }} dBTP<template
          v-if="render.report.bedBelowSpeech !== null"
        >
          · music at least {{ render.report.bedBelowSpeech.toFixed(0) }} dB under the
          voice</template
        ></span
      >
      <span v-for="remark in render.report.remarks" :key="remark" class="red">{{ remark }}</span>
      <FilmCheck
        :render="render.id"
        :report="render.report"
        @taken="(reason) => $emit('taken', reason)"
      />
      <FilmCopies v-if="!isHeldBack(render.report)" :render="render" :document="document" />
    </div>
    <p v-else-if="render.state === 'failed'" class="red" role="alert">
      {{ render.fault?.message }}
    </p>
    <p v-else class="soft">Stopped on request.</p>
    <ElButton v-if="live" ref="stop" @click="$emit('cancel')">Stop</ElButton>
  </article>
</template>

<style scoped>
article {
  position: relative;
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr) auto;
  gap: 18px;
  align-items: start;
  padding: 12px 0;
  border-top: 1px solid var(--hair);
}
.live,
.files {
  display: grid;
  gap: 3px;
}
.files a {
  margin-right: 16px;
  text-decoration-color: var(--blue);
  text-underline-offset: 3px;
}
.files a:first-child {
  font-weight: 600;
}
</style>
