<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { ElInput } from 'element-plus'
import { computed, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import type { FoundSoundView } from '@tidy-reel/core/views/sounds'
import { soundsApi } from '../api/sounds.ts'
import PlayButton from './PlayButton.vue'

/** Sounds by words, each to be heard before it is taken; one's own are brought here. */
const props = defineProps<{
  label: string
  /** What the scene says and shows: what could be heard in it is offered. */
  near: string
  /** How many of one's own have come: they are to be found then. */
  brought: number
  saying: string
  heard: string
}>()
const emit = defineEmits<{
  take: [title: string]
  hear: [id: string]
  bring: [files: readonly File[]]
}>()
/** More are shown when they are asked for. */
const FIRST = 8
const words = ref('')
const found = shallowRef<FoundSoundView[]>([])
const fault = ref('')
const offered = shallowRef<FoundSoundView[]>([])
const all = ref(false)
const file = useTemplateRef<HTMLInputElement>('file')
const shown = computed(() => {
  if (all.value) return found.value
  return (isOffering.value ? offered.value : found.value).slice(0, FIRST)
})
/** Nothing is looked for: what the scene speaks of comes first. */
const isOffering = computed(() => !words.value && !all.value && offered.value.length > 0)
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
  () => props.near,
  async (text) => (offered.value = text ? await soundsApi.near(text).catch(() => []) : []),
  { debounce: 250, immediate: true },
)
watchDebounced(words, look, { debounce: 250 })
watch(() => props.brought, look)
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
    <p v-if="isOffering" class="soft">The scene and its pictures speak of</p>
    <ul>
      <li v-for="sound in shown" :key="sound.id">
        <PlayButton
          :label="`Hear ${sound.title}`"
          :name="`sound ${sound.id}`"
          :saying
          :heard
          @play="emit('hear', sound.id)"
        />
        <span class="name"
          ><span class="serif">{{ sound.title }}</span>
          <span class="soft">{{
            sound.goesOn ? 'goes on' : `${sound.seconds.toFixed(1)} s`
          }}</span></span
        >
        <span class="soft by">{{ sound.author === 'Tidy Reel' ? '' : sound.author }}</span>
        <button class="plain link" @click="emit('take', sound.title)">Put it in</button>
      </li>
    </ul>
    <p class="foot">
      <button v-if="found.length > shown.length" class="plain link" @click="all = true">
        {{ isOffering ? `All ${found.length} sounds` : `${found.length - shown.length} more` }}
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
  align-items: center;
  font-size: 14.5px;
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
