<script setup lang="ts">
import { ElOption, ElSelect } from 'element-plus'
import { computed, ref, watch } from 'vue'
import type { Command, CommandOf, Target } from '@tidy-reel/core/document/command'
import type { FilmScene } from '@tidy-reel/core/document/film-scenes'
import type { Emphasis } from '@tidy-reel/core/document/voicing'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import type { SceneTakeView } from '@tidy-reel/core/views/episode'
import type { VoiceView } from '@tidy-reel/core/views/speech'
import { FOR_SCENES } from '../sheet/for-which.ts'
import ForWhich from '../sheet/ForWhich.vue'
import PlayButton from './PlayButton.vue'
import type { SpokenScene } from './spoken-scenes.ts'

const props = defineProps<{
  scene: SpokenScene
  film: FilmScene
  voices: readonly VoiceView[]
  /** While scenes are spoken, takes appear. */ speaking: boolean
  takesOf: (sceneId: string) => Promise<SceneTakeView[]>
  saying: string
  heard: string
}>()
const emit = defineEmits<{ run: [command: Command]; hear: [key: string, take: SceneTakeView] }>()
const EMPHASES: { value: Emphasis; label: string }[] = [
  { value: 'soft', label: 'held back' },
  { value: 'plain', label: 'as usual' },
  { value: 'strong', label: 'with weight' },
]
const which = ref<'these' | 'chapter' | 'all'>('these')
const takes = ref<SceneTakeView[]>([])
function target(): Target {
  if (which.value === 'all') return 'all'
  return which.value === 'chapter' ? { chapterOf: props.scene.id } : [props.scene.id]
}
const set = (settings: CommandOf<'adjustScenes'>['set']) =>
  emit('run', { type: 'adjustScenes', target: target(), set: settings })
/** A recording is in the film under another name than its finished take. */
const inFilm = computed(() => props.film.take ?? props.scene.hash)
const nameOf = (id: string) =>
  id === 'recorded' ? 'Recorded' : (props.voices.find((voice) => voice.id === id)?.name ?? id)
const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' })
const hour = new Intl.DateTimeFormat('en-GB', { timeStyle: 'short' })
const whenUsed = (iso: string) =>
  (Date.now() - Date.parse(iso) < 86_400_000 ? hour : day).format(new Date(iso))
watch(
  () => [props.scene.id, props.scene.hash, props.scene.text, props.speaking],
  async () => {
    const { id } = props.scene
    const found = await props.takesOf(id).catch(() => [])
    if (id === props.scene.id) takes.value = found
  },
  { immediate: true },
)
</script>

<template>
  <section aria-label="Voice of this scene">
    <h2 class="serif">Scene {{ scene.number }}</h2>
    <ForWhich :choices="FOR_SCENES" @change="which = $event" />
    <div class="fields">
      <label for="scene-voice">Voice</label>
      <ElSelect
        id="scene-voice"
        :empty-values="[null, undefined]"
        :model-value="film.voice ?? ''"
        filterable
        @change="(voice: string) => set({ voice: voice || null })"
        ><ElOption
          value=""
          :label="scene.speaker ? `${scene.speaker}'s` : 'the film\'s'" /><ElOption
          v-for="voice in voices"
          :key="voice.id"
          :value="voice.id"
          :label="`${voice.name}, ${voice.accent}`"
      /></ElSelect>
      <label for="scene-pace">Pace</label>
      <ElSelect
        id="scene-pace"
        :model-value="film.pace ?? 1"
        @change="(pace: number) => set({ pace: pace === 1 ? null : pace })"
        ><ElOption
          v-for="pace in [0.8, 0.9, 0.95, 1, 1.05, 1.1, 1.2]"
          :key="pace"
          :value="pace"
          :label="pace === 1 ? 'the film\'s' : `${Math.round(pace * 100)} % of the film's`"
      /></ElSelect>
      <label for="scene-emphasis">Emphasis</label>
      <ElSelect
        id="scene-emphasis"
        :model-value="film.emphasis ?? 'plain'"
        @change="(emphasis: Emphasis) => set({ emphasis: emphasis === 'plain' ? null : emphasis })"
        ><ElOption v-for="{ value, label } in EMPHASES" :key="value" :value="value" :label="label"
      /></ElSelect>
    </div>
    <template v-if="takes.length > 1 || film.take">
      <h3>Takes of these words</h3>
      <ul>
        <li v-for="take in takes" :key="take.hash" :class="{ on: take.hash === inFilm }">
          <PlayButton
            :label="`Hear the take by ${nameOf(take.voice)}`"
            :name="`take ${take.hash}`"
            :saying
            :heard
            @play="emit('hear', `take ${take.hash}`, take)"
          />
          <span
            ><span class="serif">{{ nameOf(take.voice) }}</span>
            <span class="soft">{{ whenUsed(take.usedAt) }}</span></span
          >
          <span class="mono">{{ (take.samples / SAMPLE_RATE).toFixed(1) }} s</span>
          <span v-if="take.hash === inFilm" class="soft">{{
            film.take ? 'chosen' : 'in the film'
          }}</span>
          <button
            v-else
            class="plain link"
            @click="
              emit('run', { type: 'useTakes', takes: [{ sceneId: scene.id, take: take.hash }] })
            "
          >
            Use
          </button>
        </li>
      </ul>
      <button
        v-if="film.take"
        class="plain link"
        @click="emit('run', { type: 'useTakes', takes: [{ sceneId: scene.id, take: null }] })"
      >
        Let the voice speak
      </button>
    </template>
  </section>
</template>

<style scoped>
section {
  padding: 14px 16px;
  display: grid;
  gap: 10px;
  border-bottom: 1px solid var(--hair);
}
h2 {
  font-size: 17px;
  font-weight: 600;
}
section :deep(.for) {
  display: grid;
  gap: 4px;
  justify-items: start;
}
h3 {
  font-weight: 600;
  font-size: 14px;
}
.fields {
  display: grid;
  grid-template-columns: 78px minmax(0, 1fr);
  gap: 7px 10px;
  align-items: center;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
li {
  display: grid;
  grid-template-columns: 28px 1fr auto 70px;
  gap: 10px;
  align-items: center;
  font-size: 14.5px;
}
li .serif {
  margin-right: 8px;
}
li > :last-child {
  justify-self: end;
}
</style>
