<script setup lang="ts">
import { ElButton, ElCheckbox } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { alignTexts } from '@tidy-reel/core/film/subtitles/align-texts'
import { languageName } from '@tidy-reel/core/text/language-name'
import { runsRightToLeft } from '@tidy-reel/core/text/right-to-left'
import { scriptApi } from '../api/script.ts'
import KeptInput from '../controls/KeptInput.vue'
import { useEpisode } from '../episode/episode-store.ts'
import WriterChoice from '../script/writing/WriterChoice.vue'
import { useTranslation } from './use-translation.ts'

/** A film in another language: the narration, and beside it what is read of it. */
const props = defineProps<{ language: string }>()
const emit = defineEmits<{ at: [sceneId: string] }>()
const episode = useEpisode()
const name = computed(() => languageName(props.language))
const track = computed(() =>
  episode.document.subtitling.tracks.find(({ language }) => language === props.language),
)
const texts = computed(
  () => new Map((track.value?.texts ?? []).map((text) => [text.sceneId, text] as const)),
)
const rows = computed(() =>
  episode.document.scenes
    .filter(({ hidden }) => !hidden)
    .map(({ id, text }, i) => ({
      id,
      number: i + 1,
      said: text,
      text: texts.value.get(id)?.text ?? '',
      /** The narration has become another since. */
      isOld: texts.value.has(id) && texts.value.get(id)?.of !== text,
    })),
)
const missing = computed(() => rows.value.filter(({ text }) => !text).length)
const old = computed(() => rows.value.filter(({ isOld }) => isOld).length)
const told = computed(() => {
  const all = rows.value.length
  if (missing.value === all) return 'Nothing written yet'
  const parts = [
    missing.value ? `${all - missing.value} of ${all} scenes written` : `All ${all} scenes written`,
    old.value ? `${old.value} written for other words` : '',
  ]
  return parts.filter(Boolean).join(', ')
})
const burnt = computed(() => episode.document.subtitling.burnt === props.language)

const put = (written: { sceneId: string; text: string }[]) =>
  episode.run({ type: 'setTrack', language: props.language, texts: written })
const burn = (on: boolean) =>
  episode.run({ type: 'setSubtitling', set: { burnt: on ? props.language : '' } })
const remove = () => episode.run({ type: 'removeTrack', language: props.language })

const file = ref<HTMLInputElement>()
const remarks = ref<string[]>([])
const problem = ref('')
watch(
  () => props.language,
  () => {
    remarks.value = []
    problem.value = ''
  },
)
async function read({ target }: Event) {
  const input = target as HTMLInputElement
  const chosen = input.files?.[0]
  input.value = ''
  if (!chosen) return
  problem.value = ''
  try {
    const found = await scriptApi.importSubtitles(chosen)
    const aligned = alignTexts(found.texts, episode.film.scenes)
    put(aligned.texts)
    const scenes = aligned.texts.length
    remarks.value = [
      `${found.texts.length} texts of ${chosen.name} stand beside ${scenes} ${scenes === 1 ? 'scene' : 'scenes'} now.`,
      ...aligned.remarks,
      ...found.left,
    ]
  } catch (cause) {
    problem.value = cause instanceof Error ? cause.message : String(cause)
  }
}
const service = ref<string>()
const asked = useTranslation(
  () => episode.data.id,
  () => props.language,
  (found) => (remarks.value = found),
)
const list = ref<HTMLElement>()
/** From a field to the next one that has no text, or the next at all. */
function next(event: KeyboardEvent) {
  const fields = [...(list.value?.querySelectorAll<HTMLElement>('textarea') ?? [])]
  const field = fields[fields.indexOf(event.target as HTMLElement) + 1]
  event.preventDefault()
  if (field) field.focus()
  else (event.target as HTMLElement).blur()
}
</script>

<template>
  <section class="written" :aria-label="`Subtitles in ${name}`">
    <div class="head">
      <b class="serif">{{ name }}</b>
      <slot />
      <span class="soft told" role="status">{{ told }}</span>
      <RouterLink class="link" :to="{ name: 'sheet' }">Back to the sheet</RouterLink>
    </div>
    <div class="ways">
      <ElButton size="small" @click="file?.click()">Read a file</ElButton>
      <ElButton v-if="asked.asking.value" size="small" @click="asked.stop">Stop asking</ElButton>
      <ElButton v-else-if="service" size="small" :disabled="!missing && !old" @click="asked.ask"
        >Ask the service for {{ missing === rows.length ? 'all' : 'what is missing' }}</ElButton
      >
      <input
        ref="file"
        class="hidden"
        type="file"
        accept=".srt,.vtt,.ttml,.xml,.ass,.ssa,.csv,.txt"
        :aria-label="`A file with subtitles in ${name}`"
        tabindex="-1"
        @change="read"
      />
      <ElCheckbox :model-value="burnt" @change="(on) => burn(!!on)"
        >Written on the picture in place of what is spoken</ElCheckbox
      >
      <button class="plain link" @click="remove">Remove {{ name }}</button>
    </div>
    <p v-if="asked.asking.value" class="soft note" role="status">
      Asking {{ service }} for {{ name }}. You can go on meanwhile.
    </p>
    <p v-if="problem || asked.problem.value" class="red note" role="alert">
      {{ problem || asked.problem.value }}
    </p>
    <div v-if="remarks.length" class="note soft" role="status">
      <p v-for="remark in remarks" :key="remark">{{ remark }}</p>
    </div>
    <div ref="list" class="list" @keydown.ctrl.enter="next">
      <div
        v-for="row in rows"
        :key="row.id"
        class="line"
        :class="{ on: row.id === episode.selected }"
        @focusin="emit('at', row.id)"
        @click="emit('at', row.id)"
      >
        <span class="mono number">{{ row.number }}</span>
        <p class="serif">{{ row.said }}</p>
        <div :dir="runsRightToLeft(language) ? 'rtl' : 'ltr'" :lang="language">
          <KeptInput
            :value="row.text"
            :label="`Scene ${row.number} in ${name}`"
            placeholder="not written yet"
            :lines="{ minRows: 1, maxRows: 4 }"
            @keep="(text) => put([{ sceneId: row.id, text }])"
          />
          <p v-if="row.isOld" class="red small" dir="ltr" lang="en">
            The narration is another now.
            <button class="plain link" @click="put([{ sceneId: row.id, text: row.text }])">
              It still holds
            </button>
          </p>
        </div>
      </div>
    </div>
    <div class="foot">
      <WriterChoice
        reads="Translated by"
        built-in="you, or a file"
        @set="(address) => (service = address)"
      />
    </div>
  </section>
</template>

<style scoped>
.written {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: repeat(5, auto) minmax(0, 1fr) auto;
  min-height: 0;
}
.head,
.ways {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  padding: 8px 16px;
  border-bottom: 1px solid var(--hair);
}
.head b {
  font-size: 17px;
}
.told {
  flex: 1;
}
.ways .link {
  margin-left: auto;
}
.note {
  margin: 0;
  padding: 8px 16px;
  border-bottom: 1px solid var(--hair);
}
.foot {
  grid-row: 7;
  padding: 8px 16px;
  border-top: 1px solid var(--hair);
}
.note p {
  margin: 0;
}
.list {
  grid-row: 6;
  overflow: auto;
  background: var(--paper);
}
.line {
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr) minmax(0, 1fr);
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
  padding-top: 5px;
}
.line p {
  margin: 0;
  font-size: 17px;
  line-height: 1.3;
  padding-top: 3px;
}
.line .small {
  font-size: 13px;
}
.line :deep(.el-textarea__inner) {
  font-family: var(--serif, inherit);
  font-size: 17px;
  line-height: 1.3;
  box-shadow: 0 1px 0 var(--edge);
  background: none;
  padding: 3px 8px;
  resize: none;
}
.line :deep(.el-textarea__inner:focus) {
  box-shadow: 0 2px 0 var(--blue);
  background: var(--paper);
}
@media (max-width: 1000px), (max-height: 540px) {
  .list {
    overflow: visible;
  }
}
</style>
