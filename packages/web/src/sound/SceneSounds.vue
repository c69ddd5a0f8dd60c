<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Command } from '@tidy-reel/core/document/command'
import type { FilmScene } from '@tidy-reel/core/document/film-scenes'
import { type AskedSound, readSound, soundText } from '@tidy-reel/core/script/asked-sound'
import type { Accents } from '@tidy-reel/core/style/film-choices'
import { soundsApi } from '../api/sounds.ts'
import ToggleWords from '../controls/ToggleWords.vue'
import { useEpisode } from '../episode/episode-store.ts'
import { ACCENT_CHOICES } from './accent-choices.ts'
import SoundFinder from './SoundFinder.vue'
import SoundLine from './SoundLine.vue'
import { useSay } from './use-say.ts'

/** What is heard in a scene beside voice and music, and what could be. */
const props = defineProps<{ sceneId: string; number: number }>()
const emit = defineEmits<{ run: [command: Command] }>()
const episode = useEpisode()
const { saying, heard, problem, say } = useSay()
const told = ref('')
/** Sounds of one's own that have come. */
const brought = ref(0)
/** Which of its sounds another is looked for in the place of. */
const replacing = ref<number>()

const planned = computed(() => episode.plan.scenes.find(({ id }) => id === props.sceneId))
const words = computed(() => planned.value?.text.split(/\s+/) ?? [])
const sounds = computed(() => {
  const { directions = [], before = [] } = planned.value ?? {}
  return directions
    .flatMap((one, d) => (one.kind === 'sound' ? [{ text: one.text, word: before[d] ?? 0 }] : []))
    .map(({ text, word }) => {
      const asked = readSound(text)
      return { asked, word, sound: episode.data.sounds[asked.words] }
    })
})
const seenAndSaid = (scenes: readonly FilmScene[]) =>
  scenes
    .flatMap(({ text, shots }) => [text, ...shots.map(({ item }) => item?.title ?? '')])
    .join(' ')
/** The scenes of its chapter, in order. */
const chapter = computed(() =>
  episode.plan.scenes.filter((one) => one.chapter === planned.value?.chapter),
)
const near = computed(() => ({
  scene: planned.value ? seenAndSaid([planned.value]) : '',
  chapter: seenAndSaid(chapter.value),
}))
const accent = (one: keyof Accents) =>
  emit('run', { type: 'setAccents', set: { [one]: !episode.document.accents[one] } })
/** Words that stand in a direction cannot have brackets, nor commas where they are a name. */
const clean = (text: string) => text.replace(/[[\],;\n]+/g, ' ').trim()

const set = (index: number, asked: AskedSound, word?: number) =>
  emit('run', {
    type: 'setSound',
    sceneId: props.sceneId,
    index,
    text: soundText(asked),
    ...(word === undefined ? {} : { to: { sceneId: props.sceneId, word } }),
  })
const remove = (index: number) =>
  emit('run', { type: 'setSound', sceneId: props.sceneId, index, text: null })
function take(title: string, around: 'scene' | 'chapter' = 'scene') {
  const index = replacing.value
  const now = index === undefined ? undefined : sounds.value[index]
  replacing.value = undefined
  if (now && index !== undefined) return set(index, { ...now.asked, words: clean(title) })
  const [first] = chapter.value
  if (around === 'chapter' && first)
    return emit('run', {
      type: 'setSound',
      sceneId: first.id,
      text: soundText({ words: clean(title), lasts: 'chapter' }),
      to: { sceneId: first.id, word: 0 },
    })
  emit('run', { type: 'setSound', sceneId: props.sceneId, text: clean(title) })
}
async function bring(files: readonly File[]) {
  told.value = ''
  for (const file of files)
    try {
      const { title } = await soundsApi.take(file)
      brought.value++
      if (files.length === 1) take(title)
      told.value = files.length === 1 ? '' : `${files.length} sounds are there to be found.`
    } catch (cause) {
      told.value = (cause as Error).message
    }
}
</script>

<template>
  <section class="panel" aria-label="Sounds">
    <h2 class="serif">Sounds of scene {{ number }}</h2>
    <ul v-if="sounds.length" class="lines">
      <SoundLine
        v-for="({ asked, word, sound }, i) in sounds"
        :key="i"
        :asked
        :word
        :words
        :sound
        :saying
        :heard
        @set="(one) => set(i, one)"
        @move="(to) => set(i, asked, to)"
        @remove="remove(i)"
        @replace="replacing = replacing === i ? undefined : i"
        @hear="sound && say(`sound ${sound.id}`, { sound: sound.id })"
      />
    </ul>
    <p v-else class="soft">
      None. Find one below; the script may say it too, as [sound: rain, low].
    </p>
    <p v-if="told || problem" class="red" role="alert">{{ problem || told }}</p>
    <SoundFinder
      :saying
      :heard
      :near
      :brought
      :label="
        replacing === undefined ? 'Find a sound' : `In place of ${sounds[replacing]?.asked.words}`
      "
      @take="take"
      @hear="(id) => say(`sound ${id}`, { sound: id })"
      @bring="bring"
    />
    <p class="soft">
      In the whole film, by itself:
      <ToggleWords
        label="Sounds that come by themselves"
        :choices="ACCENT_CHOICES"
        :on="(one) => episode.document.accents[one]"
        @toggle="accent"
      />
    </p>
  </section>
</template>

<style scoped>
.panel {
  padding: 12px 16px 16px;
  display: grid;
  gap: 12px;
  align-content: start;
}
h2 {
  font-size: 17px;
  font-weight: 600;
}
.lines {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 12px;
}
</style>
