<script setup lang="ts">
import { ElButton, ElOption, ElSelect } from 'element-plus'
import { useDebounceFn } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { Mood } from '@tidy-reel/core/document/document'
import { parseScript } from '@tidy-reel/core/script/parse'
import { cleanScript } from '@tidy-reel/core/script/clean'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import { clockText } from '@tidy-reel/core/time'
import { api, type Voice } from '../api.ts'
import { useEpisode } from '../episode/episode-store.ts'
import ScriptFacts from './ScriptFacts.vue'

const SAVE_MS = 500
const MOODS: { value: Mood; label: string }[] = [
  { value: 'calm', label: 'calm: slow piano' }, { value: 'warm', label: 'warm: folk guitar' }, { value: 'bright', label: 'bright: light band' },
  { value: 'solemn', label: 'solemn: strings' }, { value: 'none', label: 'no music' },
]
const episode = useEpisode()
const router = useRouter()
const text = ref(episode.document!.script)
const problem = ref('')
const voices = ref<Voice[]>([])
onMounted(async () => (voices.value = await api.voices().catch(() => [])))

const parsed = computed(() => parseScript(text.value))
const seconds = computed(() => sceneSeconds(parsed.value.scenes, episode.document?.speed).reduce((a, b) => a + b, 0))

const saveSoon = useDebounceFn(save, SAVE_MS)
function save() {
  if (!episode.document || text.value === episode.document.script) return
  try {
    episode.run({ type: 'setScript', script: cleanScript(text.value) })
    problem.value = ''
  } catch (cause) {
    problem.value = (cause as Error).message
  }
}
onBeforeUnmount(save)
watch(() => episode.document?.script, (script, before) => {
  // Changed elsewhere, and nothing typed here since: show it.
  if (script !== undefined && text.value === before) text.value = script
})

async function toSheet() {
  save()
  await router.push({ name: 'sheet', params: { id: episode.data!.id } })
}
</script>

<template>
  <main class="script">
    <section class="sheet">
      <label for="script-text" class="hidden">Script</label>
      <textarea id="script-text" v-model="text" class="serif" spellcheck="true" placeholder="Paste or type your narration here.

# A line like this starts a chapter

Each sentence becomes a scene with its own picture." @input="saveSoon" @blur="save" />
    </section>
    <aside>
      <ScriptFacts :parsed="parsed" :seconds="seconds" />
      <p v-if="problem" class="red" role="alert">{{ problem }}</p>
      <ul v-if="parsed.remarks.length" class="red"><li v-for="remark in parsed.remarks" :key="remark">{{ remark }}</li></ul>
      <div class="field">
        <label for="voice" class="soft">Voice</label>
        <ElSelect id="voice" :model-value="episode.document!.voice" @update:model-value="(voice: string) => episode.run({ type: 'setVoice', voice, speed: episode.document!.speed })">
          <ElOption v-for="voice in voices" :key="voice.id" :value="voice.id" :label="`${voice.name}: ${voice.gender}, ${voice.character}`" />
        </ElSelect>
      </div>
      <div class="field">
        <label for="pace" class="soft">Pace</label>
        <ElSelect id="pace" :model-value="episode.document!.speed" @update:model-value="(speed: number) => episode.run({ type: 'setVoice', voice: episode.document!.voice, speed })">
          <ElOption v-for="speed in [0.8, 0.9, 1, 1.1, 1.2]" :key="speed" :value="speed" :label="speed === 1 ? 'the voice\'s own' : `${Math.round(speed * 100)} %`" />
        </ElSelect>
      </div>
      <div class="field">
        <label for="mood" class="soft">Music</label>
        <ElSelect id="mood" :model-value="episode.document!.mood" @update:model-value="(mood: Mood) => episode.run({ type: 'setMood', mood })">
          <ElOption v-for="mood in MOODS" :key="mood.value" :value="mood.value" :label="mood.label" />
        </ElSelect>
      </div>
      <ElButton type="primary" :disabled="!parsed.scenes.length" @click="toSheet">Choose pictures and speak</ElButton>
      <details>
        <summary>Markup</summary>
        <dl>
          <dt><code># Heading</code></dt><dd>starts a chapter; shown, never spoken</dd>
          <dt><code>[picture: a harbour at dawn]</code></dt><dd>what the next sentence shows</dd>
          <dt><code>[pause 1.5s]</code></dt><dd>silence after the sentence</dd>
          <dt><code>[super: 1859]</code></dt><dd>words on the picture</dd>
          <dt><code>one | two</code></dt><dd>parts a scene here</dd>
          <dt><code>one. ~ Two.</code></dt><dd>keeps both in one scene</dd>
          <dt><code>KEEPER:</code></dt><dd>names who speaks the paragraph</dd>
        </dl>
      </details>
      <p class="soft">{{ parsed.scenes.length ? `About ${clockText(seconds)} min at this pace.` : 'Nothing to speak yet.' }}</p>
    </aside>
  </main>
</template>

<style scoped>
.script { display: grid; grid-template-columns: minmax(0, 1fr) 320px; }
.sheet { background: var(--paper); display: flex; justify-content: center; border-right: 1px solid var(--hair); min-height: 0; }
textarea { width: min(720px, 100%); height: 100%; border: 0; background: none; color: var(--ink); resize: none; padding: 36px 32px 60px; font-size: 19px; line-height: 1.62; outline: none; }
aside { padding: 22px 20px; display: flex; flex-direction: column; gap: 14px; overflow: auto; }
.field { display: grid; gap: 4px; }
.el-button { width: 100%; }
details { border-top: 1px solid var(--hair); padding-top: 10px; }
summary { cursor: pointer; }
dl { margin: 8px 0 0; }
dt code { font: 12.5px var(--mono); color: var(--blue); }
dd { margin: 0 0 8px; color: var(--soft); }
ul { margin: 0; padding-left: 18px; }
</style>
