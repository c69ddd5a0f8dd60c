<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { ElInput } from 'element-plus'
import { computed, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import type { FoundSoundView } from '@tidy-reel/core/views/sounds'
import { type SaidOfSound, soundsApi } from '../api/sounds.ts'
import ForWhich from '../sheet/ForWhich.vue'
import OwnSoundFields from './OwnSoundFields.vue'
import PlayButton from './PlayButton.vue'

/** Sounds by words, each to be heard before it is taken; one's own are brought here. */
const props = defineProps<{
  label: string
  /** What the scene, and what its chapter says and shows: what could be heard there is offered. */
  near: Record<Around, string>
  /** How many of one's own have come: they are to be found then. */
  brought: number
  saying: string
  heard: string
}>()
const emit = defineEmits<{
  take: [title: string, around: Around]
  hear: [id: string]
  bring: [files: readonly File[]]
}>()
type Around = 'scene' | 'chapter'
const AROUND: readonly (readonly [Around, string])[] = [
  ['scene', 'this scene'],
  ['chapter', 'its chapter'],
]
const around = ref<Around>('scene')
/** More are shown when they are asked for. */
const FIRST = 8
const words = ref('')
const found = shallowRef<FoundSoundView[]>([])
const fault = ref('')
const offered = shallowRef<FoundSoundView[]>([])
const all = ref(false)
const file = useTemplateRef<HTMLInputElement>('file')
const shown = computed(() => {
  if (all.value) return fit.value
  return (isOffering.value ? fitting(offered.value) : fit.value).slice(0, FIRST)
})
/** What is heard under a chapter goes on. */
const fitting = (sounds: readonly FoundSoundView[]) =>
  around.value === 'chapter' ? sounds.filter(({ goesOn }) => goesOn) : sounds
const fit = computed(() => fitting(found.value))
const lasting = ({ goesOn, seconds }: FoundSoundView) =>
  goesOn ? 'goes on' : `${seconds.toFixed(1)} s`
const isOwn = ({ id }: FoundSoundView) => id.startsWith('own-')
/** Nothing is looked for: what the scene speaks of comes first. */
const isOffering = computed(() => !words.value && !all.value && fitting(offered.value).length > 0)
let asking = new AbortController()

async function look() {
  asking.abort()
  const { signal } = (asking = new AbortController())
  try {
    const sounds = await soundsApi.find(words.value, signal)
    if (signal.aborted) return
    found.value = sounds
    fault.value = ''
    all.value = false
  } catch (cause) {
    if (!signal.aborted) fault.value = (cause as Error).message
  }
}
onMounted(look)
watchDebounced(
  () => props.near[around.value],
  async (text) => (offered.value = text ? await soundsApi.near(text).catch(() => []) : []),
  { debounce: 250, immediate: true },
)
watchDebounced(words, look, { debounce: 250 })
watch(() => props.brought, look)
/** What was changed or taken away is found, or not, by what is said of it now. */
async function settle(done: Promise<unknown>) {
  await done.catch((cause: Error) => (fault.value = cause.message))
  await look()
}
const change = (id: string, said: SaidOfSound) => settle(soundsApi.change(id, said))
const remove = (id: string) => settle(soundsApi.remove(id))
function bring(event: Event) {
  const input = event.target as HTMLInputElement
  emit('bring', [...(input.files ?? [])])
  input.value = ''
  words.value = ''
}
</script>

<template>
  <div class="finder">
    <ElInput
      v-model="words"
      size="small"
      clearable
      :maxlength="200"
      :aria-label="props.label"
      :placeholder="`${props.label}: rain, bell, footsteps on gravel`"
    />
    <p v-if="fault" class="red" role="alert">{{ fault }}</p>
    <p v-else-if="words && !found.length" class="soft">
      Nothing fits “{{ words }}”. Try what makes the sound, or bring one of your own.
    </p>
    <ForWhich label="To be heard in" :choices="AROUND" @change="(one) => (around = one)" />
    <p v-if="isOffering" class="soft">The {{ around }} and its pictures speak of</p>
    <ul>
      <li v-for="sound in shown" :key="sound.id">
        <PlayButton
          :label="`Hear ${sound.title}`"
          :name="`sound ${sound.id}`"
          :saying
          :heard
          @play="emit('hear', sound.id)"
        />
        <details v-if="isOwn(sound)">
          <summary>
            <span class="serif">{{ sound.title }}</span>
            <span class="soft">{{ lasting(sound) }}</span>
          </summary>
          <OwnSoundFields
            :sound
            @change="(said) => change(sound.id, said)"
            @remove="remove(sound.id)"
          />
        </details>
        <span v-else class="name"
          ><span class="serif">{{ sound.title }}</span>
          <span class="soft">{{ lasting(sound) }}</span></span
        >
        <span class="soft by">{{ sound.author === 'Tidy Reel' ? '' : sound.author }}</span>
        <button class="plain link" @click="emit('take', sound.title, around)">Put it in</button>
      </li>
    </ul>
    <p class="foot">
      <button v-if="fit.length > shown.length" class="plain link" @click="all = true">
        {{ isOffering ? `All ${fit.length} sounds` : `${fit.length - shown.length} more` }}
      </button>
      <button class="plain link" @click="file?.click()">Bring your own</button>
      <input
        ref="file"
        class="hidden"
        type="file"
        multiple
        accept="audio/*,.wav,.flac,.mp3,.ogg,.m4a"
        aria-label="Sounds of your own: files"
        tabindex="-1"
        @change="bring"
      />
    </p>
  </div>
</template>

<style scoped>
.finder {
  display: grid;
  gap: 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 5px;
}
li {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) auto auto;
  gap: 10px;
  align-items: start;
  min-height: 28px;
  font-size: 14.5px;
}
summary {
  cursor: pointer;
}
.name {
  display: flex;
  gap: 8px;
  align-items: baseline;
  min-width: 0;
}
.by {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  max-width: 90px;
}
.foot {
  display: flex;
  gap: 18px;
}
</style>
